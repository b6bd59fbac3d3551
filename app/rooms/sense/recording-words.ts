import { kilowattHours } from '../../../core/engines/trace';
import { formatQuantity, type Unit } from '../../../core/ground/quantity';
import type { Column } from '../../kit/table';
import type { Learned, ReadTrace, ShownRun } from '../../workers/trace.worker';

/** What was odd in a file that was read just now, in words. */
export function oddWords(name: string, { facts, marks, gaps, dayOrMonth }: ReadTrace): string[] {
  const { odd, samples, unitGuessed, unit } = facts;
  const first = marks.slice(0, 3).map((m) => `line ${m.line}: ${m.cell}`);
  return [
    ...(odd > 0 ? [`${name}: ${odd} rows are odd beside ${samples} samples (${first.join('; ')}).`] : []),
    ...(gaps > 0 ? [`${name} has ${gaps} gaps: nothing is counted in them.`] : []),
    ...(dayOrMonth ? [`${name}: its dates could be either way round, and are taken day first.`] : []),
    ...(unitGuessed ? [`${name} names no unit: its numbers are taken for ${unit} until you say otherwise.`] : []),
  ];
}

/** Between which two levels a threshold lies. */
export function bandWords({ levels }: Learned, i: number, unit: Unit): string {
  const level = (n: number): string => formatQuantity(Number(levels[n]!.toPrecision(2)), unit);
  return `between ${level(i)} and ${level(i + 1)}`;
}

/** The columns of the table of runs. @param price of a kilowatt hour; null where nobody said one. */
export function runColumns(price: number | null): readonly Column<ShownRun>[] {
  const time = (s: number): string => formatQuantity(s, 's');
  const cost = (r: ShownRun): string =>
    r.joules === null || price === null ? '' : (kilowattHours(r.joules) * price).toFixed(2);
  return [
    { key: 'from', head: 'begins after', text: (r) => time(r.from), number: true },
    { key: 'lasts', head: 'lasts', text: (r) => time(r.to - r.from), number: true },
    { key: 'rests', head: 'rests', text: (r) => String(r.rests), number: true },
    { key: 'longest', head: 'longest rest', text: (r) => (r.rests > 0 ? time(r.longestRest) : ''), number: true },
    {
      key: 'kwh',
      head: 'kWh',
      text: (r) => (r.joules === null ? '' : kilowattHours(r.joules).toPrecision(3)),
      number: true,
    },
    ...(price === null ? [] : [{ key: 'cost', head: 'cost', text: cost, number: true }]),
  ];
}
