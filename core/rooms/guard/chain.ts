import { bearsAmps, CONDUCTOR_HEAT, cordAmps, cordsByGauge, INRUSH, POWER_FACTOR } from '../../engines/electrics';
import {
  atMost,
  chosen,
  constant,
  derive,
  derivedLimit,
  finding,
  judged,
  type Finding,
  type Limit,
  type Step,
} from '../../ground/finding';
import { forPress, type Facts } from '../../ground/facts';
import type { Chain, Job } from '../../ground/job';
import type { SourceKey } from '../../ground/sources';
import { carriersOf, chainOf, type Carrier } from './carrier';
import { heldLinks } from './held';
import { DERATE } from './load';
import { suppressorFindings } from './suppressor';

/** Every link from the wall to the load, for each contact that carries one. */
export function chainFindings(job: Job, facts: Facts): Finding[] {
  const carriers = carriersOf(job, facts);
  return [
    ...carriers.flatMap((c, i) => {
      const own = linksOf(job, c);
      return c.press ? forPress(c.press, i, carriers.length, own) : own;
    }),
    ...togetherFindings(job, carriers),
  ];
}

/** A current that a contact's load draws for long, at the lowest voltage; null while watts, kind or volts are not said. */
function loadAmps(job: Job, { load, mains }: Carrier): Step | null {
  const volts = mains ? job.region.mainsVolts : load.volts;
  if (load.watts === null || load.watts <= 0 || load.kind === 'unknown' || volts === null) return null;
  const direct = !mains && load.current === 'dc';
  return derive('steady current', 'I', 'P / ((1 - k_v) * V * cosφ)', 'A', [
    chosen('P', 'load, from the rating plate', load.watts, 'W', 'set in Guard', [0.1, 1e6]),
    constant('k_v', 'it may stand so far under what is said', UNDER, '1', 'part-share'),
    chosen('V', mains ? 'mains of the region' : 'it runs on', volts, 'V', mains ? 'region, in Wish' : 'set in Guard'),
    constant('cosφ', `power factor of a ${load.kind} load`, direct ? 1 : POWER_FACTOR[load.kind], '1', 'power-factor'),
  ]);
}
/** Mains under its nominal value (EN 50160): a load that keeps its watts draws more then. */
const UNDER = 0.1;

const id = (link: string): string => `chain.${link}`;
const lacking = (link: string, title: string, caption: string, source: readonly SourceKey[] = []): Finding =>
  finding('guard', id(link), {
    verdict: 'unknown',
    title,
    caption,
    source: [...source],
    remedy: { text: 'Read it where it stands, and say it under “mains lead”.' },
  });

function linksOf(job: Job, c: Carrier): Finding[] {
  const chain = chainOf(job, c.press?.id ?? '');
  const amps = loadAmps(job, c);
  // Without watts, kind and volts the contact itself says what lacks.
  if (!amps) return [];
  return [
    ...(c.mains ? wallLinks(job, chain, amps) : []),
    ...(c.bought ? [] : [...wireLinks(chain, amps), ...(c.mains ? heldLinks(chain) : [])]),
    ...dutyLink(chain),
    ...inrushLink(c, chain, amps),
    ...suppressorFindings(job, c, chain),
  ];
}

const said = (value: number, name: string): Limit =>
  atMost(value, 'A', name, { from: 'maker', what: 'said under “mains lead”' });

/** What a link carries against the load: with a reserve where it runs for hours, or where nobody said. */
const carries = (
  link: string,
  name: string,
  amps: Step,
  limit: Limit,
  chain: Chain,
  source: readonly SourceKey[],
): Finding =>
  judged('guard', id(link), {
    title: `${name} against the load`,
    caption: name.toLowerCase(),
    steps: [amps],
    limit,
    tightShare: chain.duty === 'short' ? 0.02 : 1 - DERATE,
    source: [...source],
    remedy:
      amps.result.value > limit.value ? { text: `Take a smaller load, or a ${name.toLowerCase()} made for it.` } : null,
  });

