import { legOf } from '../ends';
import { chosen, constant, derive, derivedLimit, finding, judged, type Finding } from '../../ground/finding';
import type { SwitchModule } from '../../ground/job';
import { wires, type WayContext, type WayResult, type WireEnds } from './context';
import { noUse, result } from './result';
import { resumesFinding, WAITS_FOR_SOMEBODY } from './resumes';

const WAY = 'module-contact';
/** Level at which the driver inside of a bought switch may begin to close its contact, V, and what that takes, A: a bare transistor's. */
const TURN_ON_VOLTS = 0.6;
const TURN_ON_AMPS = 10e-6;
/** Mains may be a tenth off its nominal value (EN 50160); a rating for nominal mains holds that. */
const OFF_MAINS = 0.1;

/** The machine's supply switched by the contact of a bought switch. */
export function moduleContact(c: WayContext): WayResult {
  const { module } = c.drive;
  if (!module)
    return noUse(
      WAY,
      'This board has no contact of its own',
      'Choose a bought switch in Board, or describe yours there.',
    );
  if (c.press.supply.resumes === 'no') return noUse(WAY, ...WAITS_FOR_SOMEBODY);
  return result(
    WAY,
    [
      resumesFinding(WAY, c.press),
      ...mainsFindings(c, module),
      fitFinding(module),
      ...poleFinding(c, module),
      returnsFinding(c, module),
    ],
    [],
    module.fit === 'wired-in' ? wires(c, THROUGH) : [],
    [],
    {
      turnOnVolts: TURN_ON_VOLTS,
      turnOnAmps: TURN_ON_AMPS,
      pressesOn: module.contactOn,
      contact: c.drive.moduleContact,
      mains: module.fit === 'wired-in',
      galvanicallyApart: module.insulation === 'reinforced',
    },
  );
}

/** Live through the contact; neutral beside it, and earth past it. */
const THROUGH: readonly WireEnds[] = [
  [
    legOf('supply', 'supply', 'live', { conductor: 'line' }),
    legOf('module', 'module', 'live in', { conductor: 'line' }),
  ],
  [
    legOf('module', 'module', 'live out', { conductor: 'line' }),
    legOf('machine', 'machine', 'live', { conductor: 'line' }),
  ],
  [
    legOf('supply', 'supply', 'neutral', { conductor: 'neutral' }),
    legOf('module', 'module', 'neutral', { conductor: 'neutral' }),
  ],
  [
    legOf('module', 'module', 'neutral', { conductor: 'neutral' }),
    legOf('machine', 'machine', 'neutral', { conductor: 'neutral' }),
  ],
  [
    legOf('supply', 'supply', 'earth', { conductor: 'earth' }),
    legOf('machine', 'machine', 'earth', { conductor: 'earth' }),
  ],
];

/** Mains of the region against what the switch runs on, both ways, and against what its contact bears. */
function mainsFindings(c: WayContext, module: SwitchModule): Finding[] {
  const mains = chosen('V_m', 'mains', c.job.region.mainsVolts, 'V', 'region, in Wish');
  const off = (high: boolean, symbol = 'k_v') =>
    constant(
      symbol,
      high ? 'over its nominal value' : 'under its nominal value',
      high ? 1 + OFF_MAINS : 1 - OFF_MAINS,
      '1',
      'part-share',
    );
  const at = (high: boolean) =>
    derive(`mains of the region, at its ${high ? 'highest' : 'lowest'}`, 'V', 'k_v * V_m', 'V', [off(high), mains]);
  const holds = (symbol: string, name: string, volts: number, high: boolean) =>
    derive(`what a rating of nominal mains holds`, 'V_holds', `k_v * ${symbol}`, 'V', [
      off(high),
      constant(symbol, name, volts, 'V', c.drive.source),
    ]);
  const [least, most] = module.mainsVolts;
  const another = { text: 'Take a switch that is made for the mains of this place.' };
  return [
    judged('thumb', `${WAY}.most`, {
      title: 'Mains against the most that the switch runs on',
      caption: 'mains too high?',
      steps: [at(true)],
      limit: derivedLimit('at most', [holds('V_most', 'it runs on at most', most, true)], 'what it runs on'),
      tightShare: 'met',
      remedy: c.job.region.mainsVolts > most ? another : null,
    }),
    judged('thumb', `${WAY}.least`, {
      title: 'Mains against the least that the switch runs on',
      caption: 'mains too low?',
      steps: [at(false)],
      limit: derivedLimit('at least', [holds('V_least', 'it runs on at least', least, false)], 'what it runs on'),
      tightShare: 'met',
      remedy: c.job.region.mainsVolts < least ? another : null,
    }),
  ];
}

const fitFinding = ({ fit }: SwitchModule): Finding =>
  finding('thumb', `${WAY}.licensed`, {
    verdict: fit === 'plug-in' ? 'settled' : 'tight',
    title:
      fit === 'plug-in'
        ? 'It is plugged in between as it was bought: no mains conductor is touched, and its own plate and papers decide'
        : 'It is wired into a mains lead: the local electrical code and licensed practice decide; one that is plugged in spares the work',
    caption: fit === 'plug-in' ? 'plugged in between' : 'mains lead',
    source: ['cautions'],
  });

/** One contact opens one conductor, and where the plug turns nobody knows which. */
function poleFinding(c: WayContext, { poles }: SwitchModule): Finding[] {
  const { feed } = c.job.survey.mains;
  if (poles === 'both' || feed === 'plug-one-way' || feed === 'wired') return [];
  return [
    finding('thumb', `${WAY}.pole`, {
      verdict: 'tight',
      title:
        feed === 'plug-turns'
          ? 'It opens one conductor, and the plug goes in either way: the machine may stand at mains while it is off'
          : 'It opens one conductor, and how the machine meets mains is not said: it may stand at mains while it is off',
      caption: 'off is not dead',
      source: ['cautions'],
      remedy: { text: 'Pull the plug before anything is opened, whatever the switch shows.' },
    }),
  ];
}

/** What its contact does by itself once mains is back. */
function returnsFinding({ press, job }: WayContext, { returns }: SwitchModule): Finding {
  const say = (verdict: Finding['verdict'], title: string, caption: string, text: string | null): Finding =>
    finding('thumb', `${WAY}.returns`, {
      verdict,
      title,
      caption,
      source: ['restart-lock'],
      remedy: text === null ? null : { text },
    });
  if (returns === 'unknown')
    return say(
      'unknown',
      'What its contact does when mains comes back was not tried',
      'after a power cut?',
      'With a lamp plugged into it, pull the plug and put it back, once with the contact closed and once open; say in Board what it did.',
    );
  if (returns === 'open')
    return say(
      'settled',
      'Its contact is open when mains comes back, until the program closes it',
      'open after a cut',
      null,
    );
  const how = returns === 'closed' ? 'closes by itself' : 'stands as it stood';
  return say(
    job.wish.hazards.length > 0 || !job.wish.hazardsReviewed ? 'stop' : 'tight',
    `When mains comes back its contact ${how}, whatever the plan says: ${press.name} may be on with nobody there`,
    'on after a cut',
    'Set it, where it can be set, to stay open when mains comes back.',
  );
}
