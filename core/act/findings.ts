import { atLeast, chosen, constant, derive, finding, judged, type Finding } from '../finding';
import type { Job, SequenceRule } from '../job';
import { formatQuantity } from '../quantity';
import { scriptSeconds, simulate, type Trace } from './simulate';

/** The span that the lanes show: the script, the machine's own run and the pinned faults, with room after them. */
export function laneSeconds(job: Job): number {
  const { machine, script, faults } = job.act;
  const run = machine.kind === 'flips' ? 10 : machine.runSeconds;
  const lastFault = Math.max(0, ...faults.map((f) => f.atSeconds + f.seconds));
  return Math.max(scriptSeconds(script) + run * 1.25 + 1, lastFault + run * 1.25 + 1);
}

/** One run of the script, started at zero, with the faults pinned in Act. */
export const oneRun = (job: Job, faults = job.act.faults): Trace =>
  simulate({ machine: job.act.machine, script: job.act.script, faults, starts: [0], end: laneSeconds(job) });

/** What Act judges: the press's length, what the script does to the machine, and what one missed press leaves behind. */
export function actFindings(job: Job, rules: readonly SequenceRule[] = []): Finding[] {
  return [...scriptFindings(job), ...rules.map(sequence)];
}

/** An order that the outputs keep, as the chosen way of pressing asks for it. */
const sequence = (rule: SequenceRule, i: number): Finding =>
  finding('act', `sequence-${i}`, { verdict: 'settled', title: `First ${rule.first}, then ${formatQuantity(rule.waitSeconds, 's')} later ${rule.then}: ${rule.why}`, caption: `waits ${formatQuantity(rule.waitSeconds, 's')}`, value: { value: rule.waitSeconds, unit: 's' }, source: ['relay-moves', 'parts-relay'] });

function scriptFindings(job: Job): Finding[] {
  const { script, machine } = job.act;
  const presses = script.filter((s) => s.do === 'press');
  if (presses.length === 0) {
    const seconds = Math.max(0.18, 2 * machine.shortestPressSeconds);
    return [finding('act', 'script', { verdict: 'unknown', title: 'The press script is empty', caption: 'no press yet', remedy: { text: 'One press of twice the shortest press that the machine obeys is a good beginning.', label: `Press for ${formatQuantity(seconds, 's')}`, edit: { do: 'change', section: 'act', set: { script: [{ do: 'press', seconds }] }, say: `press for ${formatQuantity(seconds, 's')}` } } })];
  }
  const shortest = presses.reduce((a, b) => (b.seconds < a.seconds ? b : a));
  const wanted = derive('twice the shortest press that the machine obeys', 't_want', 'k * t_least', 's', [
    constant('k', 'margin', 2, '1', 'press-length'), chosen('t_least', 'shortest press that it obeys', machine.shortestPressSeconds, 's', 'machine, in Act'),
  ]);
  const length = derive('shortest press of the script', 't_press', 't', 's', [chosen('t', 'press', shortest.seconds, 's', 'press script')]);
  const out: Finding[] = [judged('act', 'press-length', {
    title: 'Shortest press against twice what the machine obeys', caption: 'press length', steps: [length],
    limit: atLeast(wanted.result.value, 's', 'twice the shortest press that it obeys', { from: 'source', key: 'press-length' }),
    verdict: shortest.seconds < machine.shortestPressSeconds ? 'stop' : shortest.seconds < wanted.result.value ? 'tight' : 'settled',
    remedy: shortest.seconds >= wanted.result.value ? null : { text: `Press for ${formatQuantity(wanted.result.value, 's')}.`, label: `Use ${formatQuantity(wanted.result.value, 's')}`, edit: { do: 'change', section: 'act', set: { script: script.map((s) => (s.do === 'press' ? { ...s, seconds: Math.max(s.seconds, wanted.result.value) } : s)) }, say: `press for ${formatQuantity(wanted.result.value, 's')}` } },
  })];
  const clean = oneRun(job, []);
  const moved = clean.seen.length > 0;
  const caption = `${presses.length === 1 ? 'one press' : `${presses.length} presses`}, ${formatQuantity(shortest.seconds, 's')}`;
  out.push(finding('act', 'run', {
    verdict: moved ? 'settled' : 'stop', title: moved ? `Without faults the machine sees ${clean.seen.length} of ${presses.length} presses and goes: ${clean.machine.map((s) => s.word).join(', ')}` : 'The machine sees no press at all', caption, source: ['simulation'],
  }));
  out.push(missedPress(job));
  return out;
}

function missedPress(job: Job): Finding {
  const trace = oneRun(job, [{ id: 'missed', kind: 'missed-press', atSeconds: 0, seconds: 0 }]);
  const parted = trace.parted.reduce((s, p) => s + p.to - p.from, 0);
  const blind = job.sense.contact === 'none';
  const lasting = trace.parted.some((p) => p.to >= trace.end);
  const worst = trace.parted[trace.parted.length - 1];
  if (!worst) return finding('act', 'missed-press', { verdict: 'settled', title: 'One missed press changes nothing here', caption: 'missed press harmless', source: ['simulation'] });
  const text = `One missed press: the plan believes ${worst.believed} while the machine is ${worst.true}${lasting ? ', and stays so' : ` for ${formatQuantity(parted, 's')}`}`;
  const grave = lasting && blind && (job.wish.hazards.includes('moving-door') || job.act.machine.kind === 'open-stop-close-stop');
  return finding('act', 'missed-press', {
    verdict: blind ? (grave ? 'stop' : lasting ? 'tight' : 'settled') : 'settled', title: blind ? text : `${text}; the contact in Sense shows it`, caption: 'a missed press', source: ['simulation', 'fault-rates'],
    remedy: blind && lasting ? { text: 'One contact at rest lets the plan look before it presses.', label: 'Add one contact at rest', edit: { do: 'change', section: 'sense', set: { contact: 'at-rest', restsClosed: true }, say: 'one contact at rest' } } : null,
  });
}
