import { finding, type Finding, summary } from '../../ground/finding';
import { type SourceKey } from '../../ground/sources';
import type { Facts } from '../../ground/facts';
import { CONTROLLER, isUntouched, reachOf, tickedAt, type Job } from '../../ground/job';
import { feedingSource } from '../../engines/supply';
import { PROVE_DEAD } from './cautions';
import { reopenedWords, tickEdit } from './gates';
import { beforeFindings } from './before';
import { boardApartFindings } from './board/board-findings';
import { chainFindings } from './chain';
import { cautionsOf, hazardsOf, needsProveDead } from './hazards';
import { loadFindings } from './load';
import { switchFindings } from './module';
import { neverFinding } from './never';
import { pressEndFindings } from './press-end';
import { reachFindings } from './reach';
import { senseWireFindings } from './sense-wires';

/** Sources of the cautions that hold numbers. */
const SOURCE_OF: Readonly<Record<string, readonly SourceKey[]>> = {
  'mains-apart': ['iec-60664', 'cautions'],
  'ground-shift': ['ground-shift'],
  restart: ['restart-lock'],
};

/**
 * What Guard judges: the isolation gate, the contact before its load, what ends a press, the prove-dead steps, the
 * cautions, and "never". @param tried whether somebody tried to bring "never" about.
 */
export function guardFindings(job: Job, facts: Facts, tried: boolean): Finding[] {
  const out = [
    ...isolationGate(job, facts),
    ...senseWireFindings(job, Object.keys(facts.controls).length > 0),
    ...beforeFindings(job, facts),
    ...switchFindings(job, facts),
    ...loadFindings(job, facts),
    ...chainFindings(job, facts),
    ...boardApartFindings(job),
    ...reachFindings(job, facts),
    ...pressEndFindings(job, facts),
    ...neverFinding(job, 'guard', tried),
    ...placeFinding(job, facts),
    ...powerBackFindings(job, facts),
  ];
  const steps = needsProveDead(job, facts) ? PROVE_DEAD.map((c) => ({ ...c, id: `dead-${c.id}` })) : [];
  const all = [...cautionsOf(job, facts), ...steps];
  for (const c of all) {
    const at = c.prevents === '' ? undefined : tickedAt(job, c.id);
    const again = reopenedWords(job, c.id);
    out.push(
      finding('guard', c.id, {
        verdict: at ? 'settled' : 'unknown',
        title: `${c.what}: ${c.prevents || 'what prevents it is not said'}${again ? ` (${again})` : ''}`,
        caption: at ? 'in place' : again ? 'open again' : 'not ticked yet',
        source: SOURCE_OF[c.id] ?? [c.id.startsWith('dead-') ? 'prove-dead' : 'cautions'],
        remedy: at
          ? null
          : {
              text: `${c.what}: tick it once that is in place; the date is kept.`,
              label: 'It is in place',
              edit: tickEdit(c.id, c.what),
            },
      }),
    );
  }
  const done = all.filter((c) => tickedAt(job, c.id)).length;
  out.push(
    summary('guard', 'ticks', {
      verdict: done === all.length && job.wish.hazardsReviewed ? 'settled' : 'unknown',
      title: `${done} of ${all.length} cautions ticked. The tool checks a list; the local electrical code and licensed practice decide`,
      caption: `${done} of ${all.length} in place`,
      source: ['cautions', 'prove-dead'],
    }),
  );
  return out;
}

/** How damp it is decides what distance keeps mains apart. */
function placeFinding(job: Job, facts: Facts): Finding[] {
  if (job.guard.place !== 'unknown' || !needsProveDead(job, facts)) return [];
  return [
    finding('guard', 'place', {
      verdict: 'unknown',
      title: 'Whether it stands dry or damp is not said: the distance that keeps mains apart depends on it',
      caption: 'dry or damp?',
      source: ['iec-60664'],
      remedy: { text: 'Say above where it stands.' },
    }),
  ];
}

/** What hurts where a machine goes on by itself once power is back. */
const LEFT_RUNNING = ['unattended-heat', 'moving-door', 'pinch', 'pressure', 'gas', 'water'] as const;
const BACK_WORDS = { on: 'comes on by itself', 'as-before': 'goes on where it was', off: '' } as const;

/** A part that goes on by itself when power comes back, with nobody there. */
function powerBackFindings(job: Job, facts: Facts): Finding[] {
  const hurts = hazardsOf(job, facts).filter((h) => (LEFT_RUNNING as readonly string[]).includes(h));
  if (hurts.length === 0) return [];
  return job.act.parts
    .filter((p) => p.kind !== 'unknown' && p.afterPowerCut !== 'off')
    .map((p) =>
      finding('guard', `power-back.${p.id}`, {
        verdict: 'tight',
        title: `After a power cut the ${p.name} ${BACK_WORDS[p.afterPowerCut]}, whoever is there`,
        caption: 'restarts by itself',
        source: ['restart-lock'],
        remedy: {
          text: 'A restart lock keeps it off until somebody switches it on: a no-volt release, or a contactor that holds itself.',
        },
      }),
    );
}

