import { fed, machined, onPin, pressed } from '../../core/testing/jobs';
import {
  edited,
  freshConverter,
  freshLink,
  freshSource,
  stepOf,
  withSteps,
  type FeedConverter,
  type FeedLink,
  type FeedLoad,
  type FeedSource,
  type Hand,
  type Job,
  type JobEdit,
  type MachinePart,
  type Room,
  type Sense,
  type Sign,
} from '../../core/ground/job';
import type { Verdict } from '../../core/ground/finding';
import { APART, dryPair, finished, lowButton, mainsLoad, put, said, scannedKey } from '../bench-jobs';

/**
 * Something that must never be green, and where that is known from. `make` gives a job in which it is so; everything else in it is sound.
 * `rooms` are those of which one at least must say so: it is not settled, and worse than in the sound job. `worst` is the gravest that
 * may be said of it, where a stop would be too much.
 */
export interface Situation {
  readonly what: string;
  readonly source: string;
  readonly sound: Job;
  readonly make: (sound: Job) => Job;
  readonly rooms: readonly Room[];
  readonly worst?: Verdict;
  /** Whether it is still so after another one came to it; always, where nothing is named. */
  readonly holds?: (job: Job) => boolean;
}

/** For what is only so while no converter stands before the board. */
export const direct = (job: Job): boolean => job.feed.converters.length === 0;

/** A pin that reads contacts and signals, and gives what a sign takes. */
const PIN = 13;
const NOW = '2026-03-02T14:00:00Z';
export const edit = (job: Job, ...edits: JobEdit[]): Job => edited(job, { do: 'several', edits, say: 'x' }, NOW);

/** A sound job: a button of 5 V and 10 kΩ, kept apart, pressed by a solid-state relay from a 17-pin module on 5 V. */
export const BUTTON = pressed(finished(said([...APART, ...lowButton(4.98, 10e3)])), { way: 'solid-state-relay' });
/** The same bench with no control and nothing that presses yet. */
export const EMPTY: Job = {
  ...BUTTON,
  presses: [],
  controls: [],
  readings: [],
  act: { ...BUTTON.act, moves: [] },
  board: { ...BUTTON.board, pins: [] },
};
/** A loop of 12 V and 8 mA. */
export const LOOP = pressed(finished(said([...APART, ...dryPair('11.6 V', 8.2)])), { way: 'solid-state-relay' });
/** The same by a relay. */
export const RELAY = pressed(BUTTON, { way: 'relay-contact', picks: { relay: 'relay-signal' } });
/** A scanned key. */
export const KEY = pressed(finished(said([...APART, ...scannedKey(4.96), 'it B loaded-10k 1.55 V'])), {
  way: 'solid-state-relay',
});
export { fed, onPin, pressed, put, said, finished, APART, dryPair, lowButton, mainsLoad, scannedKey as scanned };

export const source = (job: Job, set: Partial<FeedSource>): Job => fed(job, set);
export const lead = (job: Job, set: Partial<FeedLink>): Job => fed(job, {}, set);

/** Puts a converter between the supply's lead and everything that hung on it, on a supply of other volts. */
export const converted = (job: Job, set: Partial<FeedConverter>, from: Partial<FeedSource>): Job => {
  const j = fed(job, from);
  const l = j.feed.links.find((x) => x.kind === 'lead')!;
  return edit(j, {
    do: 'put',
    list: 'feed.converters',
    item: { ...freshConverter('conv', 'converter', 'step-down', l.id), volts: 5, amps: 2, mostVolts: 36, ...set },
  });
};
export const link = (job: Job, set: Partial<FeedLink> & Pick<FeedLink, 'kind'>): Job => {
  const l = job.feed.links.find((x) => x.kind === 'lead')!;
  return edit(job, {
    do: 'put',
    list: 'feed.links',
    item: { ...freshLink('more', set.kind, set.kind, l.id), ...set },
  });
};
/** Takes cells in the place of the supply. */
export const cells = (job: Job, set: Partial<FeedSource>): Job =>
  fed(job, {
    ...freshSource(job.feed.sources[0]!.id, 'cells'),
    kind: 'cells',
    volts: null,
    amps: null,
    isolated: 'yes',
    polarity: 'read',
    ...set,
  });
export const load = (job: Job, set: Partial<FeedLoad>): Job =>
  edit(job, {
    do: 'put',
    list: 'feed.loads',
    item: {
      id: 'own',
      name: 'fan',
      leastVolts: 4.5,
      mostVolts: 5.5,
      current: 'dc',
      idleAmps: 0,
      amps: 0.1,
      startAmps: null,
      startSeconds: 0,
      runsWith: '',
      ...set,
    },
  });

export const sense = (job: Job, set: Partial<Sense>): Job =>
  onPin(
    edit(job, {
      do: 'put',
      list: 'senses',
      item: {
        id: 'told',
        name: 'lamp of the machine',
        kind: 'beep',
        touches: 'own',
        tells: 'at-work',
        part: '',
        meaning: '',
        states: [],
        takenFor: 'unknown',
        closedThen: true,
        debounceSeconds: 0.05,
        staleSeconds: null,
        limit: null,
        wakes: false,
        highVolts: 3.3,
        joint: 'direct',
        signal: null,
        coil: null,
        lead: null,
        magnet: null,
        count: null,
        place: 'unknown',
        topic: '',
        ...set,
      },
    }),
    PIN,
    'told',
  );
export const hand = (job: Job, set: Partial<Hand>, pin = PIN): Job =>
  onPin(
    edit(job, {
      do: 'put',
      list: 'hands',
      item: {
        id: 'hand',
        name: 'button',
        kind: 'button',
        latching: false,
        debounceSeconds: 0.03,
        pullUpOhms: 4700,
        asks: [job.presses[0]!.id],
        begins: [],
        mode: '',
        startsPerArming: null,
        wakes: false,
        topic: '',
        ...set,
      },
    }),
    pin,
    'hand',
  );
export const sign = (job: Job, set: Partial<Sign>): Job =>
  onPin(
    edit(job, {
      do: 'put',
      list: 'signs',
      item: {
        id: 'sign',
        name: 'lamp',
        kind: 'lamp',
        means: 'armed',
        forwardVolts: 2,
        amps: 0.005,
        resistorOhms: null,
        volts: null,
        dueAfterStarts: null,
        ...set,
      },
    }),
    PIN,
    'sign',
  );
export const machine =
  (set: Partial<MachinePart>) =>
  (job: Job): Job =>
    machined(job, set);
/** The job with one move of presses and waits. */
export const moves = (job: Job, ...steps: readonly (readonly ['press' | 'wait', number])[]): Job =>
  edit(
    job,
    withSteps(
      job,
      steps.map(([what, seconds]) => stepOf(what, { press: what === 'press' ? job.presses[0]!.id : '', seconds })),
      'a script',
    ),
  );
