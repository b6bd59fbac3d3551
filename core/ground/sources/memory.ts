import type { Source } from './source';

const M = (text: string): Source => ({ tag: 'M', text });

/** Values from memory: please verify. */
export const FROM_MEMORY = {
  'tap-parts': M(
    'Optocoupler at 1 mA: lamp 1 to 1.5 V, a quarter of its current left in the worst part; small Schottky diode 0.2 to 0.45 V; ' +
      'small-signal NPN: base 0.5 to 0.75 V, gain 100 to 400; film capacitors within a fifth over temperature, as remembered',
  ),
  'ct-read': M(
    'A current transformer about half the pins’ supply, on a pin of ten bits: ten steps from peak to peak stand out, as remembered; ' +
      'open it makes hundreds of volts',
  ),
  'coupled-hum': M(
    'Leads side by side couple some 50 pF a metre, mains has 360 V at its peak, pull-ups inside of chips reach 100 kΩ, as remembered; ' +
      '1 to 10 kΩ and 100 nF before a pin take it away',
  ),
  'one-wire': M(
    'Thermometers on one wire: 60 pF a metre, 30 pF each; the wire has to rise within 10 µs, and each pulls 4 mA down; 4.7 kΩ is usual, ' +
      'as remembered; read the data sheet',
  ),
  'thermometer-off': M(
    'A digital thermometer reads within 0.5 K between −10 and 85 °C, as remembered; read its data sheet',
  ),
  'timer-relay': M(
    'A timer relay runs on 12 V or more, is set to within a tenth, closes on twice what it carries and breaks 250 V AC, ' +
      'as remembered; read its plate',
  ),
  'board-wifi17': M(
    'Wi-Fi module, 17 GPIO, on a board with a regulator that is fed with 4.5 to 5.5 V: behaviour ' +
      'of each pin at power-up and its limits, as remembered; measure your own board',
  ),
  'board-wifi34': M(
    'Wi-Fi module, 34 GPIO, on a board with a regulator that is fed with 4.5 to 5.5 V: abilities, straps and ' +
      'behaviour of each pin, as remembered; measure your own board',
  ),
  'board-8bit': M(
    '8-bit board, 20 I/O, 5 V: abilities of each pin and their behaviour while the bootloader runs, as remembered; ' +
      'measure your own board',
  ),
  'board-header28': M(
    'Single-board computer header, 28 GPIO, 3.3 V: pulls at reset, header positions and limits, as remembered; ' +
      'measure your own board',
  ),
  'board-switch': M(
    'Bought plug-in switch with Wi-Fi, contact, button, lamp and meter: ratings as they stand on such plates, pins as an example; ' +
      'read your own, unplugged',
  ),
  cells: M(
    'Cells of each chemistry as such cells are: open volts over the charge taken, resistance, charge, self-discharge, as remembered; ' +
      'the sheet of your cell beats this',
  ),
  'regulator-heat': M(
    'Junction to air without a heat sink: a tab with a screw hole 65 K/W, a flat chip on its board 100 K/W; stop over 125 °C',
  ),
  'alike-share': M('Two of one make are read within a fifth of each other: parts of 5 %, and a meter'),
} as const satisfies Record<string, Source>;