/** What the plan joins to the machine’s ground. */
interface Joined {
  readonly press: boolean;
  readonly rail: boolean;
  /** Senses whose wires go into its circuit. */
  readonly senses: readonly string[];
}
const joinsAny = ({ press, rail, senses }: Joined): boolean => press || rail || senses.length > 0;

const tiedGate = (id: string, joined: Joined, dangerous: boolean): Finding => {
  const { press, rail, senses } = joined;
  return finding('guard', id, {
    verdict: joinsAny(joined) || dangerous ? 'stop' : 'tight',
    title: rail
      ? 'The controller hangs on a rail that is tied to mains: it, its USB lead, its switches and sensors are live'
      : press
        ? 'The planned press would join your ground to mains'
        : senses.length > 0
          ? `The wires of ${senses.join(', ')} would join your ground to mains`
          : 'The low-voltage side is tied to mains: keep it apart with reinforced insulation',
    caption: 'tied to mains',
    source: ['isolation-bounds', 'iec-60664'],
    remedy: {
      text: rail
        ? 'Feed the controller from an isolated supply of its own.'
        : !press && senses.length > 0
          ? 'Sense it from outside, or over an optocoupler with reinforced insulation, and hand the inside to licensed work.'
          : 'Choose a way that keeps the sides apart, and hand the inside to licensed work.',
    },
  });
};

const isolatedGate = (id: string): Finding =>
  finding('guard', id, {
    verdict: 'settled',
    title: 'Isolation from mains was read and holds so far',
    caption: 'isolation read',
    source: ['isolation-bounds', 'iec-61140'],
  });

const apartGate = (id: string): Finding =>
  finding('guard', id, {
    verdict: 'tight',
    title: 'Isolated from mains as far as low voltage tells: both sides stay apart, by reinforced insulation',
    caption: 'isolated, untested',
    source: ['isolation-bounds', 'insulation-test'],
    remedy: { text: 'Join no wire of the two sides before it was tested with 500 V by whoever may.' },
  });

function closedGate(job: Job, id: string): Finding {
  const wired = job.senses.filter((s) => reachOf(s) !== 'apart').map((s) => s.name);
  return finding('guard', id, {
    verdict: wired.length === 0 ? 'settled' : 'tight',
    title:
      'It is pressed from outside, and no press of yours sends a wire into the machine' +
      (wired.length === 0 ? ': its casing keeps you apart from it' : `; whether ${wired.join(', ')} do was not said`),
    caption: wired.length === 0 ? 'casing stays closed' : 'senses outside?',
    source: ['way-order'],
    remedy:
      wired.length === 0
        ? null
        : { text: 'Keep them outside of its casing, or read in Probe that what they touch is isolated from mains.' },
  });
}

const unprovenGate = (id: string, joined: Joined, atLowVoltage: boolean): Finding => {
  const { press, rail, senses } = joined;
  return finding('guard', id, {
    verdict: joinsAny(joined) ? 'stop' : 'unknown',
    title: press
      ? 'A shared ground is planned and isolation is not proven'
      : rail
        ? 'The controller hangs on the machine’s rail and isolation is not proven'
        : senses.length > 0
          ? `The wires of ${senses.join(', ')} go into the machine, which joins the grounds, and isolation is not proven`
          : 'Isolation from mains is not proven',
    caption: 'isolation not proven',
    source: ['isolation-bounds'],
    remedy: {
      text: atLowVoltage
        ? 'Keep both sides apart, with a supply of your own, or have it tested with 500 V by whoever may.'
        : 'Take the isolation readings in Probe.',
    },
  });
};

function isolationGate(job: Job, facts: Facts): Finding[] {
  // The ground is one: a press of another control that joins it joins it for every other one as well.
  const joined: Joined = {
    press: facts.presses.some((p) => p.sharesGround && p.control !== ''),
    rail: feedingSource(job.feed, CONTROLLER)?.kind === 'rail',
    senses: job.senses.filter((s) => reachOf(s) === 'joined').map((s) => s.name),
  };
  const read = Object.entries(facts.controls).map(([control, f]) => {
    const id = `isolation.${control}`;
    if (f.isolation === 'not-isolated') return tiedGate(id, joined, f.dangerous);
    if (f.isolation === 'isolated') return isolatedGate(id);
    if (!joinsAny(joined) && isUntouched(job, control)) return closedGate(job, id);
    const low = f.isolation === 'low-voltage';
    return low && !joinsAny(joined) ? apartGate(id) : unprovenGate(id, joined, low);
  });
  // A machine of which no terminal was named was not read at all.
  if (read.length === 0 && joinsAny(joined)) return [unprovenGate('isolation', joined, false)];
  return read;
}
