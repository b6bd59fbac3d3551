import {
  atLeast,
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
  type Limit,
  type Origin,
  type Remedy,
  summary,
} from '../finding';
import type { Facts } from '../facts';
import type { Job } from '../job';
import { formatQuantity } from '../quantity';
import { SUPPLY_SHARE, usableAmps } from '../rails';

export interface Load {
  readonly name: string;
  readonly meanAmps: number;
  readonly peakAmps: number;
  readonly meanOrigin: Origin;
  readonly peakOrigin: Origin;
}

/** Share of a supply that stays in reserve (`feed-spare`). */
const RESERVE = 0.2;
/** Resistance of copper, Ω·m (`iec-60028`). */
const COPPER = 17.241e-9;

/** What hangs on the one supply: the controller, and what the press draws while it lasts. */
export function loadsOf(job: Job, facts: Facts): Load[] {
  const press = facts.press;
  const pressing = press ? Math.max(0, press.supplyAmps) + Math.max(0, press.pinAmps) : 0;
  const share = pressShare(job);
  return [
    ...(facts.drive
      ? [
          {
            name: facts.drive.controller,
            meanAmps: facts.drive.meanAmps,
            peakAmps: facts.drive.peakAmps,
            meanOrigin: { from: 'source', key: facts.drive.source } as const,
            peakOrigin: { from: 'source', key: facts.drive.source } as const,
          },
        ]
      : []),
    ...(press
      ? [
          {
            name: press.load,
            meanAmps: pressing * share,
            peakAmps: Math.max(pressing, press.peakAmps),
            meanOrigin: {
              from: 'computed',
              what: `${press.load} and its pin, times the share of the script in which it presses`,
            } as const,
            peakOrigin: press.drawOrigin,
          },
        ]
      : []),
  ];
}

/** Share of the press script's time in which it presses; a script without length presses all the time. */
function pressShare(job: Job): number {
  const total = job.act.script.reduce((s, x) => s + x.seconds, 0);
  const pressed = job.act.script.filter((x) => x.do === 'press').reduce((s, x) => s + x.seconds, 0);
  return total > 0 ? pressed / total : 1;
}

/** What may be drawn: four fifths of the supply, and no more than Probe found that the machine's rail can spare. */
function spareLimit(job: Job, amps: number): Limit {
  const share = derive('four fifths of the supply', 'I_use', 'k * I_s', 'A', [
    constant('k', 'share used', 1 - RESERVE, '1', 'feed-spare'),
    chosen('I_s', 'what the supply gives', amps, 'A', 'set in Feed', [0.01, 1000]),
  ]);
  const rail = job.survey.rails.find((r) => r.id === job.feed.rail);
  if (job.feed.rail === '')
    return derivedLimit('at most', [share], `four fifths of the ${job.feed.supply || 'supply'}`);
  const spare = rail && usableAmps(rail);
  if (!spare)
    return {
      sense: 'at most',
      value: share.result.value,
      unit: 'A',
      name: 'what the rail can spare',
      origin: { from: 'prior', what: 'nobody loaded this rail in Probe' },
    };
  return spare.amps < share.result.value
    ? derivedLimit('at most', spare.steps, 'what the machine’s rail can spare')
    : derivedLimit('at most', [share], 'four fifths of the supply');
}

/** The lead of a plug-in supply where nobody said which (`feed-volts`). */
const USUAL_LEAD = { leadMetres: 1, leadSquareMetres: 0.08e-6 } as const;

/** Length or cross-section of the lead: as said, else the usual one as a guess. */
const lead = (
  job: Job,
  key: keyof typeof USUAL_LEAD,
  symbol: string,
  name: string,
  unit: 'm' | 'm²',
  possible: readonly [number, number],
): Input => {
  const said = job.feed[key];
  const input = chosen(symbol, name, said ?? USUAL_LEAD[key], unit, 'set in Feed', possible);
  return said === null
    ? {
        ...input,
        origin: { from: 'default', what: 'a usual lead, common practice; nobody said which', path: `feed.${key}` },
      }
    : input;
};

