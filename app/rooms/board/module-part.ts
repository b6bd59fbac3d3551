import { MatButton } from '@angular/material/button';
import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { Action } from '../../kit/action';
import { CheckField } from '../../kit/check-field';
import { ChoiceField, choicesOf, type Choice } from '../../kit/choice-field';
import { QuantityField } from '../../kit/quantity-field';
import { freshOf, quantity, type Field } from '../../../core/ground/field';
import { moduleFields, type BoardProfile, type SwitchModule } from '../../../core/ground/job';

type ChoiceKey = 'fit' | 'contactOn' | 'poles' | 'returns' | 'insulation' | 'loads';
const CHOICES: readonly ChoiceKey[] = ['fit', 'poles', 'returns', 'insulation', 'loads', 'contactOn'];
const QUANTITIES = [
  'contactGpio',
  'buttonGpio',
  'lampGpio',
  'contactAmps',
  'inrushAmps',
  'contactVolts',
] as const satisfies readonly (keyof SwitchModule)[];
const labelOf = (field: object): string => (field as { label: string }).label;

/** What makes a board a bought switch: its contact, what it keeps its pins for, and what stands between them and mains. */
@Component({
  selector: 'gt-module-part',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Action, CheckField, ChoiceField, MatButton, QuantityField],
  template: `
    @if (profile().module; as m) {
      <h3>A bought switch</h3>
      <div class="fields">
        @for (c of choices; track c.key) {
          <gt-choice [label]="c.label" [value]="m[c.key]" [choices]="c.choices" (changed)="put(c.key, $event)" />
        }
        @for (end of ends; track end.i) {
          <gt-quantity
            [field]="volts"
            [label]="'It runs on mains of, ' + end.words"
            [value]="m.mainsVolts[end.i]!"
            (changed)="range(end.i, $event)"
          />
        }
        @for (q of quantities; track q.key) {
          <gt-quantity [field]="q.field" [value]="m[q.key]" (changed)="put(q.key, $event)" />
        }
      </div>
      <div class="answers">
        <gt-check [value]="m.meters" (changed)="set({ meters: $event })">measures what goes through it</gt-check>
        <gt-check [value]="m.splashProof" (changed)="set({ splashProof: $event })">made for where it is damp</gt-check>
        <button matButton gtAction="key" type="button" (click)="changed.emit(null)">it is a bare board</button>
      </div>
    } @else {
      <div class="answers">
        <button matButton gtAction="key" type="button" (click)="begin()">it is a bought switch</button>
      </div>
    }
  `,
  styles: ':host { display: flex; flex-direction: column; gap: 14px; }',
})
export class ModulePart {
  readonly profile = input.required<BoardProfile>();
  readonly changed = output<SwitchModule | null>();
  protected readonly choices = CHOICES.map((key) => ({
    key,
    label: key === 'contactOn' ? 'Its contact closes on' : labelOf(moduleFields[key]),
    choices: choicesOf(moduleFields[key]) as Choice[],
  }));
  protected readonly quantities = QUANTITIES.map((key) => ({
    key,
    field: moduleFields[key] as unknown as Field<number | null>,
  }));
  protected readonly volts = quantity('volts', 'V', 0, { least: 1, most: 1000 });
  protected readonly ends = [
    { i: 0, words: 'least' },
    { i: 1, words: 'most' },
  ] as const;

  protected set(set: Partial<SwitchModule>): void {
    const { module } = this.profile();
    if (module) this.changed.emit({ ...module, ...set });
  }

  protected put(key: ChoiceKey | (typeof QUANTITIES)[number], value: string | number | null): void {
    this.set({ [key]: value });
  }

  protected range(i: 0 | 1, value: number): void {
    const { module } = this.profile();
    if (module) this.set({ mainsVolts: i === 0 ? [value, module.mainsVolts[1]] : [module.mainsVolts[0], value] });
  }

  /** A switch of which nothing is said, its contact on the first pin that gives a level. */
  protected begin(): void {
    const first = this.profile().pins.find((p) => p.can.includes('output'));
    this.changed.emit({ ...freshOf(moduleFields), contactGpio: first?.gpio ?? 0 });
  }
}
