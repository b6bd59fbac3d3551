import { describe, expect, it } from 'vitest';
import { group, list, name, naming, quantity, record, text, type AnyFields } from './field';
import { namedIn, withoutGone } from './references';

const to = (gone: 'clear' | 'drop' | 'refuse') => ({ to: ['thing'], gone, todo: 'Mend {name} first.' }) as const;
const item = group('an item', {
  name: name('called'),
  cleared: naming(text('may name'), to('clear')),
  refused: naming(text('names for good'), to('refuse')),
  all: list('names several', naming(name('one'), to('drop')), 9),
  more: list('rows', group('a row', { of: naming(name('of'), to('drop')), n: quantity('n', '1', 0, { most: 9 }) }), 9),
  keyed: naming(record('by thing', quantity('n', '1', 0, { most: 9 })), {
    ...to('drop'),
    parted: { sorts: ['thing'], idOf: (key) => key.split('/')[0] ?? '' },
  }),
});
const fields = { items: list('items', item, 9), plain: list('numbers', quantity('n', '1', 0, { most: 9 }), 9) };
const described = fields as unknown as AnyFields;
const doc = {
  items: [
    {
      name: 'lid',
      cleared: 'a',
      refused: 'b',
      all: ['a', 'b'],
      more: [
        { of: 'a', n: 1 },
        { of: 'c', n: 2 },
      ],
      keyed: { 'a/1': 1, b: 2 },
    },
  ],
  plain: [1, 2],
};
const gone = (key: string) => withoutGone(described, doc, ({ id }) => id === key);

describe('places that name something', () => {
  it('are found with their path, and say what to do by the item that they lie in', () => {
    const found = namedIn(described, doc);
    expect(found.map((x) => [x.path, x.meant.at(-1)?.id])).toEqual([
      ['items[0].cleared', 'a'],
      ['items[0].refused', 'b'],
      ['items[0].all[0]', 'a'],
      ['items[0].all[1]', 'b'],
      ['items[0].more[0].of', 'a'],
      ['items[0].more[1].of', 'c'],
      ['items[0].keyed.a/1', 'a'],
      ['items[0].keyed.b', 'b'],
    ]);
    expect(new Set(found.map((x) => x.todo))).toEqual(new Set(['Mend lid first.']));
  });

  it('are cleared or dropped as their field says, and what does not change is the same object', () => {
    expect(gone('a').items[0]).toEqual({
      ...doc.items[0],
      cleared: '',
      all: ['b'],
      more: [{ of: 'c', n: 2 }],
      keyed: { b: 2 },
    });
    expect(gone('b').items[0]).toMatchObject({ refused: 'b', all: ['a'], keyed: { 'a/1': 1 } });
    expect(gone('a').plain).toBe(doc.plain);
    expect(gone('nothing')).toBe(doc);
  });
});
