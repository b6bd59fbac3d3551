import type { ReadingSpec } from '../../../engines/circuit';
import type { Point, Reading } from '../../../ground/job';
import { shareWith, signalSide } from '../inference/grid-estimate';
import type { Posterior } from '../inference/posterior';

const contact = (name: string): Point => ({ kind: 'contact', name });
const GROUND: Point = { kind: 'ground', name: '' };

/** Readings that give the values which the ways of pressing a known kind will want, in the order of their use. */
// eslint-disable-next-line complexity -- a plain switch, a list for each kind
export function wantedSpecs(p: Posterior, readings: readonly Reading[]): ReadingSpec[] {
  const kind = p.leading;
  const signal = signalSide(kind, p);
  const s = contact(signal);
  const c = contact(signal === 'A' ? 'B' : 'A');
  const [A, B] = [contact('A'), contact('B')];
  const at = (from: Point, state: ReadingSpec['state'], of: ReadingSpec['kind'] = 'volts-dc'): ReadingSpec => ({
    from,
    to: GROUND,
    state,
    kind: of,
  });
  const across = (state: ReadingSpec['state'], of: ReadingSpec['kind']): ReadingSpec => ({
    from: A,
    to: B,
    state,
    kind: of,
  });
  const asleep = kind === 'scanned-matrix' && shareWith(kind, p, (b) => b.layout === 'asleep') > 0.5;
  const closed = across('pressed', 'ohms');
  // A short that was read tells what stands behind better than a load does.
  const shorted = readings.some((r) => r.kind === 'amps');
  const behind = (setting: 'volts-dc' | 'volts-ac'): ReadingSpec[] =>
    shorted ? [] : [across('idle', setting), across('loaded-10k', setting)];
  const setting = shareWith(kind, p, (b) => b.alternating) > 0.5 ? 'volts-ac' : 'volts-dc';
  switch (kind) {
    case 'low-when-pressed':
    case 'latching-switch':
      return [at(s, 'idle'), closed, ...behind('volts-dc')];
    case 'high-when-pressed':
      return [at(c, 'idle'), closed, ...behind('volts-dc')];
    case 'selector':
      return [at(s, 'idle')];
    case 'ladder':
      return [at(s, 'idle'), at(c, 'off', 'ohms'), at(s, 'pressed'), at(s, 'neighbour'), closed, ...behind('volts-dc')];
    case 'scanned-matrix':
      return [
        at(c, 'idle'),
        ...(asleep ? [at(s, 'pressed', 'hertz')] : [at(s, 'idle', 'hertz'), at(s, 'idle', 'duty')]),
        at(c, 'loaded-10k'),
        closed,
      ];
    case 'dry-pair':
      return [across('idle', setting), ...behind(setting), closed];
    case 'switched-load':
      return [across('idle', setting)];
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
