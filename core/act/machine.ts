import type { MachineModel } from '../job';
import type { MachineTable, TableState } from '../world';

/** What the machine is doing, in words that the lanes show. */
export type MachineWord =
  'at rest' | 'running' | 'off' | 'on' | 'closed' | 'opening' | 'stopped' | 'open' | 'closing' | 'no power';

type Row = Omit<TableState, 'speed' | 'after' | 'atEnd' | 'word'> &
  Partial<TableState> & { readonly word: MachineWord };
const row = (r: Row): TableState => ({ speed: 0, after: null, atEnd: null, ...r });

/** Without power in which nothing moves; what comes back is told by where it was. */
const dark = (was: string, back: string): TableState =>
  row({ key: `dark, ${was}`, word: 'no power', on: { 'power back': back } });

/** A way is never gone in no time at all, s. */
const LEAST_SECONDS = 1e-6;

/** The state table of a machine, as it stands before anything happens. */
export function tableOf(m: MachineModel): MachineTable {
  const kept = m.afterPowerCut === 'as-before';
  switch (m.kind) {
    case 'starts-and-stops-itself':
      return {
        start: 'rest',
        states: [
          row({ key: 'rest', word: 'at rest', on: { press: 'running', 'power lost': 'dark, rest' } }),
          row({
            key: 'running',
            word: 'running',
            after: { seconds: m.runSeconds, then: 'rest' },
            on: { 'power lost': 'dark, running' },
          }),
          dark('rest', 'rest'),
          dark('running', kept ? 'running' : 'rest'),
        ],
      };
    case 'flips':
      return {
        start: 'off',
        states: [
          row({ key: 'off', word: 'off', on: { press: 'on', 'power lost': 'dark, off' } }),
          row({ key: 'on', word: 'on', on: { press: 'off', 'power lost': 'dark, on' } }),
          dark('off', 'off'),
          dark('on', kept ? 'on' : 'off'),
        ],
      };
    case 'open-stop-close-stop': {
      const speed = 1 / Math.max(LEAST_SECONDS, m.runSeconds);
      const stands = (key: string, word: MachineWord, press: string): TableState =>
        row({ key, word, on: { press, 'power lost': `dark, ${key}` } });
      const moves = (key: MachineWord & ('opening' | 'closing'), pace: number, end: string, stop: string): TableState =>
        row({ key, word: key, speed: pace, atEnd: end, on: { press: stop, 'power lost': `dark, ${stop}` } });
      return {
        start: 'closed',
        states: [
          stands('closed', 'closed', 'opening'),
          moves('opening', speed, 'open', 'stopped on its way up'),
          stands('open', 'open', 'closing'),
          moves('closing', -speed, 'closed', 'stopped on its way down'),
          // A stop goes on the other way.
          stands('stopped on its way up', 'stopped', 'closing'),
          stands('stopped on its way down', 'stopped', 'opening'),
          ...['closed', 'open', 'stopped on its way up', 'stopped on its way down'].map((key) => dark(key, key)),
        ],
      };
    }
  }
}
