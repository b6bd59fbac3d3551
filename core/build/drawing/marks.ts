/** A colour of the sheet by what it stands for. */
export type Ink = 'ink' | 'muted' | 'part' | 'shore-left' | 'shore-right' | 'hatch' | 'stop' | 'paper';

/** One mark of a drawing, in user units. */
export type Mark =
  | {
      readonly kind: 'path';
      readonly d: string;
      readonly ink: Ink;
      readonly fill?: boolean;
      readonly wire?: number;
      readonly colour?: string;
      readonly strong?: boolean;
      readonly dashed?: boolean;
    }
  | {
      readonly kind: 'text';
      readonly x: number;
      readonly y: number;
      readonly text: string;
      readonly anchor: 'start' | 'middle' | 'end';
      readonly ink: Ink;
      readonly size: number;
    }
  | { readonly kind: 'tag'; readonly x: number; readonly y: number; readonly number: number; readonly colour: string };

/** A drawing: its size in user units, and its marks. Readable in black and white by its numbers. */
export interface Sheet {
  readonly width: number;
  readonly height: number;
  readonly marks: readonly Mark[];
}

/** Width of every sheet, user units: fits a column of the screen and, at 0.25 mm a unit, an A4 page. */
export const SHEET_WIDTH = 724;

/** A line of text at a point of the sheet. */
export const textMark = (
  x: number,
  y: number,
  t: string,
  anchor: 'start' | 'middle' | 'end' = 'middle',
  ink: Ink = 'ink',
  size = 15,
): Mark => ({ kind: 'text', x, y, text: t, anchor, ink, size });
/** A thin line along a path. */
export const line = (d: string, ink: Ink = 'ink'): Mark => ({ kind: 'path', d, ink });
/** A thick line along a path. */
export const strong = (d: string, ink: Ink = 'ink'): Mark => ({ kind: 'path', d, ink, strong: true });
/** A dashed line along a path. */
export const dashed = (d: string, ink: Ink = 'muted'): Mark => ({ kind: 'path', d, ink, dashed: true });
/** A filled shape. */
export const filled = (d: string, ink: Ink = 'ink'): Mark => ({ kind: 'path', d, ink, fill: true });
/** A filled dot, as where conductors join. */
export const dot = (x: number, y: number, r = 5): Mark =>
  filled(`M${x - r} ${y}a${r} ${r} 0 1 0 ${2 * r} 0a${r} ${r} 0 1 0 ${-2 * r} 0`);
/** An empty ring, as a terminal. */
export const ring = (x: number, y: number, r: number, ink: Ink = 'part'): Mark =>
  line(`M${x - r} ${y}a${r} ${r} 0 1 0 ${2 * r} 0a${r} ${r} 0 1 0 ${-2 * r} 0`, ink);

/** A straight arrow from one point to another. */
export function arrow(x1: number, y1: number, x2: number, y2: number, ink: Ink = 'ink'): Mark[] {
  const a = Math.atan2(y2 - y1, x2 - x1);
  const at = (turn: number): string =>
    `${(x2 - 10 * Math.cos(a + turn)).toFixed(1)} ${(y2 - 10 * Math.sin(a + turn)).toFixed(1)}`;
  return [line(`M${x1} ${y1}L${x2} ${y2}`, ink), filled(`M${x2} ${y2}L${at(0.4)}L${at(-0.4)}Z`, ink)];
}

/** Two drawings, one below the other. */
export function stacked(above: Sheet, below: Sheet): Sheet {
  const dy = above.height;
  const moved = below.marks.map((m): Mark => (m.kind === 'path' ? { ...m, d: shift(m.d, dy) } : { ...m, y: m.y + dy }));
  return { width: Math.max(above.width, below.width), height: dy + below.height, marks: [...above.marks, ...moved] };
}

/** A path moved down; absolute commands only name places, relative ones stay. */
function shift(d: string, dy: number): string {
  return d.replace(/([MLHVCAQ])([^A-Za-z]*)/g, (whole, command: string, rest: string) => {
    const n = rest
      .trim()
      .split(/[\s,]+/)
      .map(Number);
    if (command === 'H') return whole;
    if (command === 'V') return `V${n.map((v) => v + dy).join(' ')}`;
    if (command === 'A') return `A${n.map((v, i) => (i % 7 === 6 ? v + dy : v)).join(' ')}`;
    return command + n.map((v, i) => (i % 2 ? v + dy : v)).join(' ');
  });
}
