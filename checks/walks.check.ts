// Machines walked from an empty job to a packed program by what a maker can do and nothing else: note lines, remedies as they are offered,
// fields. Each program is compiled, its first move run on the host, and its edges held against the engine's own run.
import { copyFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { describe, expect, it } from 'vitest';
import { firstMove, moveBy, oneRun, policiesFor, READY_MACHINES, asReady, type PolicyKind } from '../core/rooms/act';
import { assignPins, profileOf } from '../core/rooms/board';
import { controlFromPair, stripState } from '../core/rooms/probe';
import { assess } from '../core/house/assess';
import { filesOf } from '../core/house/deliver';
import { readNoteLine } from '../core/ground/notes';
import {
  BENCH_MAINS,
  edited,
  freshJob,
  freshMove,
  freshPress,
  freshSense,
  machineOf,
  stepOf,
  type Job,
  type JobEdit,
  type Way,
} from '../core/ground/job';
import { pinOf } from '../core/build/lines';
import { inFolder, runProgram } from './programs';

/** A job as somebody works on it, one thing after the other. */
class Walk {
  private at = Date.parse('2026-03-02T14:00:00Z');
  job: Job;

  constructor(title: string, mains: Partial<Job['survey']['mains']> = {}) {
    const fresh = freshJob({ title }, 'walk', this.now());
    this.job = { ...fresh, survey: { ...fresh.survey, mains: { ...BENCH_MAINS, ...mains } } };
  }

  private now(): string {
    this.at += 1000;
    return new Date(this.at).toISOString();
  }

  do(edit: JobEdit): this {
    this.job = edited(this.job, edit, this.now());
    return this;
  }

  note(...lines: string[]): this {
    for (const line of lines) {
      const now = this.now();
      const read = readNoteLine(line, this.job, { id: `r${this.at}`, now });
      if (!read.ok) throw new Error(`${line}: ${read.message}`);
      this.do(read.edit);
    }
    return this;
  }

  /** Takes the remedy of the finding whose id begins so. */
  remedy(id: string): this {
    const f = assess(this.job).findings.find((x) => x.id.startsWith(id) && x.verdict !== 'settled' && x.remedy?.edit);
    if (!f?.remedy?.edit) throw new Error(`nothing offers a remedy at ${id}`);
    return this.do(f.remedy.edit);
  }

  /** The press of a control, by a way: that which came with the control, or one more. */
  press(way: Way, control = this.job.controls[0]!): this {
    const known = this.job.presses.find((p) => p.control === control.id);
    return this.do({
      do: 'put',
      list: 'presses',
      item: { ...(known ?? { ...freshPress(control.name, control.name), control: control.id }), way },
    });
  }

  /** Every line on a pin, as Board places them. */
  placed(): this {
    const done = assignPins(this.job, assess(this.job).lines, profileOf(this.job)!);
    if (!done.ok) throw new Error('not all lines can be placed');
    return this.do({ do: 'set', at: 'board', set: { pins: [...done.pins] } });
  }

  machine(key: string): this {
    const ready = READY_MACHINES.find((m) => m.key === key)!;
    return this.do({ do: 'put', list: 'act.parts', item: asReady(this.job, machineOf(this.job), ready) });
  }

  move(kind: PolicyKind, set: Partial<ReturnType<typeof freshMove>> = {}): this {
    const move = { ...firstMove(this.job), ...set };
    const policy = policiesFor(this.job, move).find((p) => p.kind === kind)!;
    if (policy.lacks) throw new Error(`${kind}: ${policy.lacks}`);
    return this.do({ do: 'put', list: 'act.moves', item: moveBy(move, policy) });
  }

  verdict(id: string): string {
    return assess(this.job).findings.find((f) => f.id === id)?.verdict ?? 'none';
  }
}

const END_MS = 120_000;
const START_MS = 500;
/**
 * The first move of the packed program on the host: when the pin of the first press changes, ms after the start.
 * @param more what comes beside the start, its senses at rest before: ms, pin, level.
 */
function onHost(job: Job, more: readonly number[] = []): readonly { readonly ms: number; readonly level: number }[] {
  const pin = pinOf(job, job.presses[0]!.id);
  // A contact at rest says so from the beginning.
  const atRest = assess(job).lines.flatMap((l) =>
    l.of === 'sense' && job.senses.some((x) => x.id === l.owner && x.tells === 'at-rest')
      ? [0, pinOf(job, l.id)!, l.active === 'high' ? 1 : 0]
      : [],
  );
  return inFolder((folder) => {
    for (const f of filesOf(job, assess(job))) if (/\.[ch]$/.test(f.name)) writeFileSync(join(folder, f.name), f.text);
    copyFileSync(fileURLToPath(new URL('./host/world.c', import.meta.url)), join(folder, 'world.c'));
    const flags = ['-std=c99', '-Wall', '-Wextra', '-Wpedantic', '-Werror', '-O1'];
    runProgram('cc', [...flags, '-o', 'world', 'gentle_thumb.c', 'world.c'], { cwd: folder });
    return runProgram(join(folder, 'world'), [END_MS, 3600, ...atRest, START_MS, -1, 0, ...more].map(String))
      .trim()
      .split('\n')
      .map((l) => l.split(' ').map(Number))
      .flatMap(([ms, what, level]) => (what === pin && ms! >= START_MS ? [{ ms: ms! - START_MS, level: level! }] : []));
  });
}

/** The first press of the packed program lasts as long as the engine's does. */
function sameFirstPress(job: Job): void {
  const [on, off] = onHost(job);
  const run = oneRun(job, [], 0, 0);
  const name = job.presses[0]!.name;
  const span = run?.outputs.find((o) => o.name.startsWith(name))?.spans[0];
  expect(span, `the engine presses: ${JSON.stringify(run?.outputs)}`).toBeDefined();
  expect(Math.round(1000 * span!.from)).toBe(on!.ms);
  expect(Math.round(1000 * span!.to)).toBe(off!.ms);
}

describe('machines walked from an empty job to a program', () => {
  it('a yard door on a strip of six: the pair that listens, a contact at rest, and a program that looks first', () => {
    const w = new Walk('Yard roller door');
    w.do({
      do: 'set',
      at: 'wish',
      set: { outcome: 'it opens at five', hazards: ['moving-door'], hazardsReviewed: true },
    });
    w.note('ground to mains off >20M', 'strip door 6');
    // 1 is 24 V, 2 and 4 are 0 V, 3 hangs on 24 V through 4.7 kΩ, 5 and 6 are a dry contact.
    const volts = [24, 0, 24, 0, Number.NaN, Number.NaN];
    let state = stripState(w.job, w.job.survey.strips[0]!);
    for (let n = 0; n < 60 && state.next && !state.found; n++) {
      const { a, b, kind, state: load, notePrefix } = state.next;
      const [va, vb] = [volts[a - 1]!, volts[Number(b) - 1]!];
      const listens = [a, Number(b)].includes(3) && (va === 0 || vb === 0);
      const loaded = listens ? (24 * 1000) / 5700 : 24;
      const across = Number.isNaN(va + vb)
        ? 0
        : Math.sign(va - vb) * (load === 'loaded' && va !== vb ? loaded : Math.abs(va - vb));
      const answer =
        b === 'mains'
          ? '>20M'
          : b === 'earth'
            ? '0.4 VAC'
            : kind === 'volts-ac'
              ? '0.0 VAC'
              : kind === 'jumper'
                ? listens
                  ? 'moves'
                  : 'nothing'
                : `${across.toFixed(1)} V`;
      w.note(`${notePrefix} ${answer}`);
      state = stripState(w.job, w.job.survey.strips[0]!);
    }
    expect([state.found?.a, Number(state.found?.b)].includes(3)).toBe(true);
    w.do(controlFromPair(w.job, w.job.survey.strips[0]!, { ...state.found!, dcVolts: 24 }, () => `c${Math.random()}`));
    w.press('solid-state-relay', w.job.controls.at(-1));
    w.remedy('sense.blind');
    w.placed().machine('gate');
    w.do({
      do: 'put',
      list: 'act.parts',
      item: { ...machineOf(w.job), runSeconds: 18, shortestPressSeconds: 0.15 },
    });
    w.move('look-first', { name: 'open', purpose: 'open' });
    expect(w.verdict('act.run')).not.toBe('stop');
    sameFirstPress(w.job);
  });

  it('a larder vent on a motor with end switches: directions apart, held until an end says so', () => {
    const w = new Walk('Larder vent', { feed: 'none' });
    w.note('vent look two wires', 'vent A-B off 2.4 ohm', 'vent A to ground off >20M', 'vent B to ground off >20M');
    w.press('reverse-motor');
    w.remedy('thumb.reverse-motor.stall');
    w.do({
      do: 'set',
      at: 'press.motor',
      of: w.job.presses[0]!.id,
      set: { supplyVolts: 12, runningAmps: 0.8, coastSeconds: 0.4 },
    });
    w.do({
      do: 'put',
      list: 'senses',
      item: { ...freshSense('end', 'open end'), kind: 'contact', tells: 'at-end', touches: 'own' },
    });
    w.placed().machine('shutter');
    w.do({
      do: 'put',
      list: 'act.parts',
      item: { ...machineOf(w.job), runSeconds: 9, backSeconds: 9, shortestPressSeconds: 0.05 },
    });
    w.move('look-first', { name: 'open', purpose: 'open' });
    // Held until the end says so, and not for a time; two directions, whose order run and program keep.
    expect(w.job.act.moves[0]!.steps.some((s) => s.do === 'hold' && s.sense === 'end')).toBe(true);
    expect(assess(w.job).findings.find((f) => f.id.startsWith('act.sequence'))?.caption).toBe('order kept');
    // The end says so after nine seconds, closed against ground; where it never does, the hold ends by itself and help is called.
    const [on, off] = onHost(w.job, [START_MS + 9000, pinOf(w.job, 'end')!, 0]);
    expect(on!.ms).toBe(0);
    expect(off!.ms).toBeGreaterThanOrEqual(9000);
    expect(off!.ms).toBeLessThan(9100);
    const longest = w.job.act.moves[0]!.steps.find((x) => x.do === 'hold')!.seconds;
    expect(onHost(w.job)[1]!.ms).toBe(Math.round(1000 * longest));
  });

  it('a scullery rocker under a servo: the servo that fits is offered, and both halves are pressed', () => {
    const w = new Walk('Scullery rocker', { feed: 'wired' });
    w.note('light look rocker');
    w.press('finger');
    const press = w.job.presses[0]!.id;
    w.do({ do: 'set', at: 'press.finger', of: press, set: { on: 'rocker', axisMetres: 0.02, otherDegrees: -45 } });
    for (const id of ['thumb.finger.force', 'thumb.finger.reach', 'thumb.finger.most-force'])
      if (w.verdict(id) === 'stop') w.remedy(id);
    for (const id of ['force', 'most-force', 'reach', 'over-travel', 'reach-other', 'tape'])
      expect(w.verdict(`thumb.finger.${id}`), id).not.toBe('stop');
    w.placed().machine('rocker');
    w.do({
      do: 'put',
      list: 'act.moves',
      item: {
        ...freshMove('on', 'on and off'),
        steps: [
          stepOf('press', { press, seconds: 0.8 }),
          stepOf('wait', { seconds: 1 }),
          stepOf('press', { press, seconds: 0.8, other: true }),
        ],
      },
    });
    // Pressed, back at rest, the other half, back again.
    expect(onHost(w.job).map((e) => e.level)).toEqual([1, 0, 2, 0]);
    expect(onHost(w.job).map((e) => e.ms)).toEqual([0, 800, 1800, 2600]);
  });

  it('a dough warmer told by its watts: two buttons in turn, and the watts are a function to fill in', () => {
    const w = new Walk('Dough warmer');
    for (const name of ['power', 'start'])
      w.note(
        `ground to mains off >20M`,
        `${name} A to mains off >20M`,
        `${name} B to mains off >20M`,
        `${name} A to earth on 0.3 VAC`,
        `${name} A to earth plug-turned 0.3 VAC`,
        `${name} look springs back`,
        `${name} B to ground off 0.1 ohm`,
        `${name} A idle 4.98 V`,
        `${name} A-B pressed 0.4 ohm`,
        `${name} short 0.498 mA`,
      );
    const [power, start] = w.job.controls;
    w.press('solid-state-relay', power).press('solid-state-relay', start);
    const [first, second] = w.job.presses;
    w.do({
      do: 'put',
      list: 'senses',
      item: { ...freshSense('watts', 'watts'), kind: 'current', tells: 'at-work', touches: 'own' },
    });
    w.placed();
    w.do({
      do: 'put',
      list: 'act.moves',
      item: {
        ...freshMove('warm', 'warm'),
        steps: [
          stepOf('press', { press: first!.id, seconds: 0.18 }),
          stepOf('wait', { seconds: 1 }),
          stepOf('press', { press: second!.id, seconds: 0.18 }),
          stepOf('until', { sense: 'watts', is: false, seconds: 60, orElse: 'call' }),
        ],
      },
    });
    expect(filesOf(w.job, assess(w.job)).find((f) => f.name === 'gentle_thumb.h')?.text).toContain('gt_read_sense');
    expect(onHost(w.job).map((e) => e.ms)).toEqual([0, 180]);
  });
});
