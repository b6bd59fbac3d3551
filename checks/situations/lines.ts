import { demoJob } from '../../core/testing/jobs';
import type { Job } from '../../core/ground/job';
import { APART, BUTTON, finished, pressed, put, said, scanned, type Situation } from './situation';

const PAD = demoJob('dough-proofer');
const HOOD = demoJob('hood-fan');
const SWITCH = pressed(BUTTON, { way: 'analogue-switch', picks: { 'analogue-switch': 'switch-low' } });

const rails =
  (set: Partial<Job['survey']['rails'][number]>) =>
  (j: Job): Job =>
    put(j, 'survey', { ...j.survey, rails: j.survey.rails.map((r) => ({ ...r, ...set })) });
/** A scanned key of some volts on the proofer's pad, answered by logic. */
const answered = (volts: number): Job => {
  const key = finished(said([...APART, ...scanned(volts)]));
  const { keypads, rails: supplies } = PAD.survey;
  return pressed(put(key, 'survey', { ...key.survey, keypads, rails: supplies }), {
    way: 'logic-injector',
    scan: { ...key.presses[0]!.scan, key: 'warm' },
  });
};
const signal =
  (set: Partial<Job['presses'][number]['signal']>) =>
  (j: Job): Job =>
    pressed(j, { signal: { ...j.presses[0]!.signal, ...set } });

/** What must never be green of pins at the machine's own lines, either side without power: logic handbooks on partial power-down. */
export const OF_LINES: readonly Situation[] = [
  {
    what: 'an analogue switch driven over 100 Ω while its supply, the machine’s, is off',
    source: 'absolute maximum of CMOS inputs: no level over the supply, or a current that its clamp bears',
    sound: SWITCH,
    make: (j) => pressed(j, { resistorOhms: 100 }),
    rooms: ['thumb'],
  },
  {
    what: 'logic on a pad’s supply of which nobody knows what it can spare',
    source: 'what was not read is unknown',
    sound: PAD,
    make: rails({ loadAmps: null, loadedVolts: null }),
    rooms: ['thumb'],
  },
  {
    what: 'logic on a pad’s supply that was loaded with 8 mA',
    source: 'nothing is taken beyond what was tried',
    sound: PAD,
    make: rails({ loadAmps: 0.008 }),
    rooms: ['thumb'],
  },
  {
    what: 'logic on a pad’s weak supply of 5 V, beside a strong one of 12 V that was read as well',
    source: 'what another supply can spare feeds nothing here',
    sound: PAD,
    make: (j) => {
      const weak = rails({ loadAmps: 0.008 })(j);
      const strong = {
        ...weak.survey.rails[0]!,
        id: 'motor',
        name: 'motor 12 V',
        openVolts: 12,
        loadedVolts: 11.8,
        loadAmps: 1,
      };
      return put(weak, 'survey', { ...weak.survey, rails: [...weak.survey.rails, strong] });
    },
    rooms: ['thumb'],
  },
  {
    what: 'logic behind a regulator of 3.3 V on a pad of 3 V',
    source: 'drop-out of linear regulators',
    sound: answered(4.96),
    make: () => answered(3),
    rooms: ['thumb'],
  },
  {
    what: 'a pull-up to 15 V at the input of a machine that may be off',
    source: 'clamp current of inputs without power, about 1 mA',
    sound: HOOD,
    make: signal({ highVolts: 15 }),
    rooms: ['thumb'],
  },
  {
    what: 'an amplifier of its own supply at the input of a machine that may be off',
    source: 'partial power-down',
    sound: HOOD,
    make: signal({
      what: 'level',
      highVolts: 12,
      points: [
        { step: 1, value: 2 },
        { step: 2, value: 4 },
        { step: 3, value: 6 },
      ],
    }),
    rooms: ['thumb'],
  },
  {
    what: 'pulses of 1.8 V that come back to a pin of 3.3 V',
    source: 'a CMOS input takes for high what is over seven tenths of its supply',
    sound: HOOD,
    make: signal({ returnVolts: 1.8 }),
    rooms: ['thumb', 'board'],
  },
  {
    what: 'pulses of 24 V that come back over 10 kΩ to a pin of 3.3 V',
    source: 'clamp current of inputs, about 1 mA',
    sound: HOOD,
    make: signal({ returnVolts: 24 }),
    rooms: ['thumb'],
  },
];
