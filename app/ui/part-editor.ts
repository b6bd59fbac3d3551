import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MAT_DIALOG_DATA, MatDialogRef } from '@angular/material/dialog';
import { MatButton } from '@angular/material/button';
import type { Bounds, OwnPart } from '../../core/job';
import { PART_FIELDS, PART_KIND_WORDS, partProblems, type PartField } from '../../core/parts';
import { formatQuantity, parseQuantity } from '../../core/quantity';

const ENDS = ['lowest', 'usual', 'highest'] as const;

/** A part's values as they are typed; closes with the part, or with nothing. What cannot be is said beside the very value. */
@Component({
  selector: 'gt-part-editor',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButton],
  templateUrl: './part-editor.html',
  styles: '.short { width: 104px; }',
})
export class PartEditor {
  protected readonly ref = inject<MatDialogRef<PartEditor, OwnPart>>(MatDialogRef);
  private readonly part = inject<OwnPart>(MAT_DIALOG_DATA);
  protected readonly kind = PART_KIND_WORDS[this.part.kind];
  protected readonly fields = PART_FIELDS[this.part.kind];
  protected readonly ends = ENDS;
  protected readonly name = signal(this.part.name);
  protected readonly typed = signal<Readonly<Record<string, readonly string[]>>>(
    Object.fromEntries(
      this.fields.map((f) => [f.key, (this.part.values[f.key] ?? [0, 0, 0]).map((v) => formatQuantity(v, f.unit))]),
    ),
  );
  /** Values that are no number at all, before the part is looked at as a whole. */
  private readonly unread = computed(() =>
    this.fields.flatMap((f) =>
      this.typed()[f.key]!.flatMap((t) => {
        const parsed = this.parse(f, t);
        return typeof parsed === 'string' ? [{ field: f.key, text: `${f.name}: ${parsed}` }] : [];
      }),
    ),
  );
  private readonly whole = computed((): OwnPart => ({
    ...this.part,
    name: this.name(),
    values: Object.fromEntries(
      this.fields.map((f) => [f.key, this.typed()[f.key]!.map((t) => Number(this.parse(f, t))) as Bounds]),
    ),
  }));
  protected readonly problems = computed(() => (this.unread().length ? this.unread() : partProblems(this.whole())));
  protected readonly bad = (key: string): string => this.problems().find((p) => p.field === key)?.text ?? '';

  private parse(f: PartField, text: string): number | string {
    const parsed = parseQuantity(text, f.unit);
    return parsed.ok ? parsed.quantity.value : parsed.message;
  }

  protected type(f: PartField, i: number, text: string): void {
    this.typed.update((t) => ({ ...t, [f.key]: t[f.key]!.map((old, k) => (k === i ? text : old)) }));
  }

  protected typeAll(f: PartField, text: string): void {
    this.typed.update((t) => ({ ...t, [f.key]: [text, text, text] }));
  }

  protected keep(): void {
    if (this.problems().length === 0) this.ref.close(this.whole());
  }
}
