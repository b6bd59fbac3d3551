import { firstItem, present } from '../../ground/lists';
import { PULL_DOWN_OHMS } from '../../engines/circuit';
import type { PressFact } from '../../ground/facts';
import { concerning, atMost, derive, finding, judged, summary, type Finding, type Remedy } from '../../ground/finding';
import { onlyListens, type BoardPin, type BoardProfile, type Job, type JobEdit } from '../../ground/job';
import { pinOf, type Line } from '../../build/lines';
import { panelFindings } from '../../build/panel';
import { formatQuantity } from '../../ground/quantity';
import { assignPins, costOf, type Assignment } from './assign';
import { pinFit } from './fit';
import { FORBIDDEN } from './matching';
import { moduleFindings } from './module';
import { boardSource, driveFact, pinAt, profileOf } from './profile';
import { pinList, proposalsFor } from './proposals';

/** How the finding of a line's pin is known: the first press by a name of its own, since its bead speaks of it. */
const idOf = (job: Job, line: Line): string => (line.id === job.presses[0]?.id ? 'press-pin' : `pin.${line.id}`);

/** What Board judges of one machine: every line on its pin, all of them together, and what stands at the controller. */
export function planFindings(job: Job, lines: readonly Line[], presses: readonly PressFact[]): Finding[] {
  const profile = profileOf(job);
  if (!profile)
    return [
      finding('board', 'profile', {
        verdict: 'stop',
        title: `No board profile is called ${job.board.profile}`,
        caption: 'unknown board',
        remedy: {
          text: 'Choose a controller.',
          label: 'Use the Wi-Fi module, 17 GPIO',
          edit: { do: 'set', at: 'board', set: { profile: 'wifi-17' }, say: 'controller: Wi-Fi module, 17 GPIO' },
        },
      }),
    ];
  const waits =
    presses.length === 0 && !onlyListens(job)
      ? [
          finding('board', 'waits', {
            verdict: 'unknown',
            title: 'Which pin is right depends on what it drives',
            caption: 'waits for Thumb',
            remedy: { text: 'Choose a way of pressing in Thumb.' },
          }),
        ]
      : [];
  const module = moduleFindings(job, profile);
  if (lines.length === 0)
    return [...waits, ...module, ...(onlyListens(job) && module.length === 0 ? [noLine(job)] : [])];
  // The assignment is worked out once and only where a line is without a pin or badly placed.
  let placed: Assignment | null = null;
  const placing = (): Assignment => (placed ??= assignPins(job, lines, profile));
  const open = lines.filter((l) => pinOf(job, l.id) === null);
  const out = [
    ...waits,
    ...module,
    ...lines.flatMap((line) => concerning({ line: line.id }, [lineFinding(job, line, lines, profile)])),
  ];
  const refused = open.length > 0 || clashes(job, lines).length > 0 ? placing() : null;
  if (lines.length > 1) out.unshift(allFinding(job, lines, refused));
  if (refused && !refused.ok) out.push(refusalFinding(job, lines, presses, profile, refused));
  const drive = driveFact(job);
  return [...out, ...currentFindings(job, lines, profile), ...panelFindings(job, drive)];
}

/** Nothing lies on a pin of what only listens: nothing yet, or all of it comes by message. */
const noLine = (job: Job): Finding =>
  finding('board', 'lines', {
    verdict: job.senses.length === 0 ? 'unknown' : 'settled',
    title: job.senses.length === 0 ? 'What is listened to is not said yet' : 'All that is listened to comes by message',
    caption: job.senses.length === 0 ? 'no sense yet' : 'no pin needed',
    source: ['maker'],
    remedy: job.senses.length === 0 ? { text: 'Add in Sense what is listened to.' } : null,
  });

/** Lines that share a pin. */
const clashes = (job: Job, lines: readonly Line[]): readonly (readonly Line[])[] =>
  [...new Set(job.board.pins.map((p) => p.gpio))]
    .map((gpio) => lines.filter((l) => pinOf(job, l.id) === gpio))
    .filter((list) => list.length > 1);

function lineFinding(job: Job, line: Line, lines: readonly Line[], profile: BoardProfile): Finding {
  const gpio = pinOf(job, line.id);
  const main = line.id === job.presses[0]?.id && lines.length === 1;
  const say = main ? summary : finding;
  const id = idOf(job, line);
  const source = [boardSource(job), ...(line.press ? (['weak-pulls', 'board-levels'] as const) : [])];
  if (gpio === null)
    return say('board', id, {
      verdict: 'unknown',
      title:
        line.of === 'press' && job.presses.length === 1 && line.id === firstItem(job.presses).id
          ? 'No pin chosen for the press'
          : `No pin chosen for ${line.name}`,
      caption: line.of === 'press' ? 'no pin yet' : `no ${line.name} pin`,
      source,
      remedy: pinRemedy(job, line, lines, profile),
    });
  const pin = pinAt(profile, gpio);
  if (!pin)
    return say('board', id, {
      verdict: 'stop',
      title: `The ${profile.name} has no pin ${gpio}, and ${line.name} is on it`,
      caption: `no pin ${gpio}`,
      source,
      remedy: pinRemedy(job, line, lines, profile),
    });
  const others = lines.filter((l) => l !== line && pinOf(job, l.id) === gpio);
  if (others.length > 0)
    return say('board', id, {
      verdict: 'stop',
      title: `Pin ${gpio} has two jobs: ${[line, ...others].map((l) => l.name).join(' and ')}`,
      caption: `pin ${gpio} twice`,
      source,
      remedy: pinRemedy(job, line, lines, profile),
    });
  const fit = pinFit(line, pin, job, profile);
  return say('board', id, {
    verdict: fit.verdict,
    title: fit.title,
    caption: fit.caption,
    source,
    remedy: fit.verdict === 'settled' ? null : pinRemedy(job, line, lines, profile),
  });
}

