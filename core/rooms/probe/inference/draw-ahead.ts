import { present } from '../../../ground/lists';
import { MODEL_KINDS, type ModelKind, type ReadingSpec } from '../../../engines/circuit';
import { HAND_METER, type Meter } from '../../../ground/job';
import { buildCounts, forgetParticles, particles } from './builds';
import { freshDrawnAhead, readDrawnAhead, rowKey, useDrawnAhead, type Contents, type DrawnAhead } from './drawn-ahead';
import { allInOrder, forgetOrders, orderedValues, type BuildValue } from './grid-estimate';
import { MENU } from './menu';
import { forgetPredictions, isLowInput, LOW_INPUT_OHMS, predicted, readingKey } from './particles';

/** A reading through one meter: a row of the file. */
interface Row {
  readonly key: string;
  readonly spec: ReadingSpec;
  readonly meter: Meter;
}

/** Readings that nearly every job has: those that are asked of a control, and its two sides against mains. */
function rowsAhead(): readonly Row[] {
  const toMains = ['A', 'B'].map((name): ReadingSpec => ({
    from: { kind: 'contact', name },
    to: { kind: 'mains', name: '' },
    state: 'off',
    kind: 'ohms',
  }));
  const specs = [...MENU.map(([spec]) => spec).filter((s) => s.kind !== 'look'), ...toMains];
  const rows = specs.flatMap((spec) =>
    [HAND_METER, { ...HAND_METER, inputOhms: LOW_INPUT_OHMS }].map((meter): Row => ({
      key: readingKey(spec, meter),
      spec,
      meter,
    })),
  );
  // What does not hang on the meter's input stands once, for all builds.
  return rows.filter((r, i) => rows.findIndex((x) => x.key === r.key) === i);
}

const contentsOf = (rows: readonly Row[]): Contents => ({
  counts: buildCounts(),
  readings: rows.map((r) => r.key),
  values: Object.fromEntries(MODEL_KINDS.map((kind) => [kind, orderedValues(kind)])) as Record<ModelKind, BuildValue[]>,
});

/** Of a row through the lower input only the builds that are looked at so are asked for. */
const wanted = (row: Row, i: number): boolean => row.meter.inputOhms !== LOW_INPUT_OHMS || isLowInput(i);

/** Draws the predictions of all builds for the usual readings, as one file. Takes seconds: it is done when the program is built. */
export function drawAhead(): ArrayBuffer {
  const rows = rowsAhead();
  const { bytes, ahead } = freshDrawnAhead(contentsOf(rows));
  for (const kind of MODEL_KINDS) {
    const set = particles(kind);
    present(ahead.supplies.get(kind)).set(set.supplyVolts);
    for (const row of rows) {
      const into = present(ahead.rows.get(rowKey(kind, row.key)));
      for (let i = 0; i < set.count; i++) into[i] = wanted(row, i) ? predicted(set, i, row.spec, row.meter) : 0;
    }
    for (const value of orderedValues(kind))
      present(ahead.orders.get(rowKey(kind, value))).set(allInOrder(kind, value));
  }
  return bytes;
}

/**
 * Takes a file of predictions for all that was not drawn yet; it is believed where a sample drawn anew is the very same. Gives whether it
 * was: one of another program is left alone, and everything is drawn as it is needed.
 */
export function takeDrawnAhead(bytes: ArrayBuffer): boolean {
  const rows = rowsAhead();
  const ahead = readDrawnAhead(bytes, contentsOf(rows));
  const put = (which: DrawnAhead | null): void => {
    useDrawnAhead(which);
    forgetParticles();
    forgetPredictions();
    forgetOrders();
  };
  put(ahead);
  const believed = ahead !== null && agrees(ahead, rows);
  if (!believed) put(null);
  return believed;
}

/** Which build of a set is drawn anew for the nth look: a prime spreads them. */
const sample = (n: number, count: number): number => ((n + 1) * 97) % count;
/** So many builds of a kind are drawn anew for all its rows in turn: to draw another for each row took as long as a judgement. */
const SAMPLES = 4;

/** Of every row one entry is drawn anew, and of every order two that follow each other. */
function agrees(ahead: DrawnAhead, rows: readonly Row[]): boolean {
  return MODEL_KINDS.every((kind) => {
    const set = particles(kind);
    const rowsAgree = rows.every((row, r) => {
      const i = sample(r % SAMPLES, set.count);
      if (!wanted(row, i)) return true;
      return (
        present(ahead.supplies.get(kind))[i] === set.build(i).supplyVolts &&
        Object.is(present(ahead.rows.get(rowKey(kind, row.key)))[i], predicted(set, i, row.spec, row.meter))
      );
    });
    const rises = orderedValues(kind).every((value, v) => {
      const order = present(ahead.orders.get(rowKey(kind, value)));
      const n = sample(v, set.count - 1);
      const [a, b] = [order[n] ?? 0, order[n + 1] ?? 0];
      return a < set.count && b < set.count && set.build(a)[value] <= set.build(b)[value];
    });
    return rowsAgree && rises;
  });
}
