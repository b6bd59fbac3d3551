import type { FingerPlan } from '../job';
import { arrow, dashed, dot, filled, line, ring, SHEET_WIDTH, strong, text, type Mark, type Sheet } from './marks';

const HEIGHT = 330;
const rad = (degrees: number): number => (degrees * Math.PI) / 180;
const mm = (metres: number): string => `${(1000 * metres).toFixed(1).replace(/\.0$/, '')} mm`;

/**
 * A finger to scale: the servo's axis above the front, the horn at rest and pressed, the button with its travel.
 * @param travelMetres the button's own travel, m.
 */
export function drawFinger(plan: FingerPlan, travelMetres: number): Sheet {
  const [r, D] = [plan.hornMetres, plan.axisMetres];
  const angles = plan.on === 'rocker' ? [plan.pressDegrees, -plan.pressDegrees] : [plan.pressDegrees];
  const lift = Math.max(0, -Math.sin(rad(plan.restDegrees)) * r, plan.on === 'rocker' ? Math.sin(rad(plan.pressDegrees)) * r : 0);
  // Whole picture: from the horn's highest point down to the front, from the pad's end to beyond the tip.
  const tall = Math.max(D, r * 0.3) + lift + 0.012;
  const wide = r + plan.leverMetres + plan.padLengthMetres / 2 + 0.02;
  const scale = Math.min(230 / tall, 560 / wide, 9000);
  const front = 262;
  const axisY = front - D * scale;
  const tipX = (a: number): number => axisX + r * Math.cos(rad(a)) * scale;
  const tipY = (a: number): number => axisY + r * Math.sin(rad(a)) * scale;
  // The press lies under the pressed tip; the pad's middle is a lever away from it.
  const left = 40;
  const axisX = Math.max(left + 60, left + (plan.padLengthMetres / 2 + plan.leverMetres) * scale - r * Math.cos(rad(plan.pressDegrees)) * scale);
  const pressX = tipX(plan.pressDegrees);
  const padX = pressX - plan.leverMetres * scale;
  const bump = Math.max(travelMetres * scale, 3);
  const marks: Mark[] = [
    filled(`M0 ${front + bump}H${SHEET_WIDTH}V${front + bump + 26}H0Z`, 'shore-right'), line(`M0 ${front + bump}H${SHEET_WIDTH}`),
    line(`M${pressX - 26} ${front + bump}V${front}H${pressX + 26}V${front + bump}`, 'part'), text(pressX, front + bump + 19, plan.on === 'rocker' ? 'rocker' : 'button', 'middle', 'muted', 14),
    filled(`M${padX - (plan.padLengthMetres / 2) * scale} ${front + bump - 5}H${padX + (plan.padLengthMetres / 2) * scale}V${front + bump}H${padX - (plan.padLengthMetres / 2) * scale}Z`, 'muted'),
    text(padX, front + bump + 19, plan.mount === 'foam-tape' ? `tape ${mm(plan.padLengthMetres)}` : plan.mount, 'middle', 'muted', 13),
    line(`M${padX} ${front + bump - 5}V${axisY}H${axisX}`, 'muted'),
    ring(axisX, axisY, 9), dot(axisX, axisY, 3), text(axisX - 14, axisY - 14, 'servo axis', 'end', 'muted', 13),
    dashed(`M${axisX} ${axisY}H${axisX + r * scale + 40}`),
    // The horn at rest, thin; pressed, thick.
    line(`M${axisX} ${axisY}L${tipX(plan.restDegrees).toFixed(1)} ${tipY(plan.restDegrees).toFixed(1)}`, 'muted'), ring(Number(tipX(plan.restDegrees).toFixed(1)), Number(tipY(plan.restDegrees).toFixed(1)), 5, 'muted'),
    text(tipX(plan.restDegrees) + 12, tipY(plan.restDegrees) - 8, `rest ${plan.restDegrees}°`, 'start', 'muted', 14),
    ...angles.flatMap((a): Mark[] => [strong(`M${axisX} ${axisY}L${tipX(a).toFixed(1)} ${tipY(a).toFixed(1)}`, 'part'), dot(Number(tipX(a).toFixed(1)), Number(tipY(a).toFixed(1)), 5)]),
    text(tipX(plan.pressDegrees) - 14, tipY(plan.pressDegrees) - 22, `press ${plan.pressDegrees}°`, 'end', 'ink', 14),
    // Distances, with their own lines.
    ...arrow(axisX + r * scale + 30, axisY, axisX + r * scale + 30, front, 'muted'), text(axisX + r * scale + 40, (axisY + front) / 2 + 5, `D ${mm(D)}`, 'start', 'ink', 14),
    text((axisX + tipX(plan.pressDegrees)) / 2 - 10, (axisY + tipY(plan.pressDegrees)) / 2 + 22, `r ${mm(r)}`, 'end', 'ink', 14),
    line(`M18 ${HEIGHT - 10}h${(0.01 * scale).toFixed(1)}m0 -5v10m${(-0.01 * scale).toFixed(1)} 0v-10`, 'muted'), text(28 + 0.01 * scale, HEIGHT - 5, '10 mm, to scale', 'start', 'muted', 13),
    text(706, 24, 'side view', 'end', 'muted', 14),
  ];
  return { width: SHEET_WIDTH, height: HEIGHT, marks };
}
