import { randomUUID } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import { isMainThread } from 'node:worker_threads';
import { assess, nextReadingOf } from '../core/house/assess';
import { filesOf } from '../core/house/deliver';
import { firstItem } from '../core/ground/lists';
import { own, slug } from '../core/ground/quantity';
import { readNoteLine } from '../core/ground/notes';
import {
  applyEdit,
  freshJob,
  jobText,
  JOB_TEXT_LIMIT,
  loadJob,
  tooLarge,
  type Job,
  type JobEdit,
  type Loaded,
} from '../core/ground/job';
import { packZip } from '../core/house/zip';
import { stripState, takeDrawnAhead } from '../core/rooms/probe';
import { changesFor, contextOf, rankWays, wayContext } from '../core/rooms/thumb';
import { feedReport, supplyRun } from '../core/rooms/feed';
import { linesVerb, pinsVerb } from './pins';
import { SIGN_OFF, signOffBlocked } from '../core/rooms/try';
import { WAY_WORDS } from '../core/build/ways';
import { daysVerb, planVerb, runVerb, searchVerb } from './act';
import { apartVerb } from './apart';
import { drillVerb } from './drill';
import { keypadVerb } from './keypad';
import { ledgerVerb } from './ledger';
import { sensesVerb } from './senses';
import { roomVerb, togetherVerb, traceVerb, travelVerb } from './trace';
import { real, whole } from './numbers';
import { Unusable } from './unusable';
import { rehearseVerb } from './rehearse';
import { regretVerb, whyVerb, yearVerb } from './year';

const USAGE =
  'usage: gt new --title T | note FILE LINE... | edit FILE EDITS.json | assess FILE | probe FILE ' +
  '--control NAME | terminals FILE | ways FILE [--press NAME] | lines FILE | pins FILE [--assign] | feed FILE | ' +
  'ledger FILE [--part P] [--open] | ' +
  'keypad CAPTURE... [--out MAP] [--lines A,B] | run FILE [--move NAME] [--faults F.json] | ' +
  'days FILE --days N --seed N [--move NAME] [--policy P] | plan FILE --to STATE [--from STATE,STATE] | ' +
  'search FILE [--faults 0..2] | drill FILE [--pairs] | apart BOARD.json | trace FILE.csv [--tariff T] [--states 1..4] [--runs N] | ' +
  'travel SECONDS... [--confidence C] | together ONE.csv OTHER.csv | room FILE.csv [--low T --high T] | senses FILE | ' +
  'year FILE --from DATE [--place LAT,LON] [--years N] | why FILE --at TIME | ' +
  'regret FILE --of RULE.FIELD [--from DATE] | pack FILE DIR | rehearse FILE [--program P.py]';

function usable(loaded: Loaded, file: string): Job {
  if (loaded.ok) return loaded.job;
  const { what, where, todo } = loaded.problem;
  throw new Unusable(`${file}: ${what} (${where}) ${todo}`);
}

/** Takes the predictions that were drawn ahead; without them the same is drawn here, which takes seconds. */
function takePredictions(): void {
  const file = process.env['GT_PREDICTIONS'];
  if (file === undefined || !existsSync(file)) return;
  const { buffer, byteOffset, byteLength } = readFileSync(file);
  takeDrawnAhead(buffer.slice(byteOffset, byteOffset + byteLength) as ArrayBuffer);
}

function readJob(file: string | undefined): Job {
  if (!file) throw new Unusable(USAGE);
  let size: number;
  let text = '';
  try {
    size = statSync(file).size;
    // The size is checked before a byte is read.
    if (size <= JOB_TEXT_LIMIT) text = readFileSync(file, 'utf8');
  } catch (error) {
    throw new Unusable(`${file}: cannot be read (${(error as NodeJS.ErrnoException).code ?? 'unknown error'})`);
  }
  if (size > JOB_TEXT_LIMIT) return usable(tooLarge(size), file);
  takePredictions();
  return usable(loadJob(text), file);
}

