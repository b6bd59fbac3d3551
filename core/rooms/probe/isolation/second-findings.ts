import { atLeast, chosen, constant, derive, finding, judged, type Finding } from '../../../ground/finding';
import { sayValue, type Job, type Reading } from '../../../ground/job';
import { formatQuantity } from '../../../ground/quantity';
import { APART_ABOVE_OHMS, leadsToPin, type IsolationState } from './isolation';
import { exchanged, same } from './points';
import { NOT_ISOLATED, sayPoints, readAs } from './saying';
import { BATTERY_LEAST_VOLTS, inputOf, lastDigit, showsNone, throughJunction } from './second-look';

/** Two readings that differ by less than this share of the greater are the same to a meter. */
const ALIKE_SHARE = 0.02;
/** What one junction shows on a diode range, V: silicon and Schottky, up to a small LED. Common practice. */
const JUNCTION_VOLTS = { least: 0.15, most: 2.2 } as const;
/** Less than this share of what the meter must show past a resistance that ohms told is no slip of a last digit. */
const TOO_LITTLE_SHARE = 0.5;

/** What the second looks at each way round say of one control: the worst of each setting, and what cannot be so. */
export function secondFindings(job: Job, control: string, name: string, s: IsolationState): Finding[] {
  const { batteryVolts } = job.survey.mains;
  const proves = (r: Reading): boolean => showsNone(r, batteryVolts, job.survey.meter, APART_ABOVE_OHMS);
  const of = (kind: Reading['kind']): readonly Reading[] => s.seconds.filter((r) => r.kind === kind);
  const diodes = of('diode');
  const past = throughJunction(s.seconds, batteryVolts) ?? of('battery').find((r) => !proves(r)) ?? of('battery')[0];
  return [
    diodes.length > 0 ? diodeFinding(control, name, diodes) : null,
    past ? batteryFinding(job, control, name, s, past) : null,
    flatBattery(job, control, name, s),
    sameWayTwice(control, name, diodes),
  ].filter((f) => f !== null);
}

function diodeFinding(control: string, name: string, diodes: readonly Reading[]): Finding {
  const shown = diodes.find((r) => r.relation !== '>');
  const half = diodes.find((r) => !diodes.some((q) => exchanged(r, q)));
  return finding('probe', `${control}.isolation-diode`, {
    verdict: shown ? 'stop' : half ? 'unknown' : 'settled',
    title: shown
      ? `${name} is not isolated from mains: ${sayPoints(shown)} lets the diode range through, ${sayValue(shown)}`
      : half
        ? `${name}: ${sayPoints(half)} was read on the diode range one way round only`
        : `No single junction from ${name} to a mains pin shows on the diode range`,
    caption: shown ? 'not isolated from mains' : half ? 'diode range, one way' : 'diode range',
    source: ['second-look'],
    remedy: shown
      ? NOT_ISOLATED
      : half
        ? { text: 'Exchange the tips and read it again: a junction shows one way round only. Or withdraw the reading.' }
        : null,
  });
}

