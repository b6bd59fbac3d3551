import { present } from '../../../ground/lists';
import { ELV_AC_VOLTS } from '../../../engines/electrics';
import {
  against,
  atLeast,
  atMost,
  constant,
  derive,
  finding,
  judged,
  type Finding,
  type Remedy,
} from '../../../ground/finding';
import { sayPlace, sayPoint, sayState, sayValue, type Job, type Reading } from '../../../ground/job';
import { formatQuantity } from '../../../ground/quantity';
import { STRAY_VOLTS, TOUCH_AMPS, type AcCheck } from './ac-checks';
import { NOT_ISOLATED, sayPoints, readAs } from './saying';
import { secondFindings } from './second-findings';
import {
  APART_ABOVE_OHMS,
  isolationOf,
  offMains,
  provesApart,
  controlQuestionsOf,
  REINFORCED_OHMS,
  TIED_BELOW_OHMS,
  type IsolationState,
  type MainsQuestion,
} from './isolation';

/** The questions before the isolation readings, in words. */
export const MAINS_QUESTIONS: Readonly<Record<MainsQuestion, string>> = {
  feed: 'how it is fed',
  cables: 'whether a charger or another cable goes to it',
  mainSwitch: 'how its own main switch stands while ohms are read',
  earth: 'where earth is',
  battery: 'what a battery of 9 to 24 V shows in series with the meter, the tips touching (8 V or more)',
};

const DANGEROUS_SIDE: Remedy = {
  text:
    'Stop reading here. This control is on the dangerous side: press it from ' +
    'outside with a finger, or hand the inside to a licensed electrician. If the ' +
    'volts were lower before, something changed: leave it unplugged.',
};

/** The isolation findings of one control, gravest facts first. */
export function isolationFindings(job: Job, control: string, name: string): Finding[] {
  const s = isolationOf(job, control);
  const off = offMains(job.survey.mains);
  return [
    s.worst && dangerousFinding(control, name, s.worst),
    s.lowest && ohmsFinding(job, control, name, s.lowest),
    s.insulation && insulationFinding(control, name, s.insulation),
    ...secondFindings(job, control, name, s),
    ...s.ac.map((c) => acFinding(control, name, c)),
    mainsFinding(job, control),
    off && s.verdict !== 'isolated' ? mainsAfterAll(control, name, s.verdict === 'unknown') : null,
    s.verdict === 'unknown' && s.missing.length > 0 ? stillToRead(control, name, s) : null,
    s.verdict === 'isolated' ? isolatedFinding(control, name, off) : null,
    s.verdict === 'low-voltage' ? lowVoltageFinding(control, name) : null,
    s.verdict === 'unknown' && s.missing.length === 0 && s.asks.length === 0 && job.survey.mains.tester === 'none'
      ? testerWanted(control, name)
      : null,
  ].filter((f) => f !== null && f !== undefined);
}

const dangerousFinding = (control: string, name: string, worst: Reading): Finding =>
  finding('probe', `${control}.dangerous`, {
    verdict: 'stop',
    title: `${name} is over extra-low voltage: ${sayPlace(worst)}, ${sayValue(worst)}`,
    caption: 'dangerous volts',
    source: ['iec-61140'],
    remedy: DANGEROUS_SIDE,
  });

const insulationFinding = (control: string, name: string, r: Reading): Finding =>
  judged('probe', `${control}.insulation`, {
    title: `Insulation of ${name} at 500 V DC`,
    caption: 'insulation test',
    steps: [derive('lowest insulation to a mains pin', 'R_iso', 'R', 'Ω', [readAs('R', r, 'Ω')])],
    limit: atLeast(REINFORCED_OHMS, 'Ω', 'reinforced insulation', { from: 'source', key: 'insulation-test' }),
    tightShare: 0.05,
    remedy: r.value < REINFORCED_OHMS ? NOT_ISOLATED : null,
  });

