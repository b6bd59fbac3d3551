/** A step of the test sheet. */
export interface SheetStep {
  readonly id: string;
  readonly title: string;
  readonly how: string;
  readonly expected: string;
  /** Repeats wanted in total. */
  readonly wanted: number;
  /** Whether the stand-in can take it. */
  readonly onStandin: boolean;
}
