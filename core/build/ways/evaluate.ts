import { firstItem } from '../../ground/lists';
import { PULL_DOWN_OHMS } from '../../engines/circuit';
import { finding, inputsOf, type Finding } from '../../ground/finding';
import type { Way } from '../../ground/job';
import { analogueSwitch } from './analogue-switch';
import { refusedColours, type WayContext, type WayResult } from './context';
import { bareFact, bareKind, isBarePress } from './bare';
import { controlBox } from './control-box';
import { driveSignal } from './drive-signal';
import { finger } from './finger';
import { withCutOff } from './cut-off';
import { handMechanism } from './hand-mechanism';
import { moduleContact } from './module-contact';
import { nmosToGround } from './mosfet';
import { optocoupler } from './optocoupler';
import { withEndTimer } from './end-timer';
import { withOwnSupply, withPullDowns } from './own-wires';
import { pinNeeds } from './pin-needs';
import { withSecondContact } from './in-series';
import { noUse, resistorPart, withVerdict } from './result';
import { relayContact } from './relay';
import { relayModule } from './relay-module';
import { reverseMotor } from './reverse-motor';
import { solidStateRelay } from './solid-state-relay';
import { spareRemote, spareTerminals } from './spare';
import { logicInjector } from './logic-injector';
import { strobeAnswer } from './strobe';
import { switchedSupply } from './switched-supply';
import { asEach, ofAll } from './tied';
import { npnToGround } from './transistor';

/** How each way is judged on a control. */
const EVALUATE: Readonly<Record<Way, (c: WayContext) => WayResult>> = {
  'relay-contact': relayContact,
  'relay-module': relayModule,
  'npn-to-ground': npnToGround,
  'nmos-to-ground': nmosToGround,
  optocoupler,
  'solid-state-relay': solidStateRelay,
  'analogue-switch': analogueSwitch,
  'strobe-answer': strobeAnswer,
  'logic-injector': logicInjector,
  'spare-terminals': spareTerminals,
  'spare-remote': spareRemote,
  finger,
  'reverse-motor': reverseMotor,
  'control-box': controlBox,
  'drive-signal': driveSignal,
  'switched-supply': switchedSupply,
  'module-contact': moduleContact,
  'hand-mechanism': handMechanism,
};

/** Ways that have nothing to do with how the control is built inside. */
const OUTSIDE: ReadonlySet<Way> = new Set([
  'finger',
  'drive-signal',
  'switched-supply',
  'module-contact',
  'hand-mechanism',
  'spare-remote',
  'spare-terminals',
]);
/** Whether a finding holds whatever the control turns out to be. */
const always = (f: Finding): boolean => f.holds === 'whatever-kind';

/**
 * While the kind is not known, what rests on it is not known either: neither a margin that is met, nor a stop, nor that
 * the way is no use here.
 */
function whileUnknown(r: WayResult, c: WayContext): WayResult {
  if (c.fact.kind !== null || OUTSIDE.has(r.way)) return r;
  const findings = r.findings.map((f): Finding =>
    always(f) && (f.verdict === 'stop' || f.verdict === 'unknown') ? f : { ...f, verdict: 'unknown' },
  );
  const known = findings.some((f) => f.says === 'kind-unknown')
    ? []
    : [
        finding('thumb', `${r.way}.known`, {
          holds: 'whatever-kind',
          says: 'kind-unknown',
          verdict: 'unknown',
          title: `${c.control.name} is not yet known`,
          caption: 'waits for Probe',
          remedy: { text: 'Take the next reading in Probe.' },
        }),
      ];
  // With nothing read at all there is nothing to say against a way, and no wire to draw with a voltage on it.
  const bare = c.fact.readings === 0;
  return withVerdict({
    ...r,
    applies: bare || r.applies,
    wires: bare ? [] : r.wires,
    parts: bare ? [] : r.parts,
    findings: bare ? [...findings.filter((f) => always(f)), ...known] : [...known, ...findings],
  });
}

