import { firstItem, present } from '../../ground/lists';
import type { Remedy } from '../../ground/finding';
import type { PressFact } from '../../ground/facts';
import type { BoardPin, BoardProfile, Job, JobEdit, PinChoice } from '../../ground/job';
import { linesOf, type Line } from '../../build/lines';
import { partsOf, takenPart, valueOf } from '../../engines/parts';
import { assignPins, type Refusal } from './assign';
import { boardsOf } from './profile';

/** One thing that would let all lines be placed, tried out; null edit for what only the bench can do. */
export interface Proposal extends Remedy {
  readonly text: string;
}

const place = (pins: readonly PinChoice[]): JobEdit => ({ do: 'set', at: 'board', set: { pins: [...pins] } });
const names = (list: readonly { readonly name: string }[]): string => list.map((x) => x.name).join(', ');

/**
 * What would let all lines of a job be placed on its board, each tried out: letting go of what is fixed, a resistor, the other
 * level, a divider, another board.
 */
export function proposalsFor(
  job: Job,
  lines: readonly Line[],
  presses: readonly PressFact[],
  profile: BoardProfile,
  refusal: Refusal,
): readonly Proposal[] {
  const concerned = new Set(refusal.lines.map((l) => l.id));
  const out = [
    ...unfixed(job, lines, profile, concerned),
    ...pulledDown(job, presses, profile, concerned),
    ...otherLevel(job, presses, profile, concerned),
    ...divided(job, presses, profile, concerned),
    ...otherBoards(job, lines, profile),
  ];
  return out.length > 0
    ? out
    : [
        {
          text:
            `An expander on two pins gives the slower of these lines (${names(refusal.lines)}) pins of its own; ` +
            'or do with fewer lines, or take a second controller.',
        },
      ];
}

/** Whether all lines of a changed job can be placed; the edits with the placing, or null. */
function tried(
  job: Job,
  presses: readonly PressFact[],
  profile: BoardProfile,
  edits: readonly JobEdit[],
  say: string,
): JobEdit | null {
  const done = assignPins(job, linesOf(job, presses), profile);
  return done.ok ? { do: 'several', edits: [...edits, place(done.pins)], say } : null;
}

function unfixed(job: Job, lines: readonly Line[], profile: BoardProfile, concerned: ReadonlySet<string>): Proposal[] {
  return job.board.pins
    .filter((p) => p.fixed && concerned.has(p.line))
    .flatMap((p): Proposal[] => {
      const name = present(lines.find((l) => l.id === p.line)).name;
      const pins = job.board.pins.map((x) => (x === p ? { ...x, fixed: false } : x));
      const freed: Job = { ...job, board: { ...job.board, pins } };
      const done = assignPins(freed, lines, profile);
      if (!done.ok) return [];
      const gpio = present(done.pins.find((x) => x.line === p.line)).gpio;
      return [
        {
          text: `Let ${name} go from pin ${p.gpio}: on pin ${gpio} all can be placed.`,
          label: `${name} on pin ${gpio}`,
          edit: { do: 'several', edits: [place(done.pins)], say: `${name} moved from pin ${p.gpio} to pin ${gpio}` },
        },
      ];
    });
}

function pulledDown(
  job: Job,
  presses: readonly PressFact[],
  profile: BoardProfile,
  concerned: ReadonlySet<string>,
): Proposal[] {
  const open = presses.filter(
    (p) =>
      !p.pullDown && p.way !== 'module-contact' && p.pressesOn === 'high' && p.input === 'level' && concerned.has(p.id),
  );
  if (open.length === 0) return [];
  const edits = open.map((p): JobEdit => ({ do: 'set', at: 'press', of: p.id, set: { pullDown: true } }));
  const ids = new Set(open.map((p) => p.id));
  const after: Job = { ...job, presses: job.presses.map((p) => (ids.has(p.id) ? { ...p, pullDown: true } : p)) };
  const edit = tried(
    after,
    presses.map((p) => (ids.has(p.id) ? { ...p, pullDown: true } : p)),
    profile,
    edits,
    `a resistor to ground at ${names(open)}, and all lines placed`,
  );
  return edit
    ? [
        {
          text: `A resistor from the pin to ground holds ${names(open)} off while the controller starts: then all can be placed.`,
          label: 'Add the pull-down and place all',
          edit,
        },
      ]
    : [];
}