const now = (): string => new Date().toISOString();

function note(job: Job, lines: readonly string[]): Job {
  return lines.reduce((current, line, i) => {
    const at = now();
    const understood = readNoteLine(line, current, { id: randomUUID(), now: at });
    if (!understood.ok)
      throw new Unusable(
        `line ${i + 1}, character ${understood.at + 1}: ` +
          `${understood.message}${understood.suggestion ? ` (did you mean: ${understood.suggestion})` : ''}`,
      );
    return applied(current, understood.edit, at, `line ${i + 1}`);
  }, job);
}

/** Whether an edit signs a job off, by itself or among others. */
const signsOff = (edit: JobEdit | null): boolean =>
  edit?.do === 'several'
    ? Array.isArray(edit.edits) && edit.edits.some(signsOff)
    : edit?.do === 'add-trial' && edit.trial?.step === SIGN_OFF && edit.trial.on === 'hand';

/** The job after an edit; a refused one is named with its place and the reason. */
function applied(job: Job, edit: JobEdit, at: string, which: string): Job {
  if (signsOff(edit)) {
    const { proveDead, findings } = assess(job);
    const why = signOffBlocked(job, proveDead, findings);
    if (why) throw new Unusable(`${which}: it cannot be signed off yet: ${why} Nothing was changed.`);
  }
  const done = applyEdit(job, edit, at);
  if (done.ok) return done.job;
  const { what, where, todo } = done.problem;
  throw new Unusable(`${which}: ${what} (${where}) ${todo} Nothing was changed.`);
}

/** A file of edits as data: one, or a list of them; see docs/edits.schema.json. */
function readEdits(file: string | undefined): readonly JobEdit[] {
  if (!file) throw new Unusable(USAGE);
  let parsed: unknown;
  try {
    if (statSync(file).size > JOB_TEXT_LIMIT) throw new Unusable(`${file}: larger than any list of edits`);
    parsed = JSON.parse(readFileSync(file, 'utf8'));
  } catch (error) {
    if (error instanceof Unusable) throw error;
    const code = (error as NodeJS.ErrnoException).code;
    throw new Unusable(`${file}: ${code ? `cannot be read (${code})` : 'is not complete JSON'}`);
  }
  return (Array.isArray(parsed) ? parsed : [parsed]) as readonly JobEdit[];
}

function probe(job: Job, name: string | undefined): unknown {
  const control = job.controls.find((c) => c.name === name);
  if (!control)
    throw new Unusable(
      `the job has no control ${name ?? '(name it with --control)'}; it has: ${job.controls.map((c) => c.name).join(', ') || 'none'}`,
    );
  const a = assess(job);
  const survey = a.surveys.find((s) => s.control === control.id)!;
  return {
    candidates: survey.candidates.map((c) => ({
      kind: c.kind,
      probability: c.probability,
      parameters: Object.fromEntries(Object.entries(c.estimates).map(([k, e]) => [k, e.value])),
    })),
    next: nextReadingOf(job, a, control.id),
    contradictions: survey.contradictions,
    remainder: survey.remainder,
  };
}

/** The tree of supplies: nodes, volts, amperes, worst instants, leads to cut, and what Feed finds. */
function feed(job: Job): unknown {
  const { facts, findings } = assess(job);
  return feedReport(
    job,
    supplyRun(job, facts),
    findings.filter((f) => f.room === 'feed'),
  );
}

/** Every strip of a job: the pair table, the next step, the pair that moves the machine. */
function terminals(job: Job): unknown {
  return job.survey.strips.map((strip) => {
    const { pairs, next, found, stopped } = stripState(job, strip);
    return { name: strip.name, wires: strip.wires, pairs, next, found, stopped };
  });
}

