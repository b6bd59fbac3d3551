import { present } from '../../ground/lists';
import type { DriveFact, Facts, PressFact } from '../../ground/facts';
import type { Control, Job } from '../../ground/job';
import { exactly, within, type Interval } from '../../ground/quantity';
import { ZERO, type Element } from '../../engines/net';
import { SUPPLY_SHARE } from '../../engines/electrics';
import { boundsOf, takenPart, valueOf, type TakenPart } from '../../engines/parts';
import { OPTO_AGEING } from '../ways';
import { AMPS_SHARE, drivenPin, ledInput, npnDriver, outputPin, saturated, VOLTS_SHARE, type Whose } from './driver';
import { RATINGS_OF, type Rating } from './fitted';
import type { MachineSide } from './machine-side';
import {
  amps,
  common,
  fittedResistor,
  notApplying,
  OPEN_SWITCH_OHMS,
  rated,
  resistorElement,
  notKnown,
  volts,
  type CircuitPiece,
} from './piece';
import type { State } from './state';
import type { SupplyPiece } from './supplies';

/** What a press is built of. */
interface Site {
  readonly job: Job;
  readonly press: PressFact;
  readonly control: Control | undefined;
  readonly drive: DriveFact;
  readonly side: MachineSide | null;
  readonly supplies: SupplyPiece;
  readonly whose: Whose;
  /** States in which it presses. */
  readonly on: readonly string[];
  readonly isOn: (state: State) => boolean;
}

/** Resistance of a metre of a ground wire with its joints, Ω (`ground-wire`). */
const WIRE_OHMS_PER_METRE = 0.1;
/** Resistor before a gate, and the one that holds it, Ω (`gate-drive`). */
const GATE_OHMS = 220;
const HOLD_OHMS = 100e3;
/** A diode across a coil: what it bears, V and A, and its drop (`coil-diode`). */
const DIODE = { volts: 50, amps: 1, drop: { low: 0.5, nominal: 0.7, high: 1 } } as const;
/** A coil works from this share of its rating, and bears this much (`coil-range`). */
const COIL = { least: 0.75, most: 1.3 } as const;
/** What a gate bears either way, V (`small-parts`). */
const GATE_VOLTS = 12;
const MOSFET_WATTS = 0.3;
const COUPLER_WATTS = 0.15;
const COUPLER_REVERSE = 6;
const SSR_WATTS = 0.3;

/** One press of a job: its pin, its driver, what closes, and the ground that it may share. Empty for a way that is no such circuit. */
export function pressPiece(
  job: Job,
  facts: Facts,
  press: PressFact,
  side: MachineSide | null,
  supplies: SupplyPiece,
  states: readonly State[],
): CircuitPiece | null {
  const { drive } = facts;
  const build = BUILDERS[press.way];
  if (!drive || !build) return null;
  const isOn = (state: State): boolean => state.pressed.has(press.id);
  const site: Site = {
    job,
    press,
    control: job.controls.find((c) => c.id === press.control),
    drive,
    side,
    supplies,
    whose: { of: press.id, owner: press.name, room: 'thumb' },
    on: states.filter((s) => isOn(s) && s.machine && s.board).map((s) => s.id),
    isOn,
  };
  const pin: CircuitPiece = {
    elements: drivenPin(press.id, drive.highVolts, isOn, press.pressesOn),
    parts: [
      outputPin(press.id, `pin of ${press.name}`, site.whose, drive.limitAmps, { from: 'source', key: drive.source }),
    ],
  };
  if (!side) {
    const kind = NEEDS_SIDE[press.way];
    if (kind) return joined([pin, unseen(site, kind)]);
  }
  return joined([pin, build(site), ...(press.sharesGround && side ? [sharedGround(site, side)] : [])]);
}

const joined = (pieces: readonly CircuitPiece[]): CircuitPiece => ({
  elements: (state) => pieces.flatMap((p) => p.elements(state)),
  parts: pieces.flatMap((p) => p.parts),
});

