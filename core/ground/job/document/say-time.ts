const formats = new Map<string, Intl.DateTimeFormat>();

function formatFor(zone: string): Intl.DateTimeFormat {
  const known = formats.get(zone);
  if (known) return known;
  const made = new Intl.DateTimeFormat('en-GB', {
    timeZone: zone,
    year: 'numeric',
    month: '2-digit',
    day: '2-digit',
    hour: '2-digit',
    minute: '2-digit',
    hourCycle: 'h23',
  });
  formats.set(zone, made);
  return made;
}

/**
 * An instant as the clock on the wall shows it where the machine stands: `2026-03-02 14:05`, or one of the two alone.
 * @param at ISO time; what is none is given back as it is. @param zone IANA name.
 */
export function sayTime(at: string, zone: string, show: 'day and time' | 'time' | 'day' = 'day and time'): string {
  const ms = Date.parse(at);
  if (Number.isNaN(ms)) return at;
  const parts = Object.fromEntries(
    formatFor(zone)
      .formatToParts(ms)
      .map((p) => [p.type, p.value]),
  );
  const time = `${parts['hour']}:${parts['minute']}`;
  const day = `${parts['year']}-${parts['month']}-${parts['day']}`;
  return show === 'time' ? time : show === 'day' ? day : `${day} ${time}`;
}
