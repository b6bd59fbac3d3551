import { itemAt, present, realAt } from '../../ground/lists';
import { NOMINAL_PARTS, settledLevels, type Joint } from '../../engines/circuit';
import type { JointWay, PartKind } from '../../ground/job';
import { boundsOf, takenPart } from '../../engines/parts';
import { within, type Interval, type Random } from '../../ground/quantity';
import { SUPPLY_SHARE } from '../../engines/electrics';
import {
  jointOf,
  leakageOf,
  onOhmsOf,
  OPTO_AGEING,
  RESISTOR_SHARE,
  type WayContext,
  type WayResult,
} from '../../build/ways';

/** What ten thousand joints built from parts within their tolerances come to. */
export interface ToleranceResult {
  readonly draws: number;
  /** Share of joints that the machine obeys, pressed and idle. */
  readonly yield: number;
  /** Least distance of a level from the machine's limit over all draws, as a share of the supply; negative where one fails. */
  readonly leastMargin: number;
  /**
   * The draw that came closest: its level, the limit it was held against, its supply, in volts; and the side of the
   * limit it should lie on.
   */
  readonly closest: {
    readonly level: number;
    readonly limit: number;
    readonly supply: number;
    readonly side: 'below' | 'above';
  };
  /** Which value moves the margin: its correlation with the margin, and the squares as shares that add up to one, largest first. */
  readonly sensitivity: readonly { readonly name: string; readonly correlation: number; readonly share: number }[];
}

type Free = readonly [field: keyof Joint, name: string, range: Interval];

/** The values of a joint that scatter, with their bounds. */
function freeValues(c: WayContext, nominal: Joint): Free[] {
  const line = present(c.line);
  const of = (kind: PartKind, key: string): Interval => boundsOf(takenPart(c.job, kind), key);
  const own: Record<JointWay, () => Free[]> = {
    'npn-to-ground': () => [['gainForward', 'gain of the transistor', of('npn', 'gain')]],
    'nmos-to-ground': () => [['onOhms', 'on-resistance', onOhmsOf(c, nominal.way)]],
    optocoupler: () => {
      const transfer = of('optocoupler', 'transfer');
      return [
        ['gainForward', 'gain of the transistor', { low: 100, nominal: NOMINAL_PARTS.gainForward, high: 400 }],
        ['transferRatio', 'transfer ratio with ageing', { ...transfer, low: transfer.low * OPTO_AGEING }],
      ];
    },
    'solid-state-relay': () => [['onOhms', 'on-resistance', onOhmsOf(c, nominal.way)]],
    'analogue-switch': () => [['onOhms', 'on-resistance', onOhmsOf(c, nominal.way)]],
    'relay-contact': () => [['onOhms', 'closed contact', onOhmsOf(c, nominal.way)]],
    'relay-module': () => [
      ['onOhms', 'closed contact', onOhmsOf(c, nominal.way)],
      ['moduleDropVolts', 'drop of the module’s input', of('relay-module', 'dropVolts')],
      ['moduleVolts', 'module supply', within(nominal.moduleVolts, SUPPLY_SHARE)],
    ],
  };
  const series: Free[] =
    nominal.way === 'analogue-switch'
      ? []
      : [['seriesOhms', 'series resistor', within(nominal.seriesOhms, RESISTOR_SHARE)]];
  const leakage = leakageOf(c, nominal.way);
  const leak: Free[] = leakage.high > 0 ? [['leakAmps', 'leakage of the open switch', leakage]] : [];
  return [
    ['supplyVolts', line.supply.name, line.supply.range],
    ['pullOhms', line.pull.name, line.pull.range],
    ['pinHighVolts', 'pin high', c.drive.highVolts],
    ...series,
    ...leak,
    ...own[nominal.way](),
  ];
}

/** Draws between two words about how far it is. */
const TOLD_EVERY = 500;

/** A value between its bounds, likeliest at its nominal one (triangular). */
function draw({ low, nominal, high }: Interval, u: number): number {
  if (high <= low) return nominal;
  const cut = (nominal - low) / (high - low);
  return u < cut
    ? low + Math.sqrt(u * (high - low) * (nominal - low))
    : high - Math.sqrt((1 - u) * (high - low) * (high - nominal));
}

/**
 * Draws joints from parts within their tolerances and holds each against the machine's levels, in closed form.
 * Null where there is no line. Sensitivity is the squared correlation of each value with the margin.
 * @param onProgress hears how many are drawn.
 */
export function toleranceOf(
  c: WayContext,
  way: WayResult,
  draws: number,
  random: Random,
  onProgress: (done: number) => void = () => undefined,
): ToleranceResult | null {
  const nominal = jointOf(c, way);
  if (!nominal) return null;
  const { polarity, lowBelow, highAbove } = present(c.line);
  const free = freeValues(c, nominal);
  const values = free.map(() => new Float64Array(draws));
  const margins = new Float64Array(draws);
  let passed = 0;
  let least = Number.POSITIVE_INFINITY;
  let closest: ToleranceResult['closest'] = {
    level: Number.NaN,
    limit: Number.NaN,
    supply: nominal.supplyVolts,
    side: 'below',
  };
  for (let d = 0; d < draws; d++) {
    if (d % TOLD_EVERY === 0) onProgress(d);
    const joint = { ...nominal } as Record<string, unknown> & Joint;
    free.forEach(([field, , range], k) => {
      const value = draw(range, random.next());
      itemAt(values, k)[d] = value;
      (joint as Record<string, unknown>)[field] = value;
    });
    const { pressed, idle } = settledLevels(joint);
    const [down, up] = polarity === 'low' ? [pressed, idle] : [idle, pressed];
    const [below, above] = [lowBelow.volts - down, up - highAbove.volts];
    const margin = Math.min(below, above) / joint.supplyVolts;
    margins[d] = margin;
    if (margin > 0) passed++;
    if (margin < least) {
      least = margin;
      closest =
        below < above
          ? { level: down, limit: lowBelow.volts, supply: joint.supplyVolts, side: 'below' }
          : { level: up, limit: highAbove.volts, supply: joint.supplyVolts, side: 'above' };
    }
  }
  const moves = values.map((v) => correlation(v, margins));
  const sum = moves.reduce((a, r) => a + r * r, 0) || 1;
  const sensitivity = free
    .map(([, name], k) => ({ name, correlation: itemAt(moves, k), share: itemAt(moves, k) ** 2 / sum }))
    .sort((a, b) => b.share - a.share);
  return { draws, yield: passed / draws, leastMargin: least, closest, sensitivity };
}

/** Pearson's correlation; 0 where one of the two does not vary. */
function correlation(a: Float64Array, b: Float64Array): number {
  const mean = (x: Float64Array): number => x.reduce((s, v) => s + v, 0) / x.length;
  const [ma, mb] = [mean(a), mean(b)];
  let [ab, aa, bb] = [0, 0, 0];
  for (let i = 0; i < a.length; i++) {
    ab += (realAt(a, i) - ma) * (realAt(b, i) - mb);
    aa += (realAt(a, i) - ma) ** 2;
    bb += (realAt(b, i) - mb) ** 2;
  }
  return aa > 0 && bb > 0 ? ab / Math.sqrt(aa * bb) : 0;
}
