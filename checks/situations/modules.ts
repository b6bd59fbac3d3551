import { freshSense, type Job, type SwitchModule } from '../../core/ground/job';
import { demoJob, machined } from '../../core/testing/jobs';
import { APART, edit, finished, hand, load, mainsLoad, onPin, pressed, put, said, type Situation } from './situation';

/** The pins of the switch that follows: its contact, its button, its lamp, and one that leads nowhere. */
const CONTACT = 5;
const BUTTON_PIN = 0;
const FREE_PIN = 12;

const shipped = demoJob('glass-washer').board.profiles[0]!;
const closedCasing = (job: Job): Job =>
  edit(
    job,
    { do: 'tick', step: 'module-closed', title: 'x', on: true },
    { do: 'tick', step: 'programming-mains', title: 'x', on: true },
  );

/** A heater of 1 kW behind a bought switch of 16 A whose contact stays open after a power cut, its pins read. */
const begun = finished(said([...APART, ...mainsLoad], { feed: 'plug-one-way' }));
const SWITCHED: Job = closedCasing(
  onPin(
    put(
      put(
        pressed(
          {
            ...begun,
            feed: { ...begun.feed, sources: [], links: [], converters: [], hangs: [] },
          },
          { way: 'module-contact', pullDown: false, supply: { resumes: 'yes', atRest: 'open' } },
        ),
        'guard',
        { loadWatts: 1000, loadKind: 'resistive', cutOff: 'none' },
      ),
      'board',
      {
        profiles: [{ ...shipped, key: 'own', module: { ...shipped.module!, returns: 'open', splashProof: false } }],
        profile: 'own',
        pins: [],
      },
    ),
    CONTACT,
  ),
);
const module = (job: Job, set: Partial<SwitchModule>): Job =>
  put(job, 'board', { profiles: job.board.profiles.map((p) => ({ ...p, module: { ...p.module!, ...set } })) });

