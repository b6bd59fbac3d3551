import { legOf, type End } from '../ends';
import type { Way } from '../../ground/job';
import { formatQuantity } from '../../ground/quantity';
import { wires, type WayContext, type WayResult, type WireEnds } from './context';
import { IN_A_LEAD, wireEnds } from './own-wires';

/**
 * Whether what a press switches feeds a timer relay as well: its contact stands in the lead of a load. A button’s signal feeds none, a
 * bought switch is not opened, and a motor that is turned both ways has no lead of its own.
 */
export const feedsATimer = (p: { readonly way: Way | null; readonly control: string }): boolean =>
  p.way === 'switched-supply' || (p.control === '' && p.way !== null && IN_A_LEAD.includes(p.way));

const timerLeg = (mark: string, conductor?: 'line' | 'neutral'): End =>
  legOf('timer relay', 'timer relay', mark, { beside: true, ...(conductor ? { conductor } : {}) });

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
              [from, timerLeg('15', line), ...rest],
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
