// The joints' physics by native ngspice on part models of our own, with their spread from part to part and from 0 to 60 °C:
// none of the app's netlists. What the app says of the same joint is held against it.
import { chosenIn, pressed } from '../core/testing/jobs';
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { contactAt, SHIPPED_BOARDS } from '../core/rooms/board';
import { assess } from '../core/house/assess';
import type { PressFact } from '../core/ground/facts';
import type { Job, Way } from '../core/ground/job';
import { APART, dryPair, finished, lowButton, said, scannedKey } from './bench-jobs';
import { inFolder, runProgram } from './programs';

/** The operating point, or the mean over the last part of a transient, of some vectors. */
function solve(lines: readonly string[], vectors: readonly string[], tran = ''): number[] {
  return inFolder((folder) => {
    const control = tran
      ? [
          '.control',
          'set filetype=ascii',
          tran,
          ...vectors.map((v, i) =>
            /^(rms|max|min) /.test(v)
              ? `meas tran m${i} ${v.slice(0, 3).toUpperCase()} ${v.slice(4)} from=0.1 to=0.2`
              : `meas tran m${i} AVG ${v} from=0.1 to=0.2`,
          ),
          'quit 0',
          '.endc',
        ]
      : ['.control', 'op', ...vectors.map((v) => `print ${v}`), 'quit 0', '.endc'];
    writeFileSync(join(folder, 'own.cir'), ['* own model', ...lines, ...control, '.end', ''].join('\n'));
    const out = runProgram('ngspice', ['-b', join(folder, 'own.cir')]);
    return vectors.map((v, i) => {
      const m = tran
        ? new RegExp(`^m${i}\\s*=\\s*(\\S+)`, 'm').exec(out)
        : new RegExp(`^${v.replace(/[()#.]/g, '\\$&')} = (\\S+)`, 'm').exec(out);
      if (!m) throw new Error(`no ${v} in: ${out.slice(0, 800)}`);
      return Number(m[1]);
    });
  });
}

const BETAS = [60, 150, 400];
const DEGREES = [0, 25, 60];
const npn = (beta: number): string =>
  `.model own NPN(IS=2e-14 BF=${beta} BR=3 VAF=80 ISE=1e-14 NE=1.6 XTB=1.6 EG=1.11)`;
const LED = '.model red D(IS=4e-19 N=1.25 RS=3 EG=1.6 XTI=3)';
const way = (job: Job, name: Way) => chosenIn(pressed(finished(job), { way: name, resistorOhms: null }));
const valueOf = (job: Job, name: Way, id: string): number =>
  way(job, name).findings.find((f) => f.id === `thumb.${name}.${id}`)!.value!.value;
const button = said([...APART, ...lowButton(4.98, 10e3)]);

