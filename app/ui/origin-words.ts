import { type Origin } from '../../core/ground/finding';
import { sourceOf, TAG_WORDS } from '../../core/ground/sources';
import { sayTime } from '../../core/ground/job';

/** Where a number is from, as a sentence's end; times as the clock where the machine stands shows them. */
export function originWords(o: Origin, zone: string): string {
  switch (o.from) {
    case 'measured':
      return o.at ? `measured ${sayTime(o.at, zone)}, ${o.what}` : `measured, ${o.what}`;
    case 'estimated':
      return `${o.what}, the last ${sayTime(o.at, zone)}`;
    case 'class': {
      const s = sourceOf(o.key);
      return `part class, ${TAG_WORDS[s.tag]}: ${o.part}. ${s.text}`;
    }
    case 'source': {
      const s = sourceOf(o.key);
      return `${TAG_WORDS[s.tag]}: ${s.text}`;
    }
    case 'prior':
    case 'default':
    case 'computed':
    case 'maker':
      return o.what;
    case 'step':
      return '';
  }
}