/** Ways whose part stands between the machine's two terminals and nowhere else: nothing is known of it where those are not. */
const NEEDS_SIDE: Partial<Record<PressFact['way'], 'npn' | 'nmos' | 'optocoupler'>> = {
  'npn-to-ground': 'npn',
  'nmos-to-ground': 'nmos',
  optocoupler: 'optocoupler',
};
const unseen = (s: Site, kind: 'npn' | 'nmos' | 'optocoupler'): CircuitPiece => ({
  elements: () => [],
  parts: [
    {
      id: `${s.press.id} ${kind}`,
      kind,
      name: takenPart(s.job, kind).name,
      ...s.whose,
      ratings: RATINGS_OF[kind].map((key) =>
        notKnown(key, key.replaceAll('-', ' '), 'the machine’s side of this control is not known'),
      ),
    },
  ],
});

const sharedGround = ({ job, press }: Site, side: MachineSide): CircuitPiece => {
  const metres = job.presses.find((p) => p.id === press.id)?.groundWireMetres ?? 0;
  const ohms = exactly(Math.max(metres * WIRE_OHMS_PER_METRE, 1e-3));
  return { elements: () => [resistorElement(`${press.id} ground wire`, ZERO, side.lower, ohms)], parts: [] };
};

const BUILDERS: Partial<Record<PressFact['way'], (s: Site) => CircuitPiece>> = {
  'npn-to-ground': npn,
  'nmos-to-ground': nmos,
  optocoupler,
  'solid-state-relay': solidStateRelay,
  'relay-contact': relayContact,
  'relay-module': relayModule,
};

/** The machine's side, where a way is only built with one. */
const sideOf = (s: Site): MachineSide => present(s.side);

function npn(s: Site): CircuitPiece {
  const part = takenPart(s.job, 'npn');
  const nodes = { from: `pin ${s.press.id}`, collector: sideOf(s).upper };
  return npnDriver(s.press.id, part, s.press.resistorOhms ?? 0, nodes, s.whose, s.on);
}

function nmos(s: Site): CircuitPiece {
  const { job, press, whose, on } = s;
  const part = takenPart(job, 'nmos');
  const { id } = press;
  const [gate, drain] = [`${id} gate`, sideOf(s).upper];
  const across = volts(drain, ZERO);
  const threshold = boundsOf(part, 'thresholdVolts');
  const full = Math.max(valueOf(part, 'statedAtVolts'), threshold.high);
  const channel: Element = {
    is: 'channel',
    id: `${id} channel`,
    a: drain,
    b: ZERO,
    gate,
    thresholdVolts: threshold,
    fullVolts: exactly(full),
    ohms: boundsOf(part, 'onOhms'),
  };
  const before = press.resistorOhms ?? GATE_OHMS;
  return {
    elements: () => [
      resistorElement(`${id} gate resistor`, `pin ${id}`, gate, within(before, 0.05)),
      resistorElement(`${id} hold`, gate, ZERO, within(HOLD_OHMS, 0.05)),
      channel,
    ],
    parts: [
      fittedResistor(`${id} gate resistor`, 'gate resistor', whose, `pin ${id}`, gate),
      fittedResistor(`${id} hold`, 'gate pull-down', whose, gate, ZERO),
      {
        id: `${id} transistor`,
        kind: 'nmos',
        name: part.name,
        ...whose,
        ratings: [
          rated(part, 'drain-volts', 'drainVolts', VOLTS_SHARE, across),
          rated(part, 'drain-amps', 'drainAmps', AMPS_SHARE, amps(channel.id)),
          common('gate-volts', 'small-parts', VOLTS_SHARE, {
            name: 'gate against source',
            unit: 'V',
            limit: GATE_VOLTS,
            stress: volts(gate, ZERO),
          }),
          common('watts', 'small-parts', AMPS_SHARE, {
            name: 'watts of a small transistor',
            unit: 'W',
            limit: MOSFET_WATTS,
            stress: { watts: [across, amps(channel.id)] },
          }),
          {
            ...common('open-channel', 'gate-drive', 1, {
              name: 'gate volts at which its resistance is sure',
              unit: 'V',
              limit: Math.min(2 * threshold.high, full),
              stress: volts(gate, ZERO),
            }),
            sense: 'at least',
            states: on,
          },
        ],
      },
    ],
  };
}

