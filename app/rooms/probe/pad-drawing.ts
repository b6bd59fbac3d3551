import { ChangeDetectionStrategy, Component, computed, input, signal } from '@angular/core';
import type { Keypad } from '../../../core/ground/job';
import { pinSides } from '../../../core/engines/scan';

/**
 * A keypad twice: as it lies under the hand, and as the grid of lines that the controller sees. A key that is looked at
 * shows its lines.
 */
@Component({
  selector: 'gt-pad-drawing',
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './pad-drawing.html',
})
export class PadDrawing {
  readonly pad = input.required<Keypad>();
  /** A key to point out from outside. */
  readonly pointed = input('');
  protected readonly shown = signal('');
  private readonly on = computed(() => this.shown() || this.pointed());
  private readonly mapped = computed(() => this.pad().keys.filter((k) => k.lines.length === 2));
  private readonly sides = computed(() => {
    const { scan } = this.pad();
    if (scan?.strobes.length) return { one: scan.strobes, other: scan.senses };
    return pinSides(this.mapped().map((k) => ({ key: k.label, a: k.lines[0]!, b: k.lines[1]! })));
  });
  protected readonly height = computed(() =>
    Math.max(this.pad().rows * 58 + 10, this.sides().one.length * 52 + 44, 140),
  );
  protected readonly keys = computed(() => {
    const width = Math.min(96, 310 / this.pad().columns - 8);
    return this.pad().keys.map((k) => ({
      label: k.label,
      x: 4 + k.column * (width + 8),
      y: 6 + k.row * 58,
      width,
      lines: k.lines.join(' · '),
      known: k.lines.length === 2,
      on: this.on() === k.label,
    }));
  });
  protected readonly grid = computed(() => {
    const { one, other } = this.sides();
    const key = this.mapped().find((k) => k.label === this.on());
    const rows = one.map((name, i) => ({ name, at: 48 + i * 52, on: key?.lines.includes(name) ?? false }));
    const columns = other.map((name, i) => ({
      name,
      at: 400 + (i * 300) / Math.max(1, other.length),
      on: key?.lines.includes(name) ?? false,
    }));
    const crossings = this.mapped().flatMap((k) => {
      const row = rows.find((r) => k.lines.includes(r.name));
      const column = columns.find((c) => k.lines.includes(c.name));
      return row && column ? [{ key: k.label, x: column.at, y: row.at, on: k.label === this.on() }] : [];
    });
    return { rows, columns, crossings };
  });
  protected readonly label = computed(
    () =>
      `Keypad ${this.pad().name}: ${this.pad()
        .keys.map((k) => `${k.label} ${k.lines.length === 2 ? `joins ${k.lines.join(' and ')}` : 'not known'}`)
        .join(', ')}`,
  );
}
