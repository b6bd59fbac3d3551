import { needsPin } from '../../../build/lines';
import type { DriveFact } from '../../../ground/facts';
import {
  atLeast,
  atMost,
  chosen,
  constant,
  derive,
  finding,
  judged,
  type Finding,
  type Input,
} from '../../../ground/finding';
import type { Sense, SenseCoil } from '../../../ground/job';
import { nextBelow, formatQuantity } from '../../../ground/quantity';
import { putSense } from './edits';

/** Steps of an analogue pin, and how many of them the least current has to swing over (`ct-read`). */
const STEPS = 1024;
const LEAST_STEPS = 10;
/** A current that begins or runs a motor may pass the most that was said. */
const SHARE = 0.9;

const told = (
  sense: Sense,
  id: string,
  verdict: 'stop' | 'unknown' | 'tight',
  title: string,
  caption: string,
  text: string,
): Finding =>
  finding('sense', `coil.${sense.id}.${id}`, { verdict, title, caption, source: ['ct-read'], remedy: { text } });

/** A current that is read round a lead: one conductor of it, alternating, over a resistor across the winding. */
export function coilFindings(sense: Sense, drive: DriveFact): Finding[] {
  if (sense.kind !== 'current' || !needsPin(sense)) return [];
  const { coil } = sense;
  if (!coil)
    return [
      told(
        sense,
        'said',
        'unknown',
        `${sense.name}: with what the current is read, and round which conductor, was not said`,
        'round which lead?',
        'Say in Sense what stands round the lead: turns, ratio, resistor, and the most that flows.',
      ),
    ];
  return [...roundFindings(sense, coil), ...currentFindings(sense, coil), ...rangeFindings(sense, coil, drive)];
}

function roundFindings(sense: Sense, { round }: SenseCoil): Finding[] {
  if (round === 'one-lead')
    return [
      told(
        sense,
        'insulation',
        'tight',
        `${sense.name}: between that conductor and its winding lies what insulates the conductor, and what the transformer is made for`,
        'insulated for mains?',
        'Take one that is rated for the mains voltage, fit it with mains off and proven dead, and cover it; where a cord or a wiring is ' +
          'opened, licensed work as the local electrical code says.',
      ),
    ];
  const whole = round === 'whole-cord';
  return [
    told(
      sense,
      'round',
      whole ? 'stop' : 'unknown',
      whole
        ? `${sense.name}: round the whole cord what flows out flows back through it, and it reads nothing`
        : `${sense.name}: whether one conductor goes through it, or the whole cord, was not said`,
      whole ? 'round both leads' : 'one lead?',
      'Lead one conductor by itself through it, in a box where its basic insulation is covered; the sheath of a cord is not opened for it.',
    ),
  ];
}

function currentFindings(sense: Sense, { current }: SenseCoil): Finding[] {
  if (current === 'alternating') return [];
  const direct = current === 'direct';
  return [
    told(
      sense,
      'current',
      direct ? 'stop' : 'unknown',
      direct
        ? `${sense.name}: a current transformer reads no direct current`
        : `${sense.name}: whether the current alternates was not said; a current transformer reads no direct one`,
      direct ? 'direct current' : 'alternates?',
      'Direct current wants a sensor with a Hall element, or a resistor in the return of the load.',
    ),
  ];
}

function rangeFindings(sense: Sense, coil: SenseCoil, drive: DriveFact): Finding[] {
  const { burdenOhms, ratio, mostAmps, turns } = coil;
  if (burdenOhms === null)
    return [
      told(
        sense,
        'burden',
        'stop',
        `${sense.name}: nothing stands across the winding: open, a current transformer makes hundreds of volts`,
        'open winding',
        'Solder its resistor across the winding before any current flows, and say it in Sense.',
      ),
    ];
  if (ratio === null || mostAmps === null)
    return [
      told(
        sense,
        'range',
        'unknown',
        `${sense.name}: ${ratio === null ? 'the turns of its winding were not read' : 'how much flows at most was not said'}`,
        ratio === null ? 'how many turns?' : 'how much flows?',
        ratio === null
          ? 'Read the ratio off its plate: 1000 : 1 or 2000 : 1 are common.'
          : 'Read it off the plate of the machine.',
      ),
    ];
  const shared: Input[] = [
    chosen('n', 'how often the conductor goes through', turns, '1', 'set in Sense'),
    chosen('N', 'turns of its winding', ratio, '1', 'its plate'),
    chosen('R', 'resistor across it', burdenOhms, 'Ω', 'set in Sense', [0.1, 1e5]),
  ];
  const swing = (name: string, symbol: string, amps: number): Input[] => [
    chosen(symbol, name, amps, 'A', 'set in Sense', [1e-3, 1000]),
    ...shared,
  ];
  const best = nextBelow((SHARE * drive.pinVolts * ratio) / (2 * Math.SQRT2 * mostAmps * turns), 'E12');
  const most = derive(
    'peak from the middle, at the most that flows',
    'V_p',
    'sqrt(2) * I_m * n / N * R',
    'V',
    swing('most that flows', 'I_m', mostAmps),
  );
  const fits = most.result.value <= drive.pinVolts / 2;
  return [
    judged('sense', `coil.${sense.id}.most`, {
      title: `${sense.name}: its swing at the most that flows, about half the pins’ supply`,
      caption: 'swing too wide?',
      steps: [most],
      limit: atMost(drive.pinVolts / 2, 'V', 'half the supply of the pins', { from: 'source', key: drive.source }),
      tightShare: 0.05,
      source: ['ct-read'],
      remedy: fits
        ? null
        : {
            text: 'A smaller resistor across it lets less volts stand there.',
            label: `Take ${formatQuantity(best, 'Ω')}`,
            edit: putSense(
              sense,
              { coil: { ...coil, burdenOhms: best } },
              `${formatQuantity(best, 'Ω')} across its winding`,
            ),
          },
    }),
    ...(sense.limit
      ? [leastFinding(sense, drive, swing('where it says so', 'I_o', Math.abs(sense.limit.over)), fits)]
      : []),
  ];
}

/** Where it says so, the swing has to stand out of the steps of the pin. */
function leastFinding(sense: Sense, drive: DriveFact, inputs: readonly Input[], fits: boolean): Finding {
  const steps = derive(
    'steps from peak to peak where it says so',
    'q',
    '2 * sqrt(2) * I_o * n / N * R * K / V_DD',
    '1',
    [
      ...inputs,
      constant('K', 'steps of an analogue pin', STEPS, '1', 'ct-read'),
      chosen('V_DD', 'supply of the pins', drive.pinVolts, 'V', 'the board'),
    ],
  );
  return judged('sense', `coil.${sense.id}.least`, {
    title: `${sense.name}: its swing where it says so, in steps of its pin`,
    caption: 'lost in the steps?',
    steps: [steps],
    limit: atLeast(LEAST_STEPS, '1', 'so many steps stand out', { from: 'source', key: 'ct-read' }),
    tightShare: 'met',
    source: ['ct-read'],
    remedy:
      steps.result.value < LEAST_STEPS
        ? {
            text: fits
              ? 'Lead the conductor through more often, or take a larger resistor across it.'
              : 'The range is too wide for this threshold.',
          }
        : null,
  });
}
