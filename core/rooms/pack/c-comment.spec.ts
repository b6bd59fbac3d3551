import { describe, expect, it } from 'vitest';
import { comment } from './c-comment';

describe('text in a C comment', () => {
  it.each([
    ['Kühlraum “Süd”, 冷房', 'Kühlraum “Süd”, 冷房'],
    ['a */ b /* c', 'a * / b / * c'],
    ['/*/ **//', '/ * / ** //'],
    ['what???= now??/', 'what? ? ?= now? ?/'],
    ['ends\\\nhere\u2028and\u0000there', 'ends here and there'],
    ['turned\u202eround', 'turned round'],
    ['half \ud83d of one', 'half   of one'],
  ])('%j is told as %j', (text, told) => {
    expect(comment(text)).toBe(told);
  });

  it('never holds what ends it, and no sequence that a compiler takes for another sign (ISO/IEC 9899:1999, 5.2.1.1 and 6.4.9)', () => {
    const parts = ['*', '/', '?', '=', '\\', '\n', 'é', ' '];
    for (let n = 0; n < 8 ** 4; n++) {
      const text = [0, 3, 6, 9].map((bits) => parts[(n >> bits) & 7]).join('');
      expect(comment(text)).not.toMatch(/\*\/|\/\*|\?\?|[\\\n]/);
    }
  });
});
