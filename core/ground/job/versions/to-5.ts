import { eachOf, isPlain, without, type Migration, type Plain } from './step';

/** What a press of version 5 shares with no other, and the plan of version 4 had. */
const OF_A_PRESS = [
  'control',
  'way',
  'resistorOhms',
  'groundWireMetres',
  'finger',
  'motor',
  'signal',
  'supply',
  'hand',
  'scan',
  'remote',
  'given',
];
const pick = (o: Plain, keys: readonly string[]): Plain =>
  Object.fromEntries(keys.filter((k) => Object.hasOwn(o, k)).map((k) => [k, o[k]]));
const listOf = (v: unknown): Plain[] => (Array.isArray(v) ? v.filter(isPlain) : []);

const plainOr = (v: unknown): Plain => (isPlain(v) ? v : {});
const textOr = (v: unknown, usual: string): string => (typeof v === 'string' && v !== '' ? v : usual);

/** The one press of version 4, called as its control is; none where nothing was pressed or planned. */
function pressOf(d: Plain): Plain[] {
  const thumb = d['thumb'];
  if (!isPlain(thumb)) return [];
  const board = plainOr(d['board']);
  const controls = listOf(d['controls']);
  const control = controls.find((c) => c['id'] === thumb['control']) ?? controls[0];
  const planned = thumb['control'] !== '' || thumb['way'] !== null || board['pressPin'] !== null;
  const scripted = listOf(plainOr(d['act'])['script']).length > 0;
  if (!planned && !scripted && control === undefined) return [];
  return [
    {
      id: 'press',
      name: textOr(control?.['name'], 'press'),
      pullDown: board['pullDown'] ?? false,
      twoContacts: false,
      moduleMode: 'unknown',
      ...pick(thumb, OF_A_PRESS),
      control: thumb['control'] !== '' ? thumb['control'] : (control?.['id'] ?? ''),
      finger: isPlain(thumb['finger']) ? { ...thumb['finger'], otherDegrees: null } : thumb['finger'],
    },
  ];
}

/** The one contact of version 4; a pin that was kept for it without one stays, on a sense of which nothing is known. */
function sensesOf(d: Plain): Plain[] {
  const sense = isPlain(d['sense']) ? d['sense'] : {};
  const pin = isPlain(d['board']) ? d['board']['sensorPin'] : null;
  const contact = sense['contact'] ?? 'none';
  if (contact === 'none' && (pin === null || pin === undefined)) return [];
  return [
    {
      id: 'sense',
      name: contact === 'none' ? 'sensor' : contact === 'at-work' ? 'work contact' : 'rest contact',
      kind: 'contact',
      tells: contact === 'none' ? 'other' : contact,
      meaning: '',
      closedThen: sense['restsClosed'] ?? true,
      debounceSeconds: 0.03,
      staleSeconds: null,
      wakes: false,
      highVolts: null,
      divider: false,
      topic: '',
    },
  ];
}

/** The arm switch, where a pin or a sentence spoke of one. */
function handsOf(d: Plain): Plain[] {
  const pin = isPlain(d['board']) ? d['board']['armPin'] : null;
  const asked = listOf(isPlain(d['routine']) ? d['routine']['sentences'] : []).some((s) => s['ifArmed'] === true);
  if ((pin === null || pin === undefined) && !asked) return [];
  return [
    {
      id: 'arm',
      name: 'arm switch',
      kind: 'arm',
      latching: true,
      debounceSeconds: 0.03,
      pullUpOhms: null,
      asks: [],
      wakes: false,
    },
  ];
}

/**
 * Version 5 brought several presses, and with them senses, hands and signs; what presses share went to the bench, pins became
 * those of lines, a press of the script says which press it is, and “never” may be conditions.
 */
export const toFifth: Migration = (d) => {
  const presses = pressOf(d);
  const senses = sensesOf(d);
  const hands = handsOf(d);
  const board: Plain = isPlain(d['board']) ? d['board'] : {};
  const pins = [
    ['press', 'pressPin', presses],
    ['arm', 'armPin', hands],
    ['sense', 'sensorPin', senses],
  ] as const;
  return {
    ...without(d, 'thumb', 'sense'),
    presses,
    bench: isPlain(d['thumb']) ? { ...without(d['thumb'], ...OF_A_PRESS), units: [] } : d['thumb'],
    senses,
    hands,
    signs: [],
    ...(isPlain(d['wish']) ? { wish: { ...d['wish'], nevers: [] } } : {}),
    board: {
      ...without(board, 'pressPin', 'armPin', 'sensorPin', 'pullDown'),
      profiles: [],
      pins: pins.flatMap(([line, key, owners]) =>
        owners.length > 0 && typeof board[key] === 'number' ? [{ line, gpio: board[key], fixed: true }] : [],
      ),
    },
    ...(isPlain(d['act'])
      ? {
          act: {
            ...d['act'],
            script: eachOf(d['act']['script'], (s) => ({
              ...s,
              press: s['do'] === 'press' ? 'press' : '',
              other: false,
            })),
          },
        }
      : {}),
  };
};