/** The supply at its lowest, under the peak draw and behind its lead, and at its highest, against what the controller's board bears. */
function voltageFindings(job: Job, facts: Facts, volts: number, peak: Finding): Finding[] {
  if (!facts.drive) return [];
  const { low, high } = facts.drive.supplyVolts;
  const supply: Input = chosen('V_s', 'supply', volts, 'V', 'set in Feed', [0.5, 1000]);
  const share = constant('k_s', 'how well a plug-in supply keeps its voltage', SUPPLY_SHARE, '1', 'feed-volts');
  const least = derive(
    'voltage at the controller, at its lowest',
    'V_in',
    'V_s * (1 - k_s) - 2 * L * ρ / A * I_peak',
    'V',
    [
      supply,
      share,
      lead(job, 'leadMetres', 'L', 'length of the lead', 'm', [0, 100]),
      constant('ρ', 'copper, ohms times metres', COPPER, '1', 'iec-60028'),
      lead(job, 'leadSquareMetres', 'A', 'cross-section of a conductor of the lead', 'm²', [0.05e-6, 10e-6]),
      carried(peak.steps[0]!),
    ],
  );
  const most = derive('voltage at the controller, at its highest', 'V_in', 'V_s * (1 + k_s)', 'V', [supply, share]);
  const unsaid = job.feed.leadMetres === null || job.feed.leadSquareMetres === null;
  const say: Remedy | null = unsaid
    ? {
        text: 'Say in Feed how long and how thick the lead is.',
        label:
          `It has ${formatQuantity(job.feed.leadMetres ?? USUAL_LEAD.leadMetres, 'm')} of ` +
          `${formatQuantity(job.feed.leadSquareMetres ?? USUAL_LEAD.leadSquareMetres, 'm²')}`,
        edit: {
          do: 'set',
          at: 'feed',
          set: {
            leadMetres: job.feed.leadMetres ?? USUAL_LEAD.leadMetres,
            leadSquareMetres: job.feed.leadSquareMetres ?? USUAL_LEAD.leadSquareMetres,
          },
          say: 'lead of the supply, as it usually is',
        },
      }
    : null;
  const remedy = {
    text:
      `This board wants ${formatQuantity(facts.drive.supplyVolts.nominal, 'V')}: take ` +
      'such a supply, a shorter or thicker lead, or a converter between.',
  };
  return [
    judged('feed', 'least-volts', {
      title: `Least voltage at the ${facts.drive.controller}`,
      caption: 'supply too low?',
      steps: [peak.steps[0]!, least],
      limit: atLeast(low, 'V', 'least that its board runs from', { from: 'source', key: facts.drive.source }),
      tightShare: 0.01,
      remedy: least.result.value < low ? remedy : say,
    }),
    judged('feed', 'most-volts', {
      title: `Highest voltage at the ${facts.drive.controller}`,
      caption: 'supply too high?',
      steps: [most],
      limit: atMost(high, 'V', 'most that its board bears', { from: 'source', key: facts.drive.source }),
      tightShare: 0.02,
      remedy: most.result.value > high ? remedy : null,
    }),
  ];
}

/** Whether the supply keeps mains away from the controller, and from whoever touches it. */
function isolationFinding(job: Job, facts: Facts): Finding[] {
  const { isolated, rail } = job.feed;
  if (rail !== '') {
    const controls = Object.values(facts.controls);
    const tied = controls.some((f) => f.isolation === 'not-isolated');
    const proven = controls.length > 0 && controls.every((f) => f.isolation === 'isolated');
    return [
      finding('feed', 'isolated', {
        verdict: tied ? 'stop' : proven ? 'settled' : 'unknown',
        caption: tied ? 'rail is live' : proven ? 'rail isolated' : 'rail isolated?',
        source: ['isolation-bounds'],
        title: tied
          ? 'The machine’s rail is tied to mains: a controller on it is live, with its USB lead, its switches and sensors'
          : proven
            ? 'The machine’s rail is isolated from mains, as read in Probe'
            : 'Whether the machine’s rail is isolated from mains is not proven',
        remedy: tied
          ? { text: 'Take an isolated supply of its own.' }
          : proven
            ? null
            : { text: 'Take the isolation readings in Probe.' },
      }),
    ];
  }
  const words = {
    yes: ['settled', 'The supply is isolated and rated: class II with a safety mark, or a battery', 'isolated supply'],
    no: ['stop', 'A supply that is not isolated makes the controller live', 'supply not isolated'],
    unknown: ['unknown', 'Whether the supply is isolated from mains is not said', 'supply isolated?'],
  } as const;
  const [verdict, title, caption] = words[isolated];
  return [
    finding('feed', 'isolated', {
      verdict,
      title,
      caption,
      source: ['cautions'],
      remedy:
        isolated === 'yes'
          ? null
          : {
              text: 'Look for the double square of class II and a safety mark on its plate; without them take another.',
              ...(isolated === 'unknown'
                ? {
                    label: 'It has both',
                    edit: {
                      do: 'set',
                      at: 'feed',
                      set: { isolated: 'yes' },
                      say: 'the supply is isolated, class II',
                    },
                  }
                : {}),
            },
    }),
  ];
}

