import { computed, derive, type Input, type Step } from '../../ground/finding';
import type { CircuitQuantity, Element, OperatingPoint } from '../../engines/net';
import { rangeOf } from '../../engines/net';
import type { Rating, Stress } from './fitted';

/** A solved corner of a circuit, with its elements and which end each value stands at. */
export interface SolvedCorner {
  readonly point: OperatingPoint;
  readonly elements: readonly Element[];
  readonly ends: ReadonlyMap<string, 'low' | 'high'>;
}

/**
 * The law of one place of the circuit, with the volts at its ends in the worst state and corner: what a value out of the circuit shows of
 * itself. Its result is what the solved circuit has.
 * @param state in which state, in words.
 */
export function lawOf(rating: Rating, stress: Stress, solved: SolvedCorner, state: string): Step[] {
  if (!('watts' in stress)) return [lawOfQuantity(rating.name, stress, solved, state)];
  const [v, a] = stress.watts;
  const [across, through] = [
    lawOfQuantity('volts across it', v, solved, state),
    lawOfQuantity('current through it', a, solved, state),
  ];
  return [
    across,
    through,
    derive(rating.name, 'P', `${across.symbol} * ${through.symbol}`, 'W', [carriedFrom(across), carriedFrom(through)]),
  ];
}

const carriedFrom = (s: Step): Input => ({ symbol: s.symbol, name: s.what, ...s.result, origin: { from: 'step' } });

function lawOfQuantity(name: string, q: CircuitQuantity, { point, elements, ends }: SolvedCorner, state: string): Step {
  const at = (symbol: string, node: string): Input =>
    computed(
      symbol,
      `volts of “${node === '0' ? 'ground' : node}”`,
      point.volts(node),
      'V',
      `the whole circuit, ${state}, at its worst corner`,
    );
  if ('volts' in q) return derive(name, 'V', 'V_a - V_b', 'V', [at('V_a', q.volts[0]), at('V_b', q.volts[1])]);
  const e = elements.find((x) => x.id === q.amps);
  const value = (symbol: string, words: string, key: string, unit: Input['unit']): Input => {
    const range = e ? rangeOf(e, key) : { low: Number.NaN, nominal: Number.NaN, high: Number.NaN };
    return {
      ...computed(
        symbol,
        words,
        range[ends.get(`${q.amps} ${key}`) ?? 'nominal'],
        unit,
        'the part, at the end that is worst',
      ),
      usual: range.nominal,
    };
  };
  if (e?.is === 'resistor')
    return derive(name, 'I', '(V_a - V_b) / R', 'A', [
      at('V_a', e.a),
      at('V_b', e.b),
      value('R', 'its resistance', 'ohms', 'Ω'),
    ]);
  if (e?.is === 'junction' && point.sides.get(e.id) !== 'off')
    return derive(name, 'I', '(V_a - V_b - V_F) / R_F', 'A', [
      at('V_a', e.a),
      at('V_b', e.b),
      value('V_F', 'volts from which it conducts', 'volts', 'V'),
      value('R_F', 'its slope', 'ohms', 'Ω'),
    ]);
  return derive(name, 'I', 'I_w', 'A', [
    computed(
      'I_w',
      'what the rest of the circuit lets through it',
      point.amps(q.amps),
      'A',
      `the whole circuit, ${state}, at its worst corner`,
    ),
  ]);
}
