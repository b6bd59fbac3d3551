import { GROUND, lineEnd } from '../ends';
import type { DriveFact } from '../../ground/facts';
import { isOfModule, type Sense } from '../../ground/job';
import { formatQuantity } from '../../ground/quantity';
import { isBare, needsPin, SENSES } from '../lines';
import { dividerOhms, LOWER_OHMS } from './divider';
import { inputFindings } from './sense-levels';
import { panelEnd, type PanelPart, type PanelDevice, type PanelWire } from './thing';

const TELLS: Readonly<Record<Sense['tells'], string>> = {
  'at-rest': 'tells that the machine rests',
  'at-work': 'tells that it works',
  'at-end': 'tells that it stands at its far end',
  other: 'tells',
};

/** A sense as it is wired: contact to ground, signal with its ground, or a divider where its level is too high for the pin. */
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
  const upper = dividerOhms(sense, drive.highVolts.high);
  const bare = isBare(sense);
  const wires: PanelWire[] = bare
    ? [
        [lineEnd(sense.id), panelEnd(`${sense.name} 1`)],
        [panelEnd(`${sense.name} 2`), GROUND],
      ]
    : [
        ...(upper === null
          ? ([[lineEnd(sense.id), panelEnd(`${sense.name} signal`)]] as PanelWire[])
          : ([
              [panelEnd(`${sense.name} signal`), panelEnd(`upper resistor of ${sense.name}`)],
              [lineEnd(sense.id), panelEnd(`divider of ${sense.name}`)],
              [panelEnd(`lower resistor of ${sense.name}`), GROUND],
            ] as PanelWire[])),
        [panelEnd(`${sense.name} ground`), GROUND],
      ];
  const parts: PanelPart[] = [
    { name: SENSES[sense.kind].part, value: sense.name, quantity: 1 },
    ...(upper === null
      ? []
      : [
          { name: 'resistor, upper of a divider', value: `${formatQuantity(upper, 'Ω')}, 1 %, 0.25 W`, quantity: 1 },
          {
            name: 'resistor, lower of a divider',
            value: `${formatQuantity(LOWER_OHMS, 'Ω')}, 1 %, 0.25 W`,
            quantity: 1,
          },
        ]),
  ];
  return { id: sense.id, name: sense.name, what, wires, parts, findings: inputFindings(sense, drive) };
}
