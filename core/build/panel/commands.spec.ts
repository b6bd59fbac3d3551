import { describe, expect, it } from 'vitest';
import { edited, freshHand, type Job } from '../../ground/job';
import { linesOf } from '../lines';
import { demoJob } from '../../testing/jobs';
import { commandsFor, handsIn, handThing } from '.';

const NOW = '2026-03-02T14:00:00Z';
const commanded = (job: Job): Job => edited(job, { do: 'several', edits: commandsFor(job) }, NOW);
const commands = (job: Job) => job.hands.filter((h) => h.kind === 'command');

describe('commands by message', () => {
  const hatch = demoJob('hatch-shutter');
  const [one, two] = hatch.act.moves;

  it('are one for each move and one that takes turns, each on a topic of its own, and are not made twice', () => {
    const job = commanded(hatch);
    expect(commands(job).map((h) => h.begins)).toEqual([...hatch.act.moves.map((m) => [m.id]), [one!.id, two!.id]]);
    expect(new Set(commands(job).map((h) => h.topic)).size).toBe(hatch.act.moves.length + 1);
    expect(commands(job).at(-1)!.topic).toMatch(/^[a-z0-9-]+\/in-turn$/);
    expect(commandsFor(job)).toEqual([]);
  });

  it('are given a topic that the file can hold, whatever the job is called', () => {
    const job = commanded({ ...hatch, title: 'Ä b/#+ '.repeat(25).slice(0, 200) });
    expect(commands(job)).toHaveLength(hatch.act.moves.length + 1);
    for (const h of commands(job)) expect(h.topic).toMatch(/^[\p{L}\p{N}-]{1,60}\/[a-z-]+$/u);
  });

  it('have no line and no wire, and neither settle nor stay: they fall back by themselves', () => {
    const job = commanded(hatch);
    expect(linesOf(job, []).map((l) => l.id)).toEqual(linesOf(hatch, []).map((l) => l.id));
    const [first] = commands(job);
    expect(handThing(job, first!)).toMatchObject({
      wires: [],
      parts: [],
      findings: [{ verdict: 'tight', caption: 'started from afar' }],
    });
    const deed = handsIn(edited(job, { do: 'put', list: 'hands', item: { ...first!, latching: true } }, NOW)).find(
      (d) => d.id === first!.id,
    );
    expect(deed).toMatchObject({ does: 'command', latching: false, debounceSeconds: 0, moves: [0] });
  });

  it('say what they begin and that they ask for arming where anything arms', () => {
    const job = commanded(hatch);
    const words = (j: Job): string => handThing(j, commands(j).at(-1)!).what;
    expect(words(job)).toBe(
      `begins “${one!.name}” and “${two!.name}” in turn at each message on ${commands(job).at(-1)!.topic}, ` +
        'behind every hand; it falls back by itself',
    );
    const arm = { ...freshHand('arm', 'arm switch'), kind: 'arm' as const };
    const armed = edited(job, { do: 'put', list: 'hands', item: arm }, NOW);
    expect(words(armed)).toContain(', only while armed, behind');
    expect(handThing(armed, commands(armed)[0]!).findings).toEqual([]);
  });

  it('are unknown as long as no topic and no move is named', () => {
    const bare = { ...freshHand('far', 'far'), kind: 'command' as const };
    expect(handThing(hatch, bare).findings.map((f) => [f.verdict, f.caption])).toEqual([
      ['tight', 'started from afar'],
      ['unknown', 'no topic yet'],
      ['unknown', 'command begins nothing'],
    ]);
    expect(handThing(hatch, bare).what).toBe('begins nothing yet');
  });
});
