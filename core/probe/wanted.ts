import type { ReadingSpec } from '../circuit';
import type { Point } from '../job';
import { shareWith, signalSide } from './grid-estimate';
import type { Posterior } from './posterior';

const contact = (name: string): Point => ({ kind: 'contact', name });
const GROUND: Point = { kind: 'ground', name: '' };

/** Readings that give the values which the ways of pressing a known kind will want, in the order of their use. */
export function wantedSpecs(p: Posterior): ReadingSpec[] {
  const kind = p.leading;
  const signal = signalSide(kind, p);
  const s = contact(signal);
  const c = contact(signal === 'A' ? 'B' : 'A');
  const [A, B] = [contact('A'), contact('B')];
  const at = (from: Point, state: ReadingSpec['state'], of: ReadingSpec['kind'] = 'volts-dc'): ReadingSpec => ({ from, to: GROUND, state, kind: of });
  const across = (state: ReadingSpec['state'], of: ReadingSpec['kind']): ReadingSpec => ({ from: A, to: B, state, kind: of });
  const closed = across('pressed', 'ohms');
  const short = across('idle', 'amps');
  switch (kind) {
    case 'low-when-pressed':
    case 'latching-switch':
      return [at(s, 'idle'), closed, short];
    case 'high-when-pressed':
      return [at(c, 'idle'), closed, short];
    case 'selector':
      return [at(s, 'idle')];
    case 'ladder':
      return [at(s, 'idle'), at(c, 'off', 'ohms'), at(s, 'pressed'), at(s, 'neighbour'), closed, short];
    case 'scanned-matrix':
      return [at(c, 'idle'), at(s, 'idle', 'hertz'), at(s, 'idle', 'duty'), closed];
    case 'dry-pair':
      return [across('idle', shareWith(kind, p, (b) => b.alternating) > 0.5 ? 'volts-ac' : 'volts-dc'), short, closed];
    case 'switched-load':
      return [across('idle', shareWith(kind, p, (b) => b.alternating) > 0.5 ? 'volts-ac' : 'volts-dc')];
    case 'motor-pair':
      return [across('off', 'ohms'), across('moving', 'volts-dc'), across('moving-back', 'volts-dc')];
    case 'encoder':
      return [at(s, 'idle'), at(s, 'turning', 'hertz')];
    case 'serial-bus':
      return [at(s, 'idle', 'hertz')];
    case 'touch-pad':
      return [at(s, 'idle')];
  }
}
