import type { Leg } from '../../engines/trace';
import { freshOf } from '../../ground/field';
import { loopFields, type Job, type JobEdit, type JobRecording, type Loop } from '../../ground/job';

/** Time constants of work and rest that differ by more than this are no single one. */
const ALIKE = 1.5;

/** What a recording tells of a room, or why it tells nothing. */
export type LearnedRoom =
  | { readonly ok: true; readonly numbers: Pick<Loop, 'kelvin' | 'tauSeconds' | 'around'> }
  | { readonly ok: false; readonly why: string };

/**
 * What a logged temperature says of a loop: where it is left to, how far work takes it from there, and how fast. Its dead time it does
 * not tell: a temperature turns that much later than what was switched. Of several stretches of a way the longest counts; of two time
 * constants the shorter, which makes it go further past its thresholds.
 */
export function roomFrom(legs: readonly Leg[], way: Loop['way']): LearnedRoom {
  const longest = (of: Leg['way']): Leg | undefined =>
    legs
      .filter((l) => l.way === of && !l.short)
      .sort((a, b) => b.toSeconds - b.fromSeconds - (a.toSeconds - a.fromSeconds))[0];
  const [works, rests] =
    way === 'warms' ? [longest('warmer'), longest('colder')] : [longest('colder'), longest('warmer')];
  if (!works) return { ok: false, why: 'no stretch in which it works lasts for a time constant: log it for longer' };
  if (!rests) return { ok: false, why: 'no stretch in which it is left lasts for a time constant: log it for longer' };
  const [fast, slow] = [works.tauSeconds, rests.tauSeconds].sort((a, b) => a - b) as [number, number];
  if (slow > ALIKE * fast)
    return { ok: false, why: 'it warms and cools at different rates: one time constant does not tell it' };
  const kelvin = Math.abs(works.goesTo - rests.goesTo);
  return {
    ok: true,
    numbers: {
      kelvin: Number(kelvin.toPrecision(3)),
      tauSeconds: Number(fast.toPrecision(3)),
      around: Number(rests.goesTo.toPrecision(3)),
    },
  };
}

/** The loop of a recording's thermometer with what it tells, or a loop of its own. @param id of a new one. */
export function loopEdit(job: Job, r: JobRecording, way: Loop['way'], numbers: Partial<Loop>, id: string): JobEdit {
  const own = job.routine.loops.find((l) => l.sense === r.sense && r.sense !== '');
  const name = way === 'warms' ? 'warming' : 'cooling';
  const base: Loop = own ?? { ...freshOf(loopFields), id, name, sense: r.sense, part: job.act.parts[0]?.id ?? '' };
  const say = `${base.name}: its room from ${r.shows || r.name}`;
  return { do: 'put', list: 'routine.loops', item: { ...base, way, ...numbers, recording: r.id }, say };
}
