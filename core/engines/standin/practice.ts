import { itemAt } from '../../ground/lists';
import { DRAW_DIMENSIONS, drawBuild, STRANGER_KINDS } from '../circuit';
import { CONTROL_KINDS, type StandinState } from '../../ground/job';
import { seededRandom, own } from '../../ground/quantity';
import type { StandinFault } from './faults';
import { RICE_POT, STANDINS, type Standin } from './models';

/** Keys of the practice shelf: a control to find out, without and with something wrong in it, or one that is none of the kinds. */
const PRACTICE = ['practice', 'practice-faulty', 'practice-strange'] as const;
/** Whether a stand-in is one of the practice shelf. */
export const isPractice = (model: string): boolean => (PRACTICE as readonly string[]).includes(model);

/** A control drawn from a seed, every kind or stranger equally often, isolated from mains; what it is is for the maker to find. */
function drawn(model: string, seed: number): Standin {
  const random = seededRandom(seed * 2654435761);
  const kinds = model === 'practice-strange' ? STRANGER_KINDS : CONTROL_KINDS;
  const build = drawBuild(
    itemAt(kinds, Math.floor(random.next() * kinds.length)),
    Array.from({ length: DRAW_DIMENSIONS }, () => random.next()),
    0,
  );
  const faults: StandinFault[] =
    model === 'practice-faulty'
      ? [
          random.next() < 0.6
            ? { fault: 'dirty-contact', upToOhms: 5000 }
            : { fault: 'broken-trace', terminal: random.next() < 0.5 ? 'A' : 'B' },
        ]
      : [];
  return { ...RICE_POT, key: model, name: 'something to find out', build, controls: {}, faults };
}

/** The stand-in that a job measures and presses, or undefined where there is none (or one that this version does not know). */
export const standinOf = (state: StandinState): Standin | undefined =>
  isPractice(state.model) ? drawn(state.model, state.seed) : own(STANDINS, state.model);
