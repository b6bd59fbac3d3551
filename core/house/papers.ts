import { leadJoins } from '../build/programming-lead';
import { pinOf } from '../build/lines';
import type { ControlFact, Facts } from '../ground/facts';
import { sayField, type AnyField } from '../ground/field';
import { loadOf, sourceFields, type Job } from '../ground/job';
import { formatQuantity } from '../ground/quantity';
import { cautionsOf, hazardsOf, needsProveDead, PROVE_DEAD } from '../rooms/guard';
import { pinAt, profileOf } from '../rooms/board';
import type { PackPapers } from '../rooms/pack';
import type { Seen } from './assess';
import { routineCalendar } from './routine-calendar';
import { PICTURES } from './zip';

type Known = Pick<Seen, 'facts' | 'findings' | 'lines'>;

/** What the papers of Pack are told of a job: its board, its cautions, its pictures, and its mains side for whoever is licensed. */
export function papersOf(job: Job, a: Known): PackPapers {
  const first = needsProveDead(job, a.facts) ? PROVE_DEAD : [];
  return {
    board: boardOf(job, a),
    cautions: [...first, ...cautionsOf(job, a.facts)].map((c) => `${c.what}: ${c.prevents}`),
    photos: job.survey.photos.map((p) => ({ ...p, file: `${PICTURES}${p.id}.jpg` })),
    mains: mainsMay(job, a.facts) ? mainsOf(job, a) : null,
    calendarOf: (p) => routineCalendar(p, job.id, job.touchedAt),
  };
}

/** Whether mains is, or may be, about the machine or the plan. */
const mainsMay = (job: Job, facts: Facts): boolean =>
  hazardsOf(job, facts).some((h) => h === 'mains' || h === 'not-isolated' || h === 'high-voltage');

function boardOf(job: Job, a: Known): PackPapers['board'] {
  const profile = profileOf(job);
  if (!profile || !a.facts.drive) return null;
  const on = (gpio: number): string => a.lines.find((l) => pinOf(job, l.id) === gpio)?.name ?? '';
  const { name, volts, readySeconds, programSeconds, module } = profile;
  return {
    name,
    volts,
    readySeconds,
    programSeconds,
    straps: profile.pins.flatMap((p) => (p.strap ? [{ label: p.label, holds: p.strap, line: on(p.gpio) }] : [])),
    pins: a.lines.flatMap((l) => {
      const pin = pinAt(profile, pinOf(job, l.id));
      if (!pin) return [];
      const { rising, boot, programming } = pin.levels;
      return [{ line: l.name, label: pin.label, rising, boot, programming }];
    }),
    loads: module?.loads ?? null,
    leadJoins: leadJoins(job, a.facts.drive),
    mainsOnIt: module !== null || mainsMay(job, a.facts),
  };
}

function mainsOf(job: Job, { facts, findings }: Known): PackPapers['mains'] {
  const concerned = findings.filter((f) => (f.room === 'guard' || f.room === 'feed') && !f.sums);
  const { moduleContact } = facts.drive ?? { moduleContact: null };
  return {
    supply: [
      ['mains', `${job.region.mainsVolts} V, ${job.region.mainsHertz} Hz`],
      ['machine', FED[job.survey.mains.feed]],
      ['place', PLACE[job.guard.place]],
      ...job.feed.sources.map((s) => [s.name, sayField(sourceFields.kind as AnyField, s.kind)] as const),
    ],
    loads: [
      ...(moduleContact
        ? [
            [
              'the whole machine',
              saidLoad(job.guard.loadWatts, job.guard.loadKind),
              saidContact(moduleContact),
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
      ([id, c]) =>
        [`${job.controls.find((x) => x.id === id)?.name ?? id}, isolation from mains`, saidIsolation(c)] as const,
    ),
    // One page: what a supply of low voltage keeps with room to spare is in ledger.csv.
    ratings: concerned.flatMap(({ room, title, value, limit, verdict }) =>
      limit && (room === 'guard' || verdict !== 'settled')
        ? [
            [
              title,
              value ? formatQuantity(value.value, value.unit) : 'not known',
              `${limit.sense} ${formatQuantity(limit.value, limit.unit)}`,
              verdict,
            ] as const,
          ]
        : [],
    ),
    // What is ticked is the maker's own to see to, and no question.
    questions: concerned
      .filter((f) => f.verdict !== 'settled' && !f.limit && f.remedy?.edit?.do !== 'tick')
      .map((f) => f.title),
    outside: [
      ...job.guard.losses.filter((l) => l.safety).map((l) => `${l.what}, in its place: ${l.instead || 'nothing'}`),
      ...(job.guard.lossesReviewed
        ? []
        : ['what no longer works once it is taken over: nobody has looked through that']),
      'the machine’s own cut-outs, door switches, edge sensors and end switches: they stay in the circuit',
      'fixed wiring, its protection and its earth',
    ],
  };
}

const saidLoad = (watts: number | null, kind: string): string =>
  `${watts === null ? 'watts not said' : `${watts} W`}, ${kind === 'unknown' ? 'kind not said' : kind}`;

const saidContact = (contact: Facts['presses'][number]['contact']): string =>
  contact ? `${contact.name}, ${contact.amps} A, ${contact.volts} V` : 'not known';

const saidIsolation = (c: ControlFact): string =>
  `${ISOLATION[c.isolation]}${c.borrowed ? '; taken over from a control that it is taken to be like' : ''}`;
const ISOLATION: Readonly<Record<ControlFact['isolation'], string>> = {
  isolated: 'isolated, as far as it was read',
  'low-voltage': 'isolated as far as low voltage tells; not tested with 500 V',
  'not-isolated': 'NOT isolated',
  unknown: 'not known',
};

const FED: Readonly<Record<Job['survey']['mains']['feed'], string>> = {
  unknown: 'how it is fed is not said',
  'plug-turns': 'a plug that goes in either way round',
  'plug-one-way': 'a plug that goes in one way only',
  wired: 'fixed wiring',
  none: 'no mains of its own',
};
const PLACE: Readonly<Record<Job['guard']['place'], string>> = {
  unknown: 'dry or damp is not said',
  dry: 'a dry room',
  damp: 'steam, condensation or splashes',
};
