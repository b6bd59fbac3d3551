import { ChangeDetectionStrategy, Component, computed, ElementRef, inject, input, output, signal } from '@angular/core';
import type { BoardLayout, LaidPart } from '../../../core/ground/job';
import { copperOf, holeAt, rectangleOf, boardSize } from '../../../core/rooms/guard';

type Place = { readonly x: number; readonly y: number };
interface Shown {
  readonly part: LaidPart;
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/** Picture units to a metre: a tenth of a millimetre each. */
const SCALE = 1e4;
const ARROWS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

/** A board from its copper side: parts are moved by pointer or arrow keys, hole by hole. */
@Component({
  selector: 'gt-board-picture',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg
      [attr.viewBox]="view()"
      [attr.width]="size().width * 1e4"
      role="group"
      [attr.aria-label]="board().name + ': parts, copper and slots'"
      (pointermove)="drag($event)"
      (pointerup)="letGo()"
      (pointerleave)="letGo()"
    >
      <rect class="board" x="0" y="0" [attr.width]="size().width * 1e4" [attr.height]="size().height * 1e4" />
      @for (c of copper(); track $index) {
        <line
          [class]="'copper ' + c.side"
          [attr.x1]="c.x1"
          [attr.y1]="c.y1"
          [attr.x2]="c.x2"
          [attr.y2]="c.y2"
          [attr.stroke-width]="c.width"
        />
      }
      @for (h of holes(); track $index) {
        <circle class="hole" [attr.cx]="h.x" [attr.cy]="h.y" r="4.5" />
      }
      @for (s of slots(); track $index) {
        <polygon class="slot" [attr.points]="s" />
      }
      @for (p of parts(); track p.part.id) {
        <g
          class="part"
          tabindex="0"
          role="button"
          [attr.aria-label]="p.part.name + ', column ' + p.part.column + ', row ' + p.part.row + '; arrows move it'"
          (pointerdown)="take(p.part, $event)"
          (keydown)="nudge(p.part, $event)"
        >
          <rect [attr.x]="p.x" [attr.y]="p.y" [attr.width]="p.width" [attr.height]="p.height" rx="4" />
          <text [attr.x]="p.x + p.width / 2" [attr.y]="p.y + p.height / 2 + 5">{{ p.part.name }}</text>
        </g>
      }
      @for (w of lines(); track $index) {
        <line [class]="w.bad ? 'way bad' : 'way'" [attr.x1]="w.x1" [attr.y1]="w.y1" [attr.x2]="w.x2" [attr.y2]="w.y2" />
      }
    </svg>
  `,
  styles: `
    :host {
      display: block;
      overflow-x: auto;
    }
    svg {
      max-width: 100%;
      touch-action: none;
    }
    .board {
      fill: var(--gt-paper);
      stroke: var(--gt-ink);
    }
    .copper {
      stroke-linecap: round;
      stroke: var(--gt-muted);
      opacity: 0.45;
    }
    .copper.mains {
      stroke: var(--gt-brass);
      opacity: 0.8;
    }
    .copper.touchable {
      stroke: var(--gt-patina);
      opacity: 0.8;
    }
    .hole {
      fill: var(--gt-paper);
      stroke: var(--gt-muted);
      stroke-width: 0.8;
    }
    .slot {
      fill: var(--gt-ink);
    }
    .part rect {
      fill: none;
      stroke: var(--gt-ink);
      stroke-width: 1.5;
      pointer-events: all;
    }
    .part {
      cursor: grab;
    }
    .part text {
      font-size: 14px;
      text-anchor: middle;
      fill: var(--gt-ink);
      paint-order: stroke;
      stroke: var(--gt-paper);
      stroke-width: 3px;
    }
    .part:focus-visible {
      outline: 2px solid var(--gt-patina);
    }
    .way {
      stroke: var(--gt-ink);
      stroke-width: 2;
      stroke-dasharray: 5 3;
    }
    .way.bad {
      stroke: var(--gt-brick);
      stroke-width: 4;
    }
  `,
})
export class BoardPicture {
  readonly board = input.required<BoardLayout>();
  /** Ways to draw, each with whether it is too short. */
  readonly ways =
    input.required<readonly { readonly legs: readonly (readonly [Place, Place])[]; readonly bad: boolean }[]>();
  readonly moved = output<{ part: LaidPart; column: number; row: number }>();
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef);
  /** The part under the pointer, and how far its first hole lies from it, in holes. */
  private readonly held = signal<{ readonly id: string; readonly column: number; readonly row: number } | null>(null);
  protected readonly size = computed(() => boardSize(this.board()));
  protected readonly view = computed(() => `-2 -2 ${this.size().width * SCALE + 4} ${this.size().height * SCALE + 4}`);
  protected readonly copper = computed(() => {
    const side = new Map(this.board().nets.map((n) => [n.id, n.side]));
    return copperOf(this.board()).map(({ copper: { a, b, r }, net }) => ({
      x1: a.x * SCALE,
      y1: a.y * SCALE,
      x2: b.x * SCALE + (a.x === b.x && a.y === b.y ? DOT : 0),
      y2: b.y * SCALE,
      width: 2 * r * SCALE,
      side: side.get(net) ?? '',
    }));
  });
  protected readonly holes = computed(() => {
    const { columns, rows } = this.board();
    return Array.from({ length: columns * rows }, (_, i) => {
      const at = holeAt(this.board(), 1 + (i % columns), 1 + Math.floor(i / columns));
      return { x: at.x * SCALE, y: at.y * SCALE };
    });
  });
  protected readonly slots = computed(() =>
    this.board().slots.map((s) =>
      rectangleOf(this.board(), s)
        .map((p) => `${p.x * SCALE},${p.y * SCALE}`)
        .join(' '),
    ),
  );
  protected readonly parts = computed(() =>
    this.board().parts.map((part): Shown => {
      const columns = [0, ...part.pins.map((p) => p.column)].map((c) => c + part.column);
      const rows = [0, ...part.pins.map((p) => p.row)].map((r) => r + part.row);
      const pitch = this.board().pitch * SCALE;
      const [x, y] = [(Math.min(...columns) - 0.5) * pitch, (Math.min(...rows) - 0.5) * pitch];
      return {
        part,
        x,
        y,
        width: (Math.max(...columns) - Math.min(...columns) + 1) * pitch,
        height: (Math.max(...rows) - Math.min(...rows) + 1) * pitch,
      };
    }),
  );
  protected readonly lines = computed(() =>
    this.ways().flatMap(({ legs, bad }) =>
      legs.map(([p, q]) => ({ x1: p.x * SCALE, y1: p.y * SCALE, x2: q.x * SCALE, y2: q.y * SCALE, bad })),
    ),
  );

  /** The hole under a pointer, with fractions. */
  private hole(e: PointerEvent): { column: number; row: number } {
    const box = (this.host.nativeElement.querySelector('svg') as SVGSVGElement).getBoundingClientRect();
    const { width, height } = this.size();
    const { pitch } = this.board();
    return {
      column: (((e.clientX - box.left) / box.width) * width) / pitch,
      row: (((e.clientY - box.top) / box.height) * height) / pitch,
    };
  }

  protected take(part: LaidPart, e: PointerEvent): void {
    const at = this.hole(e);
    this.held.set({ id: part.id, column: at.column - part.column, row: at.row - part.row });
  }

  protected drag(e: PointerEvent): void {
    const held = this.held();
    const part = held && this.board().parts.find((p) => p.id === held.id);
    if (!held || !part) return;
    const at = this.hole(e);
    this.to(part, Math.round(at.column - held.column), Math.round(at.row - held.row));
  }

  protected letGo(): void {
    this.held.set(null);
  }

  protected nudge(part: LaidPart, e: KeyboardEvent): void {
    const by = ARROWS[e.key];
    if (!by) return;
    e.preventDefault();
    this.to(part, part.column + by[0], part.row + by[1]);
  }

  private to(part: LaidPart, column: number, row: number): void {
    const { columns, rows } = this.board();
    const [c, r] = [Math.max(1, Math.min(columns, column)), Math.max(1, Math.min(rows, row))];
    if (c !== part.column || r !== part.row) this.moved.emit({ part, column: c, row: r });
  }
}

/** A line of no length has no round ends in every browser: it gets this much. */
const DOT = 0.01;
