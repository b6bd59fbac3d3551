import { hashOf } from '../quantity';
import { freshPress, type Job, type Press, scriptOf } from '../job';

/**
 * What a trial rests on: control, way, parts, resistor, the plan of the way, wiring, pins, supply, script, what ends a
 * press, and whether anything fires unarmed. A change of any voids it.
 */
export function basisOf(job: Job): string {
  const { board, bench, feed, guard, routine } = job;
  const pinOf = (line: string | undefined): number | null => board.pins.find((p) => p.line === line)?.gpio ?? null;
  const [first, ...others] = job.presses;
  const arm = job.hands.find((h) => h.kind === 'arm');
  const [sense] = job.senses;
  // The form of a job with one press stays the one that earlier versions had, so that their trials still count.
  const text = JSON.stringify([
    jointOf(first, bench),
    {
      profile: board.profile,
      pressPin: pinOf(first?.id),
      armPin: pinOf(arm?.id),
      sensorPin: pinOf(sense?.id),
      pullDown: first?.pullDown ?? false,
    },
    feed.sources[0]?.volts ?? null,
    feed.sources[0]?.rail ?? '',
    scriptOf(job).map(({ do: what, seconds }) => ({ do: what, seconds })),
    guard.cutOff,
    routine.sentences.some((s) => !s.ifArmed),
    ...moreOf(job, first, others),
  ]);
  return hashOf(text);
}

/** A press as a joint: without what it is called and what is only said about it. */
function jointOf(press: Press | undefined, bench: Job['bench']): object {
  const p = press ?? freshPress();
  const { otherDegrees, ...finger } = p.finger;
  const { key, ...scan } = p.scan;
  return {
    control: p.control,
    way: p.way,
    resistorOhms: p.resistorOhms,
    groundWireMetres: p.groundWireMetres,
    parts: bench.parts,
    picks: bench.picks,
    finger: otherDegrees === null ? finger : p.finger,
    motor: p.motor,
    signal: p.signal,
    supply: p.supply,
    hand: p.hand,
    scan: key === '' ? scan : p.scan,
    remote: p.remote,
  };
}

/** One move of presses and waits, one after the other: what earlier versions knew. */
const plainMoves = (job: Job): boolean =>
  job.act.moves.length <= 1 &&
  job.act.moves.every((m) => m.steps.every((s) => (s.do === 'press' || s.do === 'wait') && s.also.length === 0));

/** What a job has beyond one press of one contact; nothing where it has no more. */
function moreOf(job: Job, first: Press | undefined, others: readonly Press[]): unknown[] {
  const { sources, converters, hangs, groups } = job.feed;
  const tree = sources.length > 1 || converters.length > 0 || sources[0]?.kind === 'cells';
  const more = {
    ...(tree ? { sources, converters, hangs } : {}),
    ...(groups.length > 0 ? { groups } : {}),
    ...(first?.twoContacts ? { twoContacts: true } : {}),
    ...(others.length > 0
      ? {
          others: others.map((p) => [p.id, p.pullDown, p.twoContacts, jointOf(p, job.bench)]),
          order: scriptOf(job).map((s) => [s.press, s.other]),
          pins: job.board.pins.map((p) => [p.line, p.gpio]),
        }
      : {}),
    ...(plainMoves(job) ? {} : { moves: job.act.moves }),
    ...(job.senses.length > 1 ? { senses: job.senses } : {}),
    ...(job.hands.some((h) => h.kind !== 'arm' || !h.latching || h.startsPerArming !== null)
      ? { hands: job.hands }
      : {}),
    ...(job.signs.length > 0 ? { signs: job.signs } : {}),
  };
  return Object.keys(more).length > 0 ? [more] : [];
}
