import { createHash } from 'node:crypto';
import { writeFileSync } from 'node:fs';
import { lookAt, proposeBand, TraceReader, type Recording } from '../core/engines/trace';
import { freshOf } from '../core/ground/field';
import { lastItem } from '../core/ground/lists';
import { readNoteLine } from '../core/ground/notes';
import {
  edited,
  BENCH_MAINS,
  freshJob,
  freshConverter,
  freshLink,
  freshNever,
  freshSource,
  jobText,
  recordingFields,
  type FreshWish,
  type Job,
  type JobRecording,
  type JobEdit,
  type Look,
  type Never,
  type Press,
  type Survey,
} from '../core/ground/job';
import { assess } from '../core/house/assess';
import { drillRecord } from '../core/house/drill/drill-findings';
import { drillJob } from '../core/house/drill/drill-job';
import { assignPins, profileOf } from '../core/rooms/board';
import { isolationOf, nextFor, surveyOf, takenFrom } from '../core/rooms/probe';
import { seededRandom } from '../core/ground/quantity';
import { thresholdEdit } from '../core/rooms/sense';
import { tickEdit } from '../core/rooms/guard';
import { basisOf } from '../core/rooms/try';
import { buildFor, STANDINS } from '../core/engines/standin';

/** A recording of the demo: its file, and what it shows. */
interface Recorded {
  readonly name: string;
  readonly text: string;
  readonly shows: string;
  readonly heldOut?: boolean;
}

/** Builds one demo job by the very edits and note lines that a maker would give. */
export class Maker {
  /** As it stands so far. */
  job: Job;
  private minute = 0;

  constructor(
    id: string,
    wish: FreshWish,
    private readonly day: string,
  ) {
    this.job = freshJob({ place: 'Marrow Street Kitchen', ...wish }, id, this.now());
  }

  private now(): string {
    const t = 14 * 60 + this.minute++;
    return `${this.day}T${String(Math.floor(t / 60)).padStart(2, '0')}:${String(t % 60).padStart(2, '0')}:00Z`;
  }

  edit(...edits: JobEdit[]): this {
    for (const e of edits) this.job = edited(this.job, e, this.now());
    return this;
  }

  say(...lines: string[]): this {
    for (const line of lines) {
      const now = this.now();
      const u = readNoteLine(line, this.job, { id: `${this.job.id}-r${this.job.readings.length + 1}`, now });
      if (!u.ok) throw new Error(`${line}: ${u.message}`);
      this.job = edited(this.job, u.edit, now);
    }
    return this;
  }

  /** Follows Probe's own proposals on the stand-in until nothing is worth another touch. */
  measure(model: string, control: string, seed: number, look?: Look): this {
    const standin = STANDINS[model]!;
    const random = seededRandom(seed);
    const id = `control-${control}`;
    this.edit({ do: 'set', at: 'standin', set: { model, seed }, say: `the ${standin.name} stands in` });
    if (this.job.survey.mains.feed === 'unknown')
      this.survey(
        { mains: BENCH_MAINS },
        'a plug that goes in either way round, its main switch closed while ohms are read, earth at the pin',
      );
    if (!this.job.controls.some((c) => c.id === id)) this.say(`control ${control}`);
    for (let n = 0; n < 24; n++) {
      const next = nextFor(this.job, surveyOf(this.job, id));
      if (!next) break;
      const reading = takenFrom(
        { build: buildFor(standin, control), faults: standin.faults, ...(look ? { look } : {}) },
        next,
        `${this.job.id}-r${this.job.readings.length + 1}`,
        this.now(),
        random,
      );
      this.edit({ do: 'add-reading', reading, say: `${control}: ${next.title}, from the stand-in` });
    }
    if (isolationOf(this.job, id).verdict === 'unknown') throw new Error(`${control} is not surveyed to the end`);
    return this;
  }

  survey(set: Partial<Survey>, say: string): this {
    return this.edit({ do: 'set', at: 'survey', set, say });
  }

  /** A run of the machine as it was bought. */
  whole(what: string, seconds: number | null, watts: number | null, noted: string): this {
    const id = `run-${this.job.wish.whole.length + 1}`;
    const item = { id, at: this.now(), what, seconds, watts, noted };
    return this.edit({ do: 'put', list: 'wish.whole', item, say: `as it was bought: ${what}` });
  }

  /** Something that no longer works, and what takes its place. */
  lost(what: string, instead: string): this {
    const item = { id: `loss-${this.job.guard.losses.length + 1}`, what, instead, safety: false };
    return this.edit(
      { do: 'put', list: 'guard.losses', item, say: `no longer works: ${what}; in its place ${instead}` },
      { do: 'set', at: 'guard', set: { lossesReviewed: true } },
    );
  }

  tick(...steps: string[]): this {
    return this.edit(
      ...steps.map((step) =>
        tickEdit(step, step.replace(/^dead-/, '').replace(/-/g, ' '), true, {
          by: 'the morning cook',
          reading: step === 'dead-test-dead' ? '0 V between all three pins' : '',
        }),
      ),
    );
  }

  /** The failure drill with so many things going wrong, kept with the job; who accepts by name what breaks a condition all the same. */
  drilled(most: 1 | 2, by = '', why = ''): this {
    const drilled = drillJob(this.job, most);
    if (!drilled) throw new Error(`${this.job.title} cannot be drilled`);
    const { found, rows, findings, basis } = drilled;
    return this.edit(
      {
        do: 'set',
        at: 'guard',
        set: { drills: [drillRecord(found, findings, basis, this.now())] },
        say: `failure drill: ${found.told} stories in four states of power, ${found.stories.length || 'none'} of them broken`,
      },
      ...(by === ''
        ? []
        : rows.map(({ story }): JobEdit => {
            const never = story.story.never;
            const words = `never ${never.words}, ${story.story.sentences[0] ?? ''}`;
            return { do: 'accept', never: never.never.id, story: story.key, words, by, why, basis };
          })),
    );
  }

