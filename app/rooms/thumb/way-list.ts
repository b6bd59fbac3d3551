import { NgTemplateOutlet } from '@angular/common';
import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { Row } from '../../kit/action';
import type { Way } from '../../../core/ground/job';
import { WAY_WORDS, type WayResult } from '../../../core/build/ways';
import { Glyph } from '../../ui/glyph';

/** The ways to press, best first; those that have nothing to do with this control stand folded below, each with its reason. */
@Component({
  selector: 'gt-way-list',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Glyph, NgTemplateOutlet, Row],
  template: `
    <ng-template #row let-w>
      <button
        gtRow
        type="button"
        [attr.aria-pressed]="w.way === chosen()"
        [attr.data-way]="w.way"
        (click)="choose.emit(w.way)"
      >
        <gt-glyph [verdict]="w.verdict" />
        <span
          ><strong>{{ name(w) }}</strong
          ><span class="muted">{{ w.reason }}</span></span
        >
      </button>
    </ng-template>
    <div class="choice">
      @for (w of fit(); track w.way) {
        <ng-container [ngTemplateOutlet]="row" [ngTemplateOutletContext]="{ $implicit: w }" />
      }
    </div>
    @if (unfit().length) {
      <details [open]="unfitChosen()">
        <summary class="muted">{{ unfit().length }} more have nothing to do with this control</summary>
        <div class="choice">
          @for (w of unfit(); track w.way) {
            <ng-container [ngTemplateOutlet]="row" [ngTemplateOutletContext]="{ $implicit: w }" />
          }
        </div>
      </details>
    }
  `,
})
export class WayList {
  readonly ways = input.required<readonly WayResult[]>();
  readonly chosen = input.required<Way | null>();
  readonly choose = output<Way>();
  protected readonly name = (w: WayResult): string => WAY_WORDS[w.way].name;
  protected readonly fit = computed(() => this.ways().filter((w) => w.applies));
  protected readonly unfit = computed(() => this.ways().filter((w) => !w.applies));
  protected readonly unfitChosen = computed(() => this.unfit().some((w) => w.way === this.chosen()));
}
