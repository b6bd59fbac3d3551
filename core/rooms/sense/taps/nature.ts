import { isBridged, isPulsed, isTapped, readSignal } from '../../../build/panel';
import { isBare, needsPin } from '../../../build/lines';
import { finding, type Finding, type Remedy, type Verdict } from '../../../ground/finding';
import { reachOf, type Sense, type SenseJoint, type SenseSignal } from '../../../ground/job';
import { putSense } from './edits';

type Nature = SenseSignal['nature'];

/**
 * Whether what comes in is the machine's own: a level of it and a lamp by its volts always are, a beep where no microphone of one's own
 * hears it. What a bought sensor gives is made for pins.
 */
export function ofMachine(sense: Sense): boolean {
  if (!needsPin(sense)) return false;
  if (sense.kind === 'level' || sense.kind === 'lamp') return true;
  const reach = reachOf(sense);
  return reach === 'joined' || reach === 'coupled' || (sense.kind === 'beep' && reach === 'unsaid');
}

/** Under this a signal is slow: a pump’s capacitor would be microfarads, and each wave is seen through an optocoupler, Hz. */
const SLOW_HERTZ = 200;

const NEVER_THROUGH = 'a level that stands never gets through a capacitor: the pin would never hear it';
/** What a joint makes of what it was not meant for; empty where it goes. */
const WRONG: Readonly<Record<Nature, Partial<Record<SenseJoint, string>>>> = {
  unknown: {},
  steady: { pump: NEVER_THROUGH },
  alternating: {
    direct: 'half of each wave goes under ground, into the pin’s clamp',
    divider: 'half of each wave goes under ground, into the pin’s clamp',
  },
  flickering: {
    direct: 'it never stands for as long as it is waited for: it reads as coming and going all the time',
    divider: 'it never stands for as long as it is waited for: it reads as coming and going all the time',
    pump: 'where it shines whole it no longer flickers, and nothing gets through a capacitor',
  },
  // Where the machine pulls it up by itself it is a level like any other.
  'pulls-low': { pump: NEVER_THROUGH },
};

/** The joint that is for what was read. */
function rightJoint(sense: Sense, { nature, hertz }: SenseSignal): SenseJoint {
  if (nature === 'flickering' && !isPulsed(sense)) return 'hold';
  if (nature === 'flickering') return reachOf(sense) === 'coupled' ? 'coupler' : 'divider';
  if (nature === 'steady' || nature === 'pulls-low') return reachOf(sense) === 'coupled' ? 'coupler' : 'divider';
  return reachOf(sense) === 'coupled' || (hertz !== null && hertz < SLOW_HERTZ) ? 'coupler' : 'pump';
}
const JOINT_WORDS: Readonly<Record<SenseJoint, string>> = {
  direct: 'Straight to the pin',
  divider: 'Take two resistors',
  coupler: 'Take an optocoupler',
  pump: 'Take capacitor, diodes and transistor',
  hold: 'Take diode and transistor',
};

/** A press that takes another joint; where that is an optocoupler its wires go over it. */
function takeJoint(sense: Sense, joint: SenseJoint, text: string): Remedy {
  const touches = joint === 'coupler' ? ({ touches: 'coupled' } as const) : {};
  const label = JOINT_WORDS[joint];
  return { text, label, edit: putSense(sense, { joint, ...touches }, label.toLowerCase()) };
}

const said = (
  sense: Sense,
  id: string,
  verdict: Verdict,
  title: string,
  caption: string,
  remedy: Remedy | null,
): Finding => finding('sense', `tap.${sense.id}.${id}`, { verdict, title, caption, source: ['tap-nature'], remedy });

/** What a machine gives, as it was read, against what stands between it and the pin. */
export function natureFindings(sense: Sense): Finding[] {
  if (!ofMachine(sense)) return [];
  const signal = readSignal(sense);
  if (isBare(sense)) return [...bareCoupled(sense), ...(signal.nature === 'pulls-low' ? [freeLevel(sense)] : [])];
  if (!isTapped(sense)) return [];
  const wrong = wrongFor(sense, signal);
  const out = [...(wrong ? [misfit(sense, signal, wrong)] : []), ...coupling(sense)];
  if (signal.nature === 'unknown') out.push(unread(sense));
  else if (unknownTurns(sense, signal)) out.push(unknownHertz(sense));
  if (signal.nature === 'flickering' && isBridged(sense, signal) && signal.duty === null) out.push(unknownDuty(sense));
  return out;
}