/** A module that presses on the other level, where such a one ships or is the maker's own. */
function otherLevel(
  job: Job,
  presses: readonly PressFact[],
  profile: BoardProfile,
  concerned: ReadonlySet<string>,
): Proposal[] {
  const modules = presses.filter((p) => p.way === 'relay-module' && concerned.has(p.id));
  if (modules.length === 0) return [];
  const now = takenPart(job, 'relay-module');
  const other = partsOf(job, 'relay-module').find((p) => valueOf(p, 'onLow') !== valueOf(now, 'onLow'));
  if (!other) return [];
  const high = valueOf(other, 'onLow') === 0;
  const edit = tried(
    job,
    presses.map((p) =>
      p.way === 'relay-module'
        ? {
            ...p,
            pressesOn: high ? 'high' : 'low',
            deadRailCloses: !high,
            turnOnVolts: high ? valueOf(other, 'dropVolts') : 0,
            turnOnAmps: high ? valueOf(other, 'onAmps') * 0.8 : 0,
          }
        : p,
    ),
    profile,
    [{ do: 'set', at: 'bench', set: { picks: { ...job.bench.picks, 'relay-module': other.id } } }],
    `part: ${other.name}, and all lines placed`,
  );
  return edit
    ? [
        {
          text: `${other.name} presses on the other level: then all can be placed.`,
          label: `Take ${other.name} and place all`,
          edit,
        },
      ]
    : [];
}

function divided(
  job: Job,
  presses: readonly PressFact[],
  profile: BoardProfile,
  concerned: ReadonlySet<string>,
): Proposal[] {
  const high = job.senses.filter(
    (sense) =>
      concerned.has(sense.id) &&
      sense.joint === 'direct' &&
      sense.highVolts !== null &&
      sense.highVolts > profile.volts,
  );
  if (high.length === 0) return [];
  const after: Job = {
    ...job,
    senses: job.senses.map((s) => (high.includes(s) ? { ...s, joint: 'divider' as const } : s)),
  };
  const edit = tried(
    after,
    presses,
    profile,
    high.map((s): JobEdit => ({ do: 'put', list: 'senses', item: { ...s, joint: 'divider' } })),
    `a divider at ${names(high)}, and all lines placed`,
  );
  return edit
    ? [
        {
          text: `A divider brings ${names(high)} down to what the pins bear: then all can be placed.`,
          label: 'Add the divider and place all',
          edit,
        },
      ]
    : [];
}

function otherBoards(job: Job, lines: readonly Line[], profile: BoardProfile): Proposal[] {
  for (const other of boardsOf(job)) {
    if (other.key === profile.key) continue;
    const freed: Job = { ...job, board: { ...job.board, profile: other.key, pins: [] } };
    const done = assignPins(freed, lines, other);
    if (!done.ok) continue;
    return [
      {
        text: `On the ${other.name} all ${lines.length} lines can be placed; Thumb judges the parts anew for its pins.`,
        label: `Take the ${other.name}`,
        edit: {
          do: 'several',
          edits: [{ do: 'set', at: 'board', set: { profile: other.key, pins: [...done.pins] } }],
          say: `controller: ${other.name}, all lines placed`,
        },
      },
    ];
  }
  return [];
}

/** The pins that a refusal leaves, in words. */
export const pinList = (pins: readonly BoardPin[]): string =>
  pins.length === 0
    ? 'no pin'
    : pins.length === 1
      ? `pin ${firstItem(pins).gpio}`
      : `pins ${pins.map((p) => p.gpio).join(', ')}`;
