import {
  atLeast,
  atMost,
  constant,
  derive,
  finding,
  gravest,
  inputsOf,
  judged,
  worst,
  type Finding,
  type Input,
  type Remedy,
  type Step,
} from '../../ground/finding';
import type { ContactFact, PressFact } from '../../ground/facts';
import type { ControlKind, JobEdit, JointWay, PartKind, Way } from '../../ground/job';
import { partInput, partValue, valueOf, type TakenPart } from '../../engines/parts';
import { exactly, formatQuantity } from '../../ground/quantity';
import type { Part, WayContext, WayResult, Wire } from './context';
import { probed, type ControlLine } from './line';
import { notForControl } from './requirements';
import { WAY_WORDS } from './words';

/** Resistance of a metre of a ground wire with its joints, Ω (`ground-wire`). */
export const WIRE_OHMS_PER_METRE = 0.1;

/** The ground wire with its joints as an input, Ω. */
export function wireOhms(c: WayContext) {
  const ohms = c.press.groundWireMetres * WIRE_OHMS_PER_METRE;
  return {
    symbol: 'R_wire',
    name: 'ground wire and joints',
    range: exactly(ohms),
    unit: 'Ω' as const,
    origin: { from: 'source', key: 'ground-wire' } as const,
  };
}

/** The current that a closed button passes, at its highest or lowest. */
export const buttonCurrent = (line: ControlLine, end: 'highest' | 'lowest' = 'highest') =>
  worst(end, 'current through the closed button', 'I_button', 'V_CC / R', 'A', [line.supply, line.pull]);

/** A finding as one line: a sentence as it is, what nobody read by its name, a margin with its two numbers. */
function reasonOf(f: Finding): string {
  const unread =
    f.verdict === 'unknown' ? inputsOf(f.steps, f.limit).find((i) => i.origin.from === 'prior') : undefined;
  if (unread) return `${f.caption}: a guess, since nobody read the ${unread.name.replace(/, (lowest|highest)$/, '')}`;
  if (!f.value || !f.limit || /\d/.test(f.title)) return f.title;
  return `${f.caption} ${formatQuantity(f.value.value, f.value.unit)}, ${f.limit.sense} ${formatQuantity(f.limit.value, f.limit.unit)}`;
}

/** What a way that takes nothing from a pin, and nothing from the controller's supply, hands on. */
const NOTHING: Omit<PressFact, 'way' | 'verdict' | 'applies'> = {
  id: '',
  name: '',
  control: '',
  pins: [],
  pullDown: false,
  sharesGround: false,
  galvanicallyApart: true,
  turnOnVolts: 0,
  turnOnAmps: 0,
  holdOhms: null,
  pinAmps: 0,
  draws: [],
  resistorOhms: null,
  input: 'level',
  pulses: null,
  pressesOn: 'high',
  outputs: 1,
  select: null,
  sequence: [],
  contact: null,
  mains: false,
  deadRailCloses: false,
  latchSeconds: 0,
  jerks: false,
};

/** What an evaluator found, made whole: verdict, reason, and what is handed on to the other rooms. */
export function result(
  way: Way,
  findings: readonly Finding[],
  parts: readonly Part[],
  list: readonly Wire[],
  kinds: readonly PartKind[],
  press: Partial<PressFact>,
): WayResult {
  const off = findings.some((f) => f.says === 'no-use');
  return withVerdict({
    way,
    verdict: 'unknown',
    applies: !off,
    findings,
    parts,
    wires: list,
    kinds,
    press: { ...NOTHING, ...press, way, applies: !off, verdict: 'unknown' },
    reason: '',
  });
}

/** A result with the verdict and the reason that follow from its findings. */
export function withVerdict(r: WayResult): WayResult {
  const verdict = gravest(r.findings.map((f) => f.verdict));
  const against =
    r.findings.find((f) => f.says === 'no-use') ??
    r.findings.find((f) => f.verdict === verdict && verdict !== 'settled');
  return {
    ...r,
    verdict,
    press: { ...r.press, verdict },
    reason: against ? reasonOf(against) : WAY_WORDS[r.way].costs,
  };
}

/** A way that this control has nothing to do with; what its part asks of the program holds all the same. */
export const noUse = (way: Way, title: string, remedy: string, press: Partial<PressFact> = {}): WayResult =>
  result(way, [notForControl(way, title, remedy)], [], [], [], press);

/** Kinds that no contact across two terminals can press. */
const NO_CONTACT: readonly ControlKind[] = ['touch-pad', 'motor-pair', 'serial-bus', 'encoder'];

/** A resistor in the parts list. @param ohms its value, Ω. */
export const resistorPart = (what: string, ohms: number, quantity = 1): Part => ({
  name: `resistor, ${what}`,
  value: `${formatQuantity(ohms, 'Ω')}, 5 %, 0.25 W`,
  quantity,
});

/** Another part for all presses that take its kind; the series resistor of this one is computed anew for it. */
export const partTaken = (c: Pick<WayContext, 'job' | 'press'>, kind: PartKind, id: string, say: string): JobEdit => {
  const picks: JobEdit = { do: 'set', at: 'bench', set: { picks: { ...c.job.bench.picks, [kind]: id } }, say };
  return c.press.resistorOhms === null
    ? picks
    : { do: 'several', edits: [picks, { do: 'set', at: 'press', of: c.press.id, set: { resistorOhms: null } }], say };
};

/** The remedy of taking another part. */
export const takePart = (c: WayContext, kind: PartKind, id: string, label: string, text: string): Remedy => ({
  text,
  label,
  edit: partTaken(c, kind, id, label.toLowerCase()),
});

