/** Forces that buttons ask for, N; the source is `button-force`. */
export const BUTTON_FORCES = [
  { name: 'tactile button', from: 1.5, to: 2.6 },
  { name: 'rocker', from: 4, to: 10 },
] as const;
