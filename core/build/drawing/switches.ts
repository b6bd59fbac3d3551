import type { JointWay } from '../../ground/job';
import { dot, filled, line, SHEET_WIDTH, textMark, type Mark, type Sheet } from './marks';

/** What the drawing of a joint has to show; all texts are plain. */
export interface JointLook {
  readonly way: JointWay;
  readonly pin: string;
  readonly appliance: string;
  readonly upper: string;
  readonly lower: string;
  readonly upperNote: string;
  readonly lowerNote: string;
  readonly resistor: string;
  /** Voltage of the coil or of the module. */
  readonly supply: string;
  readonly part: string;
  readonly partNote: string;
  readonly wires: readonly { readonly number: number; readonly colour: string }[];
  /** The gap that keeps the sides apart, or null where a conductor joins them. */
  readonly apart: string | null;
  /** True where a conductor crosses that must not. */
  readonly forbidden: boolean;
}

const HEIGHT = 330;
const LEFT = 132;
const RIGHT = 584;
const TOP = 118;
const BOTTOM = 222;

/** Draws a joint as two shores with the parts between them; graphical symbols follow IEC 60617. */
export function drawSwitch(i: JointLook): Sheet {
  // The nth wire of the joint, whatever number it has in the job.
  const colour = (n: number): string => i.wires[n - 1]?.colour ?? 'black';
  const number = (n: number): number => i.wires[n - 1]?.number ?? n;
  const wire = (n: number, d: string, tagX: number, tagY: number): Mark[] => [
    { kind: 'path', d, ink: 'ink', wire: number(n), colour: colour(n) },
    { kind: 'tag', x: tagX, y: tagY, number: number(n), colour: colour(n) },
  ];
  const marks = [
    filled('M0 0H150C142 60 158 110 150 165S144 270 150 330H0Z', 'shore-left'),
    filled('M724 0H560C568 60 552 110 560 165S566 270 560 330H724Z', 'shore-right'),
    textMark(18, 26, 'your controller', 'start', 'muted'),
    textMark(706, 26, i.appliance, 'end', 'muted'),
    ...(i.apart
      ? hatch(i)
      : [
          textMark(
            362,
            26,
            i.forbidden ? 'joined, and must not be' : 'joined by the shared ground',
            'middle',
            i.forbidden ? 'stop' : 'muted',
            14,
          ),
        ]),
    ...between(i, wire),
    dot(LEFT, TOP),
    textMark(LEFT - 12, TOP + 5, i.pin, 'end'),
    dot(LEFT, BOTTOM),
    textMark(LEFT - 12, BOTTOM + 5, 'ground', 'end'),
    dot(RIGHT, TOP),
    textMark(RIGHT + 12, TOP + 5, i.upper, 'start'),
    textMark(RIGHT + 12, TOP + 24, i.upperNote, 'start', 'muted', 13),
    dot(RIGHT, BOTTOM),
    textMark(RIGHT + 12, BOTTOM + 5, i.lower, 'start'),
    textMark(RIGHT + 12, BOTTOM + 24, i.lowerNote, 'start', 'muted', 13),
    ...(i.forbidden ? [line(`M${LEFT + 210} ${BOTTOM - 12}l24 24m0 -24l-24 24`, 'stop')] : []),
    textMark(362, 284, i.part, 'middle'),
    textMark(362, 303, i.partNote, 'middle', 'muted', 13),
  ];
  return { width: SHEET_WIDTH, height: HEIGHT, marks };
}

function hatch(i: JointLook): Mark[] {
  const x = i.way === 'relay-contact' || i.way === 'relay-module' ? 404 : 362;
  const strokes = Array.from({ length: 9 }, (_, k) => `M${x - 15} ${76 + k * 22}l30 -26`).join('');
  return [line(strokes, 'hatch'), textMark(x, 40, `apart: ${i.apart}`, 'middle', 'muted', 14)];
}

type Wiring = (n: number, d: string, tagX: number, tagY: number) => Mark[];

