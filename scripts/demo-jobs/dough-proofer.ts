import { readCapture } from '../../core/engines/capture';
import { digitSteps } from '../../core/house/digits';
import {
  sentenceAt,
  freshFace,
  freshHand,
  freshMove,
  freshNever,
  freshPart,
  freshPress,
  freshRail,
  freshSign,
  type Keypad,
} from '../../core/ground/job';
import { seededRandom } from '../../core/ground/quantity';
import { decodeKeypad, type LabelledTiming } from '../../core/engines/scan';
import { padCapture, PROOFER_PAD } from '../../core/engines/standin';
import { DEAD, Maker } from '../demo-maker';
import { warmRecording } from '../demo-recordings';

/** The proofer's pad as decoded from captures of its lines: one at rest, one per key held. */
async function prooferPad(): Promise<Keypad> {
  const random = seededRandom(11);
  const captures: LabelledTiming[] = [];
  for (const key of [null, ...PROOFER_PAD.keys.flat()]) {
    async function* pieces() {
      yield new TextEncoder().encode(padCapture(PROOFER_PAD, key, 40, random));
    }
    captures.push({ label: key ?? 'idle', timing: (await readCapture('pad.vcd', pieces())).timing });
  }
  const map = decodeKeypad(captures);
  if (map.problems.length || map.keys.length !== 12) throw new Error('the pad was not decoded');
  const at = (key: string) => ({
    row: PROOFER_PAD.keys.findIndex((r) => r.includes(key)),
    column: PROOFER_PAD.keys.find((r) => r.includes(key))!.indexOf(key),
  });
  return {
    id: 'pad',
    name: 'front pad',
    rows: 4,
    columns: 3,
    scan: map.scan,
    keys: map.keys.map((k) => ({ label: k.label, ...at(k.label), lines: [k.strobe, k.sense], from: 'capture' })),
  };
}

const pad = await prooferPad();
const maker = new Maker(
  'demo-dough-proofer',
  {
    title: 'Dough proofer',
    outcome: 'it begins to warm at night',
    when: '04:30 on baking days',
    never: 'run hotter than the dough stands',
  },
  '2026-11-20',
)
  .edit({
    do: 'set',
    at: 'wish',
    set: { hazards: ['mains', 'unattended-heat'], hazardsReviewed: true, others: 'the bakers, on the same pad' },
    say: 'hazards: mains inside, heat while nobody watches',
  })
  .tick(...DEAD)
  .measure('dough-proofer', 'warm', 5)
  .survey({ keypads: [pad] }, 'the front pad, decoded from thirteen captures')
  .survey(
    {
      rails: [
        {
          ...freshRail('logic', 'logic 5 V'),
          openVolts: 4.96,
          loadedVolts: 4.81,
          loadAmps: 0.05,
          whileIdle: true,
          whileRunning: true,
          rippleVolts: 0.03,
          storedFarads: 470e-6,
          bleedOhms: 3e3,
          storedVolts: 16,
        },
      ],
    },
    'supply logic 5 V: 4.96 V, 4.81 V at 50 mA',
  )
  .survey(
    {
      faces: [
        {
          ...freshFace('control-warm'),
          forceNewtons: 2.1,
          travelMetres: 0.0004,
          shape: 'flat',
          neighbourMetres: 0.003,
        },
      ],
    },
    'warm: 2.1 N, 0.4 mm, 3 mm to its neighbour',
  )
  .press('warm', { way: 'logic-injector' }, 'way of pressing: keypad injector in logic, one select value per key')
  .edit({
    do: 'several',
    say: 'keys 2, 7 and start of the same pad, by the same injector',
    edits: ['2', '7', 'start'].map((key) => ({
      do: 'put',
      list: 'presses',
      item: {
        ...freshPress(`key-${key}`, key, 'control-warm'),
        way: 'logic-injector',
        pullDown: true,
      },
    })),
  });
const keys = digitSteps(maker.job, 'warm 27 start');
if (!keys.ok) throw new Error(keys.problem);
maker
  .edit({
    do: 'put',
    list: 'act.parts',
    item: {
      ...freshPart('pad', 'pad'),
      kind: 'in-turn',
      heeds: ['warm', 'key-2', 'key-7', 'key-start'].map((press) => ({ press, other: false, as: 'press' as const })),
      shortestPressSeconds: 0.06,
      leastGapSeconds: 0.12,
      runSeconds: 5 * 3600,
    },
    say: 'the pad asks for warm, two digits and start, and then warms for five hours',
  })
  .edit({
    do: 'put',
    list: 'act.moves',
    item: { ...freshMove('warm', 'warm to 27'), purpose: 'start', steps: [...keys.steps] },
    say: 'move: keys warm 27 start',
  })
  .edit({
    do: 'set',
    at: 'routine',
    set: { sentences: [sentenceAt('04:30', { id: 'baking', move: 'warm', days: [2, 4, 6], ifArmed: true })] },
    say: 'at 04:30 on baking days, if armed',
  })
  .edit({
    do: 'put',
    list: 'hands',
    item: { ...freshHand('arm', 'arm button'), kind: 'arm', latching: false, startsPerArming: 1 },
    say: 'an arm button: the baker who set the dough arms one start',
  })
  .edit({
    do: 'put',
    list: 'signs',
    item: { ...freshSign('armed', 'armed lamp'), means: 'armed' },
    say: 'a lamp that shows it is armed',
  })
  .edit({
    do: 'put',
    list: 'wish.nevers',
    item: { ...freshNever('once', 'starts-per-arming'), count: 1 },
    say: 'never more than one start for one arming',
  })
  .placeAll()
  .whole('an hour of warming', 3600, 210, 'it beeps at each key')
  .kept([
    {
      name: 'dough-proofer-warm-and-cool.csv',
      text: warmRecording(9, '2026-11-19T03:10:00Z'),
      shows: 'empty: warmed for 80 minutes, then left',
    },
  ])
  .write('dough-proofer');