/** What lies between a place and the pins, by the volts of the battery that are left for the meter. */
function batteryFinding(job: Job, control: string, name: string, s: IsolationState, r: Reading): Finding {
  const { mains, meter } = job.survey;
  const volts = mains.batteryVolts ?? 0;
  const proven = showsNone(r, volts, meter, APART_ABOVE_OHMS);
  const tied = leadsToPin(r, job.survey) || throughJunction(s.seconds, volts) === r;
  // What was read one way round says nothing of the other, and what is still wanted is not told yet.
  const past = s.seconds.filter((q) => q.kind === 'battery');
  const half = s.missing.some((m) => m.kind === 'battery') || past.some((q) => !past.some((x) => exchanged(q, x)));
  const about = {
    title: tied
      ? `${name} is not isolated from mains: ${sayPoints(r)} leaves ${formatQuantity(Math.abs(r.value), 'V')} of the battery’s volts`
      : `Resistance from ${name} to a mains pin, by a battery in series with the meter`,
    caption: tied ? 'not isolated from mains' : 'battery test',
    source: ['second-look'],
    remedy: tied
      ? NOT_ISOLATED
      : !proven
        ? { text: unprovenText(volts, meter.stated) }
        : half
          ? { text: OTHER_WAY }
          : null,
    verdict: tied ? 'stop' : proven && !half ? 'settled' : 'unknown',
  } as const;
  // What says no more than more, or less, has no number.
  if (volts <= 0 || r.relation !== '=') return finding('probe', `${control}.isolation-battery`, about);
  const { least } = inputOf(meter);
  const input = meter.stated
    ? chosen('R_in', 'input of the meter', least, 'Ω', 'the meter in hand')
    : constant('R_in', 'least input that meters have; nobody said which is in hand', least, 'Ω', 'second-look');
  return judged('probe', `${control}.isolation-battery`, {
    ...about,
    steps: [
      derive('least resistance past which so much is left', 'R_least', 'R_in * max(0, V_b / (abs(V) + d) - 1)', 'Ω', [
        input,
        chosen('V_b', 'the battery, tips touching', volts, 'V', 'as it was read'),
        readAs('V', r, 'V'),
        constant('d', 'last digit, a millivolt at least', lastDigit(r), 'V', 'second-look'),
      ]),
    ],
    limit: atLeast(APART_ABOVE_OHMS, 'Ω', 'taken as apart', { from: 'source', key: 'isolation-bounds' }),
  });
}

const OTHER_WAY =
  'Exchange the tips and read it the other way round as well, twice each way: a junction shows one way only.';

const unprovenText = (volts: number, stated: boolean): string =>
  volts < BATTERY_LEAST_VOLTS
    ? 'The battery is flat, or was not read: touch the tips together, and take a fresh one where it shows less than 8 V.'
    : `Something lets a part through. Dry and clean the board, wait until the number stands, and read again${
        stated
          ? ''
          : '; enter the input resistance of your meter under meter, since the least that meters have is taken for it'
      }.`;

/** Ohms showed a way, and far less gets past it than must: the battery is flat, or a lead was off. */
function flatBattery(job: Job, control: string, name: string, s: IsolationState): Finding | null {
  const { mains, meter } = job.survey;
  const { lowest } = s;
  if (!mains.batteryVolts || lowest?.relation !== '=') return null;
  const must = (mains.batteryVolts * meter.inputOhms) / (meter.inputOhms + lowest.value);
  const less = s.seconds.find(
    (r) =>
      r.kind === 'battery' &&
      same(r.from, lowest.from) &&
      same(r.to, lowest.to) &&
      Math.abs(r.value) + lastDigit(r) < TOO_LITTLE_SHARE * must,
  );
  if (!less) return null;
  return finding('probe', `${control}.isolation-flat`, {
    verdict: 'unknown',
    title:
      `${name}: past the ${sayValue(lowest)} of ${sayPoints(less)} the meter must show about ${formatQuantity(must, 'V')}, ` +
      `and ${formatQuantity(Math.abs(less.value), 'V')} was read`,
    caption: 'battery and ohms disagree',
    source: ['second-look'],
    remedy: {
      text: 'Touch the tips together: a flat battery or a lead that is off shows there. Then read both again.',
    },
  });
}

/** One junction shows one way round only: the same number both ways is the same way twice, or no junction. */
function sameWayTwice(control: string, name: string, diodes: readonly Reading[]): Finding | null {
  const shown = diodes.filter(
    (r) => r.relation === '=' && r.value >= JUNCTION_VOLTS.least && r.value <= JUNCTION_VOLTS.most,
  );
  const twice = shown.find((r) =>
    shown.some((q) => exchanged(r, q) && Math.abs(q.value - r.value) <= ALIKE_SHARE * Math.max(q.value, r.value)),
  );
  if (!twice) return null;
  return finding('probe', `${control}.isolation-same-way`, {
    verdict: 'unknown',
    title: `${name}: ${sayPoints(twice)} shows ${sayValue(twice)} both ways round: was it the same way twice?`,
    caption: 'same way twice?',
    source: ['second-look'],
    remedy: {
      text: 'A junction shows one way round only. Exchange the tips and read again; two junctions back to back, or a resistor, stay.',
    },
  });
}
