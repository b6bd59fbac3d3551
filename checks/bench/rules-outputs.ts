import type { RoutineWire } from '../../core/engines/world';

/** Something that is so until a tick, or for ever. */
export type Until = number;
export const NEVER: Until = Infinity;

/** How a rule stands. */
export interface Rule {
  stoodSince: number | null;
  fired: boolean;
  holds: boolean;
  waitsUntil: Until | null;
  restsUntil: number;
  acted: number;
}

/** A rule before anything happened. */
export const freshRule = (): Rule => ({
  stoodSince: null,
  fired: false,
  holds: false,
  waitsUntil: null,
  restsUntil: -1,
  acted: 0,
});

/** Outputs of a controller that ticks: closed or open, since when, and what their limits say. */
export class Outputs {
  readonly closed: boolean[];
  readonly closedAt: number[];
  private readonly openedAt: number[];

  constructor(
    private readonly routine: RoutineWire,
    lines: number,
    private readonly said: string[],
    private readonly now: () => number,
  ) {
    this.closed = Array.from({ length: lines }, () => false);
    this.closedAt = Array.from({ length: lines }, () => 0);
    this.openedAt = Array.from({ length: lines }, () => -Infinity);
  }

  /** When an output may close; never while one that it is kept from is closed. */
  mayClose(l: number): number {
    const { apart, leastOff } = this.routine;
    for (const [a, b] of apart) if ((a === l && this.closed[b]) || (b === l && this.closed[a])) return Infinity;
    // What was let go in this very second goes on as it was.
    return this.openedAt[l] === this.now() ? this.now() : Math.max(this.now(), this.openedAt[l]! + leastOff[l]!);
  }
  close(l: number): void {
    if (this.closed[l]) return;
    this.closed[l] = true;
    this.closedAt[l] = this.now();
    this.said.push(`${this.now()} closes ${l}`);
  }
  open(l: number): void {
    if (!this.closed[l]) return;
    this.closed[l] = false;
    this.openedAt[l] = this.now();
    this.said.push(`${this.now()} opens ${l}`);
  }
}
