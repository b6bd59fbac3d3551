import { present } from '../../ground/lists';
// Control characters have no place in XML 1.0, escaped or not.
// eslint-disable-next-line no-control-regex
const FORBIDDEN = /[\u0000-\u0008\u000B\u000C\u000E-\u001F\uFFFE\uFFFF]/g;
// Half of a pair that stands alone is no character, and a file of it is no XML.
const LONE = /[\uD800-\uDBFF](?![\uDC00-\uDFFF])|(?<![\uD800-\uDBFF])[\uDC00-\uDFFF]/g;
const ENTITY: Record<string, string> = { '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;', "'": '&apos;' };

/** Text made fit for XML content and attributes; whatever a name holds stays text. */
export const xml = (text: string): string =>
  text
    .replace(FORBIDDEN, '')
    .replace(LONE, '\uFFFD')
    .replace(/[&<>"']/g, (c) => present(ENTITY[c]));
