import { MODEL_KINDS } from '../../../engines/circuit';
import type { Meter } from '../../../ground/job';
import { MENU } from './menu';
import { particles } from './builds';
import { predictions } from './particles';

/** Small pieces of work that fill the tables which the first readings will want; each takes a few milliseconds, in any order. */
export function* warmUp(meter: Meter): Generator<void> {
  for (const [spec] of MENU) {
    if (spec.kind === 'look') continue;
    for (const kind of MODEL_KINDS) {
      const table = predictions(kind, spec, meter);
      for (let i = 0; i < particles(kind).count; i++) table.need(i);
      yield;
    }
  }
}
