import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { RouterLink } from '@angular/router';
import { Bench } from '../../store/bench';
import { PartState } from './part-state';

export const PARTS = ['controls', 'strip', 'keypad', 'supplies', 'sizes', 'photographs', 'meter'] as const;
export type ProbePart = (typeof PARTS)[number];

/** What Probe can survey, as a line of words; the one that is open stands out. */
@Component({
  selector: 'gt-parts-nav',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [RouterLink],
  template: `
    <nav class="parts" aria-label="What to survey">
      @for (p of parts(); track p.part) {
        <a
          routerLink="."
          [queryParams]="{ part: p.part === 'controls' ? null : p.part }"
          [attr.aria-current]="p.part === here() ? 'true' : null"
          >{{ p.part }}
          @if (p.count) {
            &ngsp;<span class="muted">{{ p.count }}</span>
          }
        </a>
      }
    </nav>
  `,
})
export class PartsNav {
  private readonly bench = inject(Bench);
  protected readonly here = inject(PartState).part;
  protected readonly parts = computed(() => {
    const { survey, controls } = this.bench.job();
    const count: Record<ProbePart, number> = {
      controls: controls.length,
      strip: survey.strips.length,
      keypad: survey.keypads.length,
      supplies: survey.rails.length,
      sizes: survey.pieces.length,
      photographs: survey.photos.length,
      meter: 0,
    };
    return PARTS.map((part) => ({ part, count: count[part] }));
  });
}