/** All ways of pressing, best first, each with its parts and wires and with what would help it by itself. */
function ways(job: Job, name: string | undefined): unknown {
  const a = assess(job);
  const plan = name === undefined ? a.plans[0] : a.plans.find((p) => p.press.name === name || p.press.id === name);
  if (name !== undefined && !plan)
    throw new Unusable(`the job has no press ${name}; it has: ${job.presses.map((p) => p.name).join(', ') || 'none'}`);
  const context = plan ? wayContext(job, a.facts, plan.press, plan.wiresBefore) : null;
  return rankWays(context).map((w) => ({
    way: w.way,
    name: WAY_WORDS[w.way].name,
    applies: w.applies,
    verdict: w.verdict,
    reason: w.reason,
    parts: w.parts,
    wires: w.wires,
    wouldHelp:
      context && w.applies
        ? changesFor(contextOf(context, w.way), w).single.map(({ say, after }) => ({ say, after }))
        : [],
  }));
}

function pack(job: Job, dir: string | undefined): unknown {
  if (!dir) throw new Unusable(USAGE);
  const files = filesOf(job, assess(job));
  try {
    mkdirSync(dir, { recursive: true });
    for (const f of files) writeFileSync(join(dir, f.name), f.text);
    writeFileSync(join(dir, `${slug(job.title)}.zip`), packZip(files, job.touchedAt));
  } catch (error) {
    throw new Unusable(`${dir}: cannot be written (${(error as NodeJS.ErrnoException).code ?? 'unknown error'})`);
  }
  return { files: [...files.map((f) => f.name), `${slug(job.title)}.zip`] };
}

const OPTIONS = {
  title: { type: 'string' },
  control: { type: 'string' },
  out: { type: 'string' },
  lines: { type: 'string' },
  seed: { type: 'string' },
  days: { type: 'string' },
  press: { type: 'string' },
  assign: { type: 'boolean' },
  part: { type: 'string' },
  open: { type: 'boolean' },
  move: { type: 'string' },
  faults: { type: 'string' },
  policy: { type: 'string' },
  from: { type: 'string' },
  to: { type: 'string' },
  tariff: { type: 'string' },
  low: { type: 'string' },
  high: { type: 'string' },
  states: { type: 'string' },
  runs: { type: 'string' },
  confidence: { type: 'string' },
  place: { type: 'string' },
  years: { type: 'string' },
  at: { type: 'string' },
  of: { type: 'string' },
  program: { type: 'string' },
  pairs: { type: 'boolean' },
} as const;

/** What a verb is called with: its options, the first file, what else stands there. */
interface Call {
  readonly values: {
    readonly [K in keyof typeof OPTIONS]?: (typeof OPTIONS)[K]['type'] extends 'boolean' ? boolean : string;
  };
  readonly file: string | undefined;
  readonly rest: readonly string[];
}

function named({ file, rest }: Call): readonly string[] {
  if (!file) throw new Unusable(USAGE);
  return [file, ...rest];
}

const maybe = <T>(text: string | undefined, read: (text: string) => T): T | undefined =>
  text === undefined ? undefined : read(text);

const JOB_VERBS: Readonly<Record<string, (call: Call) => Job>> = {
  new: ({ values }) => {
    if (!values.title?.trim() || values.title.length > 200)
      throw new Unusable('--title wants a title of 1 to 200 characters');
    return freshJob({ title: values.title }, randomUUID(), now());
  },
  note: ({ file, rest }) => {
    if (rest.length === 0) throw new Unusable(USAGE);
    return note(readJob(file), rest);
  },
  edit: ({ file, rest }) => {
    const edits = readEdits(rest[0]);
    return edits.reduce((job, e, i) => applied(job, e, now(), `edit ${i + 1}`), readJob(file));
  },
};