function wallLinks(job: Job, chain: Chain, amps: Step): Finding[] {
  const { plug, outletAmps, plugFuse, breaker, cord } = chain;
  if (plug === 'unknown')
    return [lacking('plug', 'Plug, fuse and cord of the mains lead were not looked at', 'mains lead?')];
  const out: Finding[] = [];
  if (plug !== 'fixed')
    out.push(
      outletAmps === null
        ? lacking('outlet', 'What the outlet is made for was not read', 'outlet?')
        : carries('outlet', 'Outlet', amps, said(outletAmps, 'what the outlet is made for'), chain, ['contact-derate']),
    );
  // The fuse or breaker next to the cord is what protects it.
  const protects = plug === 'fused-plug' ? plugFuse : breaker;
  const name = plug === 'fused-plug' ? 'Fuse in the plug' : 'Breaker of its circuit';
  if (protects === null) out.push(lacking('fuse', `${name}: not read`, 'fuse?', ['plug-fuse']));
  else out.push(carries('fuse', name, amps, said(protects, name.toLowerCase()), chain, ['plug-fuse']));
  if (plug === 'fused-plug' && plugFuse !== null && !PLUG_FUSES.includes(plugFuse)) out.push(oddFuse(plugFuse));
  if (cord === null) {
    if (plug !== 'fixed')
      out.push(lacking('cord', 'The cross-section of the cord was not read', 'cord?', ['cord-amps']));
    return out;
  }
  const table: SourceKey = cordsByGauge(job.region.mainsVolts) ? 'cord-amps-nec' : 'cord-amps';
  const bears = derive('what the cord carries', 'I_z', 'I_t', 'A', [
    constant('I_t', 'by its cross-section, at 30 °C', cordAmps(cord, job.region.mainsVolts), 'A', table),
  ]);
  const limit = derivedLimit('at most', [bears], 'what the cord carries');
  out.push(carries('cord', 'Cord', amps, limit, chain, [table]));
  if (protects !== null) out.push(protectedCord(protects, name, bears, plug === 'fused-plug', table));
  return out;
}

/** Fuses of plugs (`plug-fuse`). */
const PLUG_FUSES: readonly number[] = [3, 5, 13];
const oddFuse = (amps: number): Finding =>
  finding('guard', id('plug-fuse'), {
    verdict: 'tight',
    title: `Fuses of plugs are 3, 5 or 13 A, and this one is said to be ${amps} A`,
    caption: 'odd fuse',
    source: ['plug-fuse'],
    remedy: { text: 'Read it again: a piece of wire, or a fuse of something else, protects nothing.' },
  });

/** A fuse protects a cord only where it is no larger than what the cord carries. */
const protectedCord = (amps: number, name: string, bears: Step, fused: boolean, table: SourceKey): Finding =>
  judged('guard', id('protected'), {
    title: `${name} protects the cord`,
    caption: 'cord protected',
    steps: [
      derive(name.toLowerCase(), 'I_n', 'I_f', 'A', [
        chosen('I_f', name.toLowerCase(), amps, 'A', 'said under “mains lead”', [0.5, 63]),
      ]),
    ],
    limit: derivedLimit('at most', [bears], 'what the cord carries'),
    tightShare: 'met',
    source: [table],
    // Behind a breaker only the load keeps a thin cord within bounds: usual with appliances, and no protection against an overload.
    ...(amps > bears.result.value && !fused ? { verdict: 'tight' as const } : {}),
    remedy:
      amps > bears.result.value
        ? {
            text: fused
              ? 'Put the fuse in that the cord wants, or a thicker cord.'
              : 'A thicker cord, or a fuse of its own for what is added: the breaker lets a thin cord burn.',
          }
        : null,
  });

function wireLinks(chain: Chain, amps: Step): Finding[] {
  const out: Finding[] = [];
  if (chain.wires === null)
    out.push(
      lacking('wires', 'The cross-section of the wires to the contact was not read', 'wires?', ['conductor-amps']),
    );
  else {
    const bears = derive('what the wires carry in a warm box', 'I_z', 'k * I_t', 'A', [
      constant('k', 'at 45 °C in the box', CONDUCTOR_HEAT, '1', 'conductor-heat'),
      constant('I_t', 'by their cross-section, at 30 °C', bearsAmps(chain.wires), 'A', 'conductor-amps'),
    ]);
    out.push(
      carries('wires', 'Wires', amps, derivedLimit('at most', [bears], 'what the wires carry'), chain, [
        'conductor-amps',
        'conductor-heat',
        'box-warm',
      ]),
    );
  }
  out.push(
    chain.terminalAmps === null
      ? lacking('terminals', 'What the smallest terminal on the way carries was not read', 'terminals?', ['connectors'])
      : carries('terminals', 'Terminals', amps, said(chain.terminalAmps, 'smallest terminal'), chain, ['connectors']),
  );
  return out;
}

