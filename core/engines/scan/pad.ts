import { firstItem } from '../../ground/lists';
import type { Job, JobEdit, Keypad, PadKey, Reading } from '../../ground/job';
import { controlId } from '../../ground/notes';
import type { KeypadMap } from './keypad';

/** A pad as it was drawn in text, or why it is none. */
export type PadRead =
  | { readonly ok: true; readonly rows: number; readonly columns: number; readonly keys: PadKey[] }
  | { readonly ok: false; readonly message: string };

/** The most rows and columns that a pad may have. */
const MOST_SIDE = 16;

/** Reads a pad drawn as text: one row a line, a blank between the keys, a dot where there is none. */
export function readPad(text: string): PadRead {
  const rows = text
    .split('\n')
    .map((r) => r.trim().split(/\s+/).filter(Boolean))
    .filter((r) => r.length);
  const keys = rows.flatMap((r, row) =>
    r.map((label, column): PadKey => ({ label, row, column, lines: [], from: 'hand' })).filter((k) => k.label !== '.'),
  );
  const columns = Math.max(0, ...rows.map((r) => r.length));
  const twice = keys.find((k, i) => keys.findIndex((o) => o.label === k.label) !== i);
  if (keys.length === 0) return { ok: false, message: 'There is no key yet.' };
  if (twice) return { ok: false, message: `The key ${twice.label} stands twice; give each a label of its own.` };
  if (rows.length > MOST_SIDE || columns > MOST_SIDE)
    return { ok: false, message: `A pad has at most ${MOST_SIDE} rows and ${MOST_SIDE} columns.` };
  return { ok: true, rows: rows.length, columns, keys };
}

/** The key that a capture's name stands for: its label itself, or `key-1`, `key 1`, `Key_1` for 1. */
export const keyOfName = (pad: Keypad, name: string): string =>
  pad.keys.find((k) => k.label === name)?.label ??
  pad.keys.find((k) => k.label.toLowerCase() === name.replace(/^(key|button)[\s._-]*/i, '').toLowerCase())?.label ??
  name;

/** The map of a decoding laid onto the pad: keys that were found once get their two lines; names that are no key are told. */
export function mapOnto(pad: Keypad, map: KeypadMap): { readonly pad: Keypad; readonly strangers: readonly string[] } {
  const keys = pad.keys.map((k): PadKey => {
    const found = map.keys.filter((f) => f.label === k.label);
    return found.length === 1 ? { ...k, lines: [firstItem(found).strobe, firstItem(found).sense], from: 'capture' } : k;
  });
  return {
    pad: { ...pad, keys, scan: map.scan },
    strangers: map.keys.map((k) => k.label).filter((l) => !pad.keys.some((p) => p.label === l)),
  };
}

type Spoken = Pick<Reading, 'id' | 'at'>;

/** What the scan of a pad says of the strobe of one of its keys, as readings of a control: its rate, and the share of time high. */
export function scanReadings(
  pad: Keypad,
  control: string,
  signal: string,
  ids: readonly [Spoken, Spoken],
): readonly Reading[] {
  const { scan } = pad;
  if (!scan) return [];
  const share = scan.widthSeconds / scan.periodSeconds;
  const base = {
    control,
    from: { kind: 'contact', name: signal },
    to: { kind: 'ground', name: '' },
    state: 'idle',
    relation: '=',
    by: 'capture',
    said: '',
    struck: false,
  } as const;
  return [
    { ...base, ...ids[0], kind: 'hertz', value: 1 / scan.periodSeconds, digit: 0.01 },
    { ...base, ...ids[1], kind: 'duty', value: scan.polarity === 'low' ? 1 - share : share, digit: 0.001 },
  ];
}

/** A control's name for a key: the label where it can be one, else its place on the pad. */
export const controlNameOf = (key: PadKey): string =>
  /^[A-Za-z][\w.]*$/.test(key.label)
    ? key.label
    : /^\w+$/.test(key.label)
      ? `key.${key.label}`
      : `key.r${key.row + 1}c${key.column + 1}`;

/**
 * A key of a decoded pad as a control that can be pressed, with what the scan tells of it. A key that is a control already only gets
 * the readings. Throws RangeError for a pad that was not decoded.
 * @param newId gives an id for each reading.
 */
export function controlFromKey(job: Job, pad: Keypad, key: PadKey, now: string, newId: () => string): JobEdit {
  if (!pad.scan) throw new RangeError('a pad is decoded before its keys are controls');
  const name = controlNameOf(key);
  const there = job.controls.find((c) => c.name.toLowerCase() === name.toLowerCase());
  const id = there?.id ?? controlId(name);
  const readings = scanReadings(pad, id, 'A', [
    { id: newId(), at: now },
    { id: newId(), at: now },
  ]);
  return {
    do: 'several',
    say: `${name}: a key of ${pad.name}, with period and share of its strobe from the captures`,
    edits: [
      ...(there ? [] : [{ do: 'add-control', id, name } as const]),
      ...readings.map((reading): JobEdit => ({ do: 'add-reading', reading, say: '' })),
    ],
  };
}

/** What a decoding could not tell, each thing once, with the captures that it concerns. */
export function decodingTroubles(map: KeypadMap, strangers: readonly string[]): readonly string[] {
  const byText = new Map<string, { readonly label: string; readonly text: string }[]>();
  for (const { label, text } of map.problems) {
    // The same fault of many captures is one thing to do, whatever each is called. A name is a whole word: the capture 1 is not in 10 ms.
    const shape = ` ${text} `.replace(` ${label} `, ' each ').trim();
    byText.set(shape, [...(byText.get(shape) ?? []), { label, text }]);
  }
  const said = [...byText].map(([shape, faults]) =>
    faults.length === 1 ? firstItem(faults).text : `${some(faults.map((f) => f.label))}: ${shape}`,
  );
  return strangers.length
    ? [
        ...said,
        `No key of the pad is called ${some(strangers)}: rename ${strangers.length === 1 ? 'that capture' : 'those captures'} above.`,
      ]
    : said;
}

const some = (names: readonly string[]): string =>
  names.length <= 4 ? names.join(', ') : `${names.slice(0, 3).join(', ')} and ${names.length - 3} more`;
