import { computed, derive, type Input, type Step } from '../../ground/finding';
import {
  rangeOf,
  ZERO,
  type CircuitQuantity,
  type Element,
  type ElementOf,
  type OperatingPoint,
} from '../../engines/net';
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
  const through = e && inSeries(e, elements);
  const value = (symbol: string, words: string, key: string, unit: Input['unit']): Input => {
    const own = through?.resistor ?? e;
    const range = own ? rangeOf(own, key) : { low: Number.NaN, nominal: Number.NaN, high: Number.NaN };
    return {
      ...computed(
        symbol,
        words,
        range[ends.get(`${own?.id ?? ''} ${key}`) ?? 'nominal'],
        unit,
        'the part, at the end that is worst',
      ),
      usual: range.nominal,
    };
  };
  if (through)
    return derive(name, 'I', '(V_a - V_b) / R', 'A', [
      at('V_a', through.from),
      at('V_b', through.to),
      value('R', through.resistor === e ? 'its resistance' : 'the resistor before it', 'ohms', 'Ω'),
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

/** A resistor with the nodes from which and to which a current flows through it. */
interface Through {
  readonly resistor: ElementOf<'resistor'>;
  readonly from: string;
  readonly to: string;
}

/** The resistor that a current of an element flows through: itself, or the one other thing at its first node; null where there is none. */
function inSeries(e: Element, elements: readonly Element[]): Through | null {
  if (e.is === 'resistor') return { resistor: e, from: e.a, to: e.b };
  if ((e.is !== 'junction' && e.is !== 'source') || e.a === ZERO) return null;
  const [only, ...more] = elements.filter(
    (x) => x !== e && (x.a === e.a || x.b === e.a || ('gate' in x && x.gate === e.a) || ('out' in x && x.out === e.a)),
  );
  if (only?.is !== 'resistor' || more.length > 0) return null;
  const far = only.a === e.a ? only.b : only.a;
  // Into a junction from afar, out of a source's plus.
  return e.is === 'junction' ? { resistor: only, from: far, to: e.a } : { resistor: only, from: e.a, to: far };
}
