// Files of earlier versions say what they said: the findings of the program of their time, frozen when the next version came,
// against those of the same files now, wherever the question is the same.
import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { assess } from '../core/house/assess';
import { loadJob } from '../core/ground/job';
import { usualMs } from '../core/testing/pace';

type Told = readonly [id: string, verdict: string, title: string];
const read = (path: string): string => readFileSync(new URL(path, import.meta.url), 'utf8');
const frozen = (version: number): [file: string, told: readonly Told[]][] =>
  Object.entries(
    JSON.parse(read(`./frozen/findings-of-version-${version}.json`)) as Record<string, readonly Told[]>,
  ).map(([name, told]) => [
    /^v\d+$/.test(name) ? `../core/ground/job/versions/${name}` : `./frozen/${name}.v${version}`,
    told,
  ]);
const BEFORE = [
  ...frozen(4),
  ...frozen(5),
  ...frozen(6),
  ...frozen(7),
  ...frozen(8),
  ...frozen(9),
  ...frozen(10),
  ...frozen(11),
  ...frozen(12),
  ...frozen(13),
  ...frozen(14),
  ...frozen(15),
  ...frozen(16),
  ...frozen(17),
];

/** Pins are those of lines now, and more than one output of a way has a pin of its own. */
const RENAMED: Readonly<Record<string, string>> = {
  'board.arm-pin': 'board.pin.arm',
  'board.sensor-pin': 'board.pin.sense',
  'board.outputs': 'board.lines',
};
/** What lasts is held against a supply now, where it was the mean over the script. */
const ASKED_OTHERWISE = [
  'feed.mean',
  // Moves may look now, and the packed program with them: what reads a sense, and what lacks in the program, is asked of the moves.
  'sense.contact',
  'pack.program',
  // Logic lives with its pad now, fed over a regulator, and not with the controller.
  'thumb.logic-injector.fed',
  // Conditions are held against runs, every press that a move makes among them, and stops are counted with those that this finds.
  // What a motor draws while it runs is held against its bridge now, and is asked to be confirmed with the rest.
  'thumb.reverse-motor.defaults',
  // A motor’s supply that was read counts as confirmed now.
  'thumb.reverse-motor.most-volts',
  'thumb.reverse-motor.least-volts',
  'act.never',
  'act.unheard',
  'try.sheet',
  // Trials rest on the whole job now: a key of less proves nothing any more.
  'try.',
  'guard.never',
  // Run and packed program keep the order of a motor's directions now.
  'act.sequence-',
  'pack.files',
  // The two directions of one press are two, and pressing the one is not pressing both.
  'act.both.',
];
/** A stalled current that its winding, as read, contradicts is judged now: the flaps of that file say 0.8 A over 4.7 Ω at 12 V. */
const CONTRADICTED = (name: string, id: string): boolean =>
  name.endsWith('steam-flaps.v7') && (id.startsWith('thumb.choice') || id === 'thumb.open');
/** Volts to earth at a line that floats say nothing of the ground: more is read there now. */
const READ_FURTHER = (name: string, id: string): boolean =>
  name.endsWith('dough-proofer.v8') && /^(probe|guard)\.(control-warm\.)?isolation|^thumb\./.test(id);
/** A pin is named with its printed label now, and what lies on it by its own name. */
const plain = (title: string): string =>
  title
    .replace(/Pin (\d+) \(\w+\)/g, 'Pin $1')
    .replace('Neither the runs in Act nor the packed program look at it yet', 'No move looks at it yet')
    .replace('reads arm switch', 'reads the arm contact')
    .replace('reads rest contact', 'reads the sensor contact')
    // What is none of the kinds has structures of its own now, which keep a little of the doubt.
    .replace(/, as good as certain$/, ', nearly sure')
    // Gas, water, pinching and a body ask for an end of a press as well now.
    .replace(
      'nothing was named that a press without an end would hurt',
      'no heat, door or pressure was named that would ask for more',
    );

describe('a file of an earlier version', () => {
  it.each(BEFORE)('%s gives the findings that it gave before', (name, told) => {
    const loaded = loadJob(read(`${name}.json`));
    if (!loaded.ok) throw new Error(loaded.problem.what);
    const { sources } = loaded.job.feed;
    // Which conductor is plus was not asked before: it is answered, so that what sums up sums up the same.
    const job = {
      ...loaded.job,
      feed: { ...loaded.job.feed, sources: sources.map((s) => ({ ...s, polarity: 'read' as const })) },
    };
    const now = new Map(assess(job).findings.map((f) => [f.id, f]));
    for (const [id, verdict, title] of told) {
      if (ASKED_OTHERWISE.some((x) => id.startsWith(x)) || CONTRADICTED(name, id) || READ_FURTHER(name, id)) continue;
      const f = now.get(RENAMED[id] ?? id);
      expect(f, `${name}: ${id}`).toBeDefined();
      if (id === 'board.outputs') continue;
      expect([id, f!.verdict, plain(f!.title)], `${name}: ${id}`).toEqual([id, verdict, plain(title)]);
    }
  });

  it('is read, and brought up to this version, in under 5 ms', () => {
    const text = read('../core/ground/job/versions/v3.json');
    const least = usualMs(() => void loadJob(text), 20);
    console.log(`a file of version 3 is read in ${least.toFixed(2)} ms`);
    expect(least).toBeLessThan(5);
  });

  it('of a later version is refused with its version, and nothing of it is read', () => {
    const later = read('../core/ground/job/versions/v17-as-18.json').replace('"version": 18', '"version": 19');
    expect(loadJob(later)).toMatchObject({ ok: false, problem: { what: expect.stringContaining('version 19') } });
  });
});