function optocoupler(s: Site): CircuitPiece {
  const part = takenPart(s.job, 'optocoupler');
  const { id } = s.press;
  const led = ledInput(id, part, s.press.resistorOhms ?? 0, `pin ${id}`, s.whose);
  const { upper, lower } = sideOf(s);
  const across = volts(upper, lower);
  const transfer = boundsOf(part, 'transfer');
  const output: Element = {
    is: 'follower',
    id: `${id} output`,
    a: upper,
    b: lower,
    of: `${id} LED`,
    gain: { ...transfer, low: OPTO_AGEING * transfer.low },
    leastVolts: boundsOf(part, 'saturationVolts'),
    ohms: exactly(1),
  };
  return {
    elements: (state) => [...led.elements(state), output],
    parts: [
      ...led.parts,
      {
        id: `${id} coupler`,
        kind: 'optocoupler',
        name: part.name,
        ...s.whose,
        ratings: [
          ...led.ratings,
          rated(part, 'output-volts', 'outputVolts', VOLTS_SHARE, across),
          rated(part, 'output-amps', 'outputAmps', AMPS_SHARE, amps(output.id)),
          common('output-reverse-volts', 'small-parts', VOLTS_SHARE, {
            name: 'output the wrong way round',
            unit: 'V',
            limit: COUPLER_REVERSE,
            stress: volts(lower, upper),
          }),
          common('watts', 'small-parts', AMPS_SHARE, {
            name: 'watts of its output',
            unit: 'W',
            limit: COUPLER_WATTS,
            stress: { watts: [across, amps(output.id)] },
          }),
          saturated(across, boundsOf(part, 'saturationVolts').high, s.on),
        ],
      },
    ],
  };
}

/** A contact between the two terminals: closed while it presses. */
const contact = (s: Site, ohms: Interval): CircuitPiece['elements'] => {
  const two = s.job.presses.find((p) => p.id === s.press.id)?.twoContacts === true;
  const closed = two ? { low: 2 * ohms.low, nominal: 2 * ohms.nominal, high: 2 * ohms.high } : ohms;
  return (state) =>
    s.side
      ? [
          resistorElement(
            `${s.press.id} contact`,
            s.side.upper,
            s.side.lower,
            s.isOn(state) ? closed : exactly(OPEN_SWITCH_OHMS),
          ),
        ]
      : [];
};

/** Ratings of what closes the pair, by the names that its kind gives them; a contact that carries a load is judged in Guard. */
function switchRatings(
  s: Site,
  part: TakenPart,
  names: { readonly volts: readonly [string, string]; readonly amps: readonly [string, string] },
): Rating[] {
  const guard = 'it carries a load of its own: Guard holds it against that';
  if (!s.side)
    return [
      notApplying(names.volts[0], 'volts across it', guard),
      notApplying(names.amps[0], 'current through it', guard),
    ];
  return [
    rated(part, names.volts[0], names.volts[1], VOLTS_SHARE, volts(s.side.upper, s.side.lower)),
    rated(part, names.amps[0], names.amps[1], AMPS_SHARE, amps(`${s.press.id} contact`)),
  ];
}

