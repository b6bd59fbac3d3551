import { isOfModule, reachOf, type Hand, type Job, type Sense, type Sign } from '../../ground/job';
import type { SheetStep } from './sheet-step';

/** A step that is taken at the machine itself. */
const atMachine = (id: string, title: string, how: string, expected: string, wanted = 1): SheetStep => ({
  id,
  title,
  how,
  expected,
  wanted,
  onStandin: false,
});

/** Every sense, read both ways; what comes by message falls silent as well. */
export const senseSteps = (job: Job): readonly SheetStep[] =>
  job.senses.flatMap((s) => [
    ...(tapsMachine(s)
      ? [
          atMachine(
            `original@${s.id}`,
            `The machine is as before with ${s.name} on it`,
            'Run it once with the tap off, and once with it on. Read the level that is tapped both times, high and low.',
            'what is seen, heard and shown is the same; its level moves by less than a tenth',
            2,
          ),
        ]
      : []),
    atMachine(
      `sense@${s.id}`,
      `${s.name} tells both ways`,
      `Bring the machine by hand to where ${s.name} is to say so, and away from there. ${readAt(s)}`,
      `it says so there, and nowhere else${s.kind === 'contact' ? '; with its wire pulled off it says what a broken wire is to say' : ''}`,
      2,
    ),
    ...(s.kind === 'message'
      ? [
          atMachine(
            `silent@${s.id}`,
            `${s.name} falls silent`,
            'Switch its sender off, and wait for longer than it may be silent.',
            'the plan takes it for unknown, and presses nothing on its word',
          ),
        ]
      : []),
  ]);

/** What only listens must come back by itself, and leave the machine as it was meanwhile. */
export const listensAgainStep = (): SheetStep =>
  atMachine(
    'restarts',
    'Restart it ten times while the machine works',
    'Cut its supply for a second, ten times.',
    'the machine goes on as it would without it, or as after any power cut; each time it tells how things stand, and once',
    10,
  );

/** News counts once it has reached whom it is meant for. */
export const toldSteps = (job: Job): readonly SheetStep[] =>
  job.senses.map((s) =>
    atMachine(
      `told@${s.id}`,
      `${s.name} is told to whom it is meant for`,
      'Let the machine do it by itself, for as short as it ever does, with nobody at the bench.',
      'whoever is to hear of it hears of it, once, as soon as was wished, and hears as well when it is over',
      2,
    ),
  );

/** Whether its wires go into the machine, or over an optocoupler. */
const tapsMachine = (s: Sense): boolean => ['joined', 'coupled', 'unsaid'].includes(reachOf(s));

const readAt = (s: Sense): string =>
  isOfModule(s)
    ? 'Read what the switch itself tells.'
    : s.kind === 'message'
      ? 'Read what arrives on its topic.'
      : 'Read its pin with a meter, against the controller’s ground.';

const HAND_TRIES: Readonly<
  Record<Hand['kind'], readonly [title: string, how: string, expected: string, wanted: number]>
> = {
  arm: [
    'lets a start go, and only then',
    'Ask for a start with it off, then with it on.',
    'nothing moves while it is off; with it on one start goes',
    2,
  ],
  button: [
    'does what it is for',
    'Move it, once while all rests and once while the machine works.',
    'what it asks for is done, and no more',
    2,
  ],
  rocker: [
    'does what it is for, both ways',
    'Move it up, let go, move it down, let go.',
    'each way does what it is for, and letting go ends what it holds',
    2,
  ],
  stop: [
    'stops it in mid-run',
    'Move it while the machine works. Let go, and wait.',
    'all outputs let go at once, and nothing begins again by itself',
    2,
  ],
  answer: [
    'ends a call',
    'Bring about a call for help, and move it.',
    'what calls or is due goes out, and nothing else happens',
    1,
  ],
  mode: [
    'puts its mode on',
    'Move it, and bring about what its mode holds back.',
    'what is held back does not come; once it is off again it does',
    1,
  ],
  command: [
    'is obeyed by message',
    'Send it, once while all rests and once while the machine works.',
    'what it asks for is done, once for each message',
    2,
  ],
};

/** Every hand at the controller. */
export const handSteps = (job: Job): readonly SheetStep[] =>
  job.hands.map((h) => {
    const [title, how, expected, wanted] = HAND_TRIES[h.kind];
    return atMachine(`hand@${h.id}`, `${h.name} ${title}`, how, expected, wanted);
  });

const SIGN_TRIES: Readonly<Record<Sign['means'], string>> = {
  armed: 'Arm it, and disarm it.',
  'about-to-move': 'Begin a move that warns.',
  call: 'Bring about a call for help: hold a sense so that what the move waits for does not come.',
  due: 'Count its starts up to where care is due.',
};

/** Every sign. */
export const signSteps = (job: Job): readonly SheetStep[] =>
  job.signs.map((s) =>
    atMachine(
      `sign@${s.id}`,
      `${s.name} is noticed from where people stand`,
      SIGN_TRIES[s.means],
      s.kind === 'lamp' ? 'it shines then, and at no other time' : 'it sounds then, and at no other time',
    ),
  );
