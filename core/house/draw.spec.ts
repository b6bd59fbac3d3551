import { describe, expect, it } from 'vitest';
import { assess } from './assess';
import { drawRewiring, drawState, drawWay } from './draw';
import type { Mark, Sheet } from '../build/drawing';
import {
  BOX_WIRINGS,
  freshPress,
  isJointWay,
  MOTOR_WIRINGS,
  WAYS,
  type Job,
  type Press,
  type Way,
} from '../ground/job';
import { wiringSvg } from '../rooms/pack/wiring-svg';
import { demoJob, pressed } from '../testing/jobs';

/** The outlet of the glass washer, wired in, with a press. */
function wiredIn(): Job {
  const washer = demoJob('glass-washer');
  const profiles = washer.board.profiles.map((p) => ({
    ...p,
    module: p.module && { ...p.module, fit: 'wired-in' as const },
  }));
  return { ...washer, board: { ...washer.board, profiles }, presses: [freshPress('outlet', 'outlet')] };
}

/** A demo job on which each way has something to draw. */
const JOB_FOR: Partial<Record<Way, Job>> = {
  'strobe-answer': demoJob('dough-proofer'),
  'logic-injector': demoJob('dough-proofer'),
  finger: demoJob('extractor-rocker'),
  'reverse-motor': demoJob('hatch-shutter'),
  'hand-mechanism': demoJob('hatch-shutter'),
  'control-box': demoJob('extractor-rocker'),
  'drive-signal': demoJob('hood-fan'),
  'module-contact': wiredIn(),
};
const pot = pressed(demoJob('rice-pot'), { remote: { has: 'yes', batteryVolts: 3, pullOhms: 1e5 } });

function drawn(way: Way): { sheet: Sheet; wires: number[]; shot: number[] } {
  const job = pressed(JOB_FOR[way] ?? pot, { way });
  const a = assess(job);
  const result = a.plans[0]!.way!;
  return {
    sheet: drawWay(job, a, job.presses[0]!, result),
    wires: result.wires.map((w) => w.number),
    // The one-shot, a pull-down and the emitter stand beside the joint, with their wires at both ends.
    shot: result.wires
      .filter((w) => w.to.startsWith('one-shot') || w.ends.some((e) => e.at === 'leg' && e.beside))
      .map((w) => w.number),
  };
}
const tags = (s: Sheet): number[] => s.marks.flatMap((m) => (m.kind === 'tag' ? [m.number] : []));

/** Every x and y that a path names in absolute commands, lines only. */
function points(d: string): { x: number[]; y: number[] } {
  const out: { x: number[]; y: number[] } = { x: [], y: [] };
  for (const [, command, rest] of d.matchAll(/([MLHV])([^A-Za-z]*)/g)) {
    const n = rest!
      .trim()
      .split(/[\s,]+/)
      .map(Number);
    if (command === 'H') out.x.push(...n);
    else if (command === 'V') out.y.push(...n);
    else n.forEach((v, i) => (i % 2 ? out.y : out.x).push(v));
  }
  return out;
}
const inside = (s: Sheet, m: Mark): boolean => {
  const { x, y } = m.kind === 'path' ? points(m.d) : { x: [m.x], y: [m.y] };
  return [...x].every((v) => v >= -1 && v <= s.width + 1) && [...y].every((v) => v >= -1 && v <= s.height + 1);
};