// eslint-disable-next-line max-lines-per-function -- a drawing for each way, stroke by stroke
function between(i: JointLook, wire: Wiring): Mark[] {
  const resistor = (x: number, y: number): Mark[] => [
    filled(`M${x} ${y - 12}h58v24h-58z`, 'paper'),
    line(`M${x} ${y - 12}h58v24h-58z`, 'part'),
    textMark(x + 29, y - 20, i.resistor),
  ];
  switch (i.way) {
    case 'optocoupler':
      return [
        ...wire(1, `M${LEFT} ${TOP}H318`, 168, TOP),
        ...resistor(206, TOP),
        ...wire(2, `M${LEFT} ${BOTTOM}H318`, 168, BOTTOM),
        line('M318 92H410V248H318Z', 'part'),
        ...led(338),
        line('M380 146V196M380 160L398 146V118H410M380 182L398 196V222H410', 'part'),
        filled('M398 196l-12 -4l6 -8z'),
        ...wire(3, `M410 ${TOP}H${RIGHT}`, 500, TOP),
        ...wire(4, `M410 ${BOTTOM}H${RIGHT}`, 500, BOTTOM),
      ];
    case 'solid-state-relay':
      return [
        ...wire(1, `M${LEFT} ${TOP}H318`, 168, TOP),
        ...resistor(206, TOP),
        ...wire(2, `M${LEFT} ${BOTTOM}H318`, 168, BOTTOM),
        line('M318 92H410V248H318Z', 'part'),
        ...led(338),
        line('M410 118H392V148M392 192V222H410M392 192L380 152', 'part'),
        line('M376 144h8M388 192h8', 'part'),
        ...wire(3, `M410 ${TOP}H${RIGHT}`, 500, TOP),
        ...wire(4, `M410 ${BOTTOM}H${RIGHT}`, 500, BOTTOM),
      ];
    case 'npn-to-ground':
      return [
        ...wire(1, `M${LEFT} ${TOP}H300V170H348`, 168, TOP),
        ...resistor(206, TOP),
        ...npn(348, 170),
        ...wire(3, `M376 148V${TOP}H${RIGHT}`, 500, TOP),
        line(`M376 192V${BOTTOM}`, 'ink'),
        dot(376, BOTTOM),
        ...wire(2, `M${LEFT} ${BOTTOM}H${RIGHT}`, 168, BOTTOM),
      ];
    case 'nmos-to-ground':
      return [
        ...wire(1, `M${LEFT} ${TOP}H300V170H352`, 168, TOP),
        ...resistor(206, TOP),
        ...nmos(352, 170),
        line('M318 170V186M318 206V222M312 186h12v20h-12z', 'part'),
        textMark(304, 200, '100 kΩ', 'end', 'muted', 13),
        dot(318, 170),
        dot(318, BOTTOM),
        ...wire(3, `M378 152V${TOP}H${RIGHT}`, 500, TOP),
        line(`M378 188V${BOTTOM}`, 'ink'),
        dot(378, BOTTOM),
        ...wire(2, `M${LEFT} ${BOTTOM}H${RIGHT}`, 168, BOTTOM),
      ];
    case 'relay-contact':
      return [
        dot(LEFT, 66),
        textMark(LEFT - 12, 71, i.supply, 'end'),
        ...wire(5, `M${LEFT} 66H352V84`, 168, 66),
        line('M332 84h40v40h-40zM332 124L372 84', 'part'),
        textMark(290, 109, 'coil', 'end', 'muted', 13),
        line('M352 74H310V98M310 112V134H352M301 112h18l-9 -14zM301 98h18', 'part'),
        ...wire(6, 'M352 124V150', 372, 140),
        ...wire(1, `M${LEFT} ${TOP + 54}H324`, 168, TOP + 54),
        line(`M${LEFT} ${TOP}V${TOP + 54}`, 'ink'),
        ...resistor(206, TOP + 54),
        ...npn(324, 172),
        line(`M352 194V${BOTTOM}`, 'ink'),
        ...wire(2, `M${LEFT} ${BOTTOM}H352`, 168, BOTTOM),
        line('M450 118V148M450 192V222M450 192L434 152', 'part'),
        ...wire(3, `M450 ${TOP}H${RIGHT}`, 516, TOP),
        ...wire(4, `M450 ${BOTTOM}H${RIGHT}`, 516, BOTTOM),
      ];
    case 'relay-module':
      return [
        dot(LEFT, 66),
        textMark(LEFT - 12, 71, i.supply, 'end'),
        line('M240 52H492V248H240Z', 'part'),
        ...wire(5, `M${LEFT} 66H352V96`, 168, 66),
        textMark(252, 84, 'supply', 'start', 'muted', 13),
        line('M332 96h40v40h-40zM332 136L372 96', 'part'),
        textMark(324, 121, 'coil', 'end', 'muted', 13),
        ...wire(1, `M${LEFT} ${TOP}H210V172H300`, 168, TOP),
        line('M300 158h52v28h-52z', 'part'),
        textMark(326, 177, 'input', 'middle', 'muted', 13),
        line('M352 136V158', 'part'),
        ...wire(2, `M${LEFT} ${BOTTOM}H326V186`, 168, BOTTOM),
        line('M450 118V148M450 192V222M450 192L434 152', 'part'),
        ...wire(3, `M450 ${TOP}H${RIGHT}`, 524, TOP),
        ...wire(4, `M450 ${BOTTOM}H${RIGHT}`, 524, BOTTOM),
      ];
    case 'analogue-switch':
      return [
        line('M300 84H420V196H300Z', 'part'),
        ...wire(1, `M${LEFT} ${TOP}H300`, 168, TOP),
        ...resistor(206, TOP),
        textMark(308, 113, 'control', 'start', 'muted', 13),
        line('M400 118H384M400 168H384M384 168L372 124', 'part'),
        ...wire(3, `M400 ${TOP}H${RIGHT}`, 500, TOP),
        ...wire(4, `M400 168H470V206H${RIGHT - 40}V${BOTTOM}H${RIGHT}`, 500, 206),
        dot(RIGHT, 66),
        textMark(RIGHT + 12, 71, 'its supply', 'start'),
        ...wire(5, `M360 84V66H${RIGHT}`, 500, 66),
        line(`M360 196V${BOTTOM + 24}`, 'ink'),
        dot(360, BOTTOM + 24),
        ...wire(2, `M${LEFT} ${BOTTOM}V${BOTTOM + 24}H${RIGHT}`, 168, BOTTOM + 24),
        dot(RIGHT, BOTTOM + 24),
        textMark(RIGHT + 12, BOTTOM + 30, 'its ground', 'start', 'muted', 13),
      ];
  }
}

const led = (x: number): Mark[] => [
  line(`M318 118H${x}V150M${x} 174V222H318M${x - 12} 150h24l-12 22zM${x - 12} 173h24`, 'part'),
];
/** An enhancement N-MOSFET: gate, broken channel, source joined to the body with the arrow inwards. */
const nmos = (x: number, y: number): Mark[] => [
  line(
    `M${x} ${y - 20}v40M${x + 8} ${y - 22}v10M${x + 8} ${y - 5}v10M${x + 8} ` +
      `${y + 12}v10M${x + 8} ${y - 17}h18M${x + 8} ${y}h18v18M${x + 8} ${y + 17}h18`,
    'part',
  ),
  filled(`M${x + 9} ${y}l9 -5v10z`),
];
const npn = (x: number, y: number): Mark[] => [
  line(`M${x} ${y - 22}v44M${x} ${y - 8}L${x + 28} ${y - 22}M${x} ${y + 8}L${x + 28} ${y + 22}`, 'part'),
  filled(`M${x + 28} ${y + 22}l-13 -1l6 -10z`),
];
