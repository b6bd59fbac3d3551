// Random jobs against a list of situations that must never be shown settled. The list is simple on purpose and knows
// nothing of the core: it looks at what was drawn, at the shipped table of parts, and at what leaves.
import { beforeAll, describe, expect, it } from 'vitest';
import { assess, type Assessment } from '../core/house/assess';
import { filesOf } from '../core/house/deliver';
import { type Room } from '../core/ground/job';
import { flips, inputsOf, turns, type Finding } from '../core/ground/finding';
import { formatQuantity, seededRandom } from '../core/ground/quantity';
import { demoJob, waysOf } from '../core/testing/jobs';
import { threadOf } from '../core/house/thread';
import { draw } from './forbidden-jobs';
import { FORBIDDEN, pressesOn } from './forbidden-rules';

/** Drawn anew each time with the same seed; `FORBIDDEN_JOBS` asks for more. */
const JOBS = Number(process.env['FORBIDDEN_JOBS'] ?? 600);
const SEED = 20261126;

const beads = (a: Assessment): Map<Room, string> => new Map(threadOf(a.findings).map((b) => [b.room, b.verdict]));
const problems: string[] = [];
const hits = new Map<string, number>();
const offered: { finding: Finding; where: string }[] = [];
let packed = 0;

beforeAll(() => {
  const random = seededRandom(SEED);
  for (let n = 0; n < JOBS; n++) {
    const d = draw(random);
    const a = assess(d.job);
    const ways = waysOf(d.job, a);
    const thread = beads(a);
    for (const f of FORBIDDEN) {
      if (!f.holds(d)) continue;
      hits.set(f.name, (hits.get(f.name) ?? 0) + 1);
      for (const room of f.rooms)
        if (thread.get(room) === 'settled')
          problems.push(
            `${n}: ${f.name}: ${room} is settled, ${d.way} on ${d.machine.lines.join('; ')}, ${d.isolation}`,
          );
    }
    // Nothing is signed off or ready over a stop.
    if (
      a.findings.some((f) => f.verdict === 'stop' && f.room !== 'try' && f.room !== 'pack') &&
      (thread.get('try') === 'settled' || thread.get('pack') === 'settled')
    )
      problems.push(`${n}: ready over a stop`);
    for (const w of ways) {
      const america = d.job.region.mainsVolts === 120;
      for (const x of w.wires) {
        const ends = `${x.from}|${x.to}`;
        const allowed = /earth(\||$)/.test(ends)
          ? america
            ? /^(green|green-yellow)$/
            : /^green-yellow$/
          : /neutral(\||$)/.test(ends)
            ? america
              ? /^(white|grey)$/
              : /^blue$/
            : /live(\||$)/.test(ends)
              ? america
                ? /^(black|red)$/
                : /^(brown|black|grey)$/
              : /^(?!green-yellow$)/;
        if (!allowed.test(x.colour)) problems.push(`${n}: ${w.way}, wire ${ends} is ${x.colour}`);
      }
    }
    if (n % 20 === 0) {
      for (const finding of a.findings) offered.push({ finding, where: `random ${n}` });
      for (const w of ways) for (const finding of w.findings) offered.push({ finding, where: `random ${n}, ${w.way}` });
      const c = filesOf(d.job, a).find((f) => f.name === 'gentle_thumb.c')?.text;
      const applies = ways.find((w) => w.way === d.way)!.applies;
      if (c && applies && !/holds pulses/.test(c)) {
        packed++;
        const level = Number(/\{ \d+, (\d) \},/.exec(c)![1]);
        if (level !== pressesOn(d.job, d.way)) problems.push(`${n}: the program presses ${d.way} on ${level}`);
        if (a.facts.presses[0]!.pressesOn !== (level ? 'high' : 'low')) problems.push(`${n}: strip and program differ`);
      }
    }
  }
  for (const name of [
    'rice-pot',
    'yard-gate',
    'larder-dehumidifier',
    'dough-proofer',
    'cold-room-alarm',
    'hatch-shutter',
    'extractor-rocker',
    'hood-fan',
    'steam-flaps',
  ] as const) {
    const job = demoJob(name);
    const a = assess(job);
    for (const finding of [...a.findings, ...waysOf(job, a).flatMap((w) => w.findings)])
      offered.push({ finding, where: name });
  }
});

describe(`${JOBS} random jobs`, () => {
  it('never show a forbidden situation settled', () => expect(problems.slice(0, 20)).toEqual([]));
  it.each(FORBIDDEN.map((f) => f.name))('met: %s', (name) => expect(hits.get(name) ?? 0).toBeGreaterThan(JOBS / 600));
  it('packed programs that press on the level of their way', () => expect(packed).toBeGreaterThan(JOBS / 100));
});

describe('explanations of all demo jobs and of five hundred random ones', () => {
  it(
    'offer only values that are possible, that were read or can be chosen, ' +
      'that change something, and that really turn the verdict',
    () => {
      const wrong: string[] = [];
      let count = 0;
      for (const { finding, where } of offered) {
        for (const flip of flips(finding)) {
          count++;
          const { input, now, to } = flip;
          const words =
            `${where}, ${finding.id}: ${input.name} of ` +
            `${formatQuantity(to, input.unit)} instead of ` +
            `${formatQuantity(now, input.unit)}`;
          if (!['measured', 'estimated', 'maker', 'default'].includes(input.origin.from))
            wrong.push(`${words}: neither read nor chosen`);
          if (formatQuantity(to, input.unit) === formatQuantity(now, input.unit)) wrong.push(`${words}: unchanged`);
          if (input.possible && (to < Math.min(input.possible[0], now) || to > Math.max(input.possible[1], now)))
            wrong.push(`${words}: impossible`);
          if (
            (input.origin.from === 'measured' || input.origin.from === 'estimated') &&
            (to / now > 2.001 || to / now < 0.499)
          )
            wrong.push(`${words}: no reading is that far off`);
          if (!turns(finding, flip)) wrong.push(`${words}: does not turn it`);
        }
      }
      expect(wrong.slice(0, 20)).toEqual([]);
      expect(count).toBeGreaterThan(JOBS / 10);
    },
  );
  it('give no number without an origin: every carried result is a step of the same chain', () => {
    for (const { finding, where } of offered) {
      const steps = [...finding.steps, ...(finding.limit?.steps ?? [])];
      for (const i of steps.flatMap((s) => s.inputs))
        if (i.origin.from === 'step')
          expect(
            steps.some((s) => s.symbol === i.symbol),
            `${where}, ${finding.id}: ${i.symbol}`,
          ).toBe(true);
      for (const i of inputsOf(finding.steps, finding.limit)) expect(i.origin.from).toBeTruthy();
    }
  });
});
