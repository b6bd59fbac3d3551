import type { Source } from './source';

const M = (text: string): Source => ({ tag: 'M', text });

/** Values from memory: please verify. */
export const FROM_MEMORY = {
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
