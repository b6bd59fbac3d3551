import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { edited, freshJob, type Job, type Reading } from '../job';
import { readNoteLine } from '.';

const NOW = '2026-03-02T14:05:00Z';
const fresh = (): Job => freshJob({ title: 'Rice pot' }, 'j1', NOW);
const withStart = (): Job => edited(fresh(), { do: 'add-control', id: 'control-start', name: 'start' }, NOW);
const read = (line: string, job = withStart()) => readNoteLine(line, job, { id: 'r', now: NOW });

function readingOf(line: string): Reading {
  const u = read(line);
  if (!u.ok || u.edit.do !== 'add-reading') throw new Error(`${line}: ${u.ok ? 'no reading' : u.message}`);
  return u.edit.reading;
}

describe('note lines', () => {
  it.each<[string, Partial<Reading>, string]>([
    [
      'start A idle 4.98 V',
      { control: 'control-start', state: 'idle', kind: 'volts-dc', value: 4.98, digit: 0.01 },
      'start, A to ground, nobody presses, 4.98 V DC',
    ],
    ['start B idle 0 V', { kind: 'volts-dc', value: 0 }, 'start, B to ground, nobody presses, 0 V DC'],
    ['start A pressed 3 mV', { state: 'pressed', value: 0.003 }, 'start, A to ground, held pressed, 3 mV DC'],
    [
      'start A-B pressed 0.4 ohm',
      { kind: 'ohms', value: 0.4, to: { kind: 'contact', name: 'B' } },
      'start, A to B, held pressed, 0.4 Ω',
    ],
    [
      'start A to neutral off >20M',
      { kind: 'ohms', relation: '>', value: 20e6, to: { kind: 'neutral', name: '' } },
      'start, A to neutral, unplugged, > 20 MΩ',
    ],
    [
      'ground to live off 14M',
      { control: '', from: { kind: 'ground', name: '' }, value: 14e6 },
      'ground to live, unplugged, 14 MΩ',
    ],
    ['ground to live off OL', { relation: '>', value: 20e6 }, 'ground to live, unplugged, > 20 MΩ'],
    [
      'start A to earth plug-turned 0.4 VAC',
      { state: 'plug-turned', kind: 'volts-ac', to: { kind: 'earth', name: '' } },
      'start, A to earth, nobody presses, the plug turned round, 0.4 V AC',
    ],
    [
      'start A to earth loaded-10k 1.1 VAC',
      { state: 'loaded-10k', kind: 'volts-ac' },
      'start, A to earth, with 10 kΩ across, 1.1 V AC',
    ],
    [
      'ground to mains insulation 120M',
      { kind: 'insulation', state: 'off', value: 120e6 },
      'ground to live and neutral together, unplugged, 120 MΩ at 500 V',
    ],
    [
      'mains to ground diode OL',
      { kind: 'diode', state: 'off', relation: '>', from: { kind: 'mains', name: '' } },
      'live and neutral together to ground, unplugged, > 1.5 V on the diode range',
    ],
    [
      'start A to mains battery 0.06',
      { kind: 'battery', state: 'off', value: 0.06 },
      'start, A to live and neutral together, unplugged, 60 mV with the battery in series',
    ],
    [
      'start A to earth on 0.3 VAC',
      { kind: 'volts-ac', state: 'idle', value: 0.3 },
      'start, A to earth, nobody presses, 0.3 V AC',
    ],
    ['start short 0.5 mA', { kind: 'amps', value: 0.0005 }, 'start, A shorted to B, nobody presses, 0.5 mA'],
    [
      'supply main 5.02 V always',
      { control: '', from: { kind: 'rail', name: 'main' }, state: 'always', value: 5.02 },
      'supply main to ground, always there, 5.02 V DC',
    ],
    ['A idle 3V3', { control: 'control-start', value: 3.3 }, 'start, A to ground, nobody presses, 3.3 V DC'],
    [
      'start look springs back',
      { kind: 'look', said: 'springs-back', state: 'off' },
      'start, eye and finger, springs back',
    ],
    ['start A-B pressed beep', { kind: 'continuity', said: 'beep' }, 'start, A to B, held pressed, beeps'],
    ['start A idle 62.4 Hz', { kind: 'hertz', value: 62.4 }, 'start, A to ground, nobody presses, 62.4 Hz'],
    [
      'start A idle 87.5 %',
      { kind: 'duty', value: 0.875, digit: 0.001 },
      'start, A to ground, nobody presses, 87.5 % high',
    ],
    ['start jumper 1k acts', { kind: 'jumper', value: 1000, said: 'acts' }, 'start, A joined to B, it acts, 1 kΩ'],
    [
      'start A-B released 14k',
      { kind: 'ohms', state: 'released', value: 14e3 },
      'start, A to B, pressed and let go, 14 kΩ',
    ],
    [
      'start A neighbour 2.31 V',
      { state: 'neighbour', value: 2.31 },
      'start, A to ground, a neighbour held, 2.31 V DC',
    ],
    ['start A-B moving -11.8 V', { state: 'moving', value: -11.8 }, 'start, A to B, running one way, -11.8 V DC'],
    ['START a idle 5', { control: 'control-start', kind: 'volts-dc' }, 'START, A to ground, nobody presses, 5 V DC'],
  ])('understands %s', (line, part, words) => {
    expect(readingOf(line)).toMatchObject(part);
    expect(read(line)).toMatchObject({ words });
  });

  it('keeps remarks and the wish', () => {
    expect(read('note: foam behind the board')).toMatchObject({
      ok: true,
      edit: { do: 'note', text: 'foam behind the board' },
    });
    expect(read('never: start empty')).toMatchObject({
      ok: true,
      edit: { at: 'wish', set: { never: 'start empty' } },
    });
    expect(read('wish: it starts')).toMatchObject({ ok: true, edit: { set: { outcome: 'it starts' } } });
  });

  it('names a new control by itself, and asks where the name is almost one that is there', () => {
    const u = read('stat A idle 5 V');
    expect(u).toMatchObject({ ok: true, hint: expect.stringContaining('did you mean start?') });
    const job = u.ok ? edited(fresh(), u.edit, NOW) : fresh();
    expect(job.controls).toMatchObject([{ id: 'control-stat', name: 'stat' }]);
  });

  it.each<[string, number, RegExp]>([
    ['start A idel 3 V', 8, /no state/],
    ['start Q idle', 12, /number/],
    ['start A idle 4.9x', 16, /no unit/],
    ['start A to nuetral off 5M', 11, /no place/],
    ['start A idle 5 kg', 17, /kg is not what a meter shows/],
    ['start A idle 5 lb', 15, /unit/],
    ['start A idle 4 ohm', 18, /unplugged/],
    ['start A-A pressed 1 ohm', 23, /same place/],
    ['start A off -3 ohm', 18, /negative/],
    ['supply main 5 Q', 14, /at the end/],
    ['', 0, /say a reading/],
    ['note:', 5, /what is the note/],
    ['12 A idle 5', 0, /begin with/],
    ['start A idle 5000 V', 19, /1000 V/],
    ['start A idle 3 s', 16, /not what a meter shows/],
    ['control', 7, /which name/],
    ['control start', 8, /already/],
  ])('refuses %j at character %i', (line, at, message) => {
    const u = read(line);
    expect(u).toMatchObject({ ok: false, at });
    if (!u.ok) expect(u.message).toMatch(message);
  });

  it.each<[string, number, RegExp]>([
    ['start look shiny', 11, /say what it does/],
    ['start jumper 1k perhaps', 16, /no answer/],
    ['start A off 62 Hz', 17, /unplugged there is nothing/],
    ['start A idle 140 %', 18, /between 0 and 100/],
    ['start A idle 5 N', 16, /N is not what a meter shows/],
    ['start jumper 1-2 1k acts', 17, /joins A and B/],
    ['start A-B idle beep', 19, /unplugged/],
    ['strip back 15', 11, /2 to 12/],
    ['strip start 4', 6, /already has a control/],
    ['back 3 wire green', 0, /no strip back/],
    ['supply main 3 A always', 12, /not what a supply shows/],
  ])('refuses %j at character %i as well', (line, at, message) => {
    const u = read(line);
    expect(u).toMatchObject({ ok: false, at });
    if (!u.ok) expect(u.message).toMatch(message);
  });

  it('keeps strips: their wires, pairs and jumpers, and no terminal that is not there', () => {
    const strip = read('strip back 6');
    const job = strip.ok ? edited(withStart(), strip.edit, NOW) : withStart();
    expect(job.survey.strips).toMatchObject([{ id: 'strip-back', name: 'back', wires: ['', '', '', '', '', ''] }]);
    expect(read('back 3 wire green and white', job)).toMatchObject({
      ok: true,
      words: 'back, wire at terminal 3: green and white',
    });
    expect(read('back 3-4 idle 11.6 V', job)).toMatchObject({
      ok: true,
      edit: {
        reading: {
          control: 'strip-back',
          from: { kind: 'contact', name: '3' },
          to: { kind: 'contact', name: '4' },
          value: 11.6,
        },
      },
    });
    expect(read('back 3 to mains off >20M', job)).toMatchObject({
      ok: true,
      edit: { reading: { to: { kind: 'mains' } } },
    });
    expect(read('back jumper 3-4 wire moves', job)).toMatchObject({
      ok: true,
      edit: { reading: { value: 0, said: 'acts' } },
    });
    expect(read('back 3-7 idle 5 V', job)).toMatchObject({
      ok: false,
      at: 5,
      message: expect.stringContaining('1 to 6'),
    });
    expect(read('back jumper 1k moves', job)).toMatchObject({
      ok: false,
      message: expect.stringContaining('which two terminals'),
    });
    expect(read('back 9 wire red', job)).toMatchObject({ ok: false, at: 5 });
  });

  it('offers the likely line after a slip', () => {
    expect(read('start A idel 3 V')).toMatchObject({ suggestion: 'start A idle 3 V' });
    expect(read('start A to nuetral off 5M')).toMatchObject({ suggestion: 'start A to neutral off 5M' });
  });

  it('asks for the control where there are several', () => {
    const two = edited(withStart(), { do: 'add-control', id: 'x', name: 'stop' }, NOW);
    expect(read('A idle 5 V', two)).toMatchObject({ ok: false, at: 0 });
  });

  it('never throws and never points outside the line', () => {
    const word = fc.constantFrom(
      'start',
      'A',
      'B',
      'A-B',
      'to',
      'live',
      'idle',
      'pressed',
      'off',
      '5',
      'V',
      '>20M',
      'supply',
      'short',
      'note:',
      '-',
      'always',
      'OL',
      '\u0000',
    );
    fc.assert(
      fc.property(fc.array(fc.oneof(word, fc.string({ maxLength: 6 })), { maxLength: 8 }), (words) => {
        const line = words.join(' ');
        const u = read(line);
        if (!u.ok) expect(u.at).toBeLessThanOrEqual(Math.max(line.length, 2000));
      }),
    );
  });
});
