import type { Finding, Remedy } from '../../ground/finding';
import { freshOf } from '../../ground/field';
import { limitFields, type Amount, type Job, type RoutineLimit } from '../../ground/job';
import { oneShot } from '../../engines/electrics';
import { feedsATimer, timerOpens } from '../../build/ways';
import { litres, openings, secondsFor, time, amountTold, type Flow } from './amount-flow';

/** The program ends it so much later than it should (`flow-pours`). */
const LATER = 1.2;

/** What ends an opening whatever the program does: after how long at the latest, s; null where that is not known. */
interface OwnEnd {
  readonly latest: number | null;
  /** It ends a contact that sticks as well, and not only a program that hangs. */
  readonly endsWeld: boolean;
}

/** What of the plan ends a press of an amount by itself; null for nothing. */
function ownEnd(job: Job, a: Amount, longest: number): OwnEnd | null {
  const press = job.presses.find((p) => p.id === a.press);
  switch (job.guard.cutOff) {
    case 'none':
      return null;
    case 'timer-relay':
      // It is fed by what stands in the lead of a load: a button's signal feeds none.
      return press && feedsATimer(press)
        ? { latest: timerOpens(job)?.latest.result.value ?? null, endsWeld: true }
        : null;
    case 'one-shot':
      return { latest: longest > 0 ? oneShot(longest).longest.result.value : null, endsWeld: false };
    case 'own-end': {
      const part = job.act.parts.find((p) => p.heeds.some((h) => h.press === a.press)) ?? job.act.parts[0];
      return { latest: part?.timerSeconds ?? null, endsWeld: true };
    }
  }
}

/** What ends it when the end gets lost: something of its own, whatever the program does, and a limit of the program. */
export function endFinding(job: Job, a: Amount, flow: Flow): Finding {
  const limit = job.routine.limits.find((x) => x.kind === 'longest-on' && x.press === a.press);
  const longest = Math.max(0, ...openings(job, a).map((o) => o.seconds));
  const own = ownEnd(job, a, longest);
  const kept = limit ? `after ${time(limit.seconds)}` : '';
  const says = (verdict: Finding['verdict'], title: string, remedy: Remedy | null): Finding =>
    amountTold(a, 'ends', { verdict, title, caption: 'end can get lost', remedy });
  if (!own)
    return says(
      'stop',
      `A valve that does not hear its end, or a controller that hangs, lets ${a.name} run on` +
        (limit ? `, though the program ends it ${kept}` : ''),
      {
        text:
          'Let a timer relay, a one-shot or a float switch of its own end it, whatever the program does: Guard has them. ' +
          'A normally closed valve shuts without power.',
      },
    );
  if (own.latest === null)
    return says(
      'unknown',
      `After how long something of its own ends ${a.name}, if the controller hangs, was not said`,
      {
        text: 'Say in Guard to what it is set, or in Act after how long the machine ends it by itself.',
      },
    );
  const comes = own.latest * flow.most;
  if (a.fits !== null && comes > a.fits)
    return says(
      'stop',
      `If the controller hangs ${a.name} goes on for up to ${time(own.latest)} and brings up to ${litres(comes)}: ${litres(a.fits)} fit`,
      sooner(a, flow, longest),
    );
  const short = a.fits !== null && (limit ? limit.seconds * flow.most : Infinity) > a.fits;
  return says(
    short || !own.endsWeld ? 'tight' : 'settled',
    `${a.name} is ended after ${time(own.latest)} at the latest if the controller hangs` +
      (limit ? `, and by the program ${kept}` : '') +
      (own.endsWeld ? '' : '; a contact that sticks is ended by nothing'),
    short
      ? limited(a, flow, limit, longest)
      : own.endsWeld
        ? null
        : { text: 'A timer relay in the lead of the valve ends a contact that sticks as well.' },
  );
}

/** How late an end of its own may be at most, where that still lets the moves have their time. */
function sooner(a: Amount, flow: Flow, longest: number): Remedy {
  const most = (a.fits ?? Infinity) / flow.most;
  return most > longest
    ? { text: `Let it end after ${time(Math.floor(most))} at the latest; the longest opening takes ${time(longest)}.` }
    : { text: 'What fits leaves no room for an end by time: let a float switch of its own end it.' };
}

/** A limit a fifth over what its moves take, where that keeps it from running over. */
function limited(a: Amount, flow: Flow, limit: RoutineLimit | undefined, longest: number): Remedy {
  const seconds = Math.ceil(LATER * Math.max(secondsFor(a) ?? 0, longest));
  if (a.fits !== null && seconds * flow.most > a.fits)
    return { text: 'What fits leaves no room for a limit: let a float switch end it.' };
  const fresh = { ...freshOf(limitFields), id: limit?.id ?? `longest-${a.id}`, press: a.press };
  return {
    text: 'Let the program end it as well, a fifth later than it should.',
    label: `At most ${time(seconds)}`,
    edit: {
      do: 'put',
      list: 'routine.limits',
      item: { ...fresh, kind: 'longest-on', seconds },
      say: `${a.name}: at most ${time(seconds)}`,
    },
  };
}
