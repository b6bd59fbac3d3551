import { firstItem } from '../../ground/lists';
import { arrow, dashed, dot, line, ring, SHEET_WIDTH, strong, textMark, type Mark, type Sheet } from './marks';

/** A contact as drawn: its terminals' names, and where its arm stands. */
export interface DrawnContact {
  readonly names: readonly [common: string, rest: string, work: string];
  readonly stands: 'rest' | 'work';
}

/** A changeover with its common below (`down`) or above; throws left and right. */
function changeover(x: number, y: number, c: DrawnContact, restLeft: boolean, down = true): Mark[] {
  const dy = down ? -46 : 46;
  const [restX, workX] = restLeft ? [x - 24, x + 24] : [x + 24, x - 24];
  const tip = c.stands === 'rest' ? restX : workX;
  // Lines leave a throw upwards below a rail and sideways above one; the names keep clear of both.
  const off = down ? 5 : -7;
  const coil = c.names[0].replace(/:.*/, '');
  const short = (name: string): string => name.replace(/^.*:/, '');
  return [
    dot(x, y, 4),
    dot(restX, y + dy, 4),
    dot(workX, y + dy, 4),
    strong(`M${x} ${y}L${tip} ${y + dy}`, 'part'),
    textMark(x + 10, y + (down ? 6 : 2), short(c.names[0]), 'start', 'muted', 13),
    textMark(restX + (restLeft ? -8 : 8), y + dy + off, short(c.names[1]), restLeft ? 'end' : 'start', 'muted', 13),
    textMark(workX + (restLeft ? 8 : -8), y + dy + off, short(c.names[2]), restLeft ? 'start' : 'end', 'muted', 13),
    down ? textMark(x, y - 58, coil, 'middle', 'ink', 14) : textMark(x - 14, y + 5, coil, 'end', 'ink', 14),
  ];
}

const MOTION: Readonly<Record<string, string>> = {
  forward: 'runs forward',
  backward: 'runs backward',
  braked: 'stands, braked',
  off: 'stands',
  both: 'up and down at once',
  short: 'supply shorted',
};

/** A DC motor between two changeovers; with a power contact before them where there are three contacts. */
function dcMotor(contacts: readonly DrawnContact[], motion: string, note: string): Sheet {
  const power = contacts.length === 3 ? firstItem(contacts) : null;
  const [a, b] = contacts.slice(-2) as [DrawnContact, DrawnContact];
  const [top, low, y] = [40, 72, 170];
  const [xa, xb] = [270, 470];
  // With a power contact the poles cross their throws; without, both rest on minus.
  const crossed = power !== null;
  const marks: Mark[] = [
    textMark(18, top + 5, '+', 'start', 'ink', 18),
    textMark(18, low + 5, '−', 'start', 'ink', 18),
    line(`M36 ${low}H${xb + 24}`),
    line(power ? `M36 ${top}H96M144 ${top}H${xb + 24}` : `M36 ${top}H${xb + 24}`),
    ...changeover(xa, y, a, true),
    ...changeover(xb, y, b, true),
    // Rest throw of the first goes to the fed rail where the poles cross, else to minus.
    line(`M${xa - 24} ${y - 46}V${crossed ? top : low}`),
    dot(xa - 24, crossed ? top : low, 4),
    line(`M${xa + 24} ${y - 46}V${crossed ? low : top}`),
    dot(xa + 24, crossed ? low : top, 4),
    line(`M${xb - 24} ${y - 46}V${low}`),
    dot(xb - 24, low, 4),
    line(`M${xb + 24} ${y - 46}V${top}`),
    dot(xb + 24, top, 4),
    line(`M${xa} ${y}V230H345M395 230H${xb}V${y}`),
    ring(370, 230, 25),
    textMark(370, 236, 'M1', 'middle', 'ink', 16),
    textMark(330, 248, '+', 'middle', 'muted', 14),
    textMark(412, 248, '−', 'middle', 'muted', 14),
    textMark(370, 288, MOTION[motion] ?? motion, 'middle', motion === 'short' ? 'stop' : 'ink', 15),
    textMark(706, 26, note, 'end', 'muted', 14),
    ...(motion === 'forward' ? arrow(345, 268, 395, 268) : motion === 'backward' ? arrow(395, 268, 345, 268) : []),
  ];
  if (power)
    marks.push(
      dot(96, top, 4),
      dot(144, top, 4),
      strong(power.stands === 'work' ? `M96 ${top}H144` : `M96 ${top}L138 ${top - 22}`, 'part'),
      textMark(120, top + 22, `${power.names[0]} ${power.names[2].replace(/^.*:/, '')}`, 'middle', 'muted', 13),
    );
  return { width: SHEET_WIDTH, height: 304, marks };
}

/** A mains motor with two run wires behind two contacts; the second fed through the first's rest contact, or straight from live. */
function mainsMotor(contacts: readonly DrawnContact[], interlocked: boolean, motion: string): Sheet {
  const [a, b] = contacts as [DrawnContact, DrawnContact];
  const [xa, xb] = [250, 450];
  const marks: Mark[] = [
    textMark(18, 45, 'L', 'start', 'ink', 16),
    line(`M40 40H${interlocked ? xa : xb}V64`),
    line(`M${xa} 40V64`),
    dot(xa, 40, 4),
    ...changeover(xa, 64, a, false, false),
    ...changeover(xb, interlocked ? 110 : 64, b, false, false),
    ...(interlocked ? [line(`M${xa + 24} 110H${xb - 60}V92H${xb}V110`)] : []),
    line(`M${xa - 24} 110V206`),
    line(`M${xb - 24} ${interlocked ? 156 : 110}V206`),
    line('M190 206H470V250H190Z', 'part'),
    textMark(xa - 24, 226, 'up', 'middle', 'ink', 14),
    textMark(xb - 24, 226, 'down', 'middle', 'ink', 14),
    textMark(330, 234, 'M1', 'middle', 'ink', 16),
    textMark(18, 285, 'N', 'start', 'ink', 16),
    line('M40 280H330V250'),
    textMark(560, 285, 'PE', 'start', 'ink', 16),
    dashed('M552 280H420V250'),
    textMark(706, 45, 'mains: licensed work', 'end', 'stop', 14),
    textMark(
      330,
      302,
      MOTION[motion] ?? motion,
      'middle',
      motion === 'both' || motion === 'short' ? 'stop' : 'ink',
      15,
    ),
  ];
  return { width: SHEET_WIDTH, height: 312, marks };
}

/** A reversing wiring with its contacts as they stand for one state of the coils, and what the motor then does. */
export function drawMotor(key: string, contacts: readonly DrawnContact[], motion: string): Sheet {
  if (key === 'box-interlocked' || key === 'box-plain') return mainsMotor(contacts, key === 'box-interlocked', motion);
  return dcMotor(contacts, motion, key === 'bridge' ? 'inside the bridge module' : 'contacts as they stand');
}