/** All lines together. */
function allFinding(job: Job, lines: readonly Line[], placing: Assignment | null): Finding {
  const open = lines.filter((l) => pinOf(job, l.id) === null);
  if (placing?.ok && open.length > 0)
    return summary('board', 'lines', {
      verdict: 'unknown',
      title: `${open.length} of ${lines.length} lines have no pin yet: ${open.map((l) => l.name).join(', ')}`,
      caption: `${open.length} without a pin`,
      source: [boardSource(job), 'pin-cost'],
      remedy: {
        text: 'All can be placed at once, each where it does least harm.',
        label: 'Place all lines',
        edit: {
          do: 'set',
          at: 'board',
          set: { pins: kept(job, lines, placing.pins) },
          say: placedWords(lines, placing.pins),
        },
      },
    });
  return summary('board', 'lines', {
    verdict: open.length > 0 ? 'unknown' : 'settled',
    title:
      open.length > 0
        ? `${open.length} of ${lines.length} lines have no pin, and not all can have one here`
        : `${lines.length} lines on ${new Set(lines.map((l) => pinOf(job, l.id))).size} pins`,
    caption: open.length > 0 ? `${open.length} without a pin` : `${lines.length} lines placed`,
    source: [boardSource(job)],
  });
}

/** The pins after placing; lines that the job does not have now keep what they had. */
const kept = (
  job: Job,
  lines: readonly Line[],
  pins: Job['board']['pins'] | readonly Job['board']['pins'][number][],
) => [...job.board.pins.filter((p) => !lines.some((l) => l.id === p.line)), ...pins];
const placedWords = (lines: readonly Line[], pins: readonly Job['board']['pins'][number][]): string =>
  `all lines placed: ${pins.map((p) => `${present(lines.find((l) => l.id === p.line)).name} ${p.gpio}`).join(', ')}`;

/** Why not all can be placed, and what would let them. */
function refusalFinding(
  job: Job,
  lines: readonly Line[],
  presses: readonly PressFact[],
  profile: BoardProfile,
  { refusal }: Extract<Assignment, { ok: false }>,
): Finding {
  const names = refusal.lines.map((l) => l.name);
  const [best, ...more] = proposalsFor(job, lines, presses, profile, refusal);
  const why =
    refusal.lines.length === 1
      ? `${names[0]} finds no pin on the ${profile.name}: ${whyNone(job, firstItem(refusal.lines), profile)}`
      : `${names.slice(0, -1).join(', ')} and ${names.at(-1)} have only ${pinList(refusal.pins)} between them on the ${profile.name}`;
  return finding('board', 'refused', {
    verdict: 'stop',
    title: why,
    caption: 'cannot all be placed',
    source: [boardSource(job), 'pin-cost'],
    remedy: best
      ? { ...best, text: more.length ? `${best.text} Or: ${more.map((p) => p.text).join(' Or: ')}` : best.text }
      : null,
  });
}

/** The reason that keeps a line from the most pins. */
function whyNone(job: Job, line: Line, profile: BoardProfile): string {
  const fixed = job.board.pins.find((p) => p.line === line.id && p.fixed);
  if (fixed) {
    const pin = pinAt(profile, fixed.gpio);
    return pin
      ? pinFit(line, pin, job, profile).title
      : `it is fixed on pin ${fixed.gpio}, which this board does not have`;
  }
  const reasons = profile.pins.filter((p) => p.can.length > 0).map((p) => pinFit(line, p, job, profile));
  const worst = reasons.filter((r) => r.against !== null);
  const most = [...new Set(worst.map((r) => r.against))]
    .map((a) => ({ a, n: worst.filter((r) => r.against === a).length }))
    .sort((x, y) => y.n - x.n)[0];
  const sample = worst.find((r) => r.against === most?.a);
  return sample ? `of ${present(most).n} of them, as of the first, “${sample.title}”` : 'no pin is left';
}