describe('our own part models', () => {
  it('close an NPN across 5 V and 10 kΩ to less than the app reckons with, at every gain and temperature', () => {
    const ohms = way(button, 'npn-to-ground').press.resistorOhms!;
    for (const beta of BETAS)
      for (const t of DEGREES) {
        const [v] = solve(
          [
            `.options temp=${t}`,
            'Vcc vcc 0 5.05',
            'Rp vcc sig 9.8k',
            `Vpin pin 0 2.9`,
            `Rb pin b ${ohms * 1.05}`,
            'Q1 sig b 0 own',
            npn(beta),
          ],
          ['v(sig)'],
        );
        expect(v, `β ${beta}, ${t} °C`).toBeLessThan(valueOf(button, 'npn-to-ground', 'pressed-level'));
        expect(v).toBeGreaterThan(0);
      }
  });

  it('keep an NPN off under 0.4 V at its base, and pass current at the 0.83 V that 10 kΩ would leave of a 30 kΩ pull-up', () => {
    for (const t of DEGREES) {
      const open = (ohms: number): number =>
        solve(
          [
            `.options temp=${t}`,
            'Vcc vcc 0 5',
            'Rp vcc sig 100k',
            'Vio io 0 3.3',
            'Rweak io b 30k',
            `Rdown b 0 ${ohms}`,
            'Q1 sig b 0 own',
            npn(400),
          ],
          ['v(sig)'],
        )[0]!;
      expect(open(3300), `3.3 kΩ at ${t} °C`).toBeGreaterThan(3.5);
      expect(open(10_000), `10 kΩ at ${t} °C`).toBeLessThan(1.5);
    }
    const press: PressFact = way(button, 'npn-to-ground').press;
    expect(contactAt('weak-high', press, true, SHIPPED_BOARDS[0]!).contact).toBe('open');
    expect(contactAt('weak-high', press, false, SHIPPED_BOARDS[0]!).contact).toBe('closed');
  });

  it('let an optocoupler sink what the app counts on, aged and warm, with a transfer that falls at low current', () => {
    const ohms = way(button, 'optocoupler').press.resistorOhms!;
    for (const t of DEGREES) {
      // Half aged of a 50 % part, a quarter less when warm, and falling below 5 mA.
      const lines = [
        `.options temp=${t}`,
        'Vcc vcc 0 5.05',
        'Rp vcc sig 9.8k',
        'Vpin pin 0 2.9',
        `Rs pin a ${ohms * 1.05}`,
        'D1 a k red',
        'Vs k 0 0',
        LED,
        `Bphoto sig b I=0.25*${t === 60 ? 0.75 : 1}/150*I(Vs)*min(1,sqrt(abs(I(Vs))/5m))`,
        'Q1 sig b 0 own',
        npn(150),
      ];
      expect(solve(lines, ['v(sig)'])[0], `${t} °C`).toBeLessThan(1.48);
    }
  });

  // An active-low pad draws current from the pulled-up sense line into its strobe: a collector on the strobe conducts backwards, if at all.
  it('pull a sense line low with the collector on it, and not with the collector on the strobe', () => {
    const level = (collector: string, emitter: string): number =>
      solve(
        [
          'Vcc vcc 0 4.96',
          'Rp vcc sense 22k',
          'Vstrobe strobe 0 0.1',
          'Vpin pin 0 2.9',
          'Rs pin a 220',
          'D1 a k red',
          'Vs k 0 0',
          LED,
          `Bphoto ${collector} b I=0.5/150*I(Vs)`,
          `Q1 ${collector} b ${emitter} own`,
          '.model own NPN(IS=2e-14 BF=150 BR=0.1 VAF=80)',
        ],
        ['v(sense)'],
      )[0]!;
    expect(level('sense', 'strobe')).toBeLessThan(0.3 * 4.96);
    expect(level('strobe', 'sense')).toBeGreaterThan(0.3 * 4.96);
    const key = said([...APART, ...scannedKey(4.96), 'it B loaded-10k 1.55 V']);
    expect(way(key, 'optocoupler').wires.find((w) => w.from === 'collector')!.to).toBe('it B');
  });

  it('rectify a 24 VAC loop with an NPN at rest, half of it through the pin: the app stops that', () => {
    // Loop of 24 VAC behind 1.25 kΩ; the base behind 3.3 kΩ to a pin that clamps to its rails.
    const lines = [
      'Vac l 0 SIN(0 33.9 50)',
      'Rl l sig 1.25k',
      'Q1 sig b 0 own',
      npn(200),
      'Rb b pin 1k',
      'Rlow pin 0 50',
      'Dc 0 pin clamp',
      '.model clamp D(IS=1e-12)',
      'Dbc b sig junction',
      '.model junction D(IS=2e-14)',
    ];
    const [amps] = solve(lines, ['rms i(Vac)'], 'tran 50u 0.2');
    // 19.2 mA flow when it is closed.
    expect(Math.abs(amps!)).toBeGreaterThan(8e-3);
    const loop = said([...APART, ...dryPair('24 VAC', 19.2)]);
    for (const name of ['npn-to-ground', 'nmos-to-ground', 'optocoupler'] as const)
      expect(way(loop, name).verdict).toBe('stop');
    expect(way(loop, 'solid-state-relay').verdict).not.toBe('stop');
  });

  it('show 98 V of a Y capacitor into 10 MΩ and 1.1 V into 10 kΩ, and let a tie stand', () => {
    // Class II supply: 1.1 nF from each conductor to the low side, live at 230 V, neutral at earth.
    const volts = (load: number, tieOhms: number): number =>
      solve(
        ['Vm live 0 SIN(0 325 50)', 'Cl live low 1.1n', 'Cn 0 low 1.1n', `Rt live low ${tieOhms}`, `Rm low 0 ${load}`],
        ['rms v(low)'],
        'tran 20u 0.2',
      )[0]!;
    expect(volts(10e6, 1e12)).toBeGreaterThan(80);
    const loaded = volts(9_990, 1e12);
    expect(loaded).toBeLessThan(2.5);
    expect(volts(9_990, 180e3)).toBeGreaterThan(2.5);
    const judged = (v: number) =>
      assess(
        said([
          'ground to mains off >20M',
          'it A to mains off >20M',
          'it B to mains off >20M',
          'it A to earth on 97.8 VAC',
          `it A to earth loaded-10k ${v.toFixed(3)} VAC`,
        ]),
      ).findings.find((f) => f.id === 'probe.control-it.isolation-ac')!.verdict;
    expect(judged(loaded)).toBe('settled');
    expect(judged(volts(9_990, 180e3))).toBe('stop');
  });

  it('hold a coil’s current for milliseconds with a diode across it, inside what the app allows the armature', () => {
    // 70 Ω and 0.1 to 0.3 H, let go at 20 ms; dropped out at a tenth of 71 mA.
    for (const henries of [0.1, 0.2, 0.3]) {
      const out = inFolder((folder) => {
        writeFileSync(
          join(folder, 'coil.cir'),
          [
            '* coil',
            'Vs s 0 5',
            'Rc s m 70',
            `Lc m d ${henries}`,
            'D1 d s free',
            '.model free D(IS=1e-9)',
            'S1 d 0 g 0 sw',
            '.model sw SW(VT=0.5 RON=0.1 ROFF=10meg)',
            'Vg g 0 PWL(0 1 20m 1 20.01m 0)',
            '.control',
            'tran 10u 60m 0 10u',
            'meas tran off WHEN i(Lc)=7.1m FALL=LAST',
            'quit 0',
            '.endc',
            '.end',
            '',
          ].join('\n'),
        );
        return runProgram('ngspice', ['-b', join(folder, 'coil.cir')]);
      });
      const off = Number(/^off\s*=\s*(\S+)/m.exec(out)![1]) - 0.02;
      expect(off).toBeGreaterThan(1e-3);
      expect(off).toBeLessThan(valueOf(button, 'relay-contact', 'release'));
    }
  });

  it('bring a strobe’s answer through 2.2 kΩ to a level that the app reckons, and stops where the pull-up is strong', () => {
    for (const [pull, loaded] of [
      [4.7e3, 3.37],
      [22e3, 1.55],
    ] as const) {
      const [v] = solve(
        ['Vcc vcc 0 4.96', `Rp vcc sense ${pull}`, 'Rline sense pin 2200', 'Vpin pin 0 0'],
        ['v(sense)'],
      );
      const r = way(
        said([...APART, ...scannedKey(4.96), `it B loaded-10k ${loaded} V`]),
        'strobe-answer',
      ).findings.find((f) => f.id.endsWith('.level'))!;
      expect(r.value!.value).toBeGreaterThan(v! * 0.97);
      expect(r.value!.value).toBeLessThan(v! * 1.15);
      expect(r.verdict === 'stop').toBe(pull === 4.7e3);
    }
  });

  it('pull a module’s input in through a dead 3.3 V rail', () => {
    // Two LEDs of 1.45 V at a milliampere, 1 kΩ, the pin’s clamp into a dead rail of 100 Ω.
    const [amps] = solve(
      [
        'Vm m 0 5',
        'Vs m n 0',
        'R1 n a 1k',
        'D1 a b led',
        'D2 b pin led',
        '.model led D(IS=1e-21 N=1.3)',
        'Dc pin rail clamp',
        '.model clamp D(IS=1e-12)',
        'Rdead rail 0 100',
      ],
      ['i(vs)'],
    );
    expect(amps).toBeGreaterThan(0.8e-3);
    expect(way(button, 'relay-module').press.deadRailCloses).toBe(true);
  });
});
