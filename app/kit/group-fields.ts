import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import type { AnyField, AnyFields, Field } from '../../core/ground/field';
import { CheckField } from './check-field';
import { ChoiceField, choicesOf, type Choice } from './choice-field';
import { QuantityField } from './quantity-field';
import { TextField } from './text-field';

/** Answers whose words are longer than this want a row to themselves. */
const LONG = 28;

/** What is shown of one field. */
interface Shown {
  readonly key: string;
  readonly field: AnyField;
  readonly choices: readonly Choice[];
  readonly long: boolean;
}

/** Some fields of one group, each as it is described: a number, a text, one of a few answers, yes or no. */
@Component({
  selector: 'gt-group',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [CheckField, ChoiceField, QuantityField, TextField],
  host: { class: 'fields' },
  template: `
    @for (s of shown(); track s.key) {
      @switch (s.field.is) {
        @case ('choice') {
          <gt-choice
            [class.long]="s.long"
            [label]="named(s)"
            [value]="of(s.key)"
            [choices]="s.choices"
            (changed)="put(s.key, $event)"
          />
        }
        @case ('flag') {
          <gt-check class="long" [value]="of(s.key)" (changed)="put(s.key, $event)">{{ named(s) }}</gt-check>
        }
        @case ('text') {
          <gt-text [label]="named(s)" [field]="of(s)" [value]="of(s.key)" (changed)="put(s.key, $event)" />
        }
        @default {
          <gt-quantity [label]="named(s)" [field]="of(s)" [value]="of(s.key)" (changed)="put(s.key, $event)" />
        }
      }
    }
  `,
  styles: '.long { grid-column: 1 / -1; }',
})
export class GroupFields<T extends object> {
  readonly fields = input.required<AnyFields>();
  /** Which of them, in their order. */
  readonly keys = input.required<readonly (keyof T & string)[]>();
  readonly value = input.required<T>();
  /** Labels that say more here than the fields’ own. */
  readonly labels = input<Readonly<Record<string, string>>>({});
  readonly changed = output<Partial<T>>();
  protected readonly shown = computed(() =>
    this.keys().map((key): Shown => {
      const field = this.fields()[key]!;
      const choices = field.is === 'choice' ? choicesOf(field) : [];
      return { key, field, choices, long: choices.some(([, words]) => words.length > LONG) };
    }),
  );
  protected readonly named = (s: Shown): string => this.labels()[s.key] ?? s.field.label;

  /** A value by its key, or a field by its row; what sort it is the field has said. */
  protected of(at: string | Shown): never {
    return (typeof at === 'string' ? this.value()[at as keyof T] : (at.field as Field<never>)) as never;
  }

  protected put(key: string, value: unknown): void {
    this.changed.emit({ [key]: value } as Partial<T>);
  }
}
