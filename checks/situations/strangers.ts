// What is none of the kinds: whatever is put across it presses nothing, or joins what must stay apart (common practice, no source).
import { APART, BUTTON, RELAY, said, type Situation } from './situation';

const SOURCE = 'common practice: what a contact across it does, circuit by circuit';

/** The same job with other readings of its one control. */
const reads =
  (...lines: readonly string[]): Situation['make'] =>
  (j) => ({ ...j, readings: said([...APART, ...lines]).readings });

const across = (what: string, ...lines: readonly string[]): Situation[] =>
  [BUTTON, RELAY].map((sound, n) => ({
    what: `${n === 0 ? 'a solid-state relay' : 'a relay'} across ${what}`,
    source: SOURCE,
    sound,
    make: reads(...lines),
    rooms: ['probe', 'thumb'],
  }));

export const OF_STRANGERS: readonly Situation[] = [
  ...across(
    'a button that opens when it is pressed',
    'it look springs back',
    'it B to ground off 0.1 ohm',
    'it A-B off 0.3 ohm',
    'it A-B pressed >20M',
    'it A idle 0 V',
    'it A pressed 4.98 V',
  ),
  ...across(
    'a changeover, one tip on the other rail',
    'it look springs back',
    'it B to ground off 0.1 ohm',
    'it A idle 4.98 V',
    'it A-B pressed 0.3 ohm',
    'it A loaded-10k 4.98 V',
    'it A pressed 0 V',
  ),
  ...across(
    'two wires of a supply',
    'it look two wires',
    'it B to ground off 0.1 ohm',
    'it A idle 5.02 V',
    'it A-B idle 5.02 V',
    'it A-B loaded-10k 5.02 V',
    'it A-B off 4.2k',
  ),
  ...across(
    'a knob that divides the supply',
    'it look turns to stops',
    'it B to ground off 0.1 ohm',
    'it A idle 2.1 V',
    'it A-B off 4.2k',
    'it A-B turning 7.3k',
  ),
  ...across(
    'a sensor in a divider',
    'it look connector',
    'it B to ground off 0.1 ohm',
    'it A idle 2.4 V',
    'it A-B off 8.9k',
    'it A-B loaded-10k 1.9 V',
  ),
  ...across(
    'the speed signal of a fan',
    'it look connector',
    'it B to ground off 0.1 ohm',
    'it A idle 2.51 V',
    'it A idle 74 Hz',
    'it A pressed 2.5 V',
    'it A loaded-10k 1.4 V',
  ),
  ...across('a sounder', 'it look two wires', 'it A-B off 32 ohm', 'it A idle 5 V', 'it B idle 5 V', 'it A-B idle 0 V'),
];
