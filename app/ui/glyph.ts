import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { Verdict } from '../../core/ground/finding';

/** Verdict words for screen readers. */
export const VERDICT_WORDS: Record<Verdict, string> = {
  settled: 'settled',
  tight: 'tight',
  stop: 'stop',
  unknown: 'not yet known',
};

/** The mark of a verdict: a shape first, a colour second. */
@Component({
  selector: 'gt-glyph',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg
      viewBox="0 0 16 16"
      [attr.width]="size()"
      [attr.height]="size()"
      role="img"
      [attr.aria-label]="word()"
      [class]="verdict()"
    >
      @switch (verdict()) {
        @case ('settled') {
          <circle cx="8" cy="8" r="6.5" fill="currentColor" />
        }
        @case ('tight') {
          <circle cx="8" cy="8" r="6" fill="none" stroke="currentColor" stroke-width="1.8" />
          <path d="M8 2a6 6 0 0 0 0 12Z" fill="currentColor" />
        }
        @case ('stop') {
          <rect x="1.5" y="1.5" width="13" height="13" rx="1.5" fill="currentColor" />
          <rect x="4.5" y="6.8" width="7" height="2.4" class="bar" />
        }
        @default {
          <circle cx="8" cy="8" r="6" fill="none" stroke="currentColor" stroke-width="1.8" />
        }
      }
    </svg>
  `,
  styles: `
    :host {
      display: inline-flex;
      flex: none;
    }
    .settled {
      color: var(--gt-leaf);
    }
    .tight {
      color: var(--gt-brass);
    }
    .stop {
      color: var(--gt-brick);
    }
    .unknown {
      color: var(--gt-slate);
    }
    .bar {
      fill: var(--gt-sheet);
    }
  `,
})
export class Glyph {
  readonly verdict = input.required<Verdict>();
  readonly size = input(16);
  readonly word = computed(() => VERDICT_WORDS[this.verdict()]);
}
