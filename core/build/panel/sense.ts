import { GROUND, lineEnd, RAIL } from '../ends';
import type { DriveFact } from '../../ground/facts';
import { isOfModule, type Sense } from '../../ground/job';
import { isBare, needsPin, ownPullOf, SENSES } from '../lines';
import { inputFindings } from './sense-levels';
import { tapOf } from './tap';
import { filterKit, pullUpKit, tapKit, type TapKit } from './tap-wires';
import { panelEnd, type PanelDevice } from './thing';

const TELLS: Readonly<Record<Sense['tells'], string>> = {
  'at-rest': 'tells that the machine rests',
  'at-work': 'tells that it works',
  'at-end': 'tells that it stands at its far end',
  other: 'tells',
};

/** Wires of a sense by what it brings: a contact to ground, what is fed by the pins’ supply, a level over its tap. */
function kitOf(sense: Sense, drive: DriveFact): TapKit {
  const { name } = sense;
  const pull = pullUpKit(name, ownPullOf(sense));
  if (isBare(sense)) {
    const filter = filterKit(name, lineEnd(sense.id), panelEnd(`${name} 1`), sense.lead?.filtered ?? false);
    return {
      wires: [...filter.wires, [panelEnd(`${name} 2`), GROUND], ...pull.wires],
      parts: [...filter.parts, ...pull.parts],
    };
  }
  const tap = tapOf(sense, drive);
  if (tap) return tapKit(sense, tap);
  const wired: TapKit['wires'] = [
    [lineEnd(sense.id), panelEnd(`${name} signal`)],
    [panelEnd(`${name} ground`), GROUND],
  ];
  if (sense.kind !== 'temperature') return { wires: wired, parts: [] };
  return { wires: [...wired, [RAIL, panelEnd(`${name} supply`)], ...pull.wires], parts: pull.parts };
}

/** A sense as it is wired. */
export function senseThing(sense: Sense, drive: DriveFact): PanelDevice {
  const what = `${TELLS[sense.tells]}${sense.meaning ? `: ${sense.meaning}` : ''}`;
  if (!needsPin(sense))
    return {
      id: sense.id,
      name: sense.name,
      what: `${what}, ${isOfModule(sense) ? 'by the module itself' : `by a message on ${sense.topic || 'a topic not named yet'}`}`,
      wires: [],
      parts: [],
      findings: [],
    };
  const { wires, parts } = kitOf(sense, drive);
  return {
    id: sense.id,
    name: sense.name,
    what,
    wires,
    parts: [{ name: SENSES[sense.kind].part, value: sense.name, quantity: 1 }, ...parts],
    findings: inputFindings(sense, drive),
  };
}
