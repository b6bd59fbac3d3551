import { oneShot } from '../../engines/electrics';
import { atMost, derivedLimit, finding, judged, type Finding } from '../../ground/finding';
import { forPress, type Facts, type PressFact } from '../../ground/facts';
import { longestPress, pressedBy, tickedAt, type Hazard, type Job, type MachinePart } from '../../ground/job';
import { formatQuantity } from '../../ground/quantity';
import { feedsATimer } from '../../build/ways';
import { tickEdit } from './gates';
import { hazardsOf } from './hazards';
import { timerFindings } from './end-timer';

/** Resistors over this time a monostable no more, Ω: leakage does (`one-shot`). */
const MOST_OHMS = 10e6;

/** The watchdog of the packed MicroPython program, s. */
const PACKED_WATCHDOG = 8;
const WATCHDOG_STEP = 'watchdog';
/** A watchdog that runs rely on counts once it was tried; the packed program in MicroPython has one of its own. */
function watchdogFinding(job: Job): Finding[] {
  const { watchdogSeconds } = job.guard;
  if (watchdogSeconds === null) return [];
  const at = tickedAt(job, WATCHDOG_STEP);
  const what = `Made to hang, the program was restarted within ${formatQuantity(watchdogSeconds, 's')}`;
  const early = watchdogSeconds < PACKED_WATCHDOG;
  const own = `; the packed MicroPython is restarted after ${PACKED_WATCHDOG} s`;
  return [
    finding('guard', WATCHDOG_STEP, {
      verdict: !at ? 'unknown' : early ? 'tight' : 'settled',
      title: `${at ? what : 'Runs rely on a watchdog that nobody has tried'}${early ? own : ''}`,
      caption: at ? 'watchdog tried' : 'watchdog tried?',
      source: ['watchdog'],
      remedy: at
        ? null
        : {
            text: 'Have the program hang on purpose while an output is on, and time how long that stays on.',
            label: 'It was tried',
            edit: tickEdit(WATCHDOG_STEP, what),
          },
    }),
  ];
}

/** Whether a press ends though the controller does not: asked for where something is at stake that a lasting press brings about. */
export function pressEndFindings(job: Job, facts: Facts): Finding[] {
  return [
    ...facts.presses.flatMap((press, i) => forPress(press, i, facts.presses.length, pressEnd(job, facts, press))),
    ...watchdogFinding(job),
  ];
}

/** Hazards for which something beside the program must end a press. */
const LASTING: readonly Hazard[] = ['unattended-heat', 'moving-door', 'pressure', 'gas', 'water', 'pinch', 'medical'];

function pressEnd(job: Job, facts: Facts, press: PressFact): Finding[] {
  const hurts = hazardsOf(job, facts).some((h) => LASTING.includes(h));
  const plan = job.presses.find((p) => p.id === press.id);
  if (hurts && press.way === 'switched-supply' && plan?.supply.atRest === 'closed') return [fedAtRest(press.id)];
  const longest = longestPress(job, press.id);
  if (longest === 0) return [];
  const single = isSingle(press);
  const ended = endedBy(job, facts, press, longest);
  if (ended) return job.guard.cutOff !== 'own-end' && hurts ? [...ended, firesAgain(job)] : ended;
  if (hurts) return single ? [nothingEnds(job.guard.cutOff)] : [nothingCutsOff(job, press)];
  return [job.wish.hazardsReviewed ? programEnds(isPacked(press)) : NOT_ASKED];
}

/** What ends a press beside the program, as it was chosen; null where nothing was chosen that ends this one. */
function endedBy(job: Job, facts: Facts, press: PressFact, longest: number): Finding[] | null {
  switch (job.guard.cutOff) {
    case 'one-shot':
      return isSingle(press) ? [...oneShotFindings(longest), ...hungShort(job, press, longest)] : null;
    case 'timer-relay':
      return feedsATimer(press) ? timerFindings(job, facts, press, longest) : null;
    case 'own-end':
      return [ownEnd(job, press)];
    case 'none':
      return null;
  }
}

/** Whether one level presses, so that a monostable may stand before its driver: nothing goes into a bought switch. */
const isSingle = (p: PressFact): boolean => p.outputs === 1 && p.input === 'level' && p.way !== 'module-contact';
/** Whether the packed program drives all of it. */
const isPacked = (p: PressFact): boolean => isSingle(p) || p.jerks || p.way === 'module-contact';

/** A contact that is closed at rest: a controller that is dead, or a monostable that ends a press, feeds the machine. */
const fedAtRest = (press: string): Finding =>
  finding('guard', 'press-end', {
    verdict: 'stop',
    title:
      'The contact is closed at rest: a dead or hung controller leaves the machine fed, and no monostable ends that',
    caption: 'fed at rest',
    source: ['press-longest', 'contact-meaning'],
    remedy: {
      text: 'Take the contact that is open at rest: then a dead controller leaves the machine off.',
      label: 'Open at rest',
      edit: { do: 'set', at: 'press.supply', of: press, set: { atRest: 'open' }, say: 'the contact is open at rest' },
    },
  });

