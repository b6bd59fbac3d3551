import {
  atMost,
  chosen,
  constant,
  derive,
  derivedLimit,
  finding,
  judged,
  type Finding,
  type Remedy,
  summary,
} from '../finding';
import type { Facts, SequenceRule } from '../facts';
import { knownMachine, type Job, type MachineModel, type ScriptStep } from '../job';
import { formatQuantity } from '../quantity';
import { scriptSeconds, simulate, type Trace } from './simulate';
import { USUAL_PRESS_SECONDS } from './watch';

/** The span that the lanes show: the script, the machine's own run and the pinned faults, with room after them. */
export function laneSeconds(job: Job, machine: MachineModel): number {
  const { script, faults } = job.act;
  const run = machine.kind === 'flips' ? 10 : machine.runSeconds;
  const lastFault = Math.max(0, ...faults.map((f) => f.atSeconds + f.seconds));
  return Math.max(scriptSeconds(script) + run * 1.25 + 1, lastFault + run * 1.25 + 1);
}

/** One run of the script, started at zero, with the faults pinned in Act; null while the machine is not known. */
export function oneRun(job: Job, faults = job.act.faults): Trace | null {
  const machine = knownMachine(job.act.machine);
  return machine && simulate({ machine, script: job.act.script, faults, starts: [0], end: laneSeconds(job, machine) });
}