const dutyLink = ({ duty }: Chain): Finding[] =>
  duty !== 'unknown'
    ? []
    : [
        lacking('duty', 'For how long the load runs at a time is not said; it is taken for hours', 'for how long?', [
          'contact-derate',
        ]),
      ];

/** What was measured as it came on against what the contact bears: worth more than a rule of thumb, and more binding. */
function inrushLink({ contact, load }: Carrier, { inrush }: Chain, amps: Step): Finding[] {
  if (inrush === null || load.kind === 'unknown') return [];
  const peak = derive('inrush, measured', 'I_peak', 'I_m', 'A', [
    chosen('I_m', 'measured as it came on', inrush, 'A', 'said under “mains lead”', [0.01, 5000]),
  ]);
  const less = inrush < amps.result.value;
  return [
    judged('guard', id('inrush'), {
      title: less
        ? 'Measured as it comes on it draws less than it draws for long: the meter was too slow for it'
        : `Inrush as it was measured (a rule of thumb says ${INRUSH[load.kind]} times the current)`,
      caption: 'inrush measured',
      steps: [peak],
      limit: atMost(contact.inrushAmps, 'A', 'inrush that the contact bears', contact.origin),
      tightShare: 0.1,
      source: ['inrush'],
      ...(less ? { verdict: 'unknown' as const } : {}),
      remedy: less
        ? { text: 'Take a meter that holds the peak, or leave it empty: it is reckoned from the kind of load then.' }
        : inrush > contact.inrushAmps
          ? { text: 'Take a contact that bears it, or a limiter of inrush before the load.' }
          : null,
    }),
  ];
}

/** Loads of several contacts that hang on one outlet: together they may ask too much of it. */
function togetherFindings(job: Job, carriers: readonly Carrier[]): Finding[] {
  const mains = carriers.filter((c) => c.mains);
  if (mains.length < 2) return [];
  const steps = mains.map((c) => loadAmps(job, c));
  const limits = mains.flatMap((c) => {
    const { plug, outletAmps, plugFuse, breaker } = chainOf(job, c.press?.id ?? '');
    return [outletAmps, plug === 'fused-plug' ? plugFuse : breaker].filter((x) => x !== null);
  });
  if (steps.some((s) => s === null) || limits.length === 0) return [];
  const all = derive('all loads at once', 'I', steps.map((_, i) => `I_${i + 1}`).join(' + '), 'A', [
    ...steps.map((s, i) => ({
      symbol: `I_${i + 1}`,
      name: mains[i]?.press?.name ?? 'load',
      value: s?.result.value ?? NaN,
      unit: 'A' as const,
      origin: { from: 'step' as const },
    })),
  ]);
  const least = Math.min(...limits);
  return [
    judged('guard', id('together'), {
      title: 'All loads at once on what feeds them, if it is one',
      caption: 'all at once',
      steps: [all],
      limit: said(least, 'the smallest outlet, fuse or breaker'),
      tightShare: 1 - DERATE,
      source: ['contact-derate'],
      ...(all.result.value > least ? { verdict: 'tight' as const } : {}),
      remedy:
        all.result.value > least
          ? { text: 'Put them on circuits of their own, or never both at once (Routine).' }
          : null,
    }),
  ];
}

/** Of the links of a chain the one with the least reserve: what gives first. Null where none has a number. */
export function weakestLink(findings: readonly Finding[]): Finding | null {
  const reserve = (f: Finding): number =>
    f.limit && f.value ? (f.limit.value - f.value.value) / Math.abs(f.limit.value) : Infinity;
  return findings.reduce<Finding | null>(
    (best, f) => (Number.isFinite(reserve(f)) && (!best || reserve(f) < reserve(best)) ? f : best),
    null,
  );
}
