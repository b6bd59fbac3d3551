import { describe, expect, it } from 'vitest';
import { edited, FAULT_KINDS, freshPress, type Fault, type FaultKind } from '../../ground/job';
import { demoJob } from '../../testing/jobs';
import { DISTURBANCES, kindOfHappening, placeIn } from './disturbances';
import { faultsAsHappenings } from './faults';
import { sceneOf } from './scene';

const gate = demoJob('yard-gate');
const scene = sceneOf(gate)!;
const fault = (kind: FaultKind, of: string): Fault => ({ id: 'f', kind, atSeconds: 5, seconds: 2, of });
const pressed = [{ line: 0, at: 4 }];

describe('disturbances', () => {
  it('are told back by what they are in a world, each by its own kind', () => {
    for (const kind of FAULT_KINDS) {
      const { what, event } = DISTURBANCES[kind];
      expect(kindOfHappening(what, event?.key), kind).toBe(kind);
    }
  });

  it('befall the first where nobody is named, and nothing where the one named is not there', () => {
    for (const kind of FAULT_KINDS) {
      const { befalls } = DISTURBANCES[kind];
      if (!befalls) continue;
      expect(faultsAsHappenings(scene, [fault(kind, 'not there')], pressed), kind).toEqual([]);
    }
    expect(placeIn(scene, 'press', '')).toBe(0);
    expect(faultsAsHappenings(scene, [fault('missed-press', '')], pressed)).toEqual([
      { at: 4, what: 'missed', of: 0, how: 0 },
    ]);
  });

  it('of a press that no move makes are left out, and not laid on another one', () => {
    const more = edited(
      gate,
      { do: 'put', list: 'presses', item: freshPress('bell', 'bell', gate.presses[0]!.control) },
      '2026-03-02T14:00:00Z',
    );
    expect(faultsAsHappenings(sceneOf(more)!, [fault('missed-press', 'bell')], pressed)).toEqual([]);
  });
});
