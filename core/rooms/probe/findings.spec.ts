import { describe, expect, it } from 'vitest';
import { assess } from '../../house/assess';
import { flips, type Finding } from '../../ground/finding';
import { SOURCES } from '../../ground/sources';
import { readNoteLine } from '../../ground/notes';
import { edited, freshFace, freshRail, type Job, type Survey } from '../../ground/job';
import { benchJob, demoJob, findingOf } from '../../testing/jobs';

const T = '2026-03-02T14:05:00Z';
const fresh = (): Job => benchJob();
const surveyed = (set: Partial<Survey>, job = fresh()): Job =>
  edited(job, { do: 'set', at: 'survey', set, say: 'test' }, T);
const probe = (job: Job): readonly Finding[] => assess(job).findings.filter((f) => f.room === 'probe');
const said = (...lines: string[]): Job =>
  lines.reduce((job, line, i) => {
    const u = readNoteLine(line, job, { id: `r${i}`, now: T });
    if (!u.ok) throw new Error(`${line}: ${u.message}`);
    return edited(job, u.edit, T);
  }, fresh());

describe('what Probe judges beside controls', () => {
  it('asks for a control only where nothing else is surveyed', () => {
    expect(probe(fresh()).map((f) => f.id)).toEqual(['probe.none']);
    expect(probe(said('strip back 4')).map((f) => f.id)).toEqual(['probe.strip.strip-back']);
  });

  it('leads along a strip in words, and calls mains on it a stop', () => {
    expect(findingOf(said('strip back 4'), 'probe.strip.strip-back')).toMatchObject({
      verdict: 'unknown',
      remedy: { text: 'Ohms from terminal 1 to live and neutral together, unplugged.' },
    });
    expect(findingOf(said('strip back 4', 'back 2 to mains off 90k'), 'probe.strip.strip-back').verdict).toBe('stop');
  });

  it('tells a rail that can feed from one that cannot, one that is always there from one that is not', () => {
    const rail = {
      ...freshRail('r', 'logic'),
      openVolts: 5,
      loadedVolts: 4.9,
      loadAmps: 0.1,
      whileIdle: true,
      whileRunning: true,
      rippleVolts: 0.02,
    };
    const good = surveyed({ rails: [rail] });
    // 1 Ω behind 5 V: a sag of 0.25 V at 250 mA; but only 100 mA were tried, and half of those are used.
    expect(findingOf(good, 'probe.rail.r.usable').verdict).toBe('settled');
    expect(findingOf(good, 'probe.rail.r.usable').value!.value).toBeCloseTo(0.05, 9);
    expect(findingOf(good, 'probe.rail.r.when').verdict).toBe('settled');
    expect(findingOf(good, 'probe.rail.r.ripple').value!.value).toBeCloseTo(0.4, 9);
    const poor = surveyed({
      rails: [
        {
          ...rail,
          loadedVolts: 2,
          whileIdle: false,
          rippleVolts: 0.6,
          storedFarads: 4.7e-3,
          bleedOhms: 1e6,
          storedVolts: 300,
        },
      ],
    });
    expect(findingOf(poor, 'probe.rail.r.usable').verdict).toBe('tight');
    expect(findingOf(poor, 'probe.rail.r.when')).toMatchObject({
      verdict: 'tight',
      remedy: { text: expect.stringContaining('cannot feed a controller') },
    });
    expect(findingOf(poor, 'probe.rail.r.ripple').verdict).toBe('tight');
    expect(findingOf(poor, 'probe.rail.r.wait').verdict).toBe('tight');
    expect(
      findingOf(surveyed({ rails: [{ ...freshRail('r', 'x'), openVolts: 5 }] }), 'probe.rail.r.usable').verdict,
    ).toBe('unknown');
  });

  it('warns of a front where no finger holds, and of ghosts only where somebody else presses', () => {
    const control = edited(fresh(), { do: 'add-control', id: 'c', name: 'start' }, T);
    const narrow = surveyed({ faces: [{ ...freshFace('c'), neighbourMetres: 0.002, shape: 'curved' }] }, control);
    expect(findingOf(narrow, 'probe.face.c.room')).toMatchObject({
      verdict: 'tight',
      title: 'Room beside start for a finger from outside',
    });
    expect(findingOf(narrow, 'probe.face.c.shape').verdict).toBe('tight');
    const proofer = demoJob('dough-proofer');
    expect(findingOf(proofer, 'probe.keypad.pad.ghosts').verdict).toBe('tight');
    const alone = edited(proofer, { do: 'set', at: 'wish', set: { others: '' }, say: '' }, T);
    expect(probe(alone).some((f) => f.id.endsWith('.ghosts'))).toBe(false);
  });

  it('names what can still be done with a control that no contact presses', () => {
    const motor = said(
      'ground to mains off >20M',
      'it A to mains off >20M',
      'it B to mains off >20M',
      'it A to earth on 0.2 VAC',
      'it A to earth plug-turned 0.2 VAC',
      'it look two wires',
      'it A-B off 4.7 ohm',
      'it A-B moving 11.4 V',
    );
    expect(findingOf(motor, 'probe.control-it.kind')).toMatchObject({
      verdict: 'settled',
      remedy: { text: expect.stringContaining('Polarity is direction') },
    });
  });

  it('gives every number steps, known sources and, where it has a limit, what would turn it', () => {
    for (const name of ['dough-proofer', 'rice-pot', 'yard-gate'] as const) {
      for (const f of probe(demoJob(name))) {
        f.source.forEach((key) => expect(SOURCES).toHaveProperty(key));
        if (f.value && f.steps.length) expect(f.steps.at(-1)!.result.unit).toBe(f.value.unit);
        if (f.limit && f.steps.length) expect(() => flips(f), f.id).not.toThrow();
      }
    }
  });
});

describe('what Probe says of a known control', () => {
  const known = [
    'ground to mains off >20M',
    'it A to mains off >20M',
    'it B to mains off >20M',
    'it A to earth on 0.3 VAC',
    'it A to earth plug-turned 0.3 VAC',
    'it look springs back',
    'it B to ground off 0.1 ohm',
    'it A idle 4.98 V',
    'it A pressed 3 mV',
    'it A neighbour 4.98 V',
  ];
  it('is not settled before the values that every joint rests on were read', () => {
    expect(findingOf(said(...known), 'probe.control-it.kind').verdict).toBe('settled');
    expect(findingOf(said(...known), 'probe.control-it.pullUpOhms')).toMatchObject({
      verdict: 'unknown',
      title: 'pull-up of it was not read',
    });
    expect(findingOf(said(...known, 'it short 0.498 mA'), 'probe.control-it.pullUpOhms').verdict).toBe('settled');
  });
});
