import { ChangeDetectionStrategy, Component, computed, input, signal } from '@angular/core';
import type { Keypad } from '../../../core/job';
import { pinSides } from '../../../core/scan';

/** A keypad twice: as it lies under the hand, and as the grid of lines that the controller sees. A key that is looked at shows its lines. */
@Component({
  selector: 'gt-pad-drawing',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg [attr.viewBox]="'0 0 720 ' + height()" width="100%" role="img" [attr.aria-label]="label()" class="rulers">
      @for (k of keys(); track k.label) {
        <g (mouseenter)="shown.set(k.label)" (mouseleave)="shown.set('')">
          <rect [attr.x]="k.x" [attr.y]="k.y" [attr.width]="k.width" height="48" rx="8" [attr.fill]="k.on ? 'var(--gt-patina-soft)' : 'var(--gt-sheet)'" stroke="currentColor" [attr.stroke-width]="k.on ? 2.5 : 1.4" [attr.stroke-dasharray]="k.known ? null : '4 4'" />
          <text [attr.x]="k.x + k.width / 2" [attr.y]="k.y + 22" text-anchor="middle" font-size="16" font-weight="650">{{ k.label }}</text>
          <text [attr.x]="k.x + k.width / 2" [attr.y]="k.y + 40" text-anchor="middle" font-size="13" class="muted">{{ k.lines }}</text>
        </g>
      }
      @for (r of grid().rows; track r.name) {
        <text x="358" [attr.y]="r.at + 5" font-size="14" text-anchor="end" [attr.font-weight]="r.on ? 650 : 400">{{ r.name }}</text>
        <line x1="366" x2="712" [attr.y1]="r.at" [attr.y2]="r.at" stroke="currentColor" [attr.stroke-width]="r.on ? 3 : 1.4" />
      }
      @for (c of grid().columns; track c.name) {
        <text [attr.x]="c.at" y="16" font-size="14" text-anchor="middle" [attr.font-weight]="c.on ? 650 : 400">{{ c.name }}</text>
        <line [attr.x1]="c.at" [attr.x2]="c.at" y1="24" [attr.y2]="height() - 8" stroke="currentColor" [attr.stroke-width]="c.on ? 3 : 1.4" />
      }
      @for (d of grid().crossings; track d.key) {
        <circle [attr.cx]="d.x" [attr.cy]="d.y" r="6" [attr.fill]="d.on ? 'var(--gt-brick)' : 'var(--gt-patina)'" />
        <text [attr.x]="d.x + 10" [attr.y]="d.y - 6" font-size="13">{{ d.key }}</text>
      }
    </svg>
  `,
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
  protected readonly height = computed(() => Math.max(this.pad().rows * 58 + 10, this.sides().one.length * 52 + 44, 140));
  protected readonly keys = computed(() => {
    const width = Math.min(96, 310 / this.pad().columns - 8);
    return this.pad().keys.map((k) => ({ label: k.label, x: 4 + k.column * (width + 8), y: 6 + k.row * 58, width, lines: k.lines.join(' · '), known: k.lines.length === 2, on: this.on() === k.label }));
  });
  protected readonly grid = computed(() => {
    const { one, other } = this.sides();
    const key = this.mapped().find((k) => k.label === this.on());
    const rows = one.map((name, i) => ({ name, at: 48 + i * 52, on: key?.lines.includes(name) ?? false }));
    const columns = other.map((name, i) => ({ name, at: 400 + (i * 300) / Math.max(1, other.length), on: key?.lines.includes(name) ?? false }));
    const crossings = this.mapped().flatMap((k) => {
      const row = rows.find((r) => k.lines.includes(r.name));
      const column = columns.find((c) => k.lines.includes(c.name));
      return row && column ? [{ key: k.label, x: column.at, y: row.at, on: k.label === this.on() }] : [];
    });
    return { rows, columns, crossings };
  });
  protected readonly label = computed(() => `Keypad ${this.pad().name}: ${this.pad().keys.map((k) => `${k.label} ${k.lines.length === 2 ? `joins ${k.lines.join(' and ')}` : 'not known'}`).join(', ')}`);
}
