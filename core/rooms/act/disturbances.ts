import { present } from '../../ground/lists';
import { ownerOf, type FaultKind } from '../../ground/job';
import type { WorldEventKind } from '../../engines/world';
import { NOBODY, OBSTACLE, type PartEvent } from './events';
import type { Scene } from './scene';

/** What a disturbance befalls; null for what befalls all. */
export type FaultTarget = 'press' | 'sense' | 'part' | 'move' | 'hand';

interface DisturbanceInfo {
  /** What it is called where it lies on the time axis. */
  readonly words: string;
  /** The same of a hand that is moved by messages. */
  readonly byMessage?: string;
  readonly befalls: FaultTarget | null;
  /** What it is in a world. */
  readonly what: WorldEventKind;
  /** Whether it takes a time that is said; `if-said` where the usual one is taken otherwise. */
  readonly lasts: 'no' | 'yes' | 'if-said';
  /** How much of a run a new one lasts, as a share. */
  readonly lastsShare: number;
  /** A new one lies at the first press, since it is a press that it befalls. */
  readonly atFirst: boolean;
  /** The event that a part meets by it. */
  readonly event?: PartEvent;
}

const of = (
  befalls: FaultTarget | null,
  what: WorldEventKind,
  words: string,
  more: Partial<Pick<DisturbanceInfo, 'lasts' | 'lastsShare' | 'event' | 'byMessage'>> = {},
): DisturbanceInfo => ({
  befalls,
  what,
  words,
  lasts: 'no',
  lastsShare: 0,
  atFirst: what === 'missed' || what === 'twice',
  ...more,
});

/** A power that goes for a while. */
const CUT = { lasts: 'yes', lastsShare: 0.15 } as const;

/** Everything that can go wrong in a run: the one place that says what it is called, what it befalls, and what it is in a world. */
export const DISTURBANCES: Readonly<Record<FaultKind, DisturbanceInfo>> = {
  'missed-press': of('press', 'missed', 'this press is missed'),
  'power-cut': of(null, 'cut', 'power cut', CUT),
  'hand-press': of('press', 'thumb', 'someone presses by hand', { lasts: 'if-said', lastsShare: 0 }),
  'seen-twice': of('press', 'twice', 'this press is seen twice'),
  'plug-out': of(null, 'plug-out', 'the machine’s plug is pulled', CUT),
  'controller-out': of(null, 'controller-out', 'the controller’s plug is pulled', CUT),
  restart: of(null, 'restart', 'the controller restarts'),
  welded: of('press', 'welded', 'the contact sticks closed'),
  dirty: of('press', 'dirty', 'the contact no longer closes'),
  'stuck-sense': of('sense', 'stuck', 'the sense sticks'),
  'late-sense': of('sense', 'late', 'the sense comes late', { lasts: 'yes', lastsShare: 0.1 }),
  'reversed-sense': of('sense', 'reversed', 'the sense says the opposite'),
  obstacle: of('part', 'meets', 'something is in the way', { event: OBSTACLE }),
  'wrong-moment': of('move', 'start', 'it is started at this moment too'),
  'hand-moved': of('hand', 'hand', 'someone moves a hand at the controller', {
    lasts: 'if-said',
    lastsShare: 0.1,
    byMessage: 'a command comes by message',
  }),
  'nobody-came': of('hand', 'nobody', 'nobody comes to move a hand at the controller', {
    byMessage: 'the next command is lost',
  }),
  'moved-sense': of('sense', 'moved', 'the sense has moved from its place'),
  'lost-message': of('sense', 'lost', 'the next news of the sense is lost'),
  'false-no': of('sense', 'dips', 'the sense says no for a moment'),
  'silent-sense': of('sense', 'silent', 'the sense falls silent'),
  'says-so': of('sense', 'reads', 'the sense says so'),
  'end-fails': of('press', 'end-fails', 'what ends this press by itself no longer does'),
  'cut-out-fails': of('sense', 'cut-fails', 'its own regulator in series sticks closed'),
  hung: of(null, 'hangs', 'the program hangs'),
  'not-answered': of('part', 'meets', 'nobody does what the machine asks for', { event: NOBODY }),
};

/** The kind of a happening, by the event that is met where it is one. */
export const kindOfHappening = (what: WorldEventKind, event?: string): FaultKind =>
  present(
    (Object.keys(DISTURBANCES) as FaultKind[]).find(
      (k) => DISTURBANCES[k].what === what && (event === undefined || DISTURBANCES[k].event?.key === event),
    ),
  );

/** Where in its scene stands what a fault befalls, the first where nobody is named; -1 where it is not there. */
export function placeIn(scene: Scene, befalls: FaultTarget, id: string): number {
  const first = <T>(list: readonly T[], is: (x: T) => boolean): number =>
    id === '' && list.length > 0 ? 0 : list.findIndex(is);
  switch (befalls) {
    case 'press': {
      const own = scene.lines.findIndex((l) => l.press === id && !l.other);
      // One that is only ever made by its other side is found there.
      return own >= 0 ? own : first(scene.lines, (l) => l.press === id);
    }
    case 'sense':
      return first(scene.senses, (s) => s.id === id);
    case 'part':
      return first(scene.parts, (p) => p.id === id);
    case 'move':
      return first(scene.moves, (m) => m.id === id);
    case 'hand':
      // A rocker is named with its side, or as a whole.
      return first(scene.hands, (h) => h.id === id || ownerOf(h.id) === id);
  }
}
