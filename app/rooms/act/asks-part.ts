import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { askFields, freshAsk, type MachineAsk, type MachinePart } from '../../../core/ground/job';
import { Action } from '../../kit/action';
import { ChoiceField, choicesOf, type Choice } from '../../kit/choice-field';
import { FieldScope } from '../../kit/half-typed';
import { QuantityField } from '../../kit/quantity-field';
import { TextField } from '../../kit/text-field';
import { Bench } from '../../store/bench';
import { DropButton } from '../../ui/drop-button';

/** What a machine asks for between its presses, or does by itself before it goes on. */
@Component({
  selector: 'gt-asks-part',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Action, ChoiceField, DropButton, FieldScope, MatButton, QuantityField, TextField],
  template: `
    @for (a of part().asks; track $index; let i = $index) {
      <div class="script-row" data-ask [gtScope]="'ask-' + i">
        <gt-choice
          bare
          [label]="'Ask ' + (i + 1) + ' comes'"
          [value]="after(a)"
          [choices]="turns()"
          (changed)="set(i, { after: +$event })"
        />
        <gt-text
          bare
          [label]="'Ask ' + (i + 1) + ' is for'"
          [field]="fields.word"
          [value]="a.word"
          (changed)="set(i, { word: $event })"
        />
        <span class="muted">seen to by</span>
        <gt-choice
          bare
          [label]="'Ask ' + (i + 1) + ' is seen to by'"
          [value]="a.by"
          [choices]="by"
          (changed)="set(i, { by: $event })"
        />
        <span class="muted">within</span>
        <gt-quantity
          bare
          [label]="'Ask ' + (i + 1) + ' takes'"
          [field]="fields.seconds"
          [value]="a.seconds"
          (changed)="set(i, { seconds: $event })"
        />
        <gt-drop [of]="'ask ' + (i + 1)" (dropped)="drop(i)" />
      </div>
    }
    <button type="button" matButton gtAction="key" (click)="add()">it asks for something between</button>
  `,
  styles: ':host { grid-column: 1 / -1; display: flex; flex-direction: column; gap: 8px; align-items: flex-start; }',
})
export class AsksPart {
  readonly part = input.required<MachinePart>();
  private readonly bench = inject(Bench);
  protected readonly fields = askFields;
  protected readonly by = choicesOf<MachineAsk['by']>(askFields.by);
  private readonly count = computed(() => Math.max(1, this.part().heeds.filter((h) => h.as === 'press').length));
  protected readonly turns = computed(() =>
    Array.from({ length: this.count() }, (_, i): Choice => [String(i + 1), `after press ${i + 1}`]),
  );
  /** One that stands after a press that was taken away comes after the last. */
  protected readonly after = (a: MachineAsk): string => String(Math.min(a.after, this.count()));

  private put(asks: MachineAsk[], say: string): void {
    this.bench.put('act.parts', { ...this.part(), asks }, say);
  }

  protected set(at: number, set: Partial<MachineAsk>): void {
    this.put(
      this.part().asks.map((a, i) => (i === at ? { ...a, ...set } : a)),
      'what the machine asks for between its presses',
    );
  }

  protected add(): void {
    this.put([...this.part().asks, freshAsk()], 'one more thing that the machine asks for');
  }

  protected drop(at: number): void {
    this.put(
      this.part().asks.filter((_, i) => i !== at),
      'the machine no longer asks for one thing',
    );
  }
}
