import { legOf, type End } from '../ends';
import { chosen, constant, derive, type Input, type Step } from '../../ground/finding';
import type { Job, Way } from '../../ground/job';
import { formatQuantity } from '../../ground/quantity';
import { wires, type WayContext, type WayResult, type WireEnds } from './context';
import { IN_A_LEAD, wireEnds } from './own-wires';

/**
 * Whether what a press switches feeds a timer relay as well: its contact stands in the lead of a load. A button’s signal feeds none, a
 * bought switch is not opened, and a motor that is turned both ways has no lead of its own.
 */
export const feedsATimer = (p: { readonly way: Way | null; readonly control: string }): boolean =>
  p.way === 'switched-supply' || (p.control === '' && p.way !== null && IN_A_LEAD.includes(p.way));

/** What it is set to and what it may be off by, as inputs; null while nobody said what it is set to. */
function timerInputs({ guard }: Pick<Job, 'guard'>): readonly Input[] | null {
  const { seconds } = guard.endTimer;
  if (seconds === null) return null;
  return [
    constant('k', 'what it may be off by', TIMER_OFF, '1', 'timer-relay'),
    chosen('T', 'what it is set to', seconds, 's', 'set in Guard', [0.05, 360_000]),
  ];
}
/** How soon and how late a timer relay opens, s; null while nobody said what it is set to. */
export function timerOpens(job: Pick<Job, 'guard'>): { readonly soonest: Step; readonly latest: Step } | null {
  const inputs = timerInputs(job);
  return (
    inputs && {
      soonest: derive('it opens no sooner than', 'T_min', '(1 - k) * T', 's', [...inputs]),
      latest: derive('it opens no later than', 'T_max', '(1 + k) * T', 's', [...inputs]),
    }
  );
}

const timerLeg = (mark: string, conductor?: 'line' | 'neutral', beside = true): End =>
  legOf('timer relay', 'timer relay', mark, { ...(beside ? { beside } : {}), ...(conductor ? { conductor } : {}) });

/** The end at which a load begins: live of the machine, or the first terminal of a load of its own. */
const isLoad = (end: End): boolean =>
  (end.at === 'leg' && end.device === 'machine' && end.conductor === 'line') ||
  (end.at === 'terminal' && end.letter === 'A');
/** The end at which its supply ends: neutral, or the second pole of a supply of its own. */
const isBack = (end: End): boolean =>
  end.at === 'leg' && end.device === 'supply' && (end.conductor === 'neutral' || end.beside === true);

/**
 * The timer relay that Guard asked for, between the contact and the load: fed by the contact, it closes at once and opens after its time,
 * whether the contact opens or not.
 */
export function withEndTimer(r: WayResult, c: WayContext): WayResult {
  const { cutOff, endTimer } = c.job.guard;
  if (cutOff !== 'timer-relay' || !feedsATimer({ way: r.way, control: c.control.id }) || r.wires.length === 0) return r;
  const mains = r.way === 'switched-supply';
  const list = wireEnds(r);
  const back = list.flatMap(([from, to]) => [from, to]).find(isBack);
  // A conductor's role follows from its ends: those of mains are marked as such.
  const [line, neutral] = mains ? (['line', 'neutral'] as const) : [undefined, undefined];
  return {
    ...r,
    wires: wires(c, [
      ...list.flatMap(([from, to, ...rest]): WireEnds[] =>
        isLoad(to) && from !== back
          ? [
              // The drawing of a joint ends here; the rest stands beside it.
              [from, timerLeg('15', line, false), ...rest],
              [timerLeg('18', line), to, ...rest],
            ]
          : [[from, to, ...rest]],
      ),
      [timerLeg('15', line), timerLeg('A1', line)],
      ...(back ? [[back, timerLeg('A2', neutral)] satisfies WireEnds] : []),
    ]),
    parts: [
      ...r.parts,
      {
        name: 'timer relay, closes when fed, opens after its time',
        value: `set to ${endTimer.seconds === null ? 'what Guard says' : formatQuantity(endTimer.seconds, 's')}`,
        quantity: 1,
      },
    ],
  };
}

/** What a timer relay may be off by of what it is set to, a tenth either way (`timer-relay`). */
export const TIMER_OFF = 0.1;
