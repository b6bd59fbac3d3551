import type { HandPlan } from '../../ground/job';
import { arrow, dashed, dot, filled, line, ring, SHEET_WIDTH, strong, textMark, type Mark, type Sheet } from './marks';

const mm = (metres: number): string => `${Math.round(1000 * metres)} mm`;

/** A turning arrow round a point; clockwise or the other way. */
function turning(x: number, y: number, r: number, clockwise: boolean): Mark[] {
  const end = clockwise ? x + r : x - r;
  return [
    line(`M${clockwise ? x - r : x + r} ${y}A${r} ${r} 0 0 ${clockwise ? 1 : 0} ${end} ${y}`, 'muted'),
    filled(`M${end} ${y + 9}L${end - 6} ${y - 3}h12z`, 'muted'),
  ];
}

/** A motor on a tube that lifts, or on a crank; a second motor that faces the first turns the other way seen from itself. */
export function drawMechanism(plan: HandPlan): Sheet {
  const motor = plan.motor === 'stepper' ? 'stepper' : 'gear motor';
  const marks: Mark[] = [];
  if (plan.drive === 'tube') {
    marks.push(
      ring(180, 120, 64),
      dot(180, 120, 3),
      line('M180 120V56', 'muted'),
      textMark(180, 150, `D ${mm(plan.tubeMetres)}`, 'middle', 'ink', 14),
      ...turning(180, 120, 82, true),
      line('M244 120V206'),
      strong('M222 206h44v36h-44z', 'part'),
      textMark(244, 230, `${plan.loadKilograms} kg`, 'middle', 'ink', 14),
      textMark(180, 262, 'tube, seen from its end', 'middle', 'muted', 13),
    );
  } else {
    marks.push(
      ring(150, 200, 14),
      dot(150, 200, 3),
      strong('M150 200L250 100', 'part'),
      ring(250, 100, 9),
      ...arrow(250, 100, 300, 150),
      textMark(306, 162, `F ${plan.crankNewtons} N`, 'start', 'ink', 14),
      textMark(186, 140, `l ${mm(plan.crankMetres)}`, 'end', 'ink', 14),
      ...turning(150, 200, 40, true),
      textMark(150, 262, 'crank, as the hand turned it', 'middle', 'muted', 13),
    );
  }
  const side = (x: number, name: string, faces: 'right' | 'left', clockwise: boolean): Mark[] => [
    line(`M${x} 90h76v76h-76z`, 'part'),
    textMark(x + 38, 124, name, 'middle', 'ink', 16),
    textMark(
      x + 38,
      144,
      plan.motor === 'stepper' ? (clockwise ? 'A B' : 'B A') : clockwise ? '+ −' : '− +',
      'middle',
      'muted',
      14,
    ),
    ...(faces === 'right' ? arrow(x + 38, 190, x + 76, 190, 'muted') : arrow(x + 38, 190, x, 190, 'muted')),
  ];
  marks.push(
    textMark(540, 60, motor, 'middle', 'muted', 14),
    ...side(400, 'M1', 'right', true),
    line('M476 128H600', 'part'),
    dashed('M476 116H600M476 140H600'),
    textMark(538, 108, plan.drive === 'tube' ? 'tube' : 'shaft', 'middle', 'muted', 13),
  );
  if (plan.mirrored)
    marks.push(
      ...side(600, 'M2', 'left', false),
      textMark(538, 222, 'they face each other: the wires of one are exchanged', 'middle', 'ink', 14),
    );
  return { width: SHEET_WIDTH, height: 280, marks };
}

/** Half a winding as four arcs, from (x, y) downwards. */
const half = (x: number, y: number): string => `M${x} ${y}${'a9 9 0 0 1 0 18'.repeat(3)}`;

/** A centre-tapped stepper's two windings as they come, or with the tap cut. Names of the wires stand beside their ends. */
export function drawWinding(cut: boolean): Sheet {
  const one = (x: number, n: number): Mark[] => [
    strong(half(x, 60), 'part'),
    strong(half(x, 126), 'part'),
    line(`M${x} 114V126`),
    line(`M${x} 60H${x - 46}M${x} 180H${x - 46}`),
    textMark(x - 52, 65, `${n}A`, 'end', 'ink', 14),
    textMark(x - 52, 185, `${n}B`, 'end', 'ink', 14),
    ...(cut
      ? [
          line(`M${x} 120H${x + 14}M${x + 34} 120H${x + 60}`, 'muted'),
          line(`M${x + 18} 110l10 20m0 -20l-10 20`, 'stop'),
        ]
      : [line(`M${x} 120H${x + 60}`), dot(x, 120, 4)]),
  ];
  return {
    width: 360,
    height: 230,
    marks: [
      ...one(110, 1),
      ...one(250, 2),
      ...(cut
        ? []
        : [
            line('M170 120V30H310V120'),
            dot(170, 30, 4),
            line('M170 30H140'),
            textMark(134, 35, 'common', 'end', 'ink', 14),
          ]),
      textMark(
        180,
        218,
        cut ? 'tap cut: four wires, whole windings' : 'as it comes: five wires, half windings',
        'middle',
        'muted',
        14,
      ),
    ],
  };
}
