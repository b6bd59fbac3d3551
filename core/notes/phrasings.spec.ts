import { describe, expect, it } from 'vitest';
import { edited, freshJob, type Job, type JobEdit } from '../job';
import { readNoteLine } from '.';

const NOW = '2026-03-02T14:05:00Z';
const with_ = (...edits: JobEdit[]): Job =>
  edits.reduce((job, e) => edited(job, e, NOW), freshJob({ title: 'Rice pot' }, 'j1', NOW));
const control = (name: string): JobEdit => ({ do: 'add-control', id: `control-${name}`, name });
const one = with_(control('start'));
const two = with_(control('start'), control('stop'));
const strip = with_(control('start'), {
  do: 'put',
  list: 'survey.strips',
  item: { id: 'strip-back', name: 'back', wires: ['red', 'white', 'green', 'black', '', ''] },
});
const read = (line: string, job: Job) => readNoteLine(line, job, { id: 'r', now: NOW });

/** What was said, in the words of the log, and the ways in which a maker may type it. */
const SAID: readonly [words: string, job: Job, lines: readonly string[]][] = [
  [
    'start, A to ground, nobody presses, 4.98 V DC',
    one,
    [
      'start A idle 4.98 V',
      'start A 4.98 V idle',
      '4.98 V at A idle',
      'start: A is 4.98 V idle',
      'A reads 4.98 V at rest',
      'start A reads 4.98 volts at rest',
      'A to ground 4.98 V',
      'A to gnd is 4.98V when idle',
      'between A and ground 4.98 V idle',
      'between A and ground I measured 4.98 V',
      'measured 4.98 V between A and gnd, nobody presses',
      'start A 4,98 V idle',
      'start A idle 4,98 volts',
      'A = 4.98V',
      'A is 4.98 V when not pressed',
      'start, terminal A: 4.98 V DC, not pressed',
      'the voltage at A is 4.98 V idle',
      'voltage at A 4.98 unpressed',
      'idle A 4.98 V',
      'start A powered 4.98 V',
      'plugged in, A shows 4.98 V',
      'red on A, black on ground: 4.98 V',
      'red probe on A and black on gnd reads 4.98 V idle',
      'A against ground 4.98 V',
      'A vs ground 4.98 V',
      'start A 4.98 VDC powered on',
      'meter shows 4.98 V on A',
      'on A there is 4.98 V',
      'at rest A sits at 4.98 V',
      'A-ground idle 4.98 V',
      '4.98V A to ground',
      'volts at A: 4.98',
      'start a idle 4.98',
      'it is 4.98 V at A when I am not pressing it'.replace('I am ', ''),
      'A V 4.98 idle',
      'start contact A 4.98 V in standby',
    ],
  ],
  [
    'start, A to ground, held pressed, 0.1 V DC',
    one,
    [
      'A pressed 0.1 V',
      'A 0.1 V pressed',
      'A drops to 0.1 V when pressed',
      'A falls to 0.1 V when I press it',
      'when I press it A reads 0.1 V',
      'when pressed, A is 0.1 V',
      'pressed: A 0.1 V',
      'holding the button A is 0.1 V',
      'while I hold it down A shows 0.1 volts',
      'start pressed A 0,1 V',
      'with the button pressed A reads 0.1 V',
      'A to ground while pressed: 0.1 V',
      '0.1 V on A while held',
      'A goes to 0.1 V if I push the button',
      'A pushed 0.1V',
      'button down, A 0.1 V',
      'A is only 0.1 V now when I press the key',
      'press: A 100 mV'.replace('100 mV', '0.1 V'),
      'between A and ground while holding it 0.1 V',
      'I pressed start and A read 0.1 V'.replace('read ', 'reads '),
    ],
  ],
  [
    'start, B to ground, nobody presses, 0 V DC',
    one,
    [
      'B is 0 V idle',
      'B idle zero volts',
      'B reads zero volts at rest',
      'start B 0 V',
      'B to ground is 0.0 V when idle'.replace('0.0', '0'),
      'nothing pressed'.replace('nothing pressed', 'not pressed, B 0 V'),
      'b idle 0 V',
      'at B 0 V',
    ],
  ],
  [
    'start, A to B, held pressed, 0.4 Ω',
    one,
    [
      'A-B pressed 0.4 ohm',
      'A to B pressed 0.4 ohms',
      '0.4 ohms between A and B when pressed',
      'between A and B 0.4 Ω pressed',
      'A and B pressed: 0.4 ohm',
      'resistance A to B 0.4 ohm when I press it',
      'across the button 0.4 ohms pressed',
      'across it 0.4 ohm when held',
      'pressed, A-B reads 0.4 ohm',
      'start A/B pressed 0.4 Ω',
      'unplugged, A to B pressed 0.4 ohm',
      'plug out, button pressed, 0.4 ohm across A and B',
      'A B pressed 0,4 ohm',
      'between red and black 0.4 ohm when I press it',
      'from a to b 0.4 ohm pressed',
      'pressing start gives 0.4 ohm across the contacts',
      '0.4R across the terminals while pressed',
    ],
  ],
  [
    'start, A to B, unplugged, 14 kΩ',
    one,
    [
      'A-B off 14k',
      'A to B 14k unplugged',
      'A-B unplugged 14 kohm',
      'unplugged, between A and B 14 k',
      '14k between A and B with the plug out',
      'resistance across the button is 14 kohm not pressed',
      'A to B 14 kΩ, plug pulled',
      'power off: A-B 14k',
      'A-B 14 kilo ohms, not pressed',
      'across the button 14k when not pressed',
      'A-B 14k',
      'between A and B it measures 14 kilohms',
    ],
  ],
  [
    'start, A to neutral, unplugged, > 20 MΩ',
    one,
    [
      'A to neutral off >20M',
      'A to neutral OL',
      'A to neutral is over range, unplugged',
      'between A and neutral OL unplugged',
      'A to neutral reads OL with the plug out',
      'A neutral unplugged OL',
      'unplugged A to neutral more than 20M',
      'from A to neutral it is open circuit, unplugged',
      'A to neutral reads open, plug pulled',
      'A to neutral infinite',
      'A to neutral over 20 Mohm off',
    ],
  ],
  [
    'start, A to earth, nobody presses, 0.4 V AC',
    one,
    [
      'A to earth idle 0.4 VAC',
      'A to earth on 0.4 V AC',
      'between A and earth 0.4 VAC powered',
      'A to earth is 0.4 volts ac',
      'AC from A to earth: 0.4 V',
      'A earth 0,4 V ac, plugged in',
      'powered, A to earth shows 0.4 V AC',
    ],
  ],
  [
    'start, A to earth, nobody presses, the plug turned round, 0.5 V AC',
    one,
    [
      'A to earth plug-turned 0.5 VAC',
      'A to earth 0.5 VAC with the plug turned round',
      'plug turned, A to earth 0.5 V AC',
      'A to earth, plug reversed: 0.5 VAC',
      'plug the other way round A to earth 0.5 VAC',
    ],
  ],
  [
    'start, A to earth, with 10 kΩ across, 1.1 V AC',
    one,
    [
      'A to earth loaded-10k 1.1 VAC',
      'A to earth with 10k across 1.1 VAC',
      'with a 10k resistor across the tips A to earth is 1.1 V AC',
      'A to earth 1.1 VAC, 10k in parallel',
      'loaded with 10k: A to earth 1.1 VAC',
    ],
  ],
  [
    'start, A shorted to B, nobody presses, 0.5 mA',
    one,
    [
      'short 0.5 mA',
      'start short 0.5 mA',
      'short circuit current 0.5 mA',
      'shorted: 0.5 mA',
      'shorted it draws 0.5 mA'.replace('draws', 'shows'),
      'shorting current is 0.5 mA'.replace('shorting', 'shorted'),
      '0.5 mA when shorted',
      'short 500 uA',
    ],
  ],
  [
    'start, A to B, held pressed, beeps',
    one,
    [
      'A-B pressed beep',
      'it beeps when I press it',
      'A to B beeps when pressed',
      'beeps across the button while pressed',
      'continuity between A and B when pressed',
      'pressed: beep',
      'beeping when held',
      'A-B beeps if I push the button',
    ],
  ],
  [
    'start, A to B, unplugged, silent',
    one,
    [
      'A-B off silent',
      'no beep between A and B when not pressed',
      'A to B silent unplugged',
      'no continuity between A and B',
      'does not beep when not pressed',
      'A-B no beep, plug out',
    ],
  ],
  [
    'start, A to ground, nobody presses, 62.4 Hz',
    one,
    ['A idle 62.4 Hz', '62.4 hertz on A', 'frequency at A 62.4 Hz idle', 'A shows 62.4 Hz at rest'],
  ],
  [
    'start, A to ground, nobody presses, 87.5 % high',
    one,
    [
      'A idle 87.5 %',
      'A 87.5 percent high',
      'duty at A is 87.5 % idle',
      'duty cycle on A 87.5 %'.replace('cycle ', ''),
    ],
  ],
  [
    'start, eye and finger, springs back',
    one,
    [
      'start look springs back',
      'start springs back',
      'it springs back when pressed',
      'start is a momentary push button',
      'the button pops back',
    ],
  ],
  [
    'start, eye and finger, membrane',
    one,
    ['start is a membrane', 'it is a membrane key', 'looks like a membrane button'],
  ],
  [
    'start, eye and finger, stays down',
    one,
    ['it stays down', 'start is latching', 'the button stays in when pressed'],
  ],
  [
    'start, A joined to B, it acts, 1 kΩ',
    one,
    [
      'start jumper 1k acts',
      'jumper with 1k starts it',
      'bridging A and B with 1k starts the machine',
      'joining A and B through 1k, it starts',
      'bridged with a 1k resistor and it works',
      'connecting A to B with 1 kohm moves it',
    ],
  ],
  [
    'start, A joined to B, nothing, 1 kΩ',
    one,
    [
      'jumper 1k nothing',
      'bridging with 1k does nothing',
      'joined A and B through 1k, nothing happens',
      'jumpered 1k: no reaction',
    ],
  ],
  [
    'start, A joined to B, it acts, wire',
    one,
    [
      'jumper wire acts',
      'bridging A and B with a wire starts it',
      'shorting A to B directly works',
      'joined by a wire it starts',
    ],
  ],
  [
    'stop, A to ground, held pressed, 3.3 V DC',
    two,
    [
      'stop A pressed 3V3',
      'stop A reads 3.3 V when I press it',
      'when I press stop, A is 3.3 V',
      'pressing stop A shows 3,3 V',
      'the stop button: A 3.3 V pressed',
      "stop's A is 3.3 V while held",
    ],
  ],
  [
    'supply main to ground, always there, 5.02 V DC',
    one,
    [
      'supply main 5.02 V always',
      'supply main is 5.02 V, always there',
      'the main supply reads 5.02 V all the time',
      'rail main 5.02 V always',
      'main rail is always 5.02 V',
    ],
  ],
  [
    'ground to live, unplugged, 14 MΩ',
    two,
    [
      'ground to live off 14M',
      'between ground and live 14M unplugged',
      'ground to live 14 Mohm with the plug out',
      'gnd to live is 14 megohm unplugged',
    ],
  ],
  [
    'back, 3 to 4, nobody presses, 11.6 V DC',
    strip,
    [
      'back 3-4 idle 11.6 V',
      'back between 3 and 4 11.6 V',
      'back terminals 3 and 4: 11.6 V',
      'back 3 to 4 is 11,6 V idle',
      'on strip back between green and black 11.6 V',
    ],
  ],
  [
    'a remark for the log: foam behind the board',
    one,
    [
      'note: foam behind the board',
      'remember: foam behind the board',
      'remark: foam behind the board',
      'note that foam behind the board',
    ],
  ],
  [
    'a control called stop',
    one,
    ['control stop', 'new button called stop', 'there is another button called stop', 'add a control named stop'],
  ],
];

