import type { Way } from '../../ground/job';

/** A way's name and, in one line, what it costs in trouble. */
export const WAY_WORDS: Readonly<Record<Way, { name: string; costs: string }>> = {
  'relay-contact': { name: 'Relay contact', costs: 'any polarity, isolated; clicks, needs a driver and a coil supply' },
  'relay-module': {
    name: 'Relay module',
    costs: 'any polarity, isolated, nothing to solder; clicks, and its input is not made for 3.3 V pins',
  },
  'npn-to-ground': { name: 'Transistor to ground', costs: 'cents and silent; shares the ground' },
  'nmos-to-ground': { name: 'MOSFET to ground', costs: 'cents and silent, takes no pin current; shares the ground' },
  optocoupler: { name: 'Optocoupler', costs: 'isolated, silent, small; polarity matters' },
  'solid-state-relay': { name: 'Solid-state relay', costs: 'any polarity, isolated, silent, no minimum current' },
  'analogue-switch': {
    name: 'Analogue switch',
    costs: 'silent, tiny, either direction; lives inside the machine’s supply and shares its ground',
  },
  'strobe-answer': {
    name: 'Answer to the strobe, by program',
    costs: 'no part but wires; must answer in time at every scan',
  },
  'logic-injector': {
    name: 'Answer to the strobe, by logic',
    costs: 'one small chip presses every key, in nanoseconds; shares the pad’s supply',
  },
  'spare-terminals': { name: 'Spare terminals', costs: 'made for a second switch, nothing of the button is touched' },
  'spare-remote': {
    name: 'Spare remote, pressed',
    costs: 'the machine stays shut; a radio link more, and nothing tells that it heard',
  },
  finger: { name: 'Finger on a servo', costs: 'nothing is opened and the hand still works; looks bolted on, wears' },
  'reverse-motor': {
    name: 'Motor run both ways',
    costs: 'takes the motor over; its end stops must stay in the circuit',
  },
  'control-box': {
    name: 'Control box replaced',
    costs: 'hides in the wall; mains work, and up with down must be impossible',
  },
  'drive-signal': { name: 'Drive signal taken over', costs: 'any speed, in small steps; the knob must be thought of' },
  'switched-supply': { name: 'Supply switched', costs: 'nothing is opened; only where the machine runs on by itself' },
  'module-contact': {
    name: 'Contact of a bought switch',
    costs: 'nothing is wired or soldered; only where the machine runs on by itself',
  },
  'hand-mechanism': {
    name: 'Motor on the hand mechanism',
    costs: 'no circuit is touched; needs a bracket, a coupling and end stops',
  },
};

/** A way's name inside a sentence: lower case, but for abbreviations. */
export const wayPhrase = (way: Way): string => WAY_WORDS[way].name.replace(/^[A-Z](?=[a-z])/, (c) => c.toLowerCase());