/** What Feed judges: one supply against the mean and the peak of its loads. */
export function feedFindings(job: Job, facts: Facts): Finding[] {
  const { amps, volts } = job.feed;
  if (amps === null || volts === null) {
    return [
      finding('feed', 'supply', {
        verdict: 'unknown',
        title: 'No supply chosen yet',
        caption: 'no supply yet',
        remedy: {
          text: 'A 5 V, 1 A plug-in supply of its own suits most single buttons.',
          label: 'Use 5 V, 1 A',
          edit: {
            do: 'set',
            at: 'feed',
            set: { supply: 'own plug-in supply', volts: 5, amps: 1 },
            say: 'own supply, 5 V, 1 A',
          },
        },
      }),
    ];
  }
  const loads = loadsOf(job, facts);
  if (loads.length === 0)
    return [
      finding('feed', 'loads', {
        verdict: 'unknown',
        title: 'Nothing is known to hang on the supply yet',
        caption: 'no loads yet',
        remedy: { text: 'Choose a controller in Board and a way of pressing in Thumb.' },
      }),
    ];
  const limit = spareLimit(job, amps);
  const sum = (word: 'mean' | 'peak', symbol: string): Finding => {
    const inputs = loads.map((l, i): Input => ({
      symbol: `I_${i + 1}`,
      name: l.name,
      value: l[`${word}Amps`],
      unit: 'A',
      origin: l[`${word}Origin`],
    }));
    const step = derive(`${word} draw`, symbol, inputs.map((i) => i.symbol).join(' + '), 'A', inputs);
    return judged('feed', word, {
      title: `${word === 'peak' ? 'Peak' : 'Mean'} draw under four fifths of the supply`,
      caption: `${word} draw`,
      steps: [step],
      limit,
      tightShare: 0.1,
    });
  };
  const out = [sum('mean', 'I_mean'), sum('peak', 'I_peak')];
  const peak = out[1]!;
  out.push(...voltageFindings(job, facts, volts, peak), ...isolationFinding(job, facts));
  const spare = derive('spare at the peak', 'spare', '100 * (1 - I_peak / I_supply)', '%', [
    carried(peak.steps[0]!),
    chosen('I_supply', 'what the supply gives', amps, 'A', 'set in Feed', [0.01, 1000]),
  ]);
  out.push(
    summary('feed', 'spare', {
      verdict: peak.verdict,
      title: 'Spare at the peak',
      caption: `${Math.max(0, Math.round(spare.result.value))} % spare`,
      value: spare.result,
      steps: [...peak.steps, spare],
      source: ['feed-loads'],
    }),
  );
  const needs = facts.press?.needsVolts ?? 0;
  if (needs > 0 && Math.abs(volts - needs) > 0.1 * needs) {
    out.push(
      finding('feed', 'coil-volts', {
        verdict: 'stop',
        title: `The ${facts.press!.load} wants ${needs} V; this supply gives ${volts} V`,
        caption: 'wrong voltage',
        source: ['feed-loads'],
        remedy: { text: `Take a ${needs} V supply, or a part for ${volts} V in Thumb.` },
      }),
    );
  }
  return out;
}