/** Verbs that give an answer. */
const ANSWER_VERBS: Readonly<Record<string, (call: Call) => unknown>> = {
  assess: ({ file }) => assess(readJob(file)).findings,
  probe: ({ file, values }) => probe(readJob(file), values.control),
  terminals: ({ file }) => terminals(readJob(file)),
  ways: ({ file, values }) => ways(readJob(file), values.press),
  lines: ({ file }) => linesVerb(readJob(file)),
  pins: ({ file, values }) => pinsVerb(readJob(file), values.assign ?? false),
  feed: ({ file }) => feed(readJob(file)),
  ledger: ({ file, values }) => ledgerVerb(readJob(file), values.part, values.open ?? false),
  keypad: (call) => {
    const lines = call.values.lines?.split(',').map((l) => l.trim());
    return keypadVerb(named(call), call.values.out, lines?.filter(Boolean) ?? []);
  },
  run: ({ file, values }) => runVerb(readJob(file), values.move, values.faults),
  days: ({ file, values }) =>
    daysVerb(
      readJob(file),
      values.move,
      values.policy,
      whole(values.days, 'days', 1, 3660),
      whole(values.seed, 'seed', -(2 ** 31), 2 ** 31 - 1),
    ),
  plan: ({ file, values }) => planVerb(readJob(file), values.from, values.to),
  search: ({ file, values }) => searchVerb(readJob(file), whole(values.faults ?? '1', 'faults', 0, 2)),
  drill: ({ file, values }) => drillVerb(readJob(file), values.pairs ? 2 : 1),
  apart: (call) => apartVerb(firstItem(named(call))),
  trace: (call) =>
    traceVerb(
      firstItem(named(call)),
      maybe(call.values.tariff, (t) => real(t, 'tariff', 0, 1e6)),
      maybe(call.values.states, (t) => whole(t, 'states', 1, 4)),
      maybe(call.values.runs, (t) => whole(t, 'runs', 1, 10_000)),
    ),
  together: (call) => togetherVerb(named(call)),
  room: (call) =>
    roomVerb(
      firstItem(named(call)),
      maybe(call.values.low, (t) => real(t, 'low', -100, 1500)),
      maybe(call.values.high, (t) => real(t, 'high', -100, 1500)),
    ),
  senses: ({ file }) => sensesVerb(readJob(file)),
  year: ({ file, values }) => yearVerb(readJob(file), values.from, values.place, values.years),
  why: ({ file, values }) => whyVerb(readJob(file), values.at),
  regret: ({ file, values }) => regretVerb(readJob(file), values.of, values.from),
  travel: (call) => travelVerb(named(call), real(call.values.confidence ?? '0.95', 'confidence', 0.51, 0.9999)),
  pack: ({ file, rest }) => pack(readJob(file), rest[0]),
  rehearse: ({ file, values }) => rehearseVerb(readJob(file), values.program),
};

/** Runs one verb; gives what goes to standard output. Throws Unusable for input that cannot be used. */
async function run(args: string[]): Promise<string> {
  let parsed;
  try {
    parsed = parseArgs({ args, allowPositionals: true, options: OPTIONS });
  } catch (error) {
    throw new Unusable(`${(error as Error).message.split('. ')[0]}; ${USAGE}`);
  }
  const {
    values,
    positionals: [verb = '', file, ...rest],
  } = parsed;
  const call: Call = { values, file, rest };
  const job = own(JOB_VERBS, verb);
  if (job) return jobText(job(call));
  const answer = own(ANSWER_VERBS, verb);
  if (!answer) throw new Unusable(USAGE);
  return `${JSON.stringify(await answer(call), null, 2)}\n`;
}

// Another thread of this program reads its part of a file (`recording-file.ts`) and takes no verb.
if (isMainThread)
  try {
    process.stdout.write(await run(process.argv.slice(2)));
  } catch (error) {
    if (!(error instanceof Unusable)) throw error;
    process.stderr.write(`gt: ${error.message.replace(/\s+/g, ' ')}\n`);
    process.exitCode = 2;
  }
