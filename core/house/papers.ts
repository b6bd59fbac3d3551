import { leadJoins } from '../build/programming-lead';
import type { Facts } from '../ground/facts';
import { loadOf, type Job } from '../ground/job';
import { pinOf } from '../build/lines';
import { cautionsOf, hazardsOf } from '../rooms/guard';
import { pinAt, profileOf } from '../rooms/board';
import type { PackPapers } from '../rooms/pack';
import type { Seen } from './assess';
import { routineCalendar } from './routine-calendar';
import { PICTURES } from './zip-places';

const LOADED: Readonly<Record<string, string>> = {
  'over-the-air': 'a bought switch; programs come into it over the air',
  'lead-outside': 'a bought switch; the lead goes to contacts outside of its casing',
  'lead-inside': 'a bought switch; the lead goes inside of its casing: out of the wall, and never with mains on it',
};

/** What the papers of Pack are told of a job: its board, its cautions, its pictures, and its mains side for whoever is licensed. */
export function papersOf(job: Job, a: Pick<Seen, 'facts' | 'findings' | 'lines'>): PackPapers {
  return {
    board: boardOf(job, a),
    cautions: cautionsOf(job, a.facts).map((c) => `${c.what}: ${c.prevents}`),
    photos: job.survey.photos.map((p) => ({ ...p, file: `${PICTURES}${p.id}.jpg` })),
    mains: mainsOf(job, a),
    calendarOf: (p) => routineCalendar(p, job.id, job.touchedAt),
  };
}

function boardOf(job: Job, a: Pick<Seen, 'facts' | 'lines'>): PackPapers['board'] {
  const profile = profileOf(job);
  if (!profile || !a.facts.drive) return null;
  const on = (gpio: number): string => a.lines.find((l) => pinOf(job, l.id) === gpio)?.name ?? '';
  const strapped = profile.pins.flatMap((p) => (p.strap ? [{ label: p.label, holds: p.strap, line: on(p.gpio) }] : []));
  return {
    name: profile.name,
    volts: profile.volts,
    readySeconds: profile.readySeconds,
    programSeconds: profile.programSeconds,
    straps: strapped,
    pins: a.lines.flatMap((l) => {
      const pin = pinAt(profile, pinOf(job, l.id));
      if (!pin) return [];
      const { rising, boot, programming } = pin.levels;
      return [{ line: l.name, label: pin.label, rising, boot, programming }];
    }),
    module: profile.module ? (LOADED[profile.module.loads] ?? null) : null,
    leadJoins: leadJoins(job, a.facts.drive),
    mainsOnIt: profile.module !== null || hazardsOf(job, a.facts).includes('mains'),
  };
}

/** Null where no mains comes to the machine or to the plan. */
function mainsOf(job: Job, { facts, findings }: Pick<Seen, 'facts' | 'findings'>): PackPapers['mains'] {
  if (!hazardsOf(job, facts).some((h) => h === 'mains' || h === 'not-isolated')) return null;
  const concerned = findings.filter((f) => (f.room === 'guard' || f.room === 'feed') && !f.sums);
  return {
    supply: [
      ['mains', `${job.region.mainsVolts} V, ${job.region.mainsHertz} Hz`],
      ['machine', FED[job.survey.mains.feed]],
      ...job.feed.sources.map((s) => [s.name, s.kind] as const),
    ],
    loads: [
      ...(facts.drive?.moduleContact
        ? [
            [
              'the whole machine',
              saidLoad(job.guard.loadWatts, job.guard.loadKind),
              saidContact(facts.drive.moduleContact),
            ] as const,
          ]
        : []),
      ...facts.presses.flatMap((p) => {
        if (!p.contact && !p.mains) return [];
        const { watts, kind } = loadOf(job, p.id);
        return [[p.name, saidLoad(watts, kind), saidContact(p.contact)] as const];
      }),
    ],
    measured: Object.entries(facts.controls).map(
      ([id, c]) => [job.controls.find((x) => x.id === id)?.name ?? id, `isolation from mains: ${c.isolation}`] as const,
    ),
    ratings: concerned.flatMap((f) => (f.limit ? [[f.caption, f.title, f.verdict] as const] : [])),
    // What is ticked is the maker's own to see to, and no question.
    questions: concerned
      .filter((f) => f.verdict !== 'settled' && !f.limit && f.remedy?.edit?.do !== 'tick')
      .map((f) => f.title),
    outside: [
      ...job.guard.losses.filter((l) => l.safety).map((l) => `${l.what}, in its place: ${l.instead || 'nothing'}`),
      'the machine’s own cut-outs, door switches, edge sensors and end switches: they stay in the circuit',
      'fixed wiring, its protection and its earth',
    ],
  };
}

const saidLoad = (watts: number | null, kind: string): string =>
  `${watts === null ? 'watts not said' : `${watts} W`}, ${kind === 'unknown' ? 'kind not said' : kind}`;

const saidContact = (contact: Facts['presses'][number]['contact']): string =>
  contact ? `${contact.name}, ${contact.amps} A, ${contact.volts} V` : 'not known';

const FED: Readonly<Record<Job['survey']['mains']['feed'], string>> = {
  unknown: 'how it is fed is not said',
  'plug-turns': 'a plug that goes in either way round',
  'plug-one-way': 'a plug that goes in one way only',
  wired: 'fixed wiring',
  none: 'no mains of its own',
};
