import type { Facts } from '../../ground/facts';
import { HARMS, reachOf, type Hazard, type Job } from '../../ground/job';
import { CELLS } from '../../engines/supply';
import { CAUTIONS, GENERAL, HARM_ORDER, type Caution } from './cautions';

/** True where nobody can say that mains does not reach the machine: a plug, fixed wiring, a charger, or nothing said yet. */
const mainsFed = (job: Job): boolean => {
  const { feed, cables } = job.survey.mains;
  return feed !== 'none' || cables !== 'none';
};

/**
 * The hazards of a job: those that the maker named, and those that follow from readings and from the way of pressing.
 * A tick that is missing takes none away.
 */
export function hazardsOf(job: Job, facts: Facts): Hazard[] {
  const controls = Object.values(facts.controls);
  const tied = controls.some((f) => f.isolation === 'not-isolated');
  const derived = new Set<Hazard>(job.wish.hazards);
  if (tied) derived.add('not-isolated');
  // A machine that opens and closes is a door, whoever ticked it.
  if (job.act.parts.some((p) => p.kind === 'open-stop-close-stop')) derived.add('moving-door');
  // What warms goes on warming with nobody there, and what lets water flow lets it flow on.
  if (job.routine.loops.some((l) => l.way === 'warms')) derived.add('unattended-heat');
  if (job.routine.amounts.length > 0) derived.add('water');
  const { sources } = job.feed;
  if (sources.some((s) => s.kind === 'cells' && CELLS[s.chemistry].lithium)) derived.add('lithium');
  if (
    tied ||
    controls.some((f) => f.dangerous) ||
    facts.presses.some((p) => p.mains) ||
    sources.some((s) => s.kind === 'mains-module') ||
    !!facts.drive?.module ||
    mainsFed(job)
  )
    derived.add('mains');
  return HARM_ORDER.filter((h) => derived.has(h));
}

/**
 * The cautions that this job calls for, gravest first: those of its hazards, of its load, of a joined ground, and those
 * of every machine.
 */
export function cautionsOf(job: Job, facts: Facts): Caution[] {
  const kinds = [job.guard.loadKind, ...job.guard.loads.map((l) => l.kind)];
  const load = carriesLoad(facts)
    ? [
        GENERAL.conductors,
        ...(kinds.some((k) => ['motor', 'solenoid', 'transformer'].includes(k)) ? [GENERAL.suppressor] : []),
        ...(kinds.includes('motor') ? [GENERAL.restart] : []),
      ]
    : [];
  return [
    ...hazardsOf(job, facts).flatMap((h) => CAUTIONS[h]),
    ...ownCautions(job),
    ...load,
    ...(facts.presses.some((p) => p.sharesGround) || job.senses.some((s) => reachOf(s) === 'joined')
      ? [GENERAL.groundShift]
      : []),
    ...(mainsOnBoard(job, facts) ? [GENERAL.programming] : []),
    GENERAL.ownDevices,
  ];
}

/** What was added by hand, the gravest first; what nobody said whom it hurts is taken for the gravest. */
const ownCautions = ({ guard }: Job): Caution[] =>
  [...guard.own]
    .sort((x, y) => HARMS.indexOf(x.harm) - HARMS.indexOf(y.harm))
    .map((h) => ({ id: `own.${h.id}`, what: h.what, prevents: h.prevents.trim() }));

/** Whether a contact of the plan carries the machine's load: that of a press, or of a bought switch that the machine hangs behind. */
const carriesLoad = (facts: Facts): boolean =>
  facts.presses.some((p) => p.contact !== null) || !!facts.drive?.moduleContact;

/** Whether mains stands on what the controller is built with: a mains module, a contact that carries it, a side that is tied to it. */
const mainsOnBoard = (job: Job, facts: Facts): boolean =>
  job.feed.sources.some((s) => s.kind === 'mains-module') ||
  facts.presses.some((p) => p.mains) ||
  !!facts.drive?.module ||
  Object.values(facts.controls).some((f) => f.isolation === 'not-isolated' || f.dangerous);

/** True where somebody must prove the machine dead before opening it: wherever mains is, or may be, inside. */
export const needsProveDead = (job: Job, facts: Facts): boolean =>
  !job.wish.hazardsReviewed ||
  hazardsOf(job, facts).some((h) => h === 'mains' || h === 'not-isolated' || h === 'high-voltage');