/** What a joint makes of what was read; pulses go up and down by nature, and one that keeps them tells no single one. */
function wrongFor(sense: Sense, { nature }: SenseSignal): string | undefined {
  const { joint } = sense;
  if (!isPulsed(sense) || nature !== 'flickering') return WRONG[nature][joint];
  return sense.count !== null && (joint === 'pump' || joint === 'hold')
    ? 'it tells that pulses come, and its joint keeps them: none of them can be counted'
    : undefined;
}

const misfit = (sense: Sense, signal: SenseSignal, wrong: string): Finding => {
  const right = rightJoint(sense, signal);
  return said(sense, 'nature', 'stop', `${sense.name}: ${wrong}`, 'joint does not fit', {
    ...takeJoint(sense, right, 'Another joint is made for what was read.'),
  });
};

/** Whether a joint hangs on how often the signal goes up and down. */
const unknownTurns = (sense: Sense, signal: SenseSignal): boolean =>
  signal.hertz === null && (isBridged(sense, signal) || sense.joint === 'pump');

function unread(sense: Sense): Finding {
  // A beeper sounds by going up and down more often than not.
  const beeps = sense.kind === 'beep';
  return said(
    sense,
    'nature',
    beeps ? 'unknown' : 'tight',
    beeps
      ? `${sense.name}: whether the beeper is given a level or what alternates was not read; most alternate`
      : `${sense.name}: whether it is a steady direct level is not known: what alternates goes under ground at the pin, a display flickers`,
    'steady?',
    {
      text:
        'While it is so, read it on DC and on AC, and say what both show: steady shows DC alone; what alternates AC and hardly any DC; ' +
        'what flickers both, and less DC than the lamp asks for.',
    },
  );
}

const unknownHertz = (sense: Sense): Finding =>
  said(
    sense,
    'hertz',
    'unknown',
    `${sense.name}: how often it goes up and down was not read, and the parts of its joint hang on it`,
    'how many hertz?',
    {
      text:
        'Read it with a meter that shows hertz. Beepers lie at 2 to 4 kHz, lamps of a display at 50 Hz to 1 kHz, ' +
        'windings at 50 or 60 Hz; take the slowest.',
    },
  );

const unknownDuty = (sense: Sense): Finding =>
  said(
    sense,
    'duty',
    'tight',
    `${sense.name}: for which share of each turn it is up was not read; a tenth is taken`,
    'share of each turn?',
    { text: 'What it shows on DC over its high level, both against its low one, is that share.' },
  );

/** What pulls low may be pulled up by the machine, over what the pin bears. */
const freeLevel = (sense: Sense): Finding =>
  said(
    sense,
    'free',
    'tight',
    `${sense.name} only pulls low: whether the machine pulls the same line up by itself was not read`,
    'pulled up by itself?',
    {
      text:
        'Read it with nothing of yours on it, while it is not so. Where it stands at volts, write them as its high level; ' +
        'where it floats at nothing, this goes as it is.',
    },
  );

/** A contact on the pin itself joins what it is a part of to the controller, whatever was said of an optocoupler. */
const bareCoupled = (sense: Sense): Finding[] =>
  reachOf(sense) !== 'coupled'
    ? []
    : [
        said(
          sense,
          'coupling',
          'unknown',
          `${sense.name} is said to come over an optocoupler, and its wires go to the pin and to ground: no level is said that lights one`,
          'which optocoupler?',
          {
            text: 'Read the level that is to light its lamp and write it as its high level, or say that its wires go into the machine.',
          },
        ),
      ];

/** An optocoupler in one of its two places, and not in the other. */
function coupling(sense: Sense): Finding[] {
  const reach = reachOf(sense);
  if (sense.joint === 'coupler' && reach !== 'coupled')
    return [
      said(
        sense,
        'coupling',
        'unknown',
        `${sense.name}: an optocoupler stands before its pin, and its wires are said to go elsewhere`,
        'coupled?',
        {
          text: 'Let the lamp of the optocoupler hang on the machine alone, with its own return there.',
          label: 'Over the optocoupler',
          edit: putSense(sense, { touches: 'coupled' }, 'over an optocoupler'),
        },
      ),
    ];
  if (sense.joint === 'coupler' || reach !== 'coupled') return [];
  return [
    said(
      sense,
      'coupling',
      'unknown',
      `${sense.name} is said to come over an optocoupler, and none stands before its pin`,
      'which optocoupler?',
      takeJoint(sense, 'coupler', 'Let one stand there: its resistor and pull-up are worked out.'),
    ),
  ];
}
