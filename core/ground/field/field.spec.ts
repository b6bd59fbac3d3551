import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  asQuantity,
  fieldText,
  maybeQuantity,
  problemOf,
  quantity,
  readField,
  sayChanges,
  schemaOf,
  type AnyField,
  type AnyFields,
} from '.';
import { jobFields } from '../job/document/fields';

const turns = asQuantity(quantity('turns', '1', 20, { least: 1e-3, most: 1e5 }));
const share = asQuantity(quantity('percent of reading', '%', 0.005, { most: 0.2, factor: 0.01 }));
const travel = asQuantity(maybeQuantity('travel', 'm', { most: 1 }));
const force = asQuantity(maybeQuantity('force', 'N', { most: 500 }));
const scans = asQuantity(quantity('scans', '1', 3, { least: 1, most: 100, whole: true }));

describe('a box held to its field', () => {
  it.each([
    [turns, '183.7', 183.7],
    [share, '0.5', 0.005],
    [share, '0.7 %', 0.007],
    [travel, '0.4', 0.4e-3],
    [travel, '1/2 in', 0.0127],
    [travel, '', null],
    [scans, '7', 7],
    // A scale under the finger: standard gravity, 3rd CGPM (1901); pound-force, NIST SP 811, appendix B.8.
    [force, '200 g', 1.96133],
    [force, '0.2 kg', 1.96133],
    [force, '2 kgf', 19.6133],
    [force, '1 lbf', 4.4482216152605],
  ])('%# reads %s', (field, typed, value) => expect(readField(field, typed)).toEqual({ ok: true, value }));

  it.each([
    [turns, '0', /not below 0\.001/],
    [turns, '2e5', /not above 100000/],
    [share, '21', /not above 20 %/],
    [scans, '2.5', /whole number/],
    [travel, '>3 mm', /one plain number/],
    [travel, '3 V', /character 3.*wanted/],
  ])('%# refuses %s in words', (field, typed, why) =>
    expect(readField(field, typed)).toEqual({ ok: false, message: expect.stringMatching(why) }),
  );

  // An emptied box must not put the usual value in the place of the maker's: it would then stand as given.
  it('does not take the usual value for one that is left out', () =>
    expect(readField(turns, ' ')).toEqual({ ok: false, message: 'a number is wanted here; 20 is usual' }));

  it('shows what reads back to the same value, percent included', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 0.2, noNaN: true }), (v) => {
        expect(readField(share, fieldText(share, v))).toEqual({ ok: true, value: v === 0 ? 0 : v });
      }),
    );
    expect(fieldText(share, 0.005)).toBe('0.5 %');
    expect(fieldText(travel, null)).toBe('');
  });

  it('says what changed in the words of the fields', () =>
    expect(sayChanges({ turns, travel }, { turns: 20, travel: null }, { turns: 30, travel: 4e-3 })).toBe(
      'turns 20 → 30, travel 4 mm',
    ));
});

/** Every field of the document that holds one value, by its path. */
function* leaves(fields: AnyFields, path = ''): Generator<[path: string, field: AnyField]> {
  for (const [key, field] of Object.entries(fields)) {
    const at = `${path}.${key}`;
    const inner = field.is === 'list' || field.is === 'record' ? field.of : field;
    if (inner.is === 'group') yield* leaves(inner.fields, at);
    else if (inner.is !== 'list' && inner.is !== 'record') yield [at, inner];
  }
}

describe('a box, a form, an edit and a file', () => {
  const wrong = [null, '', 'x'.repeat(5000), 'zzz', -1e300, 1e300, 0.5, Number.NaN, true, {}];

  it('say the same words of the same fault, for every field of the document', () => {
    let told = 0;
    for (const [path, field] of leaves(jobFields as unknown as AnyFields)) {
      const schema = schemaOf(field);
      for (const value of wrong) {
        const border = problemOf(field, value, '')?.why ?? '';
        let form = '';
        try {
          schema.validateSync(value, { strict: true });
        } catch (error) {
          form = (error as Error).message;
        }
        expect(form, `${path} ${String(value).slice(0, 20)}`).toBe(border);
        if (border) told++;
        if (field.is !== 'quantity' || typeof value !== 'number' || !Number.isFinite(value)) continue;
        const box = readField(
          asQuantity(field as never),
          `${value / asQuantity(field as never).factor} ${field.unit === '1' ? '' : field.unit}`,
        );
        if (!box.ok && !/not understood/.test(box.message)) expect(box.message, path).toBe(border);
      }
    }
    expect(told).toBeGreaterThan(1500);
  });
});