/** What must never be green of a switch that is bought with its contact, supply and controller in one casing. */
export const OF_MODULES: readonly Situation[] = [
  {
    what: 'a heater of 4 kW behind a bought switch of 16 A',
    source: '4000/230 = 17.4 A; the plate of the switch',
    sound: SWITCHED,
    make: (j) => put(j, 'guard', { loadWatts: 4000 }),
    rooms: ['guard'],
  },
  {
    what: 'a motor of 2.6 kW behind a contact that is rated for heaters',
    source: 'IEC 60947-4-1: AC-3 against AC-1',
    sound: SWITCHED,
    make: (j) => put(j, 'guard', { loadWatts: 2600, loadKind: 'motor' }),
    rooms: ['guard'],
  },
  {
    what: 'a bought switch behind which nobody said how many watts hang',
    source: 'the plate of the switch',
    sound: SWITCHED,
    make: (j) => put(j, 'guard', { loadWatts: null }),
    rooms: ['guard'],
  },
  {
    what: 'a bought switch for dry rooms where steam comes',
    source: 'IEC 60529: protection by enclosures; IEC 60664-1 pollution degree',
    sound: SWITCHED,
    make: (j) => put(j, 'guard', { place: 'damp' }),
    rooms: ['guard'],
  },
  {
    what: 'a bought switch for 120 V on mains of 230 V',
    source: 'the plate of the switch',
    sound: SWITCHED,
    make: (j) => module(j, { mainsVolts: [100, 130] }),
    rooms: ['thumb', 'feed'],
  },
  {
    what: 'a bought switch for 230 V on mains of 120 V',
    source: 'the plate of the switch',
    sound: module(SWITCHED, { mainsVolts: [200, 250] }),
    make: (j) => put(j, 'region', { mainsVolts: 120 }),
    rooms: ['thumb', 'feed'],
  },
  {
    what: 'a bought switch whose contact closes by itself when mains comes back, before a heater',
    source: 'IEC 60335-1: unattended heat must not start by a power cut',
    sound: SWITCHED,
    make: (j) => module(j, { returns: 'closed' }),
    rooms: ['thumb'],
  },
  {
    what: 'a bought switch that stands as it stood after a power cut, before a heater',
    source: 'IEC 60204-1, 7.5: no restart by itself',
    sound: SWITCHED,
    make: (j) => module(j, { returns: 'as-before' }),
    rooms: ['thumb'],
  },
  {
    what: 'a bought switch of which nobody tried what a power cut does to it',
    source: 'common practice',
    sound: SWITCHED,
    make: (j) => module(j, { returns: 'unknown' }),
    rooms: ['thumb'],
    worst: 'unknown',
  },
  {
    what: 'a machine behind a bought switch of which nobody tried whether it runs on',
    source: 'common practice',
    sound: SWITCHED,
    make: (j) => pressed(j, { supply: { resumes: 'untested', atRest: 'open' } }),
    rooms: ['thumb'],
  },
  {
    what: 'a machine that waits for a hand after a power cut behind a bought switch',
    source: 'common practice',
    sound: SWITCHED,
    make: (j) => pressed(j, { supply: { resumes: 'no', atRest: 'open' } }),
    rooms: ['thumb'],
  },
  {
    what: 'a switch of one pole behind a plug that goes in either way: the machine is live while it is off',
    source: 'single-pole switching and reversible plugs, common practice',
    sound: SWITCHED,
    make: (j) => put(j, 'survey', { mains: { ...j.survey.mains, feed: 'plug-turns' } }),
    rooms: ['thumb'],
  },
  {
    what: 'a switch of one pole behind a machine of which nobody said how it meets mains',
    source: 'single-pole switching and reversible plugs, common practice',
    sound: SWITCHED,
    make: (j) => put(j, 'survey', { mains: { ...j.survey.mains, feed: 'unknown' } }),
    rooms: ['thumb', 'probe'],
  },
  {
    what: 'a bought switch that was opened for its program and that nobody saw closed again',
    source: 'IEC 61140: a casing is the basic protection',
    sound: SWITCHED,
    make: (j) => edit(j, { do: 'tick', step: 'module-closed', title: 'x', on: false }),
    rooms: ['guard'],
    worst: 'unknown',
  },
  {
    what: 'a programming lead in a bought switch that is on mains',
    source: 'IEC 61010-1: accessible conductors; the low side of such a switch stands at mains',
    sound: SWITCHED,
    make: (j) => edit(j, { do: 'tick', step: 'programming-mains', title: 'x', on: false }),
    rooms: ['guard'],
    worst: 'unknown',
  },
  {
    what: 'a switch of one’s own led out of a bought one whose pins stand at mains',
    source: 'IEC 61140: protection against electric shock',
    sound: SWITCHED,
    make: (j) => hand(j, { kind: 'stop' }, FREE_PIN),
    rooms: ['board'],
  },
  {
    what: 'a contact at the machine led into a bought switch whose pins stand at mains',
    source: 'IEC 61140: protection against electric shock',
    sound: SWITCHED,
    make: (j) =>
      onPin(
        edit(j, { do: 'put', list: 'senses', item: { ...freshSense('door', 'door contact'), touches: 'own' } }),
        FREE_PIN,
        'door',
      ),
    rooms: ['board'],
  },
  {
    what: 'a contact at the machine led into a bought switch of which nobody said what insulates it',
    source: 'IEC 61140: protection against electric shock',
    sound: module(SWITCHED, { insulation: 'unknown' }),
    make: (j) =>
      onPin(
        edit(j, { do: 'put', list: 'senses', item: { ...freshSense('door', 'door contact'), touches: 'own' } }),
        FREE_PIN,
        'door',
      ),
    rooms: ['board'],
  },
  {
    what: 'a relay of one’s own driven by a pin of a bought switch that stands at mains',
    source: 'IEC 61140: protection against electric shock',
    sound: SWITCHED,
    make: (j) => onPin(pressed(j, { way: 'relay-contact', picks: { relay: 'relay-sixteen' } }), FREE_PIN),
    rooms: ['board'],
  },
  {
    what: 'a press by the contact of a bought switch, on the pin of its button',
    source: 'the switch itself: its contact hangs on one pin',
    sound: SWITCHED,
    make: (j) => onPin(j, BUTTON_PIN),
    rooms: ['board'],
  },
  {
    what: 'a bought switch whose contact pin is high while it starts',
    source: 'power-up levels of such chips; a heater switched by a restart',
    sound: SWITCHED,
    make: (j) =>
      put(j, 'board', {
        profiles: j.board.profiles.map((p) => ({
          ...p,
          pins: p.pins.map((x) => (x.gpio === CONTACT ? { ...x, levels: { ...x.levels, boot: 'high' as const } } : x)),
        })),
      }),
    rooms: ['board'],
  },
  {
    what: 'a resistor to ground that is said to hold the contact of a closed bought switch',
    source: 'nothing is soldered into it',
    sound: put(SWITCHED, 'board', {
      profiles: SWITCHED.board.profiles.map((p) => ({
        ...p,
        pins: p.pins.map((x) =>
          x.gpio === CONTACT
            ? { ...x, levels: { ...x.levels, rising: 'low', boot: 'low', reset: 'low', programming: 'low' } }
            : x,
        ),
      })),
    }),
    make: (j) =>
      pressed(
        put(j, 'board', {
          profiles: j.board.profiles.map((p) => ({
            ...p,
            pins: p.pins.map((x) =>
              x.gpio === CONTACT ? { ...x, levels: { ...x.levels, boot: 'weak-high' as const } } : x,
            ),
          })),
        }),
        { pullDown: true },
      ),
    rooms: ['board'],
  },
  {
    what: 'a second supply joined to the inside of a bought switch',
    source: 'the low side of such a switch stands at mains',
    sound: SWITCHED,
    make: (j) => ({
      ...j,
      feed: { ...begun.feed },
    }),
    rooms: ['feed'],
  },
  {
    what: 'a draw that is to be read by a switch without a meter',
    source: 'what is not there reads nothing',
    sound: module(SWITCHED, { meters: false }),
    make: (j) =>
      edit(j, {
        do: 'put',
        list: 'senses',
        item: { ...freshSense('draw', 'its draw'), kind: 'watts', touches: 'module', tells: 'at-work' },
      }),
    rooms: ['board'],
  },
  {
    what: 'a temperature that is to be read by the meter of a switch',
    source: 'what is not there reads nothing',
    sound: SWITCHED,
    make: (j) =>
      edit(j, {
        do: 'put',
        list: 'senses',
        item: { ...freshSense('warm', 'its warmth'), kind: 'temperature', touches: 'module', tells: 'at-work' },
      }),
    rooms: ['board'],
  },
  {
    what: 'pins of a bought switch that nobody read: an example of the catalogue',
    source: 'such switches differ from one to the next',
    sound: SWITCHED,
    make: (j) => put(j, 'board', { profile: 'plug-switch' }),
    rooms: ['board', 'thumb'],
  },
  {
    what: 'a bought switch that is wired into a mains lead',
    source: 'local electrical code; licensed work',
    sound: SWITCHED,
    make: (j) => module(j, { fit: 'wired-in' }),
    rooms: ['thumb'],
  },
  {
    what: 'a heater that runs for as long as its bought switch is closed, which a hung controller leaves so',
    source: 'IEC 60335-1: unattended heat must not run by a failed controller; nothing goes into the casing',
    sound: SWITCHED,
    make: (j) => machined(put(j, 'guard', { cutOff: 'one-shot' }), { kind: 'while-held' }),
    rooms: ['guard'],
  },
  {
    what: 'a load of its own hung on the inside of a bought switch',
    source: 'the low side of such a switch stands at mains',
    sound: SWITCHED,
    make: (j) => load({ ...j, feed: { ...begun.feed } }, { amps: 0.1 }),
    rooms: ['feed'],
  },
];