function oneShotFindings(longest: number): Finding[] {
  const parts = oneShot(longest);
  if (parts.ohms > MOST_OHMS)
    return [
      finding('guard', 'press-end', {
        verdict: 'stop',
        title: `A press of ${formatQuantity(longest, 's')} is too long for a monostable`,
        caption: 'press too long',
        source: ['one-shot'],
        remedy: {
          text: 'Press for a short time and let the machine end it by itself, where it has an end of its own: that can be chosen above.',
        },
      }),
    ];
  return [
    judged('guard', 'press-end', {
      title:
        `A monostable of ${formatQuantity(parts.ohms, 'Ω')} and ` +
        `${formatQuantity(parts.farads, 'F')} ends a press, whatever the controller does, ` +
        'no later than',
      caption: 'press ends itself',
      steps: [parts.longest],
      limit: derivedLimit('at most', [parts.allowed], 'twice the longest press of the script'),
      tightShare: 'met',
      source: ['one-shot', 'press-longest'],
    }),
    judged('guard', 'press-whole', {
      title: 'It cuts no press of the script short',
      caption: 'press not cut',
      steps: [parts.shortest],
      limit: {
        sense: 'at least',
        value: longest,
        unit: 's',
        name: 'longest press of the script',
        origin: { from: 'maker', what: 'press script, in Act' },
      },
      tightShare: 0.02,
      source: ['one-shot'],
    }),
  ];
}

/**
 * One monostable holds every press of its line, the short ones as well: a controller that hangs in a short press holds it as long as the
 * longest.
 */
function hungShort(job: Job, press: PressFact, longest: number): Finding[] {
  const most = job.act.parts.flatMap((p) =>
    p.longestPressSeconds !== null && reaches(job, p, press.id) ? [p.longestPressSeconds] : [],
  );
  const short = job.act.moves
    .flatMap((m) => m.steps)
    .some((s) => pressedBy(s).includes(press.id) && s.seconds < longest);
  const parts = oneShot(longest);
  if (most.length === 0 || !short || parts.longest.result.value <= Math.min(...most)) return [];
  return [
    judged('guard', 'press-hung', {
      title: 'A short press that hangs lasts as long as the monostable holds, against what the machine takes for one',
      caption: 'hung short press',
      steps: [parts.longest],
      limit: atMost(Math.min(...most), 's', 'longest press that it takes for one', {
        from: 'maker',
        what: 'machine, in Act',
      }),
      verdict: 'tight',
      source: ['one-shot', 'press-longest'],
      remedy: { text: 'Make the long press by a press of its own with its own monostable, or by several short ones.' },
    }),
  ];
}
const reaches = (job: Job, part: MachinePart, press: string): boolean =>
  part.heeds.length > 0 ? part.heeds.some((h) => h.press === press) : job.act.parts[0] === part;

/** What the tick of a loop that was tried is called. */
const AGAIN_STEP = 'press-again';
/**
 * What ends each press begins another: a monostable at each edge, a timer relay each time it is fed. A controller that starts again and
 * again presses again and again.
 */
function firesAgain(job: Job): Finding {
  const timed = job.guard.cutOff === 'timer-relay';
  const at = tickedAt(job, AGAIN_STEP);
  const what = 'Tried with the controller restarting in a loop: the machine takes no harm from a press at each start';
  return finding('guard', AGAIN_STEP, {
    verdict: at ? 'settled' : 'tight',
    title: at
      ? what
      : timed
        ? 'The timer relay begins anew each time it is fed: a controller that restarts in a loop, or power that comes ' +
          'and goes behind a contact that is welded, presses again and again'
        : 'The monostable ends each press, and each edge begins another: a controller that restarts in a loop, ' +
          'or toggles, presses again and again',
    caption: at ? 'loop tried' : 'fires at each edge',
    source: [timed ? 'timer-relay' : 'one-shot', 'press-longest'],
    remedy: at
      ? null
      : {
          text:
            'Hold the controller in a restart loop, and count what the machine does' +
            (timed ? '.' : '; or let a second monostable lock the first for as long as the machine needs.'),
          label: 'It was tried',
          edit: tickEdit(AGAIN_STEP, what),
        },
  });
}

const NOT_ASKED = finding('guard', 'press-end', {
  verdict: 'unknown',
  title: 'Whether a press that does not end can hurt was not asked yet',
  caption: 'hazards not asked',
  source: ['press-longest'],
  remedy: { text: 'Tick the hazards in Wish, or that there are none.' },
});

const programEnds = (packed: boolean): Finding =>
  finding('guard', 'press-end', {
    verdict: packed ? 'settled' : 'tight',
    caption: packed ? 'program ends it' : 'own program ends it',
    source: ['press-longest'],
    title: packed
      ? 'The packed program ends each press, late or not, and asks in its header for a ' +
        'watchdog; nothing was named that a press without an end would hurt'
      : 'No program is packed that drives all of this way: your own must end each press, with a watchdog behind it',
    remedy: packed ? null : { text: 'Try it with the program stopped in mid-press.' },
  });

