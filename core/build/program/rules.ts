import { isTimed, sayAt, sayIfs, sayLimit, type Job } from '../../ground/job';
import { minutesOf } from '../../ground/quantity';
import type { RoutineWire, RuleWire } from '../../engines/world';
import { ruleWires, type RuleFlag } from '../rules';
import type { RuleRow, RulesPart, WindowRow } from './types';

/** A contact of the program, as far as limits ask for it. */
interface Output {
  readonly press: string;
}

const milliseconds = (s: number): number => Math.round(s * 1000);

/** What makes a rule come true, as a program tells it. */
const edgeOf = (r: RuleWire, sense: (index: number) => number): Pick<RuleRow, 'edge' | 'of' | 'is' | 'standsMs'> => {
  switch (r.edge.of) {
    case 'given':
      return { edge: 'told', of: 0, is: false, standsMs: 0 };
    case 'sense':
      return { edge: 'sense', of: sense(r.edge.sense), is: r.edge.is, standsMs: milliseconds(r.edge.seconds) };
    case 'mode':
      return { edge: 'mode', of: r.edge.mode + 1, is: r.edge.is, standsMs: 0 };
  }
};

/** Every day, in bits: bit 1 is Monday. */
const EVERY_DAY = 0xfe;
/** Days of a sentence in bits; every day where it names none. */
const dayBits = (days: readonly number[]): number =>
  days.length === 0 ? EVERY_DAY : days.reduce((bits, d) => bits | (1 << d), 0);

function windowRow(job: Job, { sentence, window }: RuleFlag): WindowRow {
  const days = job.routine.sentences[sentence]?.days ?? [];
  const [from, until] = window ? [minutesOf(window.from) * 60, minutesOf(window.until) * 60] : [0, 0];
  return { days: window ? EVERY_DAY : dayBits(days), from, until, wholeDay: window === null };
}

/** Bits of some contacts, the first is bit 0. */
const bitsOf = (outputs: readonly Output[], of: (i: number) => boolean): number =>
  outputs.reduce((bits, _, i) => (of(i) ? bits + 2 ** i : bits), 0);

/**
 * The rules, modes and limits of a job as programs have them, and whether they are nothing but plain starts.
 * @param outputs its contacts in their order. @param numberOf the number of a sense in the program, from 1.
 */
export function rulesPart(
  job: Job,
  outputs: readonly Output[],
  numberOf: (sense: string) => number,
): { readonly rules: RulesPart; readonly plain: boolean } {
  const plain = ruleWires(job, outputs) === undefined;
  const wires = ruleWires(job, outputs, true);
  if (!wires) throw new Error('rules were asked for in any case');
  return { rules: partOf(job, outputs, numberOf, wires.wire, wires.flags), plain };
}

function partOf(
  job: Job,
  outputs: readonly Output[],
  numberOf: (sense: string) => number,
  wire: RoutineWire,
  flags: readonly RuleFlag[],
): RulesPart {
  const senseOf = (index: number): number => numberOf(job.senses[index]?.id ?? '');
  const names = { ...job, modes: job.routine.modes, moves: job.act.moves };
  const { sentences, limits, modes } = job.routine;
  let first = 0;
  const rules = wire.rules.map((r, i): RuleRow => {
    const s = sentences[i];
    const row: RuleRow = {
      ...edgeOf(r, senseOf),
      first,
      count: r.ifs.length,
      does: r.does,
      what: r.does.startsWith('mode') ? r.what + 1 : r.what,
      tier: r.tier,
      ifArmed: r.ifArmed,
      lateMs: milliseconds(r.late),
      gapMs: milliseconds(r.gap),
      aDay: r.aDay,
      words: s ? `${sayAt(s, names)}${sayIfs(s, names)}` : '',
    };
    first += r.ifs.length;
    return row;
  });
  return {
    rules,
    looks: wire.rules
      .flatMap((r) => r.ifs)
      .map((l) => ({
        at: l.of === 'flag' ? 'window' : l.of,
        of: l.of === 'sense' ? senseOf(l.index) : l.index + 1,
        is: l.is,
      })),
    modes: wire.modes.map((m, i) => ({
      name: modes[i]?.name ?? '',
      on: m.on,
      holds: m.holds,
      endsMs: milliseconds(m.seconds),
    })),
    windows: flags.map((f) => windowRow(job, f)),
    limits: outputs.map((_, i) => ({
      longestMs: milliseconds(wire.longest[i] ?? Infinity),
      restMs: milliseconds(wire.leastOff[i] ?? 0),
    })),
    pairs: wire.apart.map(([a, b]) => [bitsOf(outputs, (i) => i === a), bitsOf(outputs, (i) => i === b)] as const),
    mayStart: wire.mayStart.map((m) => ({
      aDay: m.aDay,
      armed: m.armed,
      known: m.fresh < 0 ? 0 : senseOf(m.fresh),
    })),
    handHoldsMs: milliseconds(wire.handHolds),
    words: limits.map((l) => sayLimit(l, { ...names, presses: job.presses, senses: job.senses })),
    told: sentences.flatMap((s, number) =>
      isTimed(s) && s.when !== 'clock' ? [{ number, words: sayAt(s, names) }] : [],
    ),
  };
}
