import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { Row } from '../../kit/action';
import { LOOKS, type Look } from '../../../core/ground/job';
import { isFree } from '../../ui/free-key';
import { KIND_WORDS, LOOK_WORDS, type Meaning } from '../../../core/rooms/probe';

/** The look as large answers, each with the kind that it would bring to the front. */
@Component({
  selector: 'gt-look-choice',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Row],
  host: { '(document:keydown)': 'key($event)' },
  template: `
    <div class="looks">
      @for (c of choices(); track c.look; let i = $index) {
        <button gtRow type="button" [attr.data-look]="c.look" [disabled]="waits()" (click)="picked.emit(c.look)">
          <strong
            ><kbd>{{ (i + 1) % 10 }}</kbd
            >&ngsp;{{ c.words }}</strong
          ><span class="muted">{{ c.leads }}</span>
        </button>
      }
    </div>
  `,
})
export class LookChoice {
  readonly meanings = input.required<readonly Meaning[]>();
  /** True while what is shown is the last question. */
  readonly waits = input(false);
  readonly picked = output<Look>();

  /** The digits pick, so that no hand need leave the machine for a mouse. */
  protected key(event: KeyboardEvent): void {
    if (
      !isFree(event.target) ||
      this.waits() ||
      event.ctrlKey ||
      event.metaKey ||
      event.altKey ||
      !/^\d$/.test(event.key)
    )
      return;
    event.preventDefault();
    this.picked.emit(LOOKS[(Number(event.key) + 9) % 10]!);
  }

  protected readonly choices = computed(() =>
    LOOKS.map((look) => {
      const m = this.meanings().find((x) => x.look === look);
      return {
        look,
        words: LOOK_WORDS[look],
        leads: m ? `${KIND_WORDS[m.kind].name}, ${Math.round(100 * m.probability)} %` : 'not expected now',
      };
    }),
  );
}