/** What of the mains side was not asked, or was read past an open main switch; null where all was said. */
function mainsFinding(job: Job, control: string): Finding | null {
  const { mains } = job.survey;
  const asked = controlQuestionsOf(mains);
  if (asked.length > 0)
    return finding('probe', `${control}.mains`, {
      verdict: 'unknown',
      title: `Not yet said: ${asked.map((q) => MAINS_QUESTIONS[q]).join(', ')}`,
      caption: 'mains side not asked',
      source: ['isolation-bounds'],
      remedy: { text: 'Answer it in Probe, above the next reading.' },
    });
  if (offMains(mains) || mains.mainSwitch !== 'open') return null;
  return finding('probe', `${control}.mains`, {
    verdict: 'unknown',
    title: 'The machine’s main switch stood open while ohms were read: they tell nothing of what lies behind it',
    caption: 'main switch open',
    source: ['isolation-bounds'],
    remedy: {
      text: 'Close it with the plug out, withdraw those readings, take them again, and say that it is closed.',
    },
  });
}

const mainsAfterAll = (control: string, name: string, unknown: boolean): Finding =>
  finding('probe', `${control}.mains`, {
    verdict: unknown ? 'unknown' : 'stop',
    title: `No plug and no cable was said, and ${name} shows volts or a path that only mains gives`,
    caption: 'mains after all?',
    source: ['isolation-bounds'],
    remedy: { text: 'Look for a cable that was overlooked, say anew how it is fed, and take the readings again.' },
  });

const isolatedFinding = (control: string, name: string, off: boolean): Finding =>
  finding('probe', `${control}.isolation`, {
    verdict: 'settled',
    title: off
      ? `${name} has no way to mains: no plug, no charger, no other cable`
      : `${name} is isolated from mains, as far as these readings tell`,
    caption: off ? 'no mains here' : 'isolated from mains',
    source: off ? ['isolation-bounds'] : ['isolation-bounds', 'iec-61140'],
  });

/** What was read without an insulation test: enough to keep both sides apart by, not to join them. */
const lowVoltageFinding = (control: string, name: string): Finding =>
  finding('probe', `${control}.isolation`, {
    verdict: 'tight',
    title: `${name} is isolated from mains as far as low voltage tells; what gives way at mains voltage alone is not seen so`,
    caption: 'isolated, untested',
    source: ['isolation-bounds', 'insulation-test'],
    remedy: {
      text:
        'Press it by a way that keeps both sides apart, with reinforced insulation. Before any wire joins the two grounds ' +
        'have it tested with 500 V by whoever may.',
    },
  });

/** Nothing is left that could be read without a tester, and what was read proves nothing. */
const testerWanted = (control: string, name: string): Finding =>
  finding('probe', `${control}.isolation`, {
    verdict: 'unknown',
    title: `Isolation of ${name} from mains cannot be told without a test with 500 V`,
    caption: 'isolation not proven',
    source: ['isolation-bounds', 'insulation-test'],
    remedy: {
      text:
        'Have it tested by whoever may, or press it from outside. A meter that reads to 10 MΩ or more, and a clean and dry ' +
        'board, may show more.',
    },
  });

function stillToRead(control: string, name: string, s: IsolationState): Finding {
  const how = (m: (typeof s.missing)[number]): string =>
    m.kind === 'insulation'
      ? 'a test with 500 V by whoever may'
      : `${sayState(m.state)}${m.kind === 'volts-ac' ? ', AC volts' : ''}`;
  const say = s.missing.map((m) => `${sayPoint(m.from)} to ${sayPoint(m.to)}, ${how(m)}`);
  return finding('probe', `${control}.isolation`, {
    verdict: 'unknown',
    title: `Isolation of ${name} from mains is not proven`,
    caption: 'isolation not proven',
    source: ['isolation-bounds', 'iec-61140'],
    remedy: { text: `Still to read: ${say.join('; ')}. Until then no wire may join the two grounds.` },
  });
}

