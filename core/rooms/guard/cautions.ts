import type { Hazard } from '../../ground/job';

/** What is to be done or seen to before anybody goes on. */
export interface Caution {
  readonly id: string;
  readonly what: string;
  readonly prevents: string;
}

/** Prove-dead sequence, in order (`prove-dead`). */
export const PROVE_DEAD: readonly Caution[] = [
  { id: 'isolate', what: 'Isolate', prevents: 'pull the plug or switch off the circuit' },
  { id: 'hold', what: 'Hold the isolation', prevents: 'lock it, or keep the plug in sight or in the pocket' },
  { id: 'test-tester', what: 'Test the tester', prevents: 'on a source known to be live' },
  {
    id: 'test-dead',
    what: 'Test dead between all pairs',
    prevents: 'live to neutral, live to earth, neutral to earth',
  },
  { id: 'test-tester-again', what: 'Test the tester again', prevents: 'on the same live source' },
];

/** Cautions per hazard, gravest first (`cautions`). Each ends in who is responsible, never in "safe". */
export const CAUTIONS: Readonly<Record<Hazard, readonly Caution[]>> = {
  medical: [
    {
      id: 'medical',
      what: 'Someone relies on it for health or life',
      prevents: 'never rely on this alone; a certified alarm or a person stands behind it',
    },
  ],
  'high-voltage': [
    {
      id: 'high-voltage',
      what: 'The capacitor of a microwave kills after unplugging',
      prevents: 'never open that side; press from outside only',
    },
  ],
  gas: [
    {
      id: 'gas',
      what: 'Gas and ignition',
      prevents: 'leave valves and burners alone; a licensed fitter decides what may be switched',
    },
  ],
  mains: [
    {
      id: 'mains-cover',
      what: 'Mains parts within reach while probing',
      prevents: 'covers on, insulated tips, one hand; the local electrical code and licensed practice come first',
    },
    {
      id: 'mains-apart',
      what: 'Mains touches your side',
      prevents:
        '5 mm creepage to everything of yours in a dry room, 8 mm where steam or ' +
        'splashes come; no wire through a shared hole, strain relief',
    },
  ],
  'not-isolated': [
    {
      id: 'not-isolated',
      what: 'The low-voltage side carries mains',
      prevents: 'no shared ground, no USB lead while plugged in, reinforced insulation only; licensed work',
    },
  ],
  pressure: [
    {
      id: 'pressure',
      what: 'Pressure without a watcher',
      prevents: 'the vessel keeps its own valve and cut-out; never start it unattended',
    },
  ],
  'unattended-heat': [
    {
      id: 'heat-cutout',
      what: 'It heats while nobody watches',
      prevents: 'its own thermal cut-out stays in the circuit; nothing that burns stands near',
    },
    {
      id: 'heat-dry',
      what: 'It starts empty or forgotten',
      prevents: 'arming by hand after filling; unarmed it never starts',
    },
  ],
  'moving-door': [
    {
      id: 'door-edge',
      what: 'It closes on someone',
      prevents: 'edge sensor and force reversal stay connected and are tried monthly',
    },
    {
      id: 'door-sight',
      what: 'It moves while nobody sees it',
      prevents: 'sight of the door, or light and sound before it moves',
    },
  ],
  pinch: [{ id: 'pinch', what: 'Fingers in the mechanism', prevents: 'guards back on; a stop within reach' }],
  water: [
    {
      id: 'water',
      what: 'Water reaches a supply or a joint',
      prevents: 'drip loop, gland, enclosure for the place, residual-current device',
    },
  ],
  lithium: [
    {
      id: 'lithium',
      what: 'A cell is shorted or overcharged',
      prevents: 'cells with protection, fuse at the cell, no charging unattended on wood',
    },
    {
      id: 'lithium-deep',
      what: 'A cell is emptied too far, and charged after that',
      prevents: 'protected cells, or a cut-off at their least volts; what drew them empty stays off',
    },
  ],
};

/** Hazards in order of harm. */
export const HARM_ORDER: readonly Hazard[] = [
  'medical',
  'high-voltage',
  'gas',
  'mains',
  'not-isolated',
  'pressure',
  'unattended-heat',
  'moving-door',
  'pinch',
  'water',
  'lithium',
];

/**
 * Cautions that follow from the joint and not from a hazard; the last one holds for every machine (`cautions`,
 * `ground-shift`, `restart-lock`).
 */
export const GENERAL = {
  conductors: {
    id: 'conductors',
    what: 'A wire or a fuse too small for the load',
    prevents:
      'load at most the fuse, fuse at most the conductor: 0.75 mm² for 6 A, 1.0 ' +
      'mm² for 10 A, 1.5 mm² for 16 A; the local electrical code decides',
  },
  suppressor: {
    id: 'suppressor',
    what: 'A coil in the load burns the contact',
    prevents:
      'a varistor or an RC of class X2 across the load; an RC across the contact lets some milliamperes through for ever',
  },
  restart: {
    id: 'restart',
    what: 'A compressor restarted against its pressure',
    prevents: 'three minutes between stop and start, kept by the machine or by the routine',
  },
  groundShift: {
    id: 'ground-shift',
    what: 'Two grounds that are not at one level',
    prevents: 'before they are joined: under 50 mV, AC and DC, across 1 kΩ between them',
  },
  programming: {
    id: 'programming-mains',
    what: 'A programming lead while mains is on the same board',
    prevents:
      'it goes in before mains is joined, or with mains off and proven dead; after that programs come over the air',
  },
  ownDevices: {
    id: 'own-devices',
    what: 'A safety device of the machine taken out',
    prevents: 'thermal cut-outs, door switches, edge sensors and end switches stay in the circuit',
  },
} as const satisfies Record<string, Caution>;
