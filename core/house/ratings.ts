import { computed, derive, finding, isGraver, judged, summary, type Finding, type Limit } from '../ground/finding';
import type { Room } from '../ground/job';
import { formatQuantity } from '../ground/quantity';
import { gravestRow, type LedgerRow } from '../build/whole';

/** Whose a row is, in words: `base resistor of gate`. */
export const partWords = ({ part }: LedgerRow): string =>
  part.kind === 'pin' || part.owner === '' ? part.name : `${part.name} of ${part.owner}`;

/** What a row is held against. */
export const limitOf = ({ rating }: LedgerRow): Limit | null =>
  rating.limit === null
    ? null
    : { sense: rating.sense, value: rating.limit, unit: rating.unit, name: rating.name, origin: rating.origin };

const idOf = (row: LedgerRow): string => `rating.${row.part.id}.${row.rating.key}`.replace(/\s+/g, '-');

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
    .map(rowFinding);
}

function rowFinding(row: LedgerRow): Finding {
  const { part, rating, stress, state, verdict } = row;
  const about = part.room === 'thumb' ? { press: part.of } : { owner: part.of };
  const limit = limitOf(row);
  if (stress === null || !limit)
    return {
      ...finding(part.room, idOf(row), {
        verdict,
        title: `${partWords(row)}: ${rating.name} is not known, since ${rating.because || 'the circuit does not settle'}`,
        caption: 'rating not known',
        source: rating.source,
        remedy: { text: 'Say in Feed, Board or Thumb what is missing; every rating stands in Guard.' },
      }),
      about,
    };
  return {
    ...judged(part.room, idOf(row), {
      title: `${partWords(row)}: ${rating.name}, worst ${state?.words ?? 'at rest'}`,
      caption: rating.name,
      steps: [
        derive(rating.name, 'x', 'x_w', rating.unit, [
          computed(
            'x_w',
            `worst ${state?.words ?? 'at rest'}`,
            stress,
            rating.unit,
            'the circuit of the whole job, at its worst corner',
          ),
        ]),
      ],
      limit,
      verdict,
      source: rating.source,
      remedy:
        verdict === 'settled'
          ? null
          : {
              text: `${formatQuantity(stress, rating.unit)} against ${formatQuantity(limit.value, limit.unit)}: take another part, or another supply or resistor before it.`,
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
      caption: open === 0 ? 'every rating' : `${open} ratings open`,
      source: ['small-parts'],
      remedy: open === 0 ? null : { text: 'Open them below, worst first.' },
    }),
  ];
}
