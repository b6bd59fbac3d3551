import { finding, summary, type Finding } from '../finding';
import type { Facts, SequenceRule } from '../facts';
import { knownMachine, restContact, stateSense, type Job, type MachineModel } from '../job';
import { formatQuantity } from '../quantity';
import { gapFinding, lengthFindings } from './press-lengths';
import { neverFindings } from './nevers';
import { heardPress, heardScript, unheard } from './heard';
import { scriptSeconds, simulate, type Trace } from './simulate';
import { USUAL_PRESS_SECONDS } from './watch';

/** The span that the lanes show: the script, the machine's own run and the pinned faults, with room after them. */
export function laneSeconds(job: Job, machine: MachineModel): number {
  const { faults } = job.act;
  const { script } = job.act;
  const run = machine.kind === 'flips' ? 10 : machine.runSeconds;
  const lastFault = Math.max(0, ...faults.map((f) => f.atSeconds + f.seconds));
  return Math.max(scriptSeconds(script) + run * 1.25 + 1, lastFault + run * 1.25 + 1);
}

/** One run of the script, started at zero, with the faults pinned in Act; null while the machine is not known. */
export function oneRun(job: Job, faults = job.act.faults): Trace | null {
  const machine = knownMachine(job.act.machine);
  return (
    machine && simulate({ machine, script: heardScript(job), faults, starts: [0], end: laneSeconds(job, machine) })
  );
}

/** What Act judges: the press's length, what the script does to the machine, and what one missed press leaves behind. */
export function actFindings(job: Job, facts: Facts): Finding[] {
  return [
    ...scriptFindings(job, facts),
    ...neverFindings(job),
    ...facts.presses.flatMap((p) => p.sequence).map(sequence),
  ];
}

/**
 * An order that the outputs must keep, as the chosen way of pressing asks for it. The packed program drives one output,
 * so nothing of ours keeps it yet.
 */
const sequence = (rule: SequenceRule, i: number): Finding =>
  finding('act', `sequence-${i}`, {
    verdict: 'unknown',
    title:
      `First ${rule.first}, then ${formatQuantity(rule.waitSeconds, 's')} later ${rule.then}: ` +
      `${rule.why}. The packed program drives one output and does not keep this`,
    caption: 'order not kept',
    value: { value: rule.waitSeconds, unit: 's' },
    source: ['relay-moves', 'parts-relay'],
    remedy: { text: 'Write this order, with its wait, into the program that drives the outputs, and try it in Try.' },
  });

function scriptFindings(job: Job, facts: Facts): Finding[] {
  const { machine } = job.act;
  const shortestSeen = machine.shortestPressSeconds;
  const out: Finding[] =
    machine.kind === 'unknown'
      ? [
          finding('act', 'machine', {
            verdict: 'unknown',
            title: 'What a press does to this machine has not been said',
            caption: 'machine not told',
            remedy: {
              text: 'Say under “A press” what it does.',
            },
          }),
        ]
      : [];
  const presses = heardScript(job).filter((s) => s.do === 'press');
  const others = unheard(job);
  const followed = job.presses.find((p) => p.id === heardPress(job))?.name ?? 'one press';
  if (others.length > 0)
    out.push(
      finding('act', 'unheard', {
        verdict: 'unknown',
        title: `The run follows ${followed} alone: what ${others.join(' and ')} does to the machine is not told`,
        caption: 'other presses not run',
        remedy: { text: 'Try those presses at the machine itself, in Try.' },
      }),
    );
  if (presses.length === 0) {
    const first = job.presses[0]?.id;
    const seconds = Math.max(USUAL_PRESS_SECONDS, 2 * (shortestSeen ?? 0));
    return [
      ...out,
      finding('act', 'script', {
        verdict: 'unknown',
        title: 'The press script is empty',
        caption: 'no press yet',
        remedy: {
          text: 'One press of twice the shortest press that the machine obeys is a good beginning.',
          ...(first === undefined
            ? {}
            : {
                label: `Press for ${formatQuantity(seconds, 's')}`,
                edit: {
                  do: 'set',
                  at: 'act',
                  set: { script: [{ do: 'press', press: first, other: false, seconds }] },
                  say: `press for ${formatQuantity(seconds, 's')}`,
                },
              }),
        },
      }),
    ];
  }
  const shortest = presses.reduce((a, b) => (b.seconds < a.seconds ? b : a));
  out.push(
    ...lengthFindings(job, facts, shortest.seconds, Math.max(...presses.map((p) => p.seconds))),
    ...gapFinding(job),
  );
  const clean = oneRun(job, []);
  if (clean) {
    const seen = clean.seen.length;
    const caption = `${presses.length === 1 ? 'one press' : `${presses.length} presses`}, ${formatQuantity(shortest.seconds, 's')}`;
    out.push(
      summary('act', 'run', {
        verdict: seen === presses.length ? 'settled' : 'stop',
        title:
          seen > 0
            ? `Without faults the machine sees ${seen} of ${presses.length} presses ` +
              `and goes: ${clean.machine.map((s) => s.word).join(', ')}`
            : 'The machine sees no press at all',
        caption,
        source: ['simulation'],
      }),
    );
    out.push(missedPress(job));
  }
  return out;
}

function missedPress(job: Job): Finding {
  const trace = oneRun(job, [{ id: 'missed', kind: 'missed-press', atSeconds: 0, seconds: 0 }])!;
  const parted = trace.parted.reduce((s, p) => s + p.to - p.from, 0);
  const lasting = trace.parted.some((p) => p.to >= trace.end);
  const worst = trace.parted[trace.parted.length - 1];
  if (!worst)
    return finding('act', 'missed-press', {
      verdict: 'settled',
      title: 'One missed press changes nothing here',
      caption: 'missed press harmless',
      source: ['simulation'],
    });
  const text =
    `One missed press: the plan believes ${worst.believed} while the machine is ` +
    `${worst.true}${lasting ? ', and stays so' : ` for ${formatQuantity(parted, 's')}`}`;
  const grave =
    lasting && (job.wish.hazards.includes('moving-door') || job.act.machine.kind === 'open-stop-close-stop');
  // A contact in Sense helps only what looks at it, and neither this run nor the packed program does so far.
  const sensed = stateSense(job) !== undefined;
  return finding('act', 'missed-press', {
    verdict: grave ? 'stop' : lasting ? 'tight' : 'settled',
    title: sensed && lasting ? `${text}. The contact in Sense would show it, and nothing looks at it yet` : text,
    caption: 'a missed press',
    source: ['simulation', 'fault-rates'],
    remedy: lasting
      ? {
          text:
            'A contact at rest that the program looks at before it presses; write ' +
            'that look into the program, since the packed one has none.',
          ...(sensed
            ? {}
            : {
                label: 'Add one contact at rest',
                edit: restContact(job),
              }),
        }
      : null,
  });
}
