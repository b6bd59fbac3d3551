import type { FingerPlan } from '../../ground/job';
import { arrow, dashed, dot, filled, line, ring, SHEET_WIDTH, strong, textMark, type Mark, type Sheet } from './marks';

const rad = (degrees: number): number => (degrees * Math.PI) / 180;
const mm = (metres: number): string => `${(1000 * metres).toFixed(1).replace(/\.0$/, '')} mm`;

/**
 * A finger to scale: the servo's axis above the front, the horn at rest and pressed, the button with its travel.
 * @param travelMetres the button's own travel, m.
 */
export function drawFinger(plan: FingerPlan, travelMetres: number): Sheet {
  const [r, D] = [plan.hornMetres, plan.axisMetres];
  const rocker = plan.on === 'rocker';
  const [c, sin] = [Math.cos(rad(plan.pressDegrees)), Math.sin(rad(plan.pressDegrees))];
  const lift = Math.max(0, -Math.sin(rad(plan.restDegrees)) * r, rocker ? sin * r : 0);
  // Whole picture: from the horn's highest point down to the front, from the pad's end to beyond the tip.
  const tall = Math.max(D, r * 0.3) + lift + 0.012;
  const wide = r + (rocker ? r : 0) + plan.leverMetres + plan.padLengthMetres / 2 + 0.02;
  const scale = Math.min(230 / tall, 560 / wide, 9000);
  // Room above for the names, and below for the scale.
  const front = 44 + (D + lift) * scale;
  const axisY = front - D * scale;
  const left = 40;
  // The pad's middle is a lever away from the press; a rocker's pad stands clear of its far half.
  const reach = plan.leverMetres + plan.padLengthMetres / 2 - (rocker ? -r * c : r * c);
  const axisX = Math.max(left + (rocker ? r * scale : 60), left + reach * scale);
  const at = (degrees: number, side: 1 | -1 = 1): readonly [number, number] => [
    Number((axisX + side * r * Math.cos(rad(degrees)) * scale).toFixed(1)),
    Number((axisY + r * Math.sin(rad(degrees)) * scale).toFixed(1)),
  ];
  const arm = (degrees: number, side: 1 | -1 = 1): string =>
    `M${axisX.toFixed(1)} ${axisY.toFixed(1)}L${at(degrees, side).join(' ')}`;
  const [pressX, pressY] = at(plan.pressDegrees);
  const [restX, restY] = at(plan.restDegrees);
  const edge = rocker ? at(plan.pressDegrees, -1)[0] : pressX;
  const padX = edge - plan.leverMetres * scale;
  const half = (plan.padLengthMetres / 2) * scale;
  const bump = Math.max(travelMetres * scale, 3);
  const base = front + bump;
  const height = Math.ceil(base + 62);
  const marks: Mark[] = [
    filled(`M0 ${base}H${SHEET_WIDTH}V${base + 26}H0Z`, 'shore-right'),
    line(`M0 ${base}H${SHEET_WIDTH}`),
    line(`M${edge - 26} ${base}V${front}H${pressX + 26}V${base}`, 'part'),
    textMark((edge + pressX) / 2, base + 19, rocker ? 'rocker, either half' : 'button', 'middle', 'muted', 14),
    filled(`M${padX - half} ${base - 5}H${padX + half}V${base}H${padX - half}Z`, 'muted'),
    textMark(
      padX,
      base + 19,
      plan.mount === 'foam-tape' ? `tape ${mm(plan.padLengthMetres)}` : plan.mount,
      'middle',
      'muted',
      13,
    ),
    line(`M${padX} ${base - 5}V${axisY}H${axisX}`, 'muted'),
    ring(axisX, axisY, 9),
    dot(axisX, axisY, 3),
    textMark(axisX - 14, axisY - 14, 'servo axis', 'end', 'muted', 13),
    dashed(`M${axisX} ${axisY}H${axisX + r * scale + 40}`),
    // The horn at rest, thin; pressed, thick. A rocker's horn has two arms, and turns either way from the middle.
    line(arm(plan.restDegrees), 'muted'),
    ring(restX, restY, 5, 'muted'),
    textMark(restX + 12, restY - 8, `rest ${plan.restDegrees}°`, 'start', 'muted', 14),
    ...(rocker
      ? [
          line(arm(plan.restDegrees, -1), 'muted'),
          ring(...at(plan.restDegrees, -1), 5, 'muted'),
          dashed(arm(plan.pressDegrees, -1), 'ink'),
          dot(...at(plan.pressDegrees, -1), 5),
        ]
      : []),
    strong(arm(plan.pressDegrees), 'part'),
    dot(pressX, pressY, 5),
    textMark(pressX + 32, pressY - 14, `press ${plan.pressDegrees}°`, 'start', 'ink', 14),
    // Distances, with their own lines.
    ...arrow(axisX + r * scale + 60, axisY, axisX + r * scale + 60, front, 'muted'),
    textMark(axisX + r * scale + 70, (axisY + front) / 2 + 5, `D ${mm(D)}`, 'start', 'ink', 14),
    textMark((axisX + pressX) / 2 + 12, (axisY + pressY) / 2 - 6, `r ${mm(r)}`, 'start', 'ink', 14),
    line(`M18 ${height - 10}h${(0.01 * scale).toFixed(1)}m0 -5v10m${(-0.01 * scale).toFixed(1)} 0v-10`, 'muted'),
    textMark(28 + 0.01 * scale, height - 5, '10 mm, to scale', 'start', 'muted', 13),
    textMark(706, 24, 'side view', 'end', 'muted', 14),
  ];
  return { width: SHEET_WIDTH, height, marks };
}
