// What the ways of pressing reckon in closed form, beside native ngspice: ripple of a filtered pulse width output, a
// clamp, a coil that lets go, a ladder, end switches with their diodes.
import { contextIn } from '../core/testing/jobs';
import { chosen } from '../core/ground/finding';
import { describe, expect, it } from 'vitest';
import { COIL_SECONDS } from '../core/engines/circuit';
import { readNoteLine } from '../core/ground/notes';
import { edited, freshJob, type Job } from '../core/ground/job';
import { clampAmps, pwmFilter } from '../core/engines/signal';
import { evaluateWay } from '../core/build/ways';
import { point, transient } from './spice';

describe('a level made of pulses', () => {
  it.each([
    [1000, 3.3, 10e3],
    [5000, 3.3, 10e3],
    [20e3, 5, 4700],
  ])('at %i Hz from %f V through %i Ω has the ripple that is reckoned, and settles in time', (hertz, volts, ohms) => {
    const f = pwmFilter(chosen('f', 'f', hertz, 'Hz'), chosen('V', 'V', volts, 'V'), ohms);
    const farads = f.farads.result.value;
    const settles = f.settles.result.value;
    const end = settles + 12 / hertz;
    const rows = transient(
      [
        '* filter',
        `Vp in 0 PULSE(0 ${volts} 0 1n 1n ${0.5 / hertz} ${1 / hertz})`,
        `Rf in out ${ohms}`,
        `Cf out 0 ${farads}`,
        `.ic v(out)=0`,
        `.tran ${0.02 / hertz} ${end} 0 ${0.02 / hertz} uic`,
        '.end',
        '',
      ].join('\n'),
      ['v(out)'],
    );
    const last = rows.filter((r) => r[0]! > end - 6 / hertz).map((r) => r[1]!);
    const [low, high] = [Math.min(...last), Math.max(...last)];
    expect((high - low) / f.ripple.result.value).toBeGreaterThan(0.9);
    expect((high - low) / f.ripple.result.value).toBeLessThan(1.1);
    // Half duty settles at half the swing; a hundredth of it may be left.
    expect(Math.abs((low + high) / 2 - volts / 2) / (volts / 2)).toBeLessThan(0.013);
  });
});

describe('a clamp and a coil', () => {
  it('take in and let go as reckoned', () => {
    // A Schottky-like clamp of 0.3 V at a tenth of a milliampere, into a stiff 3.3 V.
    const [amps] = point(
      [
        '* clamp',
        'Vin in 0 5',
        'R1 in pin 10k',
        'D1 pin rail clamp',
        'Vrail rail 0 3.3',
        '.model clamp D(IS=1.2e-9 N=1.0)',
        '.end',
        '',
      ].join('\n'),
      ['i(vrail)'],
    );
    expect(amps! / clampAmps(5, 3.3, 10e3).result.value).toBeGreaterThan(0.95);
    expect(amps! / clampAmps(5, 3.3, 10e3).result.value).toBeLessThan(1.05);

    // i(t) = I0·e^(−t·R/L) with the diode's drop neglected: the coil is never slower than that.
    const [ohms, start] = [70, 2e-3];
    const rows = transient(
      [
        '* coil',
        'Vs s 0 5',
        'Vm s a 0',
        `Lc a b ${COIL_SECONDS * ohms}`,
        `Rc b c ${ohms}`,
        'Dfree c s free',
        'S1 c 0 g 0 sw',
        `Vg g 0 PWL(0 1 ${start} 1 ${start + 1e-6} 0)`,
        '.model free D(IS=1e-9)',
        '.model sw SW(VT=0.5 VH=0.1 RON=0.1 ROFF=1e8)',
        '.tran 5u 12m 0 5u',
        '.end',
        '',
      ].join('\n'),
      ['i(vm)'],
    );
    const rated = rows.filter((r) => r[0]! < start).at(-1)![1]!;
    const letGo = rows.find((r) => r[0]! > start && r[1]! < 0.1 * rated)![0]! - start;
    const told = -COIL_SECONDS * Math.log(0.1);
    expect(letGo).toBeLessThan(told);
    expect(letGo).toBeGreaterThan(0.5 * told);
  });
});

describe('a closed switch on a ladder', () => {
  it('shifts the level as reckoned, at the corner that is shown', () => {
    const lines = [
      'ground to mains off >20M',
      'it A to mains off >20M',
      'it B to mains off >20M',
      'it A to earth on 0.3 VAC',
      'it look springs back',
      'it A idle 5.02 V',
      'it B to ground off 2.2k',
      'it A pressed 1.61 V',
      'it A neighbour 2.97 V',
      'it A-B pressed 0.3 ohm',
      'it short 0.728 mA',
    ];
    const at = (i: number): string => `2026-03-02T14:${String(i).padStart(2, '0')}:00Z`;
    const job = lines.reduce(
      (j: Job, line, i) => {
        const u = readNoteLine(line, j, { id: `r${i}`, now: at(i) });
        if (!u.ok) throw new Error(u.message);
        return edited(j, u.edit, at(i));
      },
      freshJob({ title: 'x' }, 'x', at(0)),
    );
    const context = contextIn(job);
    for (const way of ['solid-state-relay', 'relay-contact', 'relay-module'] as const) {
      const f = evaluateWay(way, context).findings.find((x) => x.id === `thumb.${way}.ladder`)!;
      const value = Object.fromEntries(f.steps[0]!.inputs.map((i) => [i.symbol, i.value]));
      const level = (on: number): number =>
        point(
          [
            '* ladder',
            'Vcc vcc 0 1',
            `Rp vcc sig ${value['R']}`,
            `Rk sig x ${value['R_key']}`,
            `Rs x 0 ${Math.max(on, 1e-6)}`,
            '.end',
            '',
          ].join('\n'),
          ['v(sig)'],
        )[0]!;
      expect(level(value['R_on']!) - level(0)).toBeCloseTo(f.value!.value, 5);
    }
  });
});

describe('end switches in a motor’s own leads', () => {
  /** Motor current with the upper end switch open: the bridge drives up (1) or down (−1), with or without the diodes. */
  const amps = (direction: 1 | -1, diodes: boolean): number => {
    const [a, b] = direction === 1 ? [12, 0] : [0, 12];
    // Moving up, current runs from OUT1 through the upper switch into M1 +. The lower switch is closed.
    const across = diodes ? ['D1 mp out1 d', 'D2 mm out2 d', '.model d D(IS=1e-12)'] : [];
    return point(
      [
        '* ends',
        `V1 out1 0 ${a}`,
        `V2 out2 0 ${b}`,
        'Rup out1 mp 1e9',
        'Rdown mm out2 0.01',
        'Rm mp x 6',
        'Vx x mm 0',
        ...across,
        '.end',
        '',
      ].join('\n'),
      ['i(vx)'],
    )[0]!;
  };
  it('stop the motor at the top and let it come back down, which it could not without the diodes', () => {
    expect(Math.abs(amps(1, true))).toBeLessThan(1e-3);
    expect(amps(-1, true)).toBeLessThan(-1.5);
    expect(Math.abs(amps(-1, false))).toBeLessThan(1e-3);
  });
});
