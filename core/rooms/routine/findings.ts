import { firstItem } from '../../ground/lists';
import { finding, type Finding, summary, type Remedy } from '../../ground/finding';
import {
  acts,
  freeId,
  isTimed,
  freshHand,
  type Job,
  type Sentence,
  machineOf,
  looksFirst,
  onlyListens,
  sayAt,
} from '../../ground/job';
import { pinOf } from '../../build/lines';
import { ruleEdit } from '../../build/rules';
import { clashFindings, isSameTime } from './clashes';
import { amountFindings } from './amounts';
import { calendarOf, clockChangeFirings } from './firings';
import { harmFindings } from './harm';
import { ruleLimitFindings, ruleModeFindings } from './limits';
import { loopFindings } from './loops';
import { lackFindings } from './rule-lacks';
import { namesIn, sayDays, saySentence } from './words';

/** The arm switch that sentences ask for, or the pin that it waits for. */
function armRemedy(job: Job): Remedy {
  if (job.hands.some((h) => h.kind === 'arm')) return { text: 'Give it a pin in Board.' };
  const item = { ...freshHand(freeId(job, 'arm'), 'arm switch'), kind: 'arm' as const, latching: true };
  return {
    text: 'Add one at the controller; Board gives it a pin.',
    label: 'Add an arm switch',
    edit: { do: 'put', list: 'hands', item, say: 'an arm switch at the controller' },
  };
}

const SAY_WHEN: Remedy = { text: 'Say at which time, on which days.' };
/** What the answer to “when” in Wish reads as. */
function fromWish(job: Job): Remedy {
  // A finding is worked out again and again: its sentences are called after their place and not by chance.
  let n = 0;
  const rule = ruleEdit(job, () => freeId(job, `sentence-${++n}`));
  return rule ? { text: `Wish says: ${rule.words}.`, label: 'Make it a rule', edit: rule.edit } : SAY_WHEN;
}

/** What Routine judges: whether it ever acts, whether arming can be read, and what the clock changes do within a year. */
export function routineFindings(job: Job): Finding[] {
  return [...rulesFindings(job), ...loopFindings(job), ...amountFindings(job)];
}

function rulesFindings(job: Job): Finding[] {
  const { sentences } = job.routine;
  const acting = sentences.filter(acts);
  if (acting.length === 0 && sentences.length === 0 && onlyListens(job))
    return [
      finding('routine', 'none', {
        verdict: 'settled',
        title: 'It listens all the time and does nothing at a clock time',
        caption: 'listens always',
        source: ['maker'],
      }),
    ];
  if (acting.length === 0)
    return [
      finding('routine', 'none', {
        verdict: 'unknown',
        title: sentences.length ? 'No day is chosen, so it never acts' : 'It does not act by itself yet',
        caption: 'nothing planned',
        remedy: sentences.length > 0 ? SAY_WHEN : fromWish(job),
      }),
    ];
  return [
    summary('routine', 'plan', {
      verdict: 'settled',
      title: acting.map((s) => saySentence(s, namesIn(job))).join(' '),
      caption: planCaption(job, firstItem(acting)),
      source: ['iana-tz', 'maker'],
    }),
    ...[
      noDayFinding(sentences),
      armedFinding(job, acting),
      twiceFinding(acting),
      unarmedFinding(job, acting),
      rearmFinding(job, acting),
      blindFinding(job, acting),
      clockFinding(job, acting),
    ].filter((f) => f !== null),
    ...lackFindings(job),
    ...clashFindings(job),
    ...harmFindings(job),
    ...ruleModeFindings(job),
    ...ruleLimitFindings(job),
  ];
}

/** The first rule on its bead. */
const planCaption = (job: Job, s: Sentence): string =>
  s.when === 'clock' ? `${sayDays(s.days)} ${sayAt(s)}` : sayAt(s, namesIn(job));

/** A sentence of which no day is chosen, beside others that act. */
function noDayFinding(sentences: readonly Sentence[]): Finding | null {
  const idle = sentences.find((s) => !acts(s));
  return idle
    ? finding('routine', 'no-day', {
        verdict: 'tight',
        title: `No day is chosen for the sentence at ${sayAt(idle)}: it never acts`,
        caption: 'sentence without a day',
        remedy: { text: 'Choose its days, or take it away.' },
      })
    : null;
}

function armedFinding(job: Job, acting: readonly Sentence[]): Finding | null {
  if (!acting.some((s) => s.ifArmed) || job.hands.some((h) => h.kind === 'arm' && pinOf(job, h.id) !== null))
    return null;
  return finding('routine', 'armed', {
    verdict: 'tight',
    title: '"If armed" needs a switch that the controller can read; no pin is chosen for it',
    caption: 'arming has no pin',
    remedy: armRemedy(job),
  });
}

