import {
  byHarm,
  finding,
  gravest,
  isGraver,
  judged,
  summary,
  type Finding,
  type Limit,
  type Verdict,
} from '../ground/finding';
import { nodesIn, type Job, type Room } from '../ground/job';
import { formatQuantity } from '../ground/quantity';
import { gravestRow, type LedgerRow } from '../build/whole';
import { ratingId } from './rating-id';

/** Whose a row is, in words: `base resistor of gate`. */
const partWords = ({ part }: LedgerRow): string =>
  part.kind === 'pin' || part.owner === '' ? part.name : `${part.name} of ${part.owner}`;

/** What a row is held against. */
const limitOf = ({ rating }: LedgerRow): Limit | null =>
  rating.limit === null
    ? null
    : { sense: rating.sense, value: rating.limit, unit: rating.unit, name: rating.name, origin: rating.origin };

const idOf = (row: LedgerRow): string => ratingId(row.part, row.rating);

/** Ratings of a room that are not settled and that no finding of the same press, sense, hand or sign speaks of as gravely already. */
export function ratingFindings(rows: readonly LedgerRow[], room: Room, before: readonly Finding[]): readonly Finding[] {
  return rows
    .filter(({ part, verdict }) => part.room === room && verdict !== 'settled')
    .filter(
      ({ part, verdict }) =>
        !before.some(
          (f) =>
            f.room === room &&
            (f.about?.press === part.of || f.about?.owner === part.of || f.about?.line === part.of) &&
            !isGraver(verdict, f.verdict),
        ),
    )
    .map((row) => rowFinding(row, `${partWords(row)}: `));
}

/** Where a part bears it, and is used over the share of its limit that lasts: derating is no limit, and is told apart from one. */
function derated({ rating, share, verdict }: LedgerRow): string {
  if (verdict !== 'tight' || share === null || share > 1 || rating.share >= 1) return '';
  const of = (x: number): string => formatQuantity(100 * x, '%');
  return `; within its limit, ${of(share)} of it, and parts last where they are used to ${of(rating.share)}`;
}

/** A row as a finding, whose number explains itself. @param whose the part before its rating; empty where it stands under its part. */
function rowFinding(row: LedgerRow, whose: string): Finding {
  const { part, rating, stress, state, verdict } = row;
  const about = part.room === 'thumb' ? { press: part.of } : { owner: part.of };
  const limit = limitOf(row);
  if (stress === null || !limit)
    return {
      ...finding(part.room, idOf(row), {
        verdict,
        title: `${whose}${rating.name} is not known, since ${rating.because || 'the circuit does not settle'}`,
        caption: 'rating not known',
        source: rating.source,
        remedy: { text: 'Say in Feed, Board or Thumb what is missing; every rating stands in Guard.' },
      }),
      about,
    };
  return {
    ...judged(part.room, idOf(row), {
      title: `${whose}${rating.name}, worst ${state?.words ?? 'at rest'}${row.guess ? `; ${row.guess}` : derated(row)}`,
      caption: rating.name,
      steps: row.steps,
      limit,
      verdict,
      source:
        derated(row) === '' || rating.source.includes('part-share') ? rating.source : [...rating.source, 'part-share'],
      remedy:
        verdict === 'settled'
          ? null
          : {
              text: row.guess
                ? 'Read or say it; every rating stands in Guard.'
                : `${formatQuantity(stress, rating.unit)} against ${formatQuantity(limit.value, limit.unit)}: ` +
                  'take another part, or another supply or resistor before it.',
            },
    }),
    about,
  };
}

/** All ratings together, as Guard tells them. */
export function ledgerFinding(rows: readonly LedgerRow[], apart: readonly string[]): readonly Finding[] {
  if (rows.length === 0) return [];
  const parts = new Set(rows.map((r) => r.part.id)).size;
  const open = rows.filter((r) => r.verdict !== 'settled').length;
  const rest = apart.length > 0 ? `; ${apart.join(', ')} by their own findings` : '';
  return [
    summary('guard', 'ledger', {
      verdict: gravestRow(rows),
      title:
        open === 0
          ? `Each of ${rows.length} ratings of ${parts} parts is within its limit in every state${rest}`
          : `${open} of ${rows.length} ratings of ${parts} parts are not settled${rest}`,
      caption: open === 0 ? 'every rating' : open === 1 ? 'one rating open' : `${open} ratings open`,
      source: ['small-parts'],
      remedy: open === 0 ? null : { text: 'Open them below, worst first.' },
    }),
  ];
}

/** A part with its ratings as findings, worst first, and those that do not apply with why. */
export interface LedgerPart {
  readonly id: string;
  readonly name: string;
  readonly verdict: Verdict;
  readonly ratings: readonly Finding[];
  readonly off: readonly { readonly name: string; readonly because: string }[];
}

/** The ledger as Guard and files show it: parts of the circuit, then parts of the supplies by what Feed found of them, worst first. */
export function ledgerParts(job: Job, rows: readonly LedgerRow[], findings: readonly Finding[]): readonly LedgerPart[] {
  const byPart = new Map<string, LedgerRow[]>();
  for (const r of rows) byPart.set(r.part.id, [...(byPart.get(r.part.id) ?? []), r]);
  const circuit = [...byPart.values()].map((list): LedgerPart => {
    const worst = [...list]
      .filter((r) => r.rating.applies)
      .sort((a, b) => byHarm(a, b) || (b.share ?? 0) - (a.share ?? 0));
    const [first] = list;
    return {
      id: first?.part.id ?? '',
      name: first ? partWords(first) : '',
      verdict: gravest(list.map((r) => r.verdict)),
      ratings: worst.map((row) => rowFinding(row, '')),
      off: list.filter((r) => !r.rating.applies).map((r) => ({ name: r.rating.name, because: r.rating.because })),
    };
  });
  return [...circuit, ...supplyParts(job, findings)].sort((a, b) => byHarm(a, b));
}

/** Parts of the tree of supplies: a rating that Feed found nothing about is one that nobody knows. */
function supplyParts(job: Job, findings: readonly Finding[]): LedgerPart[] {
  return nodesIn(job.feed).map(({ id, name }): LedgerPart => {
    const own = findings.filter(
      (f) => f.room === 'feed' && f.about?.nodes?.includes(id) && (f.limit || f.verdict !== 'settled'),
    );
    return {
      id,
      name,
      verdict: gravest(own.map((f) => f.verdict)),
      ratings: [...own].sort(byHarm),
      off: [],
    };
  });
}
