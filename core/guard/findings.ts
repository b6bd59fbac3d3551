import { atMost, carried, chosen, constant, derive, finding, judged, type Finding } from '../finding';
import type { Facts, Job } from '../job';
import { CAUTIONS, HARM_ORDER, PROVE_DEAD, type Caution } from './cautions';

/** Inrush over steady current per kind of load, upper end (`inrush`). */
export const INRUSH: Record<Job['guard']['loadKind'], number> = { resistive: 1, filament: 15, motor: 10, solenoid: 20, 'switched-mode': 40, transformer: 15 };
/** Share of the contact rating used for loads of hours (`contact-derate`). */
const DERATE = 0.8;

/** The cautions that this job's hazards call for, gravest first. */
export const cautionsOf = (job: Job): Caution[] => HARM_ORDER.filter((h) => job.wish.hazards.includes(h)).flatMap((h) => CAUTIONS[h]);

/** True where somebody must prove the machine dead before opening it. */
export const needsProveDead = (job: Job): boolean => job.wish.hazards.some((h) => h === 'mains' || h === 'not-isolated' || h === 'high-voltage') || !job.wish.hazardsReviewed;

/** What Guard judges: the isolation gate, the contact's rating, the prove-dead steps and the cautions. */
export function guardFindings(job: Job, facts: Facts): Finding[] {
  const out = [...isolationGate(facts), ...contactRating(job, facts)];
  const steps = needsProveDead(job) ? PROVE_DEAD.map((c) => ({ ...c, id: `dead-${c.id}` })) : [];
  const all = [...cautionsOf(job), ...steps];
  for (const c of all) {
    const at = job.guard.ticks[c.id];
    out.push(finding('guard', c.id, {
      verdict: at ? 'settled' : 'unknown', title: `${c.what}: ${c.prevents}`, caption: at ? 'in place' : 'not ticked yet', source: [c.id.startsWith('dead-') ? 'prove-dead' : 'cautions'],
      remedy: at ? null : { text: `${c.what}: tick it once that is in place; the date is kept.`, label: 'It is in place', edit: { do: 'tick', step: c.id, title: c.what, on: true } },
    }));
  }
  const done = all.filter((c) => job.guard.ticks[c.id]).length;
  out.push(finding('guard', 'ticks', {
    verdict: done === all.length && job.wish.hazardsReviewed ? 'settled' : 'unknown', title: `${done} of ${all.length} cautions ticked. The tool checks a list; the local electrical code and licensed practice decide`, caption: `${done} of ${all.length} in place`, source: ['cautions', 'prove-dead'],
  }));
  return out;
}

function isolationGate(facts: Facts): Finding[] {
  return Object.entries(facts.controls).map(([id, f]) => {
    const shares = facts.press?.sharesGround ?? false;
    if (f.isolation === 'not-isolated') {
      return finding('guard', `isolation.${id}`, {
        verdict: shares || f.dangerous ? 'stop' : 'tight', title: shares ? 'The planned press would join your ground to mains' : 'The low-voltage side is tied to mains: keep it apart with reinforced insulation', caption: 'tied to mains', source: ['isolation-bounds', 'iec-60664'],
        remedy: { text: 'Choose a way that keeps the sides apart, and hand the inside to licensed work.' },
      });
    }
    return f.isolation === 'isolated'
      ? finding('guard', `isolation.${id}`, { verdict: 'settled', title: 'Isolation from mains was read and holds so far', caption: 'isolation read', source: ['isolation-bounds', 'iec-61140'] })
      : finding('guard', `isolation.${id}`, { verdict: shares ? 'stop' : 'unknown', title: shares ? 'A shared ground is planned and isolation is not proven' : 'Isolation from mains is not proven', caption: 'isolation not proven', source: ['isolation-bounds'], remedy: { text: 'Take the isolation readings in Probe.' } });
  });
}

function contactRating(job: Job, facts: Facts): Finding[] {
  const fact = facts.controls[job.thumb.control];
  if (!fact || fact.leading !== 'switched-load' || fact.probability < 0.5) return [];
  if (job.guard.loadWatts === null) return [finding('guard', 'contact', { verdict: 'unknown', title: 'The contact carries the load itself: how many watts is it?', caption: 'load not entered', remedy: { text: 'Read it off the rating plate.' } })];
  const amps = derive('steady current', 'I', 'P / V', 'A', [
    chosen('P', 'load, from the rating plate', job.guard.loadWatts, 'W'), chosen('V', 'mains of the region', job.region.mainsVolts, 'V'),
  ]);
  const steady = judged('guard', 'contact', {
    title: `Contact rated ${job.guard.contactAmps} A against the load`, caption: 'contact rating', steps: [amps],
    limit: atMost(job.guard.contactAmps, 'A', 'contact rating', { from: 'maker', what: 'set in Guard' }), tightShare: 1 - DERATE, source: ['contact-derate'],
    remedy: { text: 'Take a contact with a higher rating, or let a contactor carry the load.' },
  });
  const peak = derive('inrush', 'I_peak', 'k * I', 'A', [constant('k', `inrush of a ${job.guard.loadKind} load`, INRUSH[job.guard.loadKind], '1', 'inrush'), carried(amps)]);
  // Power contacts stand a short inrush well above their rating; ten times is where welding is met in practice.
  const inrush = judged('guard', 'inrush', {
    title: 'Inrush under ten times the contact rating', caption: 'inrush', steps: [amps, peak],
    limit: atMost(10 * job.guard.contactAmps, 'A', 'ten times the rating', { from: 'source', key: 'inrush' }),
  });
  return [steady, inrush];
}
