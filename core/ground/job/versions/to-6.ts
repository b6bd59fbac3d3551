import { eachOf, isPlain, type Migration, type Plain } from './step';

const SOURCE = {
  current: 'dc',
  polarity: 'unknown',
  ohms: null,
  chemistry: 'alkaline',
  series: 2,
  parallel: 1,
  cellAmpHours: null,
  holdAmps: null,
};
const LEAD = {
  id: 'lead',
  name: 'lead',
  kind: 'lead',
  from: 'supply',
  amps: null,
  strand: 'flexible',
  connector: 'none',
  farads: null,
  ohms: null,
};

function sourceOf(f: Plain): Plain {
  const rail = typeof f['rail'] === 'string' ? f['rail'] : '';
  return {
    ...SOURCE,
    id: 'supply',
    name: typeof f['supply'] === 'string' && f['supply'] !== '' ? f['supply'] : 'supply',
    kind: rail ? 'rail' : 'plug-in',
    volts: f['volts'] ?? null,
    amps: f['amps'] ?? null,
    isolated: f['isolated'] ?? 'unknown',
    rail,
  };
}

/** The one supply of version 5 with its lead; none where nobody had said anything of it. */
function treeOf(f: Plain): Plain {
  const said =
    ['volts', 'amps', 'leadMetres', 'leadSquareMetres'].some((k) => typeof f[k] === 'number') ||
    (f['supply'] ?? '') !== '' ||
    (f['rail'] ?? '') !== '';
  return {
    sources: said ? [sourceOf(f)] : [],
    converters: [],
    links: said ? [{ ...LEAD, metres: f['leadMetres'] ?? null, squareMetres: f['leadSquareMetres'] ?? null }] : [],
    loads: [],
    hangs: [],
    groups: [],
    shifts: [],
    duty: { into: 'board', sleeps: 'unknown', wakesPerDay: null, wakeSeconds: null, sleepAmps: null },
    box: { widthMetres: null, heightMetres: null, depthMetres: null, roomCelsius: 40 },
    standing: { withoutWatts: null, withWatts: null, pricePerKilowattHour: null },
  };
}

/** Version 6 made a tree of the one supply, and says of a board what stands before its chip and what it draws asleep. */
export const toSixth: Migration = (d) => ({
  ...d,
  ...(isPlain(d['feed']) ? { feed: treeOf(d['feed']) } : {}),
  ...(isPlain(d['board'])
    ? {
        board: {
          ...d['board'],
          profiles: eachOf(d['board']['profiles'], (p) => ({
            regulator: 'unknown',
            dropVolts: null,
            chipLeastVolts: null,
            chipMostVolts: null,
            sleepAmps: null,
            chipSleepAmps: null,
            ...p,
          })),
        },
      }
    : {}),
});
