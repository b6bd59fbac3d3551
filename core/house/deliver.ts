import { assess, type Seen } from './assess';
import type { Facts } from '../ground/facts';
import { wholeCircuit } from '../build/whole';
import { netlistOfElements } from '../engines/net';
import { pinAt, profileOf } from '../rooms/board';
import { netlistOf } from '../engines/circuit';
import { drawWhole } from './draw';
import { cutList, lifeOf, supplyRun } from '../rooms/feed';
import { needsProveDead } from '../rooms/guard';
import { senseFrom, type Program } from '../build/program';
import { sensesRead, type Job, type Press } from '../ground/job';
import { programCalendar } from './program-calendar';
import { handsIn } from '../build/panel';
import { orderOf } from '../engines/reversing';
import { asUnit, isBuiltOtherwise, mirroredPulses } from '../build/units';
import { heardAfter, isReadable, pinOf, SENSES } from '../build/lines';
import {
  codeFiles,
  lacksInPython,
  lacksOf,
  packedProgram,
  runsPython,
  packFiles,
  PROGRAM_FILE,
  stopsIn,
  unitFiles,
  type PackFile,
  type PackInput,
  type PackPin,
  type PackPress,
} from '../rooms/pack';
import { wayContext } from '../rooms/thumb';
import { progressOf, stillCounts, testSheet } from '../rooms/try';
import { jointOf, type WayResult } from '../build/ways';
import { wholeBill, wholeWiring } from './job-wiring';
import { papersOf } from './papers';

/** What a press pin gives: a level unless the way asks for pulses, and of those the servo's two are known. */
function drivesOf(job: Job, way: WayResult, mirrored: boolean): PackPress['drives'] {
  if (way.press.input === 'level') return 'level';
  return mirrored ? mirroredPulses(job, way.press.pulses) : way.press.pulses;
}

/** Pins that a press drives: its own, with the second of two contacts in series; of select lines those whose bit its key has. */
function pinsOf(job: Job, a: Seen, press: Press, way: WayResult): readonly (number | null)[] {
  const { select } = way.press;
  if (select) {
    const lines = a.lines.filter((l) => l.owner === select.of);
    return lines.filter((_, bit) => (select.value >> bit) & 1).map((l) => pinOf(job, l.id));
  }
  const more = press.twoContacts ? a.lines.filter((l) => l.owner === press.id && l.id !== press.id && l.acts) : [];
  return [pinOf(job, press.id), ...more.map((l) => pinOf(job, l.id)).filter((p) => p !== null)];
}

/** Senses that the packed program reads: a contact on its pin, and by a function of the maker's own what else a move looks at. */
const readable = (job: Job, a: Seen): PackInput['senses'] =>
  job.senses.flatMap((s) => {
    const line = a.lines.find((l) => l.id === s.id);
    const pin = pinOf(job, s.id);
    const unit = SENSES[s.kind].number?.unit;
    const sense = {
      id: s.id,
      name: s.name,
      from: senseFrom(s, pin),
      wire: pin ?? -1,
      topic: s.topic,
      staleSeconds: s.staleSeconds,
      heardAfter: { so: heardAfter(s, true), notSo: heardAfter(s, false) },
      limit: s.limit && unit !== undefined ? { ...s.limit, soOver: s.closedThen, unit } : null,
    };
    if (!isReadable(s)) return sensesRead(job).includes(s.id) ? [{ ...sense, pin: -1, yes: 'high' }] : [];
    return line && pin !== null ? [{ ...sense, pin, yes: line.active }] : [];
  });

/** The contact of a bought module that nothing in the plan moves: it stands closed, or its machine has no power. */
const heldBy = (job: Job, a: Seen): PackInput['held'] => {
  const module = profileOf(job)?.module;
  return module && !a.facts.presses.some((p) => p.applies && p.way === 'module-contact')
    ? [{ name: 'contact of the module', pin: module.contactGpio, closesOn: module.contactOn }]
    : [];
};

/** Signs that it lights. */
const lit = (job: Job): PackInput['signs'] =>
  job.signs.flatMap((s) => {
    const pin = pinOf(job, s.id);
    return pin === null ? [] : [{ name: s.name, pin, means: s.means, dueAfterStarts: s.dueAfterStarts }];
  });

/** What people move, side by side, as far as it lies on pins, and every command. */
const moved = (job: Job, a: Seen): PackInput['hands'] =>
  handsIn(job).flatMap((h) => {
    if (h.does === 'command') return [{ ...h, pin: -1, active: 'high' as const }];
    const line = a.lines.find((l) => l.id === h.id);
    const pin = pinOf(job, h.id);
    return line && pin !== null ? [{ ...h, pin, active: line.active }] : [];
  });

/** The second output of a press with two directions, and what keeps them apart. */
function orderFor(job: Job, a: Seen, press: Press): PackPress['order'] {
  const order = orderOf(press);
  const [, second] = a.lines.filter((l) => l.owner === press.id);
  const pin = order && second ? pinOf(job, second.id) : null;
  return order && pin !== null ? { ...order, second: pin } : null;
}

