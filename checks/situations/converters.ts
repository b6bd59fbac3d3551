import { BUTTON, RELAY, cells, converted, fed, link, load, put, source, type Situation } from './situation';

const F = ['feed'] as const;

/** What must never be green of converters, loads and heat. */
export const OF_CONVERTERS: readonly Situation[] = [
  {
    what: 'a converter of which nobody knows what it bears',
    source: 'common practice',
    sound: converted(BUTTON, {}, { volts: 12 }),
    make: (j) => converted(j, { mostVolts: null }, { volts: 12 }),
    rooms: F,
  },
  {
    what: 'a linear regulator with 0.5 V over its output',
    source: 'dropout 2 V (classic), 1.2 V (low)',
    sound: BUTTON,
    make: (j) => converted(j, { kind: 'linear', package: 'to-220' }, { volts: 5.5 }),
    rooms: F,
  },
  {
    what: 'a small regulator from 24 V to 5 V at 0.3 A',
    source: 'heat: 5.7 W in SOT-223 of some 60 K/W and more',
    sound: BUTTON,
    make: (j) => converted(j, { kind: 'linear', package: 'sot-223' }, { volts: 24 }),
    holds: (j) => j.board.profile !== 'gone',
    rooms: F,
  },
  {
    what: 'a step-down converter that is to make 5 V of 4.5 V',
    source: 'a step-down converter makes less than it gets',
    sound: BUTTON,
    make: (j) => converted(j, { kind: 'step-down' }, { volts: 4.5 }),
    rooms: F,
  },
  {
    what: 'a converter of 0.1 A before a board that draws 0.4 A',
    source: 'sum of currents',
    sound: converted(BUTTON, {}, { volts: 12 }),
    make: (j) => converted(j, { amps: 0.1 }, { volts: 12 }),
    rooms: F,
  },
  {
    what: '1 F across a supply of 1 A',
    source: 'C·V/I: 5 s in current limit',
    sound: BUTTON,
    make: (j) => link(j, { kind: 'capacitor', farads: 1 }),
    rooms: F,
  },
  {
    what: 'a capacitor of which nobody knows what volts it bears',
    source: 'IEC 60384-4: rated voltage',
    sound: BUTTON,
    make: (j) => link(j, { kind: 'capacitor', farads: 470e-6 }),
    rooms: F,
  },
  {
    what: 'a bank that switches off under 50 mA, before a board that sleeps',
    source: 'data sheets of power banks, common practice',
    sound: BUTTON,
    make: (j) =>
      put(source(j, { kind: 'bank', holdAmps: 0.05 }), 'feed', {
        duty: { ...j.feed.duty, sleeps: 'yes', wakesPerDay: 24, wakeSeconds: 5, sleepAmps: 0.01 },
      }),
    rooms: F,
  },
  {
    what: 'two lithium cells without anybody having said that something ends their discharge',
    source: 'IEC 62133-2: deep discharge',
    sound: converted(cells(BUTTON, { chemistry: 'nickel', series: 8 }), {}, {}),
    make: (j) => source(j, { chemistry: 'lithium-ion', series: 2 }),
    rooms: ['feed', 'guard'],
  },
  {
    what: 'a fan of 12 V on a supply of 5 V',
    source: 'rated voltage of a load',
    sound: load(BUTTON, {}),
    make: (j) => load(j, { leastVolts: 10, mostVolts: 14 }),
    rooms: F,
  },
  {
    what: 'a lamp for 3 V on a supply of 5 V',
    source: 'rated voltage of a load',
    sound: load(BUTTON, {}),
    make: (j) => load(j, { leastVolts: 2.5, mostVolts: 3.2 }),
    rooms: F,
  },
  {
    what: 'a load for AC on a supply of DC',
    source: 'rated supply of a load',
    sound: load(BUTTON, {}),
    make: (j) => load(j, { current: 'ac' }),
    rooms: F,
  },
  {
    what: 'loads of 3 A on a supply of 2 A',
    source: 'sum of currents',
    sound: load(BUTTON, {}),
    make: (j) => load(j, { amps: 3 }),
    rooms: F,
  },
  {
    what: 'a start of 20 A on a supply of 2 A',
    source: 'inrush of motors and lamps',
    sound: load(BUTTON, {}),
    make: (j) => load(j, { amps: 0.5, startAmps: 20, startSeconds: 0.5 }),
    rooms: F,
  },
  {
    what: 'five days awake in one',
    source: 'arithmetic',
    sound: cells(BUTTON, { chemistry: 'nickel', series: 4 }),
    make: (j) =>
      put(j, 'feed', { duty: { ...j.feed.duty, sleeps: 'yes', wakesPerDay: 86400, wakeSeconds: 5, sleepAmps: 1e-3 } }),
    rooms: F,
  },
  {
    what: 'a box of 5 cm with 4 W in it in a room of 45 °C',
    source: 'about 10 W/(m²·K) from a surface, EN 60890 in its order',
    sound: put(BUTTON, 'feed', { box: { widthMetres: 0.12, heightMetres: 0.12, depthMetres: 0.06, roomCelsius: 23 } }),
    make: (j) =>
      put(load(j, { amps: 0.8, idleAmps: 0.8 }), 'feed', {
        box: { widthMetres: 0.05, heightMetres: 0.05, depthMetres: 0.05, roomCelsius: 45 },
      }),
    rooms: F,
  },
  {
    what: 'a room of 70 °C',
    source: 'operating temperature of consumer parts, 60 °C and less',
    sound: put(BUTTON, 'feed', { box: { widthMetres: 0.12, heightMetres: 0.12, depthMetres: 0.06, roomCelsius: 23 } }),
    make: (j) => put(j, 'feed', { box: { ...j.feed.box, roomCelsius: 70 } }),
    rooms: F,
  },
  {
    what: 'a coil of 12 V on a supply of 5 V',
    source: 'IEC 61810-1: operative range from 0.8 of rated',
    sound: RELAY,
    make: (j) => ({
      ...j,
      bench: {
        ...j.bench,
        parts: [
          {
            id: 'own12',
            kind: 'relay',
            name: '12 V relay',
            values: {
              coilVolts: [12, 12, 12],
              coilOhms: [360, 400, 440],
              onOhms: [0.02, 0.1, 0.5],
              minimumAmps: [1e-5, 1e-5, 1e-5],
              contactAmps: [1, 1, 1],
              inrushAmps: [2, 2, 2],
              contactVolts: [60, 60, 60],
              poles: [1, 1, 1],
              operateSeconds: [1e-3, 3e-3, 6e-3],
              isolationVolts: [1500, 1500, 1500],
              gapMetres: [1.5e-3, 1.5e-3, 1.5e-3],
            },
          },
        ],
        picks: { ...j.bench.picks, relay: 'own12' },
      },
    }),
    rooms: ['feed', 'thumb'],
  },
  {
    what: 'a coil of 5 V on a supply of 12 V',
    source: 'IEC 61810-1: most of the coil 1.1 to 1.5 times',
    sound: RELAY,
    make: (j) => fed(j, { volts: 12 }),
    rooms: ['feed', 'thumb'],
  },
];
