import { sourceOf, TAG_WORDS, type Origin } from '../../core/finding';

/** Where a number is from, as a sentence's end. */
export function originWords(o: Origin): string {
  switch (o.from) {
    case 'measured':
      return o.at ? `measured ${o.at.slice(0, 10)} ${o.at.slice(11, 16)}, ${o.what}` : `measured, ${o.what}`;
    case 'estimated':
      return `${o.what}, the last ${o.at.slice(0, 10)} ${o.at.slice(11, 16)}`;
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
