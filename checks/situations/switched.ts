import { APART, finished, mainsLoad, pressed, put, said, type Situation } from './situation';

/** A heater of 1 kW whose supply a module switches. */
export const HEATER = put(
  pressed(finished(said([...APART, ...mainsLoad])), { way: 'switched-supply', picks: { relay: 'relay-sixteen' } }),
  'guard',
  {
    loadWatts: 1000,
    loadKind: 'resistive',
  },
);

/** What must never be green of a machine that is switched at its supply. */
export const OF_SWITCHED: readonly Situation[] = [
  {
    what: 'a heater of 1 kW switched at its supply, of which nobody tried whether it resumes',
    source: 'common practice',
    sound: pressed(HEATER, { supply: { resumes: 'yes', atRest: 'open' } }),
    make: (j) => pressed(j, { supply: { ...j.presses[0]!.supply, resumes: 'untested' } }),
    rooms: ['thumb', 'act'],
  },
  {
    what: 'a heater of 4 kW on a contact of 16 A',
    source: '4000/230 = 17.4 A',
    sound: pressed(HEATER, { supply: { resumes: 'yes', atRest: 'open' } }),
    make: (j) => put(j, 'guard', { loadWatts: 4000 }),
    rooms: ['guard'],
  },
  {
    what: 'a supply of 1 kW whose contact is closed at rest: it runs while the controller is dead',
    source: 'IEC 60335-1 §22: unattended heat must not run by a failed controller',
    sound: pressed(HEATER, { supply: { resumes: 'yes', atRest: 'open' } }),
    make: (j) => pressed(j, { supply: { ...j.presses[0]!.supply, atRest: 'closed' } }),
    rooms: ['thumb', 'guard', 'act', 'board'],
  },
  {
    what: 'a supply of switched-mode bricks of 500 W on a contact of 10 A without inrush',
    source: 'inrush of capacitors: some ten to forty times for a millisecond',
    sound: pressed(HEATER, { supply: { resumes: 'yes', atRest: 'open' }, picks: { relay: 'relay-power' } }),
    make: (j) => put(j, 'guard', { loadKind: 'switched-mode', loadWatts: 900 }),
    rooms: ['guard'],
  },
  {
    what: 'filament lamps of 800 W on a contact of 10 A that bears 25 A for a moment',
    source: 'cold filaments draw ten to fifteen times',
    sound: pressed(HEATER, { supply: { resumes: 'yes', atRest: 'open' }, picks: { relay: 'relay-power' } }),
    make: (j) => put(j, 'guard', { loadKind: 'filament', loadWatts: 800 }),
    rooms: ['guard'],
  },
  {
    what: 'a transformer of 1 kVA on a contact of 10 A',
    source: 'inrush of transformers: ten to forty times for a half wave',
    sound: pressed(HEATER, { supply: { resumes: 'yes', atRest: 'open' }, picks: { relay: 'relay-power' } }),
    make: (j) => put(j, 'guard', { loadKind: 'transformer', loadWatts: 1000 }),
    rooms: ['guard'],
  },
  {
    what: 'a solenoid of 500 W on a contact of 10 A without anything across it',
    source: 'IEC 60947-5-1 AC-15: inductive loads derate contacts',
    sound: pressed(HEATER, { supply: { resumes: 'yes', atRest: 'open' }, picks: { relay: 'relay-power' } }),
    make: (j) => put(j, 'guard', { loadKind: 'solenoid', loadWatts: 900 }),
    rooms: ['guard'],
  },
  {
    what: 'mains on a signal relay of 60 V',
    source: 'contact rating',
    sound: pressed(HEATER, { supply: { resumes: 'yes', atRest: 'open' } }),
    make: (j) => pressed(j, { picks: { relay: 'relay-signal' } }),
    rooms: ['thumb', 'guard'],
  },
];
