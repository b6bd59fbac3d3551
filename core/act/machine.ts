import type { MachineModel } from '../job';

/** What the machine is doing, in words that the lanes show. */
export type MachineWord =
  'at rest' | 'running' | 'off' | 'on' | 'closed' | 'opening' | 'stopped' | 'open' | 'closing' | 'no power';

/** State of a machine at an instant; `position` is 0 closed to 1 open, for doors. */
export interface MachineState {
  readonly word: MachineWord;
  readonly position: number;
  /** Which way the last travel went, so that a stop goes on the other way. */
  readonly lastMove: 'opening' | 'closing';
  /** When the state ends by itself, s; Infinity where it lasts. */
  readonly until: number;
}

const REST: Record<MachineModel['kind'], MachineWord> = {
  'starts-and-stops-itself': 'at rest',
  flips: 'off',
  'open-stop-close-stop': 'closed',
};

/** The machine as it stands before anything happens. */
export const atRest = (m: MachineModel): MachineState => ({
  word: REST[m.kind],
  position: 0,
  lastMove: 'closing',
  until: Number.POSITIVE_INFINITY,
});

const lasting = (s: MachineState, word: MachineWord, position = s.position): MachineState => ({
  ...s,
  word,
  position,
  until: Number.POSITIVE_INFINITY,
});

/** Position of a door `dt` seconds after its state began at `s.position`. */
export function positionAfter(m: MachineModel, s: MachineState, dt: number): number {
  if (s.word === 'opening') return Math.min(1, s.position + dt / m.runSeconds);
  return s.word === 'closing' ? Math.max(0, s.position - dt / m.runSeconds) : s.position;
}

/** The state after a press that the machine obeys at time `t`, begun in state `s` at `since`. */
export function pressed(m: MachineModel, s: MachineState, since: number, t: number): MachineState {
  switch (m.kind) {
    case 'starts-and-stops-itself':
      return s.word === 'at rest' ? { ...s, word: 'running', until: t + m.runSeconds } : s;
    case 'flips':
      return lasting(s, s.word === 'on' ? 'off' : 'on');
    case 'open-stop-close-stop': {
      const position = positionAfter(m, s, t - since);
      if (s.word === 'opening' || s.word === 'closing') return lasting({ ...s, lastMove: s.word }, 'stopped', position);
      const opens = s.word === 'closed' || (s.word === 'stopped' && s.lastMove === 'closing');
      return opens
        ? { word: 'opening', position, lastMove: 'opening', until: t + (1 - position) * m.runSeconds }
        : { word: 'closing', position, lastMove: 'closing', until: t + position * m.runSeconds };
    }
  }
}

/** The state once `until` is reached. */
export function ended(m: MachineModel, s: MachineState): MachineState {
  if (s.word === 'running') return lasting(s, 'at rest');
  return s.word === 'opening'
    ? lasting(s, 'open', 1)
    : s.word === 'closing'
      ? lasting(s, 'closed', 0)
      : lasting(s, REST[m.kind]);
}

/** The state when mains fails at `t`. */
export function powerLost(m: MachineModel, s: MachineState, since: number, t: number): MachineState {
  return {
    ...lasting(s, 'no power', positionAfter(m, s, t - since)),
    lastMove: s.word === 'opening' || s.word === 'closing' ? s.word : s.lastMove,
  };
}

/** The state when mains returns; `before` is the state that the cut ended. */
export function powerBack(m: MachineModel, dark: MachineState, before: MachineState, t: number): MachineState {
  if (m.kind === 'open-stop-close-stop')
    return lasting(dark, dark.position === 0 ? 'closed' : dark.position === 1 ? 'open' : 'stopped');
  if (m.afterPowerCut === 'off') return atRest(m);
  return before.word === 'running' ? { ...before, until: t + m.runSeconds } : before;
}