/** What the coil of the machine does to a contact that opens. */
function kick(s: Site): Rating {
  const feeds = s.control?.feeds ?? 'unknown';
  const name = 'what it breaks';
  if (!s.side) return notApplying('contact-kick', name, 'it carries a load of its own: Guard holds it against that');
  if (feeds === 'coil') return notKnown('contact-kick', name, 'a coil that nothing clamps');
  const most = s.side.line.supply.range.high / s.side.line.pull.range.low;
  if (feeds === 'unknown' && most > INPUT_AMPS)
    return notKnown('contact-kick', name, 'whether the pair feeds a coil is not said');
  return notApplying(
    'contact-kick',
    name,
    feeds === 'coil-with-diode'
      ? 'a diode clamps the coil'
      : feeds === 'lamp'
        ? 'a lamp does not kick'
        : 'an input takes next to nothing',
  );
}
/** No input of electronics takes as much, A (common practice). */
const INPUT_AMPS = 0.03;

function solidStateRelay(s: Site): CircuitPiece {
  const part = takenPart(s.job, 'solid-state-relay');
  const { id } = s.press;
  const led = ledInput(id, part, s.press.resistorOhms ?? 0, `pin ${id}`, s.whose);
  const closes = contact(s, boundsOf(part, 'onOhms'));
  const watts: Rating = s.side
    ? common('watts', 'small-parts', AMPS_SHARE, {
        name: 'watts of its output',
        unit: 'W',
        limit: SSR_WATTS,
        stress: { watts: [volts(s.side.upper, s.side.lower), amps(`${id} contact`)] },
        states: s.on,
      })
    : notApplying('watts', 'watts of its output', 'it carries a load of its own: Guard holds it against that');
  return {
    elements: (state) => [...led.elements(state), ...closes(state)],
    parts: [
      ...led.parts,
      {
        id: `${id} relay`,
        kind: 'solid-state-relay',
        name: part.name,
        ...s.whose,
        ratings: [
          ...led.ratings,
          { ...rated(part, 'led-least-amps', 'operateAmps', 1, amps(`${id} LED`)), sense: 'at least', states: s.on },
          ...switchRatings(s, part, { volts: ['load-volts', 'loadVolts'], amps: ['load-amps', 'loadAmps'] }),
          watts,
        ],
      },
    ],
  };
}

/** Plus and minus of a coil's supply: what it hangs on, or one as it is rated where nobody said. */
function coilSupply(s: Site, rating: number): { plus: string; minus: string; elements: readonly Element[] } {
  const at = s.supplies.at(s.press.id);
  if (at) return { ...at, elements: [] };
  const plus = `${s.press.id} supply`;
  return {
    plus,
    minus: ZERO,
    elements: [{ is: 'source', id: plus, a: plus, b: ZERO, volts: within(rating, SUPPLY_SHARE), ohms: exactly(0) }],
  };
}

