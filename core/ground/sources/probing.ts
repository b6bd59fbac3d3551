import type { Source } from './source';

const C = (text: string): Source => ({ tag: 'C', text });

/** Common practice, with no source, of what controls are met and what readings of them are worth. */
export const PROBING = {
  'kind-priors': C(
    'How often each kind of control is met on a bench, before any reading; drawn halfway to ' +
      'even, since a machine that a maker opens is not drawn evenly from all machines',
  ),
  'reading-trouble': C(
    'What a reading costs in trouble: a look half of an unplugged reading, one that moves the machine twice as much',
  ),
  'short-limit': C(
    'A pair is joined through a milliampere jack only under 60 V DC and 25 V AC, and where no more than 0.1 A can flow',
  ),
  'test-load': C('A clip resistor of 10 kΩ, 1 W, lies within 5 % of its name'),
  'builds-met': C('Structures that each kind of control is met in, with their shares and the spread of their values'),
  kernel: C(
    'A resistor lies within some fifth of an e-fold of one that was drawn; a level between two ' +
      'moves by r·(1 − r) of the supply with it; what readings tell is trusted to 93 %',
  ),
  remainder: C('One control in twenty-five is built in a way not foreseen; what it shows is broad, reading by reading'),
  strangers: C(
    'One control in twenty is a known structure of no kind: a button that opens, a changeover, a variable resistor, ' +
      'a sensor, a contact with its lamp across it or between two half levels, a sounder, an indicator, an input that ' +
      'is fed from elsewhere, a pair of supply wires; all alike likely, with the spread of their values',
  ),
  'words-of-chance': C(
    'Probability in words: as good as certain from 99 %, nearly sure from 95 %, ' +
      'likely from 80 %, more likely than not from 50 %, possible from 20 %',
  ),
  'look-shares': C('What controls of each kind look and feel like, as met on benches'),
  siblings: C(
    'Controls of one board share a supply and are often built alike: each known one makes its kind likelier for the others',
  ),
};