describe('drawings', () => {
  // A worker's message is a copy: what is drawn must not hang on which very object an end is.
  it.each(WAYS.filter((w) => w !== 'spare-terminals'))(
    'of %s are the same from a copy of what was worked out',
    (way) => {
      const job = pressed(JOB_FOR[way] ?? pot, { way });
      const a = assess(job);
      const copy = structuredClone(a.plans[0]!.way!);
      expect(drawWay(job, a, job.presses[0]!, copy)).toEqual(drawWay(job, a, job.presses[0]!, a.plans[0]!.way!));
    },
  );

  it.each(WAYS.filter((w) => w !== 'spare-terminals'))('of %s number every wire, and stay on their sheet', (way) => {
    const { sheet, wires, shot } = drawn(way);
    expect(wires.length).toBeGreaterThan(1);
    const found = tags(sheet);
    // A joint shows each number once, a wiring and the one-shot's own wires at both ends.
    for (const n of wires)
      expect(found.filter((t) => t === n).length, `wire ${n}`).toBe(isJointWay(way) && !shot.includes(n) ? 1 : 2);
    expect(sheet.width).toBeLessThanOrEqual(724);
    for (const m of sheet.marks) {
      expect(inside(sheet, m), JSON.stringify(m)).toBe(true);
      expect(JSON.stringify(m)).not.toMatch(/NaN|undefined|null/);
    }
  });

  it('keep the two numbers of different wires apart, so that none covers another', () => {
    for (const way of ['reverse-motor', 'control-box', 'logic-injector'] as const) {
      const all = drawn(way).sheet.marks.flatMap((m) => (m.kind === 'tag' ? [m] : []));
      for (const a of all)
        for (const b of all)
          if (a !== b)
            expect(Math.hypot(a.x - b.x, a.y - b.y), `${way}: ${a.number} and ${b.number}`).toBeGreaterThan(20);
    }
  });

  it('of a reversing wiring move their contacts with the coils, and name what the motor does', () => {
    const words = (s: Sheet) => s.marks.flatMap((m) => (m.kind === 'text' ? [m.text] : []));
    for (const wiring of MOTOR_WIRINGS) {
      const job = pressed(demoJob('hatch-shutter'), {
        motor: { ...demoJob('hatch-shutter').presses[0]!.motor, wiring },
      });
      const on = wiring === 'bridge' ? { IN1: true } : { K1: true, K2: wiring === 'double-pole' };
      expect(drawState(job.presses[0]!, 'reverse-motor', {})).not.toEqual(
        drawState(job.presses[0]!, 'reverse-motor', on),
      );
      expect(words(drawState(job.presses[0]!, 'reverse-motor', on)).join(' ')).toMatch(/runs (for|back)ward/);
    }
    for (const boxWiring of BOX_WIRINGS) {
      const job = pressed(demoJob('extractor-rocker'), {
        motor: { ...demoJob('extractor-rocker').presses[0]!.motor, boxWiring },
      });
      expect(
        words(drawState(job.presses[0]!, 'control-box', { K1: true, K2: true })).includes('up and down at once'),
      ).toBe(boxWiring === 'box-plain');
    }
  });

  it('of a finger follow its angle and the way it presses', () => {
    const job = demoJob('extractor-rocker');
    const at = (set: Partial<Press['finger']>): string => {
      const next = pressed(job, { finger: { ...job.presses[0]!.finger, ...set } });
      const a = assess(next);
      return JSON.stringify(drawWay(next, a, next.presses[0]!, a.plans[0]!.way!));
    };
    expect(at({ pressDegrees: 30 })).not.toBe(at({ pressDegrees: 60 }));
    expect(at({ on: 'rocker' })).toContain('either half');
    expect(at({ on: 'button' })).not.toContain('either half');
  });

  it('show a stepper before and after its tap is cut', () => {
    const [before, after] = drawRewiring();
    expect(JSON.stringify(before)).toContain('five wires');
    expect(JSON.stringify(after)).toContain('four wires');
  });

  it('go onto paper with the wire table below them, wholly on the page', () => {
    const { sheet } = drawn('reverse-motor');
    const wires = [{ number: 1, from: 'a', to: 'b', colour: 'red' }];
    const svg = wiringSvg('t', '2026-01-01', sheet, wires, ['c']);
    const height = Number(/viewBox="0 0 724 (\d+)/.exec(svg)![1]);
    expect(height).toBeGreaterThan(sheet.height + 100);
    // At 180 mm of width the sheet is no higher than an A4 page, 297 mm, less 10 mm above and below.
    expect((height / 724) * 180).toBeLessThan(277);
  });
});
