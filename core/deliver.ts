import type { Assessment } from './assess';
import { drawJoint, netlistOf, type DrawingInput } from './circuit';
import { needsProveDead } from './guard';
import type { Job } from './job';
import { packFiles, type PackFile } from './pack';
import { formatQuantity } from './quantity';
import { chosenWay, jointOf, wayContext, wayPhrase, type WayResult } from './thumb';
import { progressOf, testSheet } from './try';

/** What the drawing of the chosen (or a given) way shows. */
export function drawingOf(job: Job, a: Assessment, way: WayResult): DrawingInput {
  const context = wayContext(job, a.facts);
  const name = context?.control.name ?? '';
  const line = context?.line;
  const high = context?.fact.leading === 'high-when-pressed';
  const signal = context?.fact.signal ?? 'A';
  const other = signal === 'A' ? 'B' : 'A';
  const about = line ? `${formatQuantity(line.supply.range.nominal, 'V')}, ${formatQuantity(line.pull.range.nominal, 'Ω')}` : '';
  return {
    way: way.way,
    pin: job.board.pressPin === null ? 'pin ?' : `pin ${job.board.pressPin}`,
    appliance: job.title.toLowerCase(),
    upper: `${name} ${high ? other : signal}`,
    lower: `${name} ${high ? signal : other}`,
    upperNote: high ? 'its own supply' : about,
    lowerNote: high ? about : way.press.sharesGround ? 'shared ground' : 'its own ground',
    resistor: way.press.resistorOhms === null ? '' : formatQuantity(way.press.resistorOhms, 'Ω'),
    part: wayPhrase(way.way),
    partNote: way.parts.find((p) => !p.name.startsWith('resistor'))?.value ?? '',
    wires: way.wires,
    apart: way.press.galvanicallyApart ? '5 kV, 7 mm where safety-rated' : null,
    forbidden: way.press.sharesGround && context?.fact.isolation !== 'isolated',
  };
}

/** Every file that Pack can write for a job now. */
export function filesOf(job: Job, a: Assessment): PackFile[] {
  const way = chosenWay(job, a.ways);
  const context = wayContext(job, a.facts);
  const joint = way && context ? jointOf(context, way) : null;
  const sheet = progressOf(job, testSheet(job, needsProveDead(job))).map((p) => ({ ...p.step, done: p.done, state: p.state }));
  return packFiles({
    job, findings: a.findings, sheet,
    joint: way && { marks: drawJoint(drawingOf(job, a, way)), wires: way.wires, parts: way.parts, netlist: joint && netlistOf(joint, true) },
  });
}