/** Every press whose way is chosen, with its pin, its joint and its drawing. */
function pressesOf(job: Job, a: Seen, mirrored: boolean): PackPress[] {
  return a.plans.flatMap(({ press, way, wiresBefore }): PackPress[] => {
    if (!way) return [];
    const context = wayContext(job, a.facts, press, wiresBefore);
    const joint = context && jointOf(context, way);
    const pins = pinsOf(job, a, press, way);
    return [
      {
        id: press.id,
        name: press.name,
        pin: pins.every((p) => p !== null) ? (pins[0] ?? null) : null,
        more: pins.slice(1).filter((p) => p !== null),
        order: orderFor(job, a, press),
        pressesOn: way.press.pressesOn,
        drives: drivesOf(job, way, mirrored),
        netlist: joint && netlistOf(joint, true),
      },
    ];
  });
}

/** Every file that Pack can write for a job now, with those of each machine that is not like the first. */
export function filesOf(job: Job, a: Seen): PackFile[] {
  const input = inputOf(job, a, false);
  const units = [...job.bench.units].sort((x, y) => x.order - y.order);
  return [
    ...packFiles(input),
    ...units.flatMap((unit) => {
      if (!isBuiltOtherwise(job, unit)) return unitFiles(input, unit, false);
      const own = asUnit(job, unit);
      return unitFiles(inputOf(own, assess(own), unit.side === 'mirrored'), unit, true);
    }),
  ];
}

/** The program of a job and its text in MicroPython, as it is packed; null where none is. */
export function programFor(job: Job, a: Seen): { readonly program: Program; readonly text: string } | null {
  const input = inputOf(job, a, false);
  const program = packedProgram(input);
  const file = program && codeFiles(input, stopsIn(input)).find((f) => f.name === PROGRAM_FILE);
  return file ? { program, text: file.text } : null;
}

/** What Pack is told of a job. @param mirrored it is a machine whose servos swing the other way. */
function inputOf(job: Job, a: Seen, mirrored: boolean): PackInput {
  const sheet = progressOf(job, testSheet(job, needsProveDead(job, a.facts))).map((p) => ({
    ...p.step,
    done: p.done,
    state: p.state,
    last: p.trials.findLast((t) => stillCounts(job, t)) ?? null,
  }));
  const wiring = wholeWiring(job, a);
  const presses = pressesOf(job, a, mirrored);
  const r = supplyRun(job, a.facts);
  return {
    job,
    findings: a.findings,
    sheet,
    presses,
    hands: moved(job, a),
    senses: readable(job, a),
    signs: lit(job),
    held: heldBy(job, a),
    pulled: (profileOf(job)?.pins ?? []).flatMap((p) => (p.can.includes('pull-up') ? [p.gpio] : [])),
    calendar: programCalendar(job),
    python: runsPython(job),
    lacks: lacksOf(job, a.facts.presses),
    lacksPython: lacksInPython(job, a.facts.presses),
    wiring:
      presses.length > 0 || wiring.parts.length > 0
        ? { ...wiring, sheet: drawWhole(job, a, wiring), bill: wholeBill(job, wiring) }
        : null,
    pins: pinTable(job, a.lines),
    papers: papersOf(job, a),
    leads: cutList(r),
    ledger: ledgerLines(a.ledger),
    whole: wholeNetlist(job, a.facts),
    cells: job.feed.sources.flatMap((s, place) => {
      const life = s.kind === 'cells' ? lifeOf(job, a.facts, r, place, s) : 'sleep';
      return typeof life === 'string' ? [] : [{ name: s.name, months: life.months[0] }];
    }),
  };
}

/** Which line lies on which pin, as it stands beside the drawing and in the program. */
const pinTable = (job: Job, lines: Seen['lines']): PackPin[] =>
  lines.map((line) => {
    const gpio = pinOf(job, line.id);
    const pin = pinAt(profileOf(job), gpio);
    return {
      line: line.name,
      gpio,
      label: pin?.label ?? '',
      header: pin?.header ?? '',
      direction: line.direction,
      active: line.active,
    };
  });

const ledgerLines = (parts: Seen['ledger']): PackInput['ledger'] =>
  parts.flatMap((p) => [
    ...p.ratings.map((f) => ({
      part: p.name,
      rating: f.caption,
      verdict: f.verdict,
      value: f.value?.value ?? null,
      limit: f.limit?.value ?? null,
      sense: f.limit?.sense ?? '',
      unit: f.limit?.unit ?? '',
      because: f.value ? '' : f.title,
    })),
    ...p.off.map((o) => ({
      part: p.name,
      rating: o.name,
      verdict: 'does not apply',
      value: null,
      limit: null,
      sense: '',
      unit: '',
      because: o.because,
    })),
  ]);

/** The circuit of the job with its first press closed, or at rest where nothing presses; null where it is no circuit yet. */
function wholeNetlist(job: Job, facts: Facts): string | null {
  const whole = wholeCircuit(job, facts, profileOf(job)?.weakOhms);
  const state = whole.states.find((s) => s.pressed.size > 0) ?? whole.states[0];
  const elements = state ? whole.elements(state) : [];
  return state && whole.parts.length > 0
    ? netlistOfElements(`${job.title}: the whole circuit, ${state.words}`, elements)
    : null;
}