describe('lines as makers type them', () => {
  it('has two hundred of them', () =>
    expect(SAID.reduce((n, [, , lines]) => n + lines.length, 0)).toBeGreaterThanOrEqual(200));

  for (const [words, job, lines] of SAID)
    describe(words, () => {
      it.each(lines)('%s', (line) => expect(read(line, job)).toMatchObject({ ok: true, words }));
    });
});

describe('what was not said', () => {
  it('is taken as the plainest, and told before Enter', () => {
    expect(read('A 4.98 V', one)).toMatchObject({ hint: expect.stringContaining('taken as nobody presses') });
    expect(read('start 4.98 V', one)).toMatchObject({
      words: 'start, A to ground, nobody presses, 4.98 V DC',
      hint: expect.stringContaining('taken as A to ground'),
    });
  });

  it('is taken as the last reading had it', () => {
    const u = read('B pressed 0.2 V', one);
    const then = u.ok ? edited(one, u.edit, NOW) : one;
    expect(read('0.3 V', then)).toMatchObject({ words: 'start, B to ground, held pressed, 0.3 V DC' });
    expect(read('A 0.3 V', then)).toMatchObject({
      words: 'start, A to ground, held pressed, 0.3 V DC',
      hint: expect.stringContaining('as the last reading'),
    });
  });
});

describe('what is no reading', () => {
  it.each([
    'the foam behind the board is loose',
    'start A idle 5 kg',
    'ask about the fuse tomorrow',
    'A wobbles at 4.98 V',
    'start A 4.98 V and B 0 V',
  ])('%s: is not guessed, and may be kept as a remark', (line) =>
    expect(read(line, one)).toMatchObject({ ok: false, suggestion: `note: ${line}` }),
  );

  it('offers only lines that would be understood', () => {
    for (const line of [
      'start A idel 3 V',
      'start A to nuetral off 5M',
      'zzz',
      'start A off -3 ohm',
      'supply main 5 Q',
    ]) {
      const u = read(line, one);
      if (!u.ok && u.suggestion) expect(read(u.suggestion, one).ok).toBe(true);
    }
  });

  it('stays refused where the grammar knows why', () => {
    expect(read('A powered 4 ohm', one)).toMatchObject({ ok: false });
    expect(read('A 4.98 V', two)).toMatchObject({ ok: false, message: expect.stringContaining('which control') });
  });
});
