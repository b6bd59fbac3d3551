import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { marked, TERMS } from '.';

/** Every text of the program: what the core says and what stands in the screens, without this room and without tests. */
function texts(folder: string): string {
  return readdirSync(folder, { withFileTypes: true })
    .map((e) => {
      const path = join(folder, e.name);
      if (e.isDirectory()) return path.includes('glossary') || e.name === 'testing' ? '' : texts(path);
      return /\.(ts|html)$/.test(e.name) && !/\.spec\.ts$/.test(e.name) ? readFileSync(path, 'utf8') : '';
    })
    .join('\n');
}

describe('the glossary', () => {
  const all = texts('core') + texts('app');

  it.each(TERMS.map((t) => [t.key, t] as const))(
    '%s is met in the program, in two sentences and a drawing',
    (_, term) => {
      // Words within code have no blanks around them; a term is looked for as a reader meets it.
      expect(new RegExp(`[ “'(>]${term.words.source}[ ,.;:’)<]`, 'i').test(all)).toBe(true);
      expect(term.text.match(/[.!?](?= |$)/g)).toHaveLength(2);
      expect(term.drawing.length).toBeGreaterThan(1);
      for (const s of term.drawing) if ('d' in s) expect(s.d).toMatch(/^M[\d .MLHVCSQTAZmlhvcsqtaz-]+$/);
    },
  );

  it('has each term once', () => expect(new Set(TERMS.map((t) => t.key)).size).toBe(TERMS.length));

  it('cuts a text so that nothing is lost, and marks a term once', () => {
    const text = 'A pull-up holds the line; a solid-state relay to ground beats the pull-up.';
    const seen = new Set<string>();
    const pieces = marked(text, seen);
    expect(pieces.map((p) => p.text).join('')).toBe(text);
    expect(pieces.flatMap((p) => (p.term ? [p.term.key] : []))).toEqual(['pull-up', 'solid-state-relay', 'ground']);
    expect(marked('the ground again', seen)).toEqual([{ text: 'the ground again', term: null }]);
    expect(marked('a background of playgrounds')).toHaveLength(1);
  });
});
