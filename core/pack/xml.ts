// Control characters have no place in XML 1.0, escaped or not.
// eslint-disable-next-line no-control-regex
const FORBIDDEN = /[\u0000-\u0008\u000B\u000C\u000E-\u001F\uFFFE\uFFFF]/g;
const ENTITY: Record<string, string> = { '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;', "'": '&apos;' };

/** Text made fit for XML content and attributes; whatever a name holds stays text. */
export const xml = (text: string): string => text.replace(FORBIDDEN, '').replace(/[&<>"']/g, (c) => ENTITY[c]!);
