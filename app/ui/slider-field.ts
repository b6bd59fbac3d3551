import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { formatQuantity, type Unit } from '../../core/quantity';

/** A number between two ends, pulled or stepped by the arrow keys; `held` while it moves, `changed` when it is let go. */
@Component({
  selector: 'gt-slider',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <label class="field slider">
      <span
        >{{ label() }} <b class="mono">{{ shown() }}</b></span
      >
      <input
        #s
        type="range"
        [min]="least()"
        [max]="most()"
        [step]="step()"
        [value]="value()"
        [attr.aria-valuetext]="shown()"
        (input)="held.emit(s.valueAsNumber)"
        (change)="changed.emit(s.valueAsNumber)"
      />
    </label>
  `,
  styles:
    '.slider b { font-weight: 400; color: var(--gt-ink); float: right; } .slider ' +
    'input { accent-color: var(--gt-patina); width: 100%; min-height: 28px; }',
})
export class SliderField {
  readonly label = input.required<string>();
  readonly unit = input.required<Unit>();
  readonly value = input.required<number>();
  readonly least = input.required<number>();
  readonly most = input.required<number>();
  readonly step = input.required<number>();
  readonly held = output<number>();
  readonly changed = output<number>();
  protected readonly shown = computed(() => formatQuantity(this.value(), this.unit()));
}
