import { present } from '../../ground/lists';
import { breakingStep, INRUSH, POWER_FACTOR } from '../../engines/electrics';
import {
  atMost,
  carried,
  chosen,
  constant,
  derive,
  derivedLimit,
  finding,
  judged,
  type Finding,
  type Input,
  type Remedy,
} from '../../ground/finding';
import { forPress, type ContactFact, type ControlFact, type Facts, type PressFact } from '../../ground/facts';
import { loadOf, type Job, type Load, type Way } from '../../ground/job';
import { isContactPlanned } from './module';

/** Share of what a contact breaks that is used for loads of hours (`contact-derate`). */
export const DERATE = 0.8;

/** A supply may be a tenth off what stands on it (EN 50160 for mains; common practice for others). */
const SUPPLY_OFF = 0.1;
/** Ways that stand in a lead of the machine's mains supply. */
const IN_MAINS: readonly Way[] = ['switched-supply', 'module-contact', 'control-box'];
/** Whether a press switches a load that is no part of a machine and stands in no mains lead of one: on what it runs has to be said. */
export const isOwnLoad = (press: Pick<PressFact, 'control' | 'way'> | null): boolean =>
  press?.control === '' && !IN_MAINS.includes(press.way);

/**
 * The voltage that the load runs on at its lowest and at its highest: as read across the open contact, as said of a load of its own, else
 * mains of the region.
 */
function loadVolts(
  job: Job,
  fact: ControlFact | undefined,
  load: Load,
  own: boolean,
): { readonly low: Input; readonly high: Input; readonly direct: boolean } {
  const read = fact?.leading === 'switched-load' ? fact.parameters['loadVolts'] : undefined;
  const at = fact?.read['loadVolts'];
  if (read && at !== undefined) {
    const end = (word: string, value: number): Input => ({
      symbol: 'V',
      name: `load voltage, ${word}`,
      value,
      unit: 'V',
      origin: { from: 'estimated', at, what: 'across the open contact, estimated in Probe' },
      usual: read.nominal,
    });
    return {
      low: end('lowest', read.low),
      high: end('highest', read.high),
      direct: present(fact).alternating === 'no',
    };
  }
  if (own && load.volts !== null) {
    const { volts } = load;
    const said = (name: string, share: number): Input =>
      chosen('V', name, share * volts, 'V', 'set in Guard', [0.1, 1000]);
    return {
      low: said('load voltage, lowest', 1 - SUPPLY_OFF),
      high: said('load voltage, highest', 1 + SUPPLY_OFF),
      direct: load.current === 'dc',
    };
  }
  const mains = chosen('V', 'mains of the region', job.region.mainsVolts, 'V', 'region, in Wish');
  return { low: mains, high: mains, direct: false };
}

/** The very contact that the chosen way puts before a load, against that load: steady, and at the moment it closes. */
export function loadFindings(job: Job, facts: Facts): Finding[] {
  const carrying = facts.presses.filter((p) => p.contact !== null);
  const held = isContactPlanned(facts) ? null : (facts.drive?.moduleContact ?? null);
  return [
    ...carrying.flatMap((press, i) =>
      forPress(
        press,
        i,
        carrying.length,
        contactFindings(job, facts, press, present(press.contact)).map((f) =>
          carrying.length > 1 && !job.guard.loads.some((l) => l.press === press.id) ? asTheOthers(job, press, f) : f,
        ),
      ),
    ),
    // The machine hangs behind the contact of a bought switch whether or not a press moves it.
    ...(held ? contactFindings(job, facts, null, held) : []),
  ];
}

/** Of several contacts that carry loads one number speaks for all only where somebody says so. */
const asTheOthers = (job: Job, press: PressFact, f: Finding): Finding =>
  f.id !== 'guard.contact' || f.verdict !== 'settled'
    ? f
    : {
        ...f,
        verdict: 'tight',
        title: `${f.title}; ${press.name} is taken to carry what was said for all, and nobody said so of it`,
        caption: 'same load?',
        remedy: {
          text: 'Say below what hangs on this contact.',
          label: 'It carries the same',
          edit: {
            do: 'put',
            list: 'guard.loads',
            item: loadOf(job, press.id),
            say: `${press.name} carries the same load`,
          },
        },
      };