function ohmsFinding(job: Job, control: string, name: string, r: Reading): Finding {
  const { meter, mains } = job.survey;
  const step = derive('lowest resistance to a mains pin', 'R_low', 'R', 'Ω', [readAs('R', r, 'Ω')]);
  const limit = atLeast(APART_ABOVE_OHMS, 'Ω', 'taken as apart', { from: 'source', key: 'isolation-bounds' });
  const tied = r.relation !== '>' && r.value < TIED_BELOW_OHMS;
  const proven = provesApart(r, meter);
  const blind = meter.mostOhms < APART_ABOVE_OHMS;
  const behind = mains.mainSwitch === 'open' || mains.mainSwitch === 'unknown';
  return judged('probe', `${control}.isolation-ohms`, {
    title: tied
      ? `${name} is not isolated from mains: ${sayPoints(r)} ${sayValue(r)}`
      : blind && !proven
        ? `${meter.name} ends at ${formatQuantity(meter.mostOhms, 'Ω')}: over range on it proves no isolation`
        : `Lowest resistance from ${name} to a mains pin`,
    caption: tied ? 'not isolated from mains' : 'isolation by ohms',
    steps: [step],
    limit,
    verdict: tied ? 'stop' : proven && (!behind || offMains(mains)) ? 'settled' : 'unknown',
    remedy: tied
      ? NOT_ISOLATED
      : proven
        ? null
        : {
            text: blind
              ? 'Take a meter that reads to 10 MΩ or more, or have the insulation tested with 500 V by whoever may.'
              : 'Between 1 MΩ and 10 MΩ nothing is proven. Dry and clean the board, ' +
                'take the reading again with the probes the other way round.',
          },
  });
}

/** One AC check: by the current into the load that lay across the tips, or by its volts where they are small. */
function acFinding(control: string, name: string, c: AcCheck): Finding {
  const read = c.loaded?.reading ?? present(c.open);
  const point = read.from.kind === 'earth' ? read.to : read.from;
  const end = point.kind === 'contact' && point.name === 'A' ? '' : `-${point.name || point.kind}`;
  const id = `${control}.isolation-ac${end}${c.at === 'idle' ? '' : '-turned'}`;
  const where = `AC from ${name} to earth${c.at === 'idle' ? '' : ', the plug turned round'}`;
  return c.loaded ? loadedFinding(id, where, c, c.loaded) : openFinding(id, where, c, read);
}

function loadedFinding(
  id: string,
  where: string,
  c: AcCheck,
  { reading, ohms }: NonNullable<AcCheck['loaded']>,
): Finding {
  const load = formatQuantity(ohms, 'Ω');
  const tied = c.is === 'tied';
  return judged('probe', id, {
    title:
      `${where}: ${c.open ? `${sayValue(c.open)} open; ` : ''}under ${load} it ` +
      (tied ? 'does not give way' : 'gives way, as a stray or a Y capacitor does'),
    caption: tied ? 'AC from mains' : 'AC to earth',
    steps: [
      derive(`current into ${load}`, 'I_touch', 'V / R', 'A', [
        readAs('V', reading, 'V'),
        constant('R', 'load across the tips', ohms, 'Ω', 'stray-volts'),
      ]),
    ],
    limit: atMost(TOUCH_AMPS, 'A', 'leakage of a sound class II machine', { from: 'source', key: 'touch-current' }),
    remedy: tied ? NOT_ISOLATED : null,
  });
}

function openFinding(id: string, where: string, c: AcCheck, read: Reading): Finding {
  const step = derive('highest AC voltage to earth', 'V_AC', 'V', 'V', [readAs('V', read, 'V')]);
  // Over five volts nothing is told without a load, and what a load was not asked for is judged by that.
  const limit =
    c.is === 'tied'
      ? atMost(ELV_AC_VOLTS, 'V', 'end of extra-low voltage', { from: 'source', key: 'iec-61140' })
      : atMost(STRAY_VOLTS, 'V', 'what a stray may show without a load', { from: 'source', key: 'stray-volts' });
  return judged('probe', id, {
    title: `${where}${c.is === 'unloaded' ? ': a stray, or a tie? A load tells' : ''}`,
    caption: 'AC to earth',
    steps: [step],
    limit,
    verdict: c.is === 'unloaded' ? 'unknown' : against(read.value, limit),
    source: ['stray-volts'],
    remedy:
      c.is === 'unloaded'
        ? {
            text:
              'Read it again with 100 kΩ across the tips, clipped on before it is plugged in: a stray or a Y capacitor ' +
              'gives way, a tie does not. Do not touch it before that.',
          }
        : null,
  });
}
