// Answers to stories, on random machines: each that is offered is taken, and what went wrong is let happen again at hundreds of other
// instants, by plain runs and not by the search that offered it. `ANSWERS_MACHINES` asks for more machines.
import { describe, expect, it } from 'vitest';
import { edited, type Fault, type Job } from '../core/ground/job';
import { seededRandom, type Random } from '../core/ground/quantity';
import { assess } from '../core/house/assess';
import { searchJob, searchOf, type Search } from '../core/house/stories';
import { triedAnswers } from '../core/house/tried-answers';
import { runScene } from '../core/rooms/act';
import { changed, demoJob } from '../core/testing/jobs';

const SEED = 20261201;
const MACHINES = Number(process.env['ANSWERS_MACHINES'] ?? 12);
/** Instants at which what went wrong happens again. */
const AGAIN = 120;

/** The gate with other times: how long it travels and is pressed, and how long it may stand open. */
function gateOf(random: Random): Job {
  const gate = demoJob('yard-gate');
  const between = (a: number, b: number): number => Math.round((a + (b - a) * random.next()) * 10) / 10;
  const [travel, press, open] = [between(6, 40), between(0.2, 1), between(1, 6)];
  const parts = gate.act.parts.map((p) => ({ ...p, runSeconds: travel, backSeconds: null }));
  const moves = gate.act.moves.map((m) => ({
    ...m,
    steps: m.steps.map((s) => (s.do === 'press' ? { ...s, seconds: press } : s)),
  }));
  const nevers = gate.wish.nevers.map((n) => ({ ...n, seconds: n.seconds * open }));
  return changed({ ...gate, act: { ...gate.act, parts, moves, faults: [] } }, 'wish', { nevers });
}

/** Whether a run of a job breaks a condition while these things go wrong. */
function breaks(search: Search, words: string, faults: readonly Fault[]): boolean {
  const { broken } = runScene(search.scene, {
    starts: search.starts,
    faults: [...faults],
    end: search.end,
    most: 400_000,
  });
  return broken.some((b) => b.words === words);
}

describe('answers to stories', () => {
  it(`cure what they are offered for, on ${MACHINES} random machines, whenever it happens`, () => {
    const random = seededRandom(SEED);
    let [offered, stories, runs] = [0, 0, 0];
    const left: string[] = [];
    for (let n = 0; n < MACHINES; n++) {
      const job = gateOf(random);
      const a = assess(job);
      const search = searchOf(job, a);
      if (!search) continue;
      const found = searchJob(search, 1);
      const tried = triedAnswers(job, a, found.broken);
      found.broken.forEach((story, i) => {
        stories++;
        for (const answer of tried[i]!.cures) {
          offered++;
          const after = edited(job, answer.edit, job.touchedAt);
          const anew = searchOf(after, assess(after))!;
          for (let k = 0; k < AGAIN; k++) {
            const faults = story.faults.map((f) => ({ ...f, atSeconds: random.next() * anew.end }));
            if (faults.length === 0) break;
            runs++;
            if (breaks(anew, story.never.words, faults)) left.push(`${n}: ${answer.words}: ${JSON.stringify(faults)}`);
          }
        }
      });
    }
    console.log(
      `${MACHINES} machines: ${stories} stories, ${offered} answers, ${runs} runs, ${left.length} broken again`,
    );
    expect(left.slice(0, 5)).toEqual([]);
    expect(offered).toBeGreaterThan(0);
  });
});
