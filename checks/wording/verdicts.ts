// What is judged of a job, without a word of it: verdicts by id, the order of ways, what is read next, what the pins do. Bundled twice
// by the check beside it, once with all texts of the program replaced.
import { filesOf } from '../../core/house/deliver';
import { answerFor } from '../../core/house/answer';
import { threadOf } from '../../core/house/thread';
import { loadJob } from '../../core/ground/job';
import { rankWays, wayContext } from '../../core/rooms/thumb';

/** A job's file as its judgement, one line each; no line holds a text of the program. */
export function judgementOf(text: string): string[] {
  const loaded = loadJob(text);
  if (!loaded.ok) return ['refused'];
  const { job } = loaded;
  const { assessment, next } = answerFor(job);
  const svg = filesOf(job, assessment).find((f) => f.name.endsWith('.svg'))?.text ?? '';
  return [
    ...assessment.findings.map((f) => `${f.id} ${f.verdict} ${f.value?.value ?? ''} ${f.limit?.value ?? ''}`),
    ...threadOf(assessment.findings).map((b) => `${b.room} ${b.verdict}`),
    ...assessment.lines.map((l) => `${l.id} ${l.direction} ${l.sort} ${l.active} ${String(l.acts)}`),
    ...Object.entries(next).map(([id, n]) => `${id} ${n ? JSON.stringify([n.from, n.to, n.state, n.kind]) : ''}`),
    ...job.presses.flatMap((p) =>
      rankWays(wayContext(job, assessment.facts, p)).map(({ way, verdict, wires, press }) => {
        const colours = wires.map((x) => `${x.colour}${x.crosses ? '!' : ''}`);
        const pins = press.pins.map((n) => [n.part, n.direction, n.sort, n.acts]);
        return `${p.id} ${way} ${verdict} ${colours.join()} ${JSON.stringify(pins)}`;
      }),
    ),
    // Boxes and wires of the drawing: everything but what is written in it.
    ...[...svg.matchAll(/<path[^>]* d="([^"]*)"/g)].map((m) => m[1] ?? ''),
  ];
}