/** What mends one line: what its driver asks for first, else the stillest pin that is free. */
function pinRemedy(job: Job, line: Line, lines: readonly Line[], profile: BoardProfile): Remedy {
  const { press } = line;
  if (press?.jerks)
    return {
      text: 'Let the tip rest clear of the button by more than a jerk, or switch the servo’s supply on after the controller runs.',
      ...(pinOf(job, line.id) === null ? bestPin(job, line, lines, profile) : {}),
    };
  if (press && press.pressesOn === 'low' && line.pulledDown)
    return {
      text: 'A resistor to ground presses a driver that presses on low.',
      label: 'Take the resistor away',
      edit: { do: 'set', at: 'press', of: press.id, set: { pullDown: false }, say: 'no pull-down: the press is low' },
    };
  if (press?.deadRailCloses)
    return {
      text:
        'Take a module that presses on high, or feed the light side of its input ' +
        'from the controller’s 3.3 V: then it cannot pull itself in.',
    };
  const own = pinAt(profile, pinOf(job, line.id));
  const held: Line = { ...line, pulledDown: true };
  if (press && own && mayBeHeld(line) && pinFit(held, own, job, profile).verdict === 'settled')
    return {
      text: `A ${formatQuantity(PULL_DOWN_OHMS, 'Ω')} resistor from the pin to ground holds the driver off.`,
      label: 'Add the pull-down',
      edit: { do: 'set', at: 'press', of: press.id, set: { pullDown: true }, say: 'pull-down at the driver' },
    };
  return { ...bestPin(job, line, lines, profile) };
}

/** Whether a resistor to ground may be added to its pin: none is soldered into a bought switch. */
const mayBeHeld = (line: Line): boolean => line.acts && !line.pulledDown && line.press?.way !== 'module-contact';

/** The best pin for one line that no other lies on, with a pull-down where only that keeps it still. */
function bestPin(job: Job, line: Line, lines: readonly Line[], profile: BoardProfile): Remedy {
  const used = new Set(lines.filter((l) => l.id !== line.id).map((l) => pinOf(job, l.id)));
  const at = (asked: Line): FreePin | null => freePin(job, asked, profile, used);
  const plain = at(line);
  const { press } = line;
  const canHold = mayBeHeld(line) && press?.pressesOn === 'high';
  const withResistor = canHold && !plain?.still ? at({ ...line, pulledDown: true }) : null;
  if (press && withResistor?.still) return usePin(job, line, withResistor.pin, press.id);
  if (!plain) return { text: 'No free pin can do this; see what stands against it below.' };
  if (plain.pin.gpio === pinOf(job, line.id)) return { text: 'No free pin does better.' };
  return usePin(job, line, plain.pin, null);
}

interface FreePin {
  readonly pin: BoardPin;
  /** Whether the line is settled on it. */
  readonly still: boolean;
}

/** The cheapest pin that no other line lies on; null where none can do it. */
function freePin(job: Job, line: Line, profile: BoardProfile, used: ReadonlySet<number | null>): FreePin | null {
  const [best] = profile.pins
    .filter((pin) => !used.has(pin.gpio))
    .map((pin) => ({ pin, fit: pinFit(line, pin, job, profile) }))
    .map((x) => ({ ...x, cost: costOf(line, x.pin, x.fit) }))
    .filter((x) => x.cost !== FORBIDDEN)
    .sort((a, b) => a.cost - b.cost);
  return best ? { pin: best.pin, still: best.fit.verdict === 'settled' } : null;
}

/** The line moves to a pin, and its press gets a pull-down where it is named. */
function usePin(job: Job, line: Line, { gpio, nature }: BoardPin, pulledDown: string | null): Remedy {
  const put: JobEdit = {
    do: 'put',
    list: 'board.pins',
    item: { line: line.id, gpio, fixed: false },
    say: `${line.of === 'press' && job.presses.length === 1 ? 'press' : line.name} on pin ${gpio}`,
  };
  const label = `Use pin ${gpio}`;
  if (pulledDown === null) return { text: `Pin ${gpio} ${nature}.`, label, edit: put };
  return {
    text: `Pin ${gpio} ${nature}, with a pull-down at the driver.`,
    label,
    edit: {
      do: 'several',
      edits: [{ do: 'set', at: 'press', of: pulledDown, set: { pullDown: true } }, put],
      say: `${put.say}, with a pull-down`,
    },
  };
}

/** All outputs on at once against what the pins give together, where the board says. */
function currentFindings(job: Job, lines: readonly Line[], profile: BoardProfile): Finding[] {
  const outs = lines.filter((l) => l.direction === 'out' && l.amps > 0);
  if (profile.allPinsAmps === null || outs.length === 0) return [];
  const inputs = outs.map((l, i) => ({
    symbol: `I_${i + 1}`,
    name: l.name,
    value: l.amps,
    unit: 'A' as const,
    origin: { from: 'computed' as const, what: 'worked out where it is planned' },
  }));
  const sum = derive('all outputs on at once', 'I_all', inputs.map((i) => i.symbol).join(' + '), 'A', inputs);
  return [
    judged('board', 'all-pins', {
      title: 'Current of all pins together',
      caption: 'all pins together',
      steps: [sum],
      limit: atMost(profile.allPinsAmps, 'A', `all pins of the ${profile.name}`, {
        from: 'source',
        key: boardSource(job),
      }),
      tightShare: 0.1,
      remedy: { text: 'Let transistors or a driver switch the larger of them, or take a board that gives more.' },
    }),
  ];
}
