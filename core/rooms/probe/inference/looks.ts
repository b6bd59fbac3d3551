import type { Look } from '../../../ground/job';

/** What each look is called, and what one sees or feels. */
export const LOOK_WORDS: Readonly<Record<Look, string>> = {
  'springs-back': 'springs back with a click',
  membrane: 'a thin skin that gives a little',
  glass: 'a hard face where nothing moves',
  'stays-down': 'stays down until pressed again',
  rocker: 'a rocker that stays on either side',
  'turns-on': 'turns round and round',
  'turns-to-stops': 'turns or slides between stops',
  terminals: 'bare terminals or a wall button on two wires',
  connector: 'a plug with several wires',
  'two-wires': 'two wires to a motor',
};

/** Whether there is something to press, to turn, or to run in a control that looks so; everything is open before the look. */
export const canDo = (look: Look | undefined, what: 'press' | 'turn' | 'run'): boolean => {
  if (!look) return what === 'press';
  if (what === 'press') return !['turns-on', 'turns-to-stops', 'connector', 'two-wires'].includes(look);
  return what === 'turn'
    ? look === 'turns-on' || look === 'turns-to-stops'
    : look === 'two-wires' || look === 'terminals';
};
