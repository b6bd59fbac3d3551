import { MatButton } from '@angular/material/button';
import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { FormControl, FormGroup } from '@angular/forms';
import { MAT_DIALOG_DATA, MatDialogRef } from '@angular/material/dialog';
import { TextField } from '../kit/text-field';
import { QuantityField } from '../kit/quantity-field';
import { Action } from '../kit/action';
import { quantity, text } from '../../core/ground/field';
import type { Bounds, OwnPart } from '../../core/ground/job';
import { PART_FIELDS, PART_KIND_WORDS, partProblems } from '../../core/engines/parts';

const ENDS = ['lowest', 'usual', 'highest'] as const;

/** A part's values as they are typed; closes with the part, or with nothing. What cannot be is said beside the very value. */
@Component({
  selector: 'gt-part-editor',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Action, MatButton, QuantityField, TextField],
  templateUrl: './part-editor.html',
  styles: 'gt-quantity { width: 128px; }',
})
export class PartEditor {
  protected readonly ref = inject<MatDialogRef<PartEditor, OwnPart>>(MatDialogRef);
  private readonly part = inject<OwnPart>(MAT_DIALOG_DATA);
  protected readonly kind = PART_KIND_WORDS[this.part.kind];
  protected readonly nameField = text('name', { most: 120 });
  protected readonly name = new FormControl(this.part.name, { nonNullable: true });
  /** A rating has one number and stands in the middle; the other values have three. */
  protected readonly rows = PART_FIELDS[this.part.kind].map((field) => {
    const values = this.part.values[field.key] ?? [0, 0, 0];
    const controls = (field.spread ? values : [values[1]]).map((v) => new FormControl(v, { nonNullable: true }));
    return {
      field,
      // What can be is judged of the part as a whole, by `partProblems`; the box only reads numbers.
      quantity: quantity(field.name, field.unit, values[1], { least: -1e15, most: 1e15 }),
      controls,
      cells: field.spread
        ? controls.map((control, i) => ({ control, label: `${field.name}, ${ENDS[i]}` }))
        : [null, controls[0]!, null].map((control) => ({ control, label: field.name })),
    };
  });
  private readonly form = new FormGroup({
    name: this.name,
    values: new FormGroup(
      Object.fromEntries(this.rows.flatMap((r) => r.controls.map((c, i) => [`${r.field.key}.${i}`, c]))),
    ),
  });
  private readonly news = toSignal(this.form.events);
  /** The part as the boxes have it; null while one of them holds no number. */
  protected readonly whole = computed((): OwnPart | null => {
    this.news();
    if (this.form.invalid) return null;
    return {
      ...this.part,
      name: this.name.value,
      values: Object.fromEntries(
        this.rows.map((r) => {
          const [low, usual = low, high = low] = r.controls.map((c) => c.value);
          return [r.field.key, [low, usual, high] as Bounds];
        }),
      ),
    };
  });
  protected readonly problems = computed(() => {
    const whole = this.whole();
    return whole ? partProblems(whole) : [];
  });
  protected readonly bad = (key: string): string => this.problems().find((p) => p.field === key)?.text ?? '';

  protected keep(): void {
    const whole = this.whole();
    if (whole && this.problems().length === 0) this.ref.close(whole);
  }
}
