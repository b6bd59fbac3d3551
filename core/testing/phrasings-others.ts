import type { Job } from '../ground/job';
import { one, strip, two } from './phrasing-jobs';

/** Alternating volts, shorts, looks, jumpers, supplies, strips and remarks. */
export const OTHERS: readonly (readonly [words: string, job: Job, lines: readonly string[]])[] = [
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
