/** Cells that are changed before they may be empty. */
export interface CellChange {
  readonly name: string;
  /** At the least that they last. */
  readonly months: number;
}

const LINE = 70;
/** A calendar reaches no further, in months. */
const MOST_MONTHS = 120;
const escaped = (text: string): string => text.replace(/[\\;,]/g, (c) => `\\${c}`).replace(/[\r\n]+/g, '\\n');
/** Length in UTF-8. */
const octets = (text: string): number => new TextEncoder().encode(text).length;
/** Content lines of RFC 5545: CRLF, folded before 75 octets. */
const folded = (line: string): string => {
  const parts: string[] = [];
  let part = '';
  for (const c of line) {
    if (octets(part) + octets(c) > LINE) {
      parts.push(part);
      part = '';
    }
    part += c;
  }
  return [...parts, part].join('\r\n ');
};

/** Whole months from a day on; a day that the month has not is its last one. */
function monthsLater(day: string, months: number): string {
  const [y, m, d] = day.slice(0, 10).split('-').map(Number) as [number, number, number];
  const last = new Date(Date.UTC(y, m - 1 + months + 1, 0)).getUTCDate();
  return new Date(Date.UTC(y, m - 1 + months, Math.min(d, last))).toISOString().slice(0, 10).replaceAll('-', '');
}

/**
 * Changes of cells as a calendar (RFC 5545): one whole-day entry each, from the day on which the job was last touched, again after as
 * many months. Cells that last for less than a month are not for a calendar.
 */
export function cellsCalendar(
  job: { id: string; title: string; touchedAt: string },
  cells: readonly CellChange[],
): string {
  const stamp = `${job.touchedAt.slice(0, 19).replace(/[-:]/g, '')}Z`;
  const events = cells.flatMap((c) => {
    const months = Math.min(MOST_MONTHS, Math.floor(c.months));
    if (months < 1) return [];
    return [
      'BEGIN:VEVENT',
      `UID:cells-${job.id}-${c.name.replace(/[^A-Za-z0-9]+/g, '-')}`,
      `DTSTAMP:${stamp}`,
      `DTSTART;VALUE=DATE:${monthsLater(job.touchedAt, months)}`,
      `RRULE:FREQ=MONTHLY;INTERVAL=${months}`,
      `SUMMARY:${escaped(`${job.title}: change ${c.name}`)}`,
      'END:VEVENT',
    ];
  });
  return ['BEGIN:VCALENDAR', 'VERSION:2.0', 'PRODID:-//Gentle Thumb//cells//EN', ...events, 'END:VCALENDAR', '']
    .map(folded)
    .join('\r\n');
}