/** What Act judges: the press's length, what the script does to the machine, and what one missed press leaves behind. */
export function actFindings(job: Job, facts: Facts): Finding[] {
  return [...scriptFindings(job, facts), ...(facts.press?.sequence ?? []).map(sequence)];
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
  const { script, machine } = job.act;
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
  const presses = script.filter((s) => s.do === 'press');
  if (presses.length === 0) {
    const seconds = Math.max(USUAL_PRESS_SECONDS, 2 * (shortestSeen ?? 0));
    return [
      ...out,
      finding('act', 'script', {
        verdict: 'unknown',
        title: 'The press script is empty',
        caption: 'no press yet',
        remedy: {
          text: 'One press of twice the shortest press that the machine obeys is a good beginning.',
          label: `Press for ${formatQuantity(seconds, 's')}`,
          edit: {
            do: 'set',
            at: 'act',
            set: { script: [{ do: 'press', seconds }] },
            say: `press for ${formatQuantity(seconds, 's')}`,
          },
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

/** The presses of the script against the shortest and the longest that the machine takes as meant. */
function lengthFindings(job: Job, facts: Facts, shortest: number, longest: number): Finding[] {
  const { script, machine } = job.act;
  const out: Finding[] = [];
  const longer = (seconds: number): Remedy => ({
    text: `Press for ${formatQuantity(seconds, 's')}.`,
    label: `Use ${formatQuantity(seconds, 's')}`,
    edit: {
      do: 'set',
      at: 'act',
      set: { script: script.map((s) => (s.do === 'press' ? { ...s, seconds: Math.max(s.seconds, seconds) } : s)) },
      say: `press for ${formatQuantity(seconds, 's')}`,
    },
  });
  if (machine.shortestPressSeconds === null)
    out.push(
      finding('act', 'press-length', {
        verdict: 'unknown',
        title: 'How short a press the machine still obeys is not known',
        caption: 'shortest press?',
        source: ['press-length'],
        remedy: {
          text: 'Press it by hand, ever shorter, until it no longer obeys; enter the shortest that it obeyed.',
        },
      }),
    );
  else {
    const wanted = derive('twice the shortest press that the machine obeys', 't_want', 'k * t_least', 's', [
      constant('k', 'margin', 2, '1', 'press-length'),
      chosen('t_least', 'shortest press that it obeys', machine.shortestPressSeconds, 's', 'machine, in Act'),
    ]);
    const length = derive('shortest press of the script', 't_press', 't', 's', [
      chosen('t', 'press', shortest, 's', 'press script', [0.001, 3600]),
    ]);
    out.push(
      judged('act', 'press-length', {
        title: 'Shortest press against twice what the machine obeys',
        caption: 'press length',
        steps: [length],
        limit: derivedLimit('at least', [wanted], 'twice the shortest press that it obeys'),
        tightShare: 'met',
        verdict:
          shortest < machine.shortestPressSeconds ? 'stop' : shortest < wanted.result.value ? 'tight' : 'settled',
        remedy: shortest >= wanted.result.value ? null : longer(wanted.result.value),
      }),
    );
  }
  const fact = facts.controls[job.thumb.control];
  const holds =
    fact !== undefined &&
    fact.leading === 'latching-switch' &&
    facts.press !== null &&
    facts.press.input === 'level' &&
    facts.press.outputs === 1;
  if (holds) {
    const run = machine.runSeconds;
    const held = run !== null && run > 0 && longest >= run;
    out.push(
      finding('act', 'hold', {
        verdict: held ? 'settled' : run === null ? 'unknown' : 'stop',
        title: held
          ? 'The switch stays down by itself; the contact is held as long as the machine must run'
          : 'This switch stays down by itself: a contact that closes for ' +
            `${formatQuantity(longest, 's')} runs the machine for ${formatQuantity(longest, 's')} ` +
            'and no longer',
        caption: held ? 'held for the run' : 'press must be held',
        source: ['press-length'],
        remedy: held
          ? null
          : {
              text: 'Hold the contact for as long as the machine must run, or push the switch itself with a finger.',
              ...(run ? { label: `Hold for ${formatQuantity(run, 's')}`, edit: longer(run).edit } : {}),
            },
      }),
    );
  }
  const most = derive('longest press of the script', 't_long', 't', 's', [
    chosen('t', 'press', longest, 's', 'press script', [0.001, 3600]),
  ]);
  if (machine.longestPressSeconds === null) {
    out.push(
      finding('act', 'press-longest', {
        verdict: 'unknown',
        title:
          'How long a press may last before the machine takes it for something else, or for a stuck button, is not known',
        caption: 'longest press?',
        source: ['press-longest'],
        remedy: {
          text: 'Hold it by hand for ten seconds and watch; enter the longest that did what a short one does.',
        },
      }),
    );
  } else {
    out.push(
      judged('act', 'press-longest', {
        title: 'Longest press against what the machine still takes for one',
        caption: 'longest press',
        steps: [most],
        limit: atMost(machine.longestPressSeconds, 's', 'longest press that it takes for one', {
          from: 'maker',
          what: 'machine, in Act',
        }),
        tightShare: 0.1,
        source: ['press-longest'],
      }),
    );
  }
  return out;
}

/** The script with a wait of at least `seconds` between any two presses. */
function spread(script: readonly ScriptStep[], seconds: number): ScriptStep[] {
  return script.flatMap((s, i): ScriptStep[] => {
    const [before, after] = [script[i - 1], script[i + 1]];
    if (s.do === 'wait')
      return [before?.do === 'press' && after?.do === 'press' ? { ...s, seconds: Math.max(s.seconds, seconds) } : s];
    return before?.do === 'press' ? [{ do: 'wait', seconds }, s] : [s];
  });
}

/** The shortest wait between two presses: a contact that is not open for long enough makes one press of two. */
function gapFinding(job: Job): Finding[] {
  const { script, machine } = job.act;
  const list = script.flatMap((s, i) => (s.do === 'press' ? [i] : []));
  const gaps = list.slice(1).map((at, n) => script.slice(list[n]! + 1, at).reduce((t, s) => t + s.seconds, 0));
  if (gaps.length === 0) return [];
  const least = Math.min(...gaps);
  const usual = Math.max(0.2, 2 * (machine.shortestPressSeconds ?? 0));
  const remedy: Remedy = {
    text: `Let go for ${formatQuantity(usual, 's')} between two presses.`,
    label: `Wait ${formatQuantity(usual, 's')}`,
    edit: {
      do: 'set',
      at: 'act',
      set: { script: spread(script, usual) },
      say: `wait ${formatQuantity(usual, 's')} between presses`,
    },
  };
  if (least === 0)
    return [
      finding('act', 'press-gap', {
        verdict: 'stop',
        title: 'Two presses without a wait between them are one long press',
        caption: 'no wait between',
        source: ['press-gap'],
        remedy,
      }),
    ];
  if (machine.shortestPressSeconds === null) return [];
  const wanted = derive('twice the shortest press that the machine obeys', 't_want', 'k * t_least', 's', [
    constant('k', 'margin', 2, '1', 'press-gap'),
    chosen('t_least', 'shortest press that it obeys', machine.shortestPressSeconds, 's', 'machine, in Act'),
  ]);
  const gap = derive('shortest wait between two presses', 't_gap', 't', 's', [
    chosen('t', 'wait', least, 's', 'press script', [0.001, 3600]),
  ]);
  const met = least >= wanted.result.value;
  return [
    judged('act', 'press-gap', {
      title: 'Wait between two presses against twice what the machine obeys',
      caption: 'wait between',
      steps: [gap],
      limit: derivedLimit('at least', [wanted], 'twice the shortest press that it obeys'),
      tightShare: 'met',
      source: ['press-gap'],
      verdict: least < machine.shortestPressSeconds ? 'stop' : met ? 'settled' : 'tight',
      remedy: met ? null : remedy,
    }),
  ];
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
  const sensed = job.sense.contact !== 'none';
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
                edit: {
                  do: 'set',
                  at: 'sense',
                  set: { contact: 'at-rest', restsClosed: true },
                  say: 'one contact at rest',
                },
              }),
        }
      : null,
  });
}