/**
 * Whether a closed switch can stand for this control at all, and what it does to a ladder. `part` is what closes, where
 * it has a resistance.
 */
export function carriesLoad(way: JointWay, c: WayContext, part: TakenPart | null): Finding[] {
  if (c.line) return [];
  const kind = c.fact.leading;
  if (NO_CONTACT.includes(kind))
    return [
      notForControl(
        way,
        'There is no contact here that a closed switch could stand for',
        'Probe says what can still be done with such a control.',
      ),
    ];
  if (kind === 'ladder')
    return [ladderShift(way, c, part), ...(part && part.kind.startsWith('relay') ? [ladderLoad(way, c, part)] : [])];
  const contact = way === 'relay-contact' || way === 'relay-module';
  return [
    finding('thumb', `${way}.load`, {
      verdict: contact ? 'unknown' : 'stop',
      title: contact
        ? 'The contact would carry the load itself; see Guard for its rating'
        : 'This contact carries the load current itself, which this part cannot',
      caption: 'carries the load',
      remedy: { text: 'Enter the load in Guard; a power contact is judged there.' },
    }),
  ];
}

/** The same least current of a contact on a ladder, where its line is a divider. */
function ladderLoad(way: JointWay, c: WayContext, part: TakenPart): Finding {
  const [supply, pull, key] = [
    c.fact.parameters['supplyVolts'],
    c.fact.parameters['pullUpOhms'],
    c.fact.parameters['keyOhms'],
  ];
  const of = (symbol: string, name: string, unit: 'V' | 'Ω', key_: string, value: number): Input => ({
    symbol,
    name,
    value,
    unit,
    origin: probed(c.fact, key_),
  });
  const least = derive('current through the closed button, at least', 'I_button', 'V_CC / (R + R_key)', 'A', [
    of('V_CC', 'supply, lowest', 'V', 'supplyVolts', supply?.low ?? Number.NaN),
    of('R', 'pull-up, highest', 'Ω', 'pullUpOhms', pull?.high ?? Number.NaN),
    of('R_key', 'resistor of this button, highest', 'Ω', 'keyOhms', key?.high ?? Number.NaN),
  ]);
  return contactWants(
    way,
    least,
    part,
    takePart(c, 'relay', 'relay-signal', 'Use a signal relay', 'A gold signal contact works from 10 µA.'),
  );
}

/** On a ladder the closed switch stands in series with this button's resistor and moves its level by its own resistance. */
function ladderShift(way: JointWay, c: WayContext, part: TakenPart | null): Finding {
  const pull = c.fact.parameters['pullUpOhms'];
  const key = c.fact.parameters['keyOhms'];
  if (!pull || !key || !part)
    return finding('thumb', `${way}.ladder`, {
      verdict: 'stop',
      title: 'A transistor adds a voltage of its own and would look like another button of the ladder',
      caption: 'shifts the ladder',
      remedy: { text: 'Use a contact or a solid-state relay across the button.' },
    });
  const on = partInput(part, 'onOhms');
  const shift = derive(
    'shift of the level, as a share of the supply',
    'd',
    '(R_key + R_on) / (R + R_key + R_on) - R_key / (R + R_key)',
    '1',
    [
      {
        symbol: 'R_key',
        name: 'resistor of this button',
        value: key.nominal,
        unit: 'Ω',
        origin: probed(c.fact, 'keyOhms'),
      },
      {
        symbol: 'R',
        name: 'pull-up, lowest',
        value: pull.low,
        unit: 'Ω',
        origin: probed(c.fact, 'pullUpOhms'),
        usual: pull.nominal,
      },
      { ...partValue(part, 'onOhms'), name: `${on.name}, highest`, value: on.range.high },
    ],
  );
  return judged('thumb', `${way}.ladder`, {
    title: 'Shift of this button’s level on the ladder',
    caption: 'ladder shift',
    steps: [shift],
    limit: atMost(0.03, '1', 'three hundredths of the supply', { from: 'source', key: 'ladder-window' }),
    source: ['ohm'],
  });
}

/**
 * A contact that wants a least current: the film on it fails now and then and hurts nobody, a reason to prefer another
 * way and not to stop.
 */
export const minimumLoad = (way: JointWay, line: ControlLine, part: TakenPart, remedy: Remedy | null): Finding =>
  contactWants(way, buttonCurrent(line, 'lowest'), part, remedy);

function contactWants(way: JointWay, least: Step, part: TakenPart, remedy: Remedy | null): Finding {
  const minimum = partValue(part, 'minimumAmps');
  const met = least.result.value >= minimum.value;
  return judged('thumb', `${way}.minimum-load`, {
    title: `The button passes ${formatQuantity(least.result.value, 'A')}; this contact wants ${formatQuantity(minimum.value, 'A')}`,
    caption: 'contact may go deaf',
    steps: [least],
    limit: atLeast(minimum.value, 'A', `least current of the ${part.kind.replace('-', ' ')}’s contact`, minimum.origin),
    verdict: met ? 'settled' : 'tight',
    remedy: met ? null : remedy,
  });
}

/** A contact that carries a load, as Guard holds it against the load. */
export const contactOf = (part: TakenPart): ContactFact => ({
  name: part.name,
  amps: valueOf(part, 'contactAmps'),
  inrushAmps: valueOf(part, 'inrushAmps'),
  volts: valueOf(part, 'contactVolts'),
  origin: part.origin,
});

/** An open metal contact, whose leakage is none. */
export const openContact = { ...constant('I_leak', 'open contact', 0, 'A', 'parts-relay'), range: exactly(0) };
