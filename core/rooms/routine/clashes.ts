import { finding, type Finding } from '../../ground/finding';
import { acts, dayMinutesOf, type Job, type MachinePart, type Move, type Sentence } from '../../ground/job';
import { formatQuantity } from '../../ground/quantity';
import { hasDay } from './rule-lacks';
import { namesIn, quotedAt } from './words';

const OPPOSITE: Readonly<Partial<Record<Move['purpose'], Move['purpose']>>> = {
  start: 'stop',
  stop: 'start',
  open: 'close',
  close: 'open',
};
/** Two that come so close are one for whoever looks at it, s. */
const LEAST_APART = 60;
const DAY_MINUTES = 1440;

/** The move that a sentence begins. */
export const moveOf = (job: Job, s: Sentence): Move | undefined =>
  s.does === 'move' ? (s.move === '' ? job.act.moves[0] : job.act.moves.find((m) => m.id === s.move)) : undefined;

/** What of a rule's slots tells its time, by what begins it. */
const TIME_SLOTS: Readonly<Partial<Record<Sentence['when'], readonly (keyof Sentence)[]>>> = {
  clock: ['at'],
  sun: ['sun', 'offsetSeconds', 'notBefore', 'notAfter'],
  event: ['event', 'aheadSeconds'],
};
/** Whether two rules of times come true at the same ones. */
export const isSameTime = (a: Sentence, b: Sentence): boolean =>
  a.when === b.when && (TIME_SLOTS[a.when] ?? []).every((key) => a[key] === b[key]);

/** How long a part is busy with what a press sets going, s. */
const busySeconds = (parts: readonly MachinePart[]): number =>
  Math.max(
    LEAST_APART,
    ...parts.flatMap((p) => [
      p.runSeconds ?? 0,
      p.kind.includes('travels') || p.kind.includes('opens') ? (p.backSeconds ?? 0) : 0,
    ]),
  );

/** Rules that get in each other's way: opposite things within the machine's own time, and modes that go round. */
export function clashFindings(job: Job): Finding[] {
  return [opposites(job), ring(job)].filter((f) => f !== null);
}

function opposites(job: Job): Finding | null {
  const rules = job.routine.sentences.filter(hasDay).flatMap((s) => {
    const minutes = dayMinutesOf(s);
    const move = moveOf(job, s);
    return minutes === null || !move ? [] : [{ s, minutes, move }];
  });
  const within = busySeconds(job.act.parts);
  for (const [i, a] of rules.entries())
    for (const b of rules.slice(i + 1)) {
      if (OPPOSITE[a.move.purpose] !== b.move.purpose || !a.s.days.some((d) => b.s.days.includes(d))) continue;
      const apart = Math.abs(a.minutes - b.minutes);
      const seconds = 60 * Math.min(apart, DAY_MINUTES - apart);
      if (seconds > within) continue;
      const names = namesIn(job);
      return finding('routine', 'opposite', {
        verdict: 'tight',
        title:
          `${quotedAt(a.s, names)} and ${quotedAt(b.s, names)} ask for opposite things within ${formatQuantity(within, 's')}: ` +
          'the second finds the machine busy with the first',
        caption: 'rules fight',
        source: ['press-gap'],
        remedy: { text: 'Put more time between them, give them other days, or let one hold the other back.' },
      });
    }
  return null;
}

/** A mode and whether it is put on. */
const keyOf = (mode: string, on: boolean): string => `${mode} ${on ? 1 : 0}`;

/** Rules that put each other's modes on and off without end. */
function ring(job: Job): Finding | null {
  const { sentences, modes } = job.routine;
  const next = new Map<string, string[]>();
  for (const s of sentences)
    if (s.when === 'mode' && acts(s) && (s.does === 'mode-on' || s.does === 'mode-off') && s.gapSeconds === 0) {
      const from = keyOf(s.mode, s.says);
      next.set(from, [...(next.get(from) ?? []), keyOf(s.sets, s.does === 'mode-on')]);
    }
  const comesBack = (from: string, to: string, seen: ReadonlySet<string>): boolean =>
    (next.get(from) ?? []).some((n) => n === to || (!seen.has(n) && comesBack(n, to, new Set([...seen, n]))));
  const first = [...next.keys()].find((k) => comesBack(k, k, new Set()));
  if (first === undefined) return null;
  const name = modes.find((m) => m.id === first.split(' ')[0])?.name ?? 'a mode';
  return finding('routine', 'circle', {
    verdict: 'stop',
    title: `Rules put modes on and off in a circle that begins with “${name}”: once begun it never ends`,
    caption: 'rules in a circle',
    source: ['maker'],
    remedy: { text: 'Take one of these rules away, or give one a time for which it does not act again.' },
  });
}