/** Values of the way's plan that stand as they begin: said once, with a press that confirms them all. */
function unconfirmed(r: WayResult, c: WayContext): WayResult {
  const inputs = r.findings.flatMap((f) => inputsOf(f.steps, f.limit));
  const paths = new Map(
    inputs.flatMap((i) =>
      i.origin.from === 'default' ? [[i.origin.path, i.name.replace(/, (lowest|highest)$/, '')]] : [],
    ),
  );
  if (paths.size === 0) return r;
  const given = [...c.press.given, ...paths.keys()];
  return withVerdict({
    ...r,
    findings: [
      ...r.findings,
      finding('thumb', `${r.way}.defaults`, {
        verdict: 'tight',
        title: `Nobody confirmed ${[...paths.values()].join(', ')}: ${paths.size === 1 ? 'it stands' : 'they stand'} as the plan begins`,
        caption: 'sizes not confirmed',
        remedy: {
          text: 'Measure and enter them, or say that they are right as they stand.',
          label: 'They are right as they stand',
          edit: {
            do: 'set',
            at: 'press',
            of: c.press.id,
            set: { given },
            say: `confirmed: ${[...paths.values()].join(', ')}`,
          },
        },
      }),
    ],
  });
}

/** Margins that rest on what was read of another control are none that is settled. */
function alike(r: WayResult, c: WayContext): WayResult {
  if (!c.fact.borrowed || OUTSIDE.has(r.way)) return r;
  return withVerdict({
    ...r,
    findings: [
      ...r.findings,
      finding('thumb', `${r.way}.alike`, {
        verdict: 'tight',
        title: `${c.control.name} is taken to be like another, and nothing was read of it`,
        caption: 'taken as alike',
        remedy: { text: `Read one value of ${c.control.name} in Probe: one that fits settles it.` },
      }),
    ],
  });
}

/** Colours that the maker chose and that a conductor must not have: its own stands, and that is said. */
function refused(r: WayResult, c: WayContext): WayResult {
  const list = refusedColours(c, r.wires);
  if (list.length === 0) return r;
  const colours = Object.fromEntries(
    Object.entries(c.job.bench.colours).filter(([n]) => !list.some(({ key }) => key === n)),
  );
  return withVerdict({
    ...r,
    findings: [
      ...r.findings,
      finding('thumb', `${r.way}.colours`, {
        verdict: 'tight',
        title: list
          .map(
            ({ wire, wish }) =>
              `Wire ${wire.number} is ` +
              `${wire.role === 'signal' ? 'a low-voltage wire' : wire.role} and stays ` +
              `${wire.colour}; ${wish} was chosen for it`,
          )
          .join('. '),
        caption: 'colour not taken',
        source: ['iec-60445', 'nec-colours'],
        remedy: {
          text: `Mains conductors have their colours by function: ${firstItem(list).wire.colours.join(', ')}.`,
          label: 'Drop those choices',
          edit: { do: 'set', at: 'bench', set: { colours }, say: 'wire colours by function' },
        },
      }),
    ],
  });
}

/** The resistor that Board puts from each pin that presses to ground, in the parts list. */
const pulledDown = (r: WayResult, c: WayContext): WayResult =>
  c.press.pullDown && r.way !== 'module-contact' && r.press.input === 'level' && r.wires.length > 0
    ? {
        ...r,
        parts: [
          ...r.parts,
          resistorPart('from the pin to ground', PULL_DOWN_OHMS, pinNeeds(r).filter((p) => p.acts).length),
        ],
      }
    : r;

/**
 * Judges one way on one control: every requirement and margin, parts, wires, and what it hands on. Where the control may be one of several
 * kinds for ever, on all of them.
 */
export function evaluateWay(way: Way, c: WayContext): WayResult {
  const { tied, kind } = c.fact;
  if (kind !== null || tied.length < 2 || OUTSIDE.has(way)) return evaluateAs(way, c);
  return ofAll(
    c,
    asEach(c).map((as) => evaluateAs(way, as)),
  );
}

const NO_CONTROL = 'It presses no control, and this way is made for one';

function evaluateAs(way: Way, given: WayContext): WayResult {
  const bare = isBarePress(given);
  if (bare && bareKind(way) === undefined)
    return noUse(way, NO_CONTROL, 'Name in Probe what it presses, or choose a way for a motor, a load or an outlet.');
  const c = bare ? { ...given, fact: bareFact(given.job, given.press, way), line: null } : given;
  const judged = alike(unconfirmed(whileUnknown(EVALUATE[way](c), c), c), c);
  const r = refused(
    withPullDowns(withEndTimer(withOwnSupply(withSecondContact(pulledDown(withCutOff(judged, c), c), c), c), c), c),
    c,
  );
  const { id, name, control } = c.press;
  // Nothing is soldered into a bought switch.
  const pullDown = c.press.pullDown && way !== 'module-contact';
  return { ...r, press: { ...r.press, id, name, control, pullDown, pins: pinNeeds(r) } };
}