/** One contact against one load. */
export function contactFindings(job: Job, facts: Facts, press: PressFact | null, contact: ContactFact): Finding[] {
  const load = loadOf(job, press?.id ?? '');
  const { watts: loadWatts, kind: loadKind } = load;
  if (loadWatts === null || loadWatts <= 0)
    return [
      finding('guard', 'contact', {
        verdict: 'unknown',
        title: 'The contact carries the load itself: how many watts is it?',
        caption: 'load not entered',
        remedy: { text: 'Read it off the rating plate.' },
      }),
    ];
  const own = isOwnLoad(press);
  if (own && load.volts === null)
    return [
      finding('guard', 'contact', {
        verdict: 'unknown',
        title: 'The contact carries a load of its own: on how many volts does it run, and of which sort?',
        caption: 'load voltage?',
        source: ['contact-duty'],
        remedy: { text: 'Read it off its plate: few volts mean many amperes, and direct current is hard to break.' },
      }),
    ];
  if (loadKind === 'unknown')
    return [
      finding('guard', 'contact', {
        verdict: 'unknown',
        title: 'What kind of load is it? A motor asks more of a contact than a heater of the same watts',
        caption: 'kind of load?',
        source: ['contact-duty'],
        remedy: { text: 'Say it below: a heater is resistive, a fan or a compressor a motor.' },
      }),
    ];
  const capacitor =
    press?.way === 'control-box' ? job.presses.find((p) => p.id === press.id)?.motor.runCapacitor : 'no';
  return judgedLoad(
    loadVolts(job, press ? facts.controls[press.control] : undefined, load, own),
    loadWatts,
    loadKind,
    contact,
    capacitor !== 'no',
  );
}

const STRONGER: Remedy = { text: 'Take a contact with a higher rating, or let a contactor carry the load.' };
/** Mains over its nominal value (EN 50160), and what a rating for nominal mains holds. */
export const OVER_MAINS = 1.1;

function judgedLoad(
  { low, high, direct }: ReturnType<typeof loadVolts>,
  watts: number,
  kind: Exclude<Job['guard']['loadKind'], 'unknown'>,
  contact: ContactFact,
  raised: boolean,
): Finding[] {
  const amps = derive('steady current', 'I', 'P / (V * cosφ)', 'A', [
    chosen('P', 'load, from the rating plate', watts, 'W', 'set in Guard', [0.1, 1e6]),
    low,
    constant('cosφ', `power factor of a ${kind} load`, direct ? 1 : POWER_FACTOR[kind], '1', 'power-factor'),
  ]);
  const rated: Input = {
    symbol: 'I_rated',
    name: `${contact.name}: rated`,
    value: contact.amps,
    unit: 'A',
    origin: contact.origin,
  };
  const breaks = breakingStep(rated, kind, high.value, direct);
  const peak = derive('inrush', 'I_peak', 'k * I', 'A', [
    constant('k', `inrush of a ${kind} load`, INRUSH[kind], '1', 'inrush'),
    carried(amps),
  ]);
  return [
    judged('guard', 'contact', {
      title: `${contact.name} against what it breaks of a ${kind} load${direct ? ' of direct current' : ''}`,
      caption: 'contact rating',
      steps: [amps],
      limit: derivedLimit('at most', [breaks], 'what it breaks of such a load'),
      tightShare: 1 - DERATE,
      source: ['contact-derate'],
      remedy: amps.result.value > breaks.result.value ? STRONGER : null,
    }),
    judged('guard', 'inrush', {
      title: 'Inrush under what the contact bears when it closes',
      caption: 'inrush',
      steps: [amps, peak],
      limit: atMost(contact.inrushAmps, 'A', 'inrush that the contact bears', contact.origin),
      tightShare: 0.1,
      remedy: peak.result.value > contact.inrushAmps ? STRONGER : null,
    }),
    openVoltsFinding(high, direct, contact, raised),
  ];
}

/** @param raised a run capacitor puts more than mains on a contact that opens, or nobody said that there is none. */
function openVoltsFinding(high: Input, direct: boolean, contact: ContactFact, raised: boolean): Finding {
  const over = direct ? 1 : OVER_MAINS;
  const across = derive('voltage that the open contact meets', 'V_open', 'k_c * k_v * V', 'V', [
    constant('k_c', raised ? 'a run capacitor raises it' : 'no run capacitor', raised ? 2 : 1, '1', 'run-capacitor'),
    constant('k_v', 'over its nominal value', over, '1', 'part-share'),
    high,
  ]);
  const holds = derive('what the rating holds', 'V_holds', 'k_v * V_rated', 'V', [
    constant('k_v', 'a rating is for the nominal voltage', over, '1', 'part-share'),
    { symbol: 'V_rated', name: 'contact rating', value: contact.volts, unit: 'V', origin: contact.origin },
  ]);
  return judged('guard', 'contact-volts', {
    title: 'Voltage of the load under the contact’s rating',
    caption: 'contact voltage',
    steps: [across],
    limit: derivedLimit('at most', [holds], 'contact rating'),
    tightShare: 0.02,
    remedy: across.result.value > contact.volts * over ? STRONGER : null,
  });
}