/** @param asked what was chosen to end a press, and does not end this one. */
const nothingEnds = (asked: Job['guard']['cutOff']): Finding =>
  finding('guard', 'press-end', {
    verdict: 'stop',
    caption: 'press may last',
    source: ['press-longest'],
    title:
      (asked === 'timer-relay' ? 'A timer relay ends no press here: the signal of a button feeds none. ' : '') +
      'Nothing but the program ends a press: a controller that hangs would hold it',
    remedy: {
      text: 'A monostable between pin and driver ends every press by itself.',
      label: 'Add a one-shot',
      edit: { do: 'set', at: 'guard', set: { cutOff: 'one-shot' }, say: 'a one-shot ends each press' },
    },
  });

/** What the tick of a press that ended though the program had stopped is called. */
const HUNG_STEP = 'press-hung-tried';
/**
 * The machine's own end: a thermostat, an end switch, a run of its own. It counts once it was tried with the program stopped in mid-press,
 * and for settled where what Act was told of the machine bears it out.
 */
function ownEnd(job: Job, press: PressFact): Finding {
  const tried = tickedAt(job, HUNG_STEP) !== undefined;
  const told = pressedMachine(job, press);
  const { verdict, title } = OWN_END[told];
  return finding('guard', 'press-end', {
    verdict: tried || verdict === 'stop' ? verdict : 'unknown',
    caption: tried ? 'its own end, tried' : 'its own end?',
    source: ['press-longest'],
    title:
      tried || verdict === 'stop' ? title : 'That the machine ends it by itself was not tried with the program stopped',
    remedy:
      verdict === 'stop'
        ? { text: 'Act says that it goes on for as long as it is pressed: mend that there, or take another end.' }
        : tried
          ? null
          : {
              text:
                'Stop the program in mid-press, wait for longer than the longest press, and see that the machine ends it ' +
                'before harm is done.',
              label: 'It was tried',
              edit: tickEdit(HUNG_STEP, HUNG),
            },
  });
}

/** Machines that go on for as long as they are pressed. */
const WHILE_PRESSED: readonly MachinePart['kind'][] = ['while-held', 'travels-while-held'];
/**
 * A way that no monostable cuts off, since it takes more than one level: a finger stays down, a motor runs on. What is hurt by it goes on
 * for as long, where the machine runs while it is pressed; whether it does nobody knows before Act was told.
 */
function nothingCutsOff(job: Job, press: PressFact): Finding {
  const tried = tickedAt(job, HUNG_STEP) !== undefined;
  const { verdict, title } = tried ? TRIED_HUNG : UNCUT[pressedMachine(job, press)];
  return finding('guard', 'press-end', {
    verdict,
    caption: tried ? 'tried hung' : 'press may last',
    source: ['press-longest'],
    title,
    remedy: tried
      ? null
      : {
          text:
            'End switches and cut-outs of the machine, or a timer relay before the drivers’ supply, must end it: ' +
            'stop the program in mid-press and see that they do.',
          label: 'It was tried',
          edit: tickEdit(HUNG_STEP, HUNG),
        },
  });
}
/** Whether the parts that a press reaches go on for as long as it lasts. */
function pressedMachine(job: Job, press: PressFact): keyof typeof UNCUT {
  const kinds = job.act.parts.filter((p) => reaches(job, p, press.id)).map((p) => p.kind);
  if (kinds.some((k) => WHILE_PRESSED.includes(k))) return 'goes-on';
  return kinds.length === 0 || kinds.includes('unknown') ? 'not-said' : 'ends-itself';
}
const HUNG = 'Tried with the program stopped in mid-press: something beside the program ends it before harm is done';
const TRIED_HUNG = { verdict: 'tight', title: `${HUNG}. No part of the plan shows what` } as const;
const OWN_END = {
  'goes-on': {
    verdict: 'stop',
    title: 'The machine goes on for as long as it is pressed, as Act was told: it has no end of its own',
  },
  'not-said': {
    verdict: 'tight',
    title:
      'Tried with the program stopped: the machine ends it by itself; what it is told to do in Act does not show it',
  },
  'ends-itself': {
    verdict: 'settled',
    title: 'Tried with the program stopped: the machine ends it by itself, as Act was told',
  },
} as const;
const ONLY_PROGRAM = 'Nothing but the program ends a press';
const UNCUT = {
  'goes-on': {
    verdict: 'stop',
    title: `${ONLY_PROGRAM}, no monostable cuts this way off, and the machine goes on for as long as it lasts`,
  },
  'not-said': {
    verdict: 'unknown',
    title: `${ONLY_PROGRAM}, no monostable cuts this way off, and whether the machine goes on meanwhile is not said in Act`,
  },
  'ends-itself': {
    verdict: 'tight',
    title: `${ONLY_PROGRAM}, and this way takes more than one level to be cut off by a part`,
  },
} as const;