function relayContact(s: Site): CircuitPiece {
  const part = takenPart(s.job, 'relay');
  const { id } = s.press;
  const rating = valueOf(part, 'coilVolts');
  const supply = coilSupply(s, rating);
  const collector = `${id} coil −`;
  const driver = npnDriver(
    id,
    takenPart(s.job, 'npn'),
    s.press.resistorOhms ?? 0,
    { from: `pin ${id}`, collector },
    s.whose,
    s.on,
  );
  const closes = contact(s, boundsOf(part, 'onOhms'));
  const coil = volts(supply.plus, collector);
  const whole = s.supplies.at(s.press.id) !== null;
  const coilOf = (key: string, name: string, share: number, sense: Rating['sense']): Rating =>
    whole
      ? {
          ...rated(part, key, 'coilVolts', 1, coil),
          name,
          sense,
          limit: share * rating,
          ...(sense === 'at least' ? { states: s.on } : {}),
        }
      : notKnown(key, name, 'what feeds the coil is not said');
  return {
    elements: (state) => [
      ...(state.board ? supply.elements : []),
      resistorElement(`${id} coil`, supply.plus, collector, boundsOf(part, 'coilOhms')),
      { is: 'junction', id: `${id} diode`, a: collector, b: supply.plus, volts: DIODE.drop, ohms: exactly(0.1) },
      ...driver.elements(state),
      ...closes(state),
    ],
    parts: [
      ...driver.parts,
      {
        id: `${id} diode`,
        kind: 'diode',
        name: 'diode across the coil, 1 A, 50 V',
        ...s.whose,
        ratings: [
          common('reverse-volts', 'coil-diode', VOLTS_SHARE, {
            name: 'volts it blocks',
            unit: 'V',
            limit: DIODE.volts,
            stress: coil,
          }),
          common('forward-amps', 'coil-diode', AMPS_SHARE, {
            name: 'current when the coil is let go',
            unit: 'A',
            limit: DIODE.amps,
            // What flows in the coil as it is let go flows on through the diode.
            stress: amps(`${id} collector`),
          }),
        ],
      },
      {
        id: `${id} relay`,
        kind: 'relay',
        name: part.name,
        ...s.whose,
        ratings: [
          coilOf('coil-least-volts', 'volts at which the coil pulls in', warmShare(part), 'at least'),
          coilOf('coil-most-volts', 'most volts of the coil', COIL.most, 'at most'),
          ...switchRatings(s, part, {
            volts: ['contact-volts', 'contactVolts'],
            amps: ['contact-amps', 'contactAmps'],
          }),
          kick(s),
          s.side
            ? {
                ...rated(part, 'contact-least-amps', 'minimumAmps', 1, amps(`${id} contact`)),
                sense: 'at least',
                states: s.on,
                // A film fails now and then and hurts nobody: a reason for another contact and not to stop.
                soft: true,
              }
            : notApplying('contact-least-amps', 'least current of the contact', 'it carries a load of its own'),
        ],
      },
    ],
  };
}

/** A warm coil has more resistance and pulls in at more volts. */
const warmShare = (part: TakenPart): number => {
  const { nominal, high } = boundsOf(part, 'coilOhms');
  const [, stated = nominal, stiff = nominal] = part.values['coilOhms'] ?? [];
  // What warmth adds to the resistance, the spread from part to part left out.
  return COIL.least * (high / stiff) * (stated / nominal);
};

function relayModule(s: Site): CircuitPiece {
  const part = takenPart(s.job, 'relay-module');
  const { id } = s.press;
  const onLow = valueOf(part, 'onLow') === 1;
  const supply = coilSupply(s, valueOf(part, 'supplyVolts'));
  const inner = `${id} input`;
  const [from, to] = onLow ? [supply.plus, `pin ${id}`] : [`pin ${id}`, ZERO];
  const closes = contact(s, boundsOf(part, 'onOhms'));
  const input = amps(`${id} input`);
  const on = valueOf(part, 'onAmps');
  const whole = s.supplies.at(s.press.id) !== null;
  return {
    elements: (state) => [
      ...(state.board ? supply.elements : []),
      resistorElement(`${id} input resistor`, from, inner, exactly(valueOf(part, 'inputOhms'))),
      { is: 'junction', id: `${id} input`, a: inner, b: to, volts: boundsOf(part, 'dropVolts'), ohms: exactly(1) },
      ...closes(state),
    ],
    parts: [
      {
        id: `${id} module`,
        kind: 'relay-module',
        name: part.name,
        ...s.whose,
        ratings: [
          { ...rated(part, 'input-least-amps', 'onAmps', 1, input), sense: 'at least', states: s.on },
          {
            ...rated(part, 'input-off-amps', 'onAmps', 1, input),
            name: 'input current that leaves it open',
            limit: on / 2,
            states: ['rest', 'signs', 'machine-dead'],
          },
          whole
            ? {
                ...rated(part, 'supply-volts', 'supplyVolts', 1, volts(supply.plus, supply.minus)),
                name: 'most volts of its supply',
                limit: COIL.most * valueOf(part, 'supplyVolts'),
              }
            : notKnown('supply-volts', 'most volts of its supply', 'what feeds the module is not said'),
          ...switchRatings(s, part, {
            volts: ['contact-volts', 'contactVolts'],
            amps: ['contact-amps', 'contactAmps'],
          }),
          kick(s),
        ],
      },
    ],
  };
}