  tried(step: string, count: number, observed: string, on: 'hand' | 'standin' = 'hand'): this {
    const now = this.now();
    return this.edit({
      do: 'add-trial',
      say: `${step.replace(/-/g, ' ')}: ${observed}`,
      trial: {
        id: `${this.job.id}-t${this.job.trials.length + 1}`,
        step,
        at: now,
        outcome: 'as-expected',
        count,
        failed: 0,
        observed,
        on,
        by: 'the morning cook',
        basis: basisOf(this.job),
      },
    });
  }

  /** Sets fields of one press, its plans among them. */
  press(of: string, set: Partial<Press>, say: string): this {
    return this.edit({ do: 'set', at: 'press', of, set, say });
  }

  /** A line on a pin, chosen by hand. */
  pin(line: string, gpio: number, say: string): this {
    return this.edit({ do: 'put', list: 'board.pins', item: { line, gpio, fixed: true }, say });
  }

  /** Gives every line a pin by the search, as one press in Board does. */
  placeAll(): this {
    const a = assess(this.job);
    const done = assignPins(this.job, a.lines, profileOf(this.job)!);
    if (!done.ok) throw new Error(`not all can be placed: ${done.refusal.lines.map((l) => l.name).join(', ')}`);
    return this.edit({ do: 'set', at: 'board', set: { pins: [...done.pins] }, say: 'all lines placed' });
  }

  /** A plug-in supply that is described whole, on its lead. */
  supply(volts: number, amps: number, squareMetres: number, say: string): this {
    return this.edit({
      do: 'several',
      edits: [
        {
          do: 'put',
          list: 'feed.sources',
          item: { ...freshSource('supply', 'own plug-in supply'), volts, amps, isolated: 'yes', polarity: 'read' },
        },
        {
          do: 'put',
          list: 'feed.links',
          item: { ...freshLink('lead', 'lead', 'lead', 'supply'), metres: 1, squareMetres },
        },
      ],
      say,
    });
  }

  /** Recordings that no sense learns from, kept beside the job and in the demo. */
  kept(list: readonly Recorded[]): this {
    const read = list.map((x) => written(x, ''));
    return this.edit({
      do: 'several',
      edits: read.map(({ entry }): JobEdit => ({ do: 'put', list: 'recordings', item: { ...entry, runs: null } })),
      say: `recordings: ${list.map((x) => x.name).join(', ')}`,
    });
  }

  /** Recordings for a sense, kept beside the job and in the demo; its threshold is learned from those that are not kept back. */
  recorded(sense: string, list: readonly Recorded[]): this {
    const read = list.map((x) => written(x, sense));
    this.edit({
      do: 'several',
      edits: read.map(({ entry }): JobEdit => ({ do: 'put', list: 'recordings', item: entry })),
      say: `${read.length} recordings: ${list.map((x) => x.name).join(', ')}`,
    });
    const { bands, best } = proposeBand(
      read.filter((r) => !r.entry.heldOut).map(({ recording }) => ({ recording, runs: 1 })),
    );
    const band = bands[best]!;
    const found = new Map(read.map(({ entry, recording }) => [entry.id, lookAt(recording, band, 1).looked]));
    return this.edit(
      thresholdEdit(
        this.job,
        this.job.senses.find((s) => s.id === sense)!,
        band,
        found,
      ),
    );
  }

  write(name: string): void {
    writeFileSync(new URL(`../demo/${name}.json`, import.meta.url), jobText(this.job));
  }
}

/** Writes a recording of the demo, and reads it as the app does. */
function written({ name, text, shows, heldOut }: Recorded, sense: string) {
  const bytes = new TextEncoder().encode(text);
  writeFileSync(new URL(`../demo/recordings/${name}`, import.meta.url), bytes);
  const reader = new TraceReader(name);
  reader.push(bytes);
  const recording = reader.end();
  const entry: JobRecording = {
    ...freshOf(recordingFields),
    id: createHash('sha256').update(bytes).digest('hex'),
    name,
    bytes: bytes.length,
    kind: recording.kind,
    unit: recording.unit,
    samples: recording.seconds.length,
    seconds: lastItem(recording.seconds),
    stepSeconds: recording.stepSeconds,
    shows,
    sense,
    runs: 1,
    heldOut: heldOut ?? false,
  };
  return { entry, recording };
}

/** What is in a recording, as the reader has it. */
export function recordingOf(text: string): Recording {
  const reader = new TraceReader('a.csv');
  reader.push(new TextEncoder().encode(text));
  return reader.end();
}

/** One plug-in supply of 24 V for what is switched, and a step-down converter for the controller. */
export const LOW_VOLTAGE: readonly JobEdit[] = [
  {
    do: 'put',
    list: 'feed.sources',
    item: { ...freshSource('supply', 'plug-in supply'), volts: 24, amps: 4, isolated: 'yes', polarity: 'read' },
    say: 'one plug-in supply, 24 V, 4 A, class II',
  },
  {
    do: 'put',
    list: 'feed.converters',
    item: { ...freshConverter('five', 'step-down', 'step-down', 'supply'), volts: 5, amps: 1, mostVolts: 36 },
    say: 'a step-down converter of 5 V for the controller',
  },
];

/** The steps that prove a machine dead. */
export const DEAD = ['dead-isolate', 'dead-hold', 'dead-test-tester', 'dead-test-dead', 'dead-test-tester-again'];

/** A condition of which only what its kind counts is given. */
export const never = (id: string, kind: Never['kind'], set: Partial<Never>): Never => ({
  ...freshNever(id, kind),
  ...set,
});