function twiceFinding(acting: readonly Sentence[]): Finding | null {
  const begins = (s: Sentence): boolean => s.does === 'move';
  const twice = acting.find(
    (s, i) =>
      isTimed(s) &&
      begins(s) &&
      acting
        .slice(i + 1)
        .some((t) => isTimed(t) && begins(t) && isSameTime(s, t) && t.days.some((d) => s.days.includes(d))),
  );
  if (!twice) return null;
  return finding('routine', 'twice', {
    verdict: 'tight',
    title: `At ${sayAt(twice)} two sentences press on the same day: the second press follows the first at once`,
    caption: 'presses twice',
    source: ['press-gap'],
    remedy: { text: 'Take one of them away, or give it another day.' },
  });
}

function unarmedFinding(job: Job, acting: readonly Sentence[]): Finding | null {
  if (acting.every((s) => s.ifArmed || s.does !== 'move') || !job.wish.hazards.includes('unattended-heat')) return null;
  const sentences = job.routine.sentences.map((s) => ({ ...s, ifArmed: s.ifArmed || s.does === 'move' }));
  return finding('routine', 'unarmed', {
    verdict: 'tight',
    title: 'It would heat on days when nobody filled it',
    caption: 'heats unarmed',
    source: ['cautions'],
    remedy: {
      text: 'Arm it by hand after filling.',
      label: 'Only if armed',
      edit: { do: 'set', at: 'routine', set: { sentences }, say: 'only if armed' },
    },
  });
}

/** One arming that lets any number of starts go: the second one heats what nobody filled again. */
function rearmFinding(job: Job, acting: readonly Sentence[]): Finding | null {
  const arm = job.hands.find((h) => h.kind === 'arm');
  if (!arm || arm.startsPerArming !== null || !job.wish.hazards.includes('unattended-heat')) return null;
  if (!acting.some((s) => s.ifArmed)) return null;
  return finding('routine', 'rearm', {
    verdict: 'tight',
    title: `${arm.name} arms for any number of starts: what was left armed heats again on the next day, filled or not`,
    caption: 'arms for ever',
    source: ['cautions'],
    remedy: {
      text: 'Let one arming be good for one start: somebody fills and arms it each time.',
      label: 'One start for one arming',
      edit: {
        do: 'put',
        list: 'hands',
        item: { ...arm, startsPerArming: 1 },
        say: `${arm.name}: one start for one arming`,
      },
    },
  });
}

/** Whether what it does at a time of day depends on what the machine is doing then. */
function blindFinding(job: Job, acting: readonly Sentence[]): Finding | null {
  const moveOf = (s: Sentence) => job.act.moves.find((m) => m.id === s.move) ?? job.act.moves[0];
  const timed = acting.filter((s) => s.does === 'move');
  if (timed.length === 0) return null;
  const blind = timed.find((s) => {
    const move = moveOf(s);
    return !move || !looksFirst(move);
  });
  if (!blind)
    return finding('routine', 'blind', {
      verdict: 'settled',
      title: 'It looks before it presses, whatever the machine is doing at that time',
      caption: 'looks first',
      source: ['contact-meaning'],
    });
  switch (machineOf(job).kind) {
    case 'open-stop-close-stop':
      // One button that opens and closes does whichever comes next: a time of day does not tell which.
      return pressesBlindly(sayAt(blind, namesIn(job)), {
        verdict: 'stop',
        does: 'what is closed already is opened',
        caption: 'opens what is closed',
      });
    case 'flips':
      return pressesBlindly(sayAt(blind, namesIn(job)), {
        verdict: 'tight',
        does: 'what is on already is switched off',
        caption: 'may switch it off',
      });
    case 'unknown':
      return finding('routine', 'blind', {
        verdict: 'unknown',
        title: 'Whether a press at that time does what is meant depends on the machine, and Act does not know it yet',
        caption: 'machine not told',
        remedy: { text: 'Say in Act what a press does to this machine.' },
      });
    default:
      return null;
  }
}

const pressesBlindly = (at: string, of: { verdict: 'stop' | 'tight'; does: string; caption: string }): Finding =>
  finding('routine', 'blind', {
    verdict: of.verdict,
    title: `At ${at} it presses whatever the machine is doing: ${of.does}`,
    caption: of.caption,
    source: ['contact-meaning'],
    remedy: {
      text:
        'It must look before it presses: a contact at the closed end and a move in Act that reads it, ' +
        'or separate terminals for open and close.',
    },
  });

function clockFinding(job: Job, acting: readonly Sentence[]): Finding | null {
  const changed = clockChangeFirings(calendarOf(job, acting), job.touchedAt);
  const [first] = changed;
  if (!first) return null;
  return finding('routine', 'clock-change', {
    verdict: 'tight',
    title:
      `${changed.length} of a year's firings fall into a clock change: ` +
      `${first.local.slice(0, 10)}, ${first.clockChange}`,
    caption: 'falls into clock change',
    source: ['iana-tz'],
    remedy: { text: 'Pick a time before 01:00 or after 03:00.' },
  });
}
