import type { Source } from './source';

const C = (text: string): Source => ({ tag: 'C', text });

/** Common practice, with no source, of what can hurt and what prevents it. */
export const GUARDING = {
  'failure-orders': C(
    'How often what fails in a plan fails, as orders of magnitude; they rank stories beside each other and prove nothing',
  ),
  snubber: C(
    'Across a coil on alternating current a varistor or 100 Ω and 100 nF of class X2, on direct current a diode; what a snubber ' +
      'lets through keeps a load of a few watts alive where it stands across the contact',
  ),
  'box-warm': C('Inside a closed box with a load of hours conductors are reckoned at 45 °C'),
  'perforated-board': C(
    'Perforated boards: holes at 2.54 mm, rings of 2 mm across, a saw cut of 1.5 mm; measure your own',
  ),
  'board-edge': C(
    'What lies at the edge of a board, a rail, a screw or a metal box, is taken for touchable until somebody looked',
  ),
  watchdog: C('A watchdog is tried by a program that is made to hang: one that an interrupt feeds never bites'),
  reach: C(
    'Who can reach a button from outside: a port opened to the outside, a shared password and an outside account are open to others',
  ),
  'floating-copper': C(
    'Rings of copper that are joined to nothing shorten the way over a board: each gap counts for itself, and one under the least ' +
      'width of a groove for nothing',
  ),
} as const satisfies Record<string, Source>;
