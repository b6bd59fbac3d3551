import { KIT } from './kit';

/** What a rehearsal asks of an interpreter of MicroPython. */
export interface Interpreter {
  registerJsModule(name: string, module: object): void;
  runPython(code: string): unknown;
  readonly FS: { writeFile(path: string, text: string): void };
}

/** What comes from outside, ms from the beginning. A thermometer that says null does not answer. */
export type BenchEvent = { readonly at: number } & (
  | { readonly what: 'pin'; readonly pin: number; readonly level: number }
  | { readonly what: 'message'; readonly topic: string; readonly text: string; readonly kept?: boolean }
  | { readonly what: 'network'; readonly is: boolean }
  | { readonly what: 'degrees'; readonly pin: number; readonly degrees: number | null }
);

/** A level that the program gave a pin; of pulses their width, ns. */
export interface Written {
  readonly at: number;
  readonly pin: number;
  readonly level: number;
}
export interface ToldMessage {
  readonly at: number;
  readonly topic: string;
  readonly text: string;
  readonly kept: boolean;
}

/** What a program is put on the bench with. */
export interface BenchRun {
  /** Its files by name; one of them is `main.py`. */
  readonly files: Readonly<Record<string, string>>;
  /** Levels of the pins at the beginning; those that are not named are high, as a pull-up has them. */
  readonly levels: Readonly<Record<number, number>>;
  readonly events: readonly BenchEvent[];
  /** How long it runs, ms. */
  readonly lasts: number;
  /** What the clock shows at the beginning, s since 1970; null for a clock that nobody has set yet, and that the network sets to `sets`. */
  readonly epoch: number | null;
  readonly sets: number;
  readonly network: boolean;
  /** Calls between program and bench that it may take; more mean that it does not rest. */
  readonly calls: number;
}

/** Why a run ended. */
export type BenchEnd = 'time' | 'failed' | 'restless' | 'bitten';
export interface Rehearsed {
  readonly written: readonly Written[];
  readonly told: readonly ToldMessage[];
  readonly printed: readonly string[];
  readonly end: BenchEnd;
  /** What it ended by, where it did not run its time: the words of the interpreter, and its line of the program. */
  readonly failure: string;
  readonly line: number | null;
  /** When it ended, ms. */
  readonly at: number;
}

/** What is thrown into the program by what ends it. */
const WORDS: Readonly<Record<Exclude<BenchEnd, 'failed'>, string>> = {
  time: 'the rehearsal is over',
  restless: 'the program does not rest',
  bitten: 'the watchdog was not fed, and would reset the controller',
};
/** So many times a run tells how far it is. */
const NEWS = 100;

class Bench {
  now = 0;
  readonly written: Written[] = [];
  readonly told: ToldMessage[] = [];
  calls = 0;
  private readonly levels = new Map<number, number>();
  private readonly watched = new Set<number>();
  private readonly edges: number[] = [];
  private readonly messages: string[] = [];
  private readonly degrees = new Map<number, number>();
  private readonly widths = new Map<number, number>();
  private network: boolean;
  private epoch: number | null;
  private next = 0;
  /** What ended it; null while it runs. The words that go into the program are no news of that: it may say the same. */
  ended: Exclude<BenchEnd, 'failed'> | null = null;
  /** The watchdog bites so long after it was fed last, ms. */
  private bites = Infinity;
  private fed = 0;
  private news = 1;

  constructor(
    private readonly plan: BenchRun,
    private readonly tell: (share: number) => void,
  ) {
    this.network = plan.network;
    this.epoch = plan.epoch;
    for (const [pin, level] of Object.entries(plan.levels)) this.levels.set(Number(pin), level);
    this.meets();
  }

  /** Takes what comes at this instant. */
  private meets(): void {
    for (; (this.plan.events[this.next]?.at ?? Infinity) <= this.now; this.next++) {
      const e = this.plan.events[this.next];
      if (!e) return;
      switch (e.what) {
        case 'pin':
          if ((this.levels.get(e.pin) ?? 1) !== e.level && this.watched.has(e.pin))
            this.edges.push(2 * e.pin + e.level);
          this.levels.set(e.pin, e.level);
          break;
        case 'message':
          this.messages.push(`${e.kept ? 1 : 0}${e.topic}\n${e.text}`);
          break;
        case 'network':
          this.network = e.is;
          break;
        case 'degrees':
          if (e.degrees === null) this.degrees.delete(e.pin);
          else this.degrees.set(e.pin, e.degrees);
          break;
      }
    }
  }

  private ends(by: Exclude<BenchEnd, 'failed'>): never {
    this.ended ??= by;
    throw new Error(WORDS[this.ended]);
  }

  private counts(): void {
    if (++this.calls > this.plan.calls) this.ends('restless');
  }

  /** What the modules of the kit stand on. */
  readonly hook = {
    now: () => this.now,
    epoch: () => this.epoch ?? 946_684_800,
    /**
     * Goes on to an instant, −1 for the next thing that comes; gives where it came to: not so far where something happens before, −1
     * where the watchdog bites.
     */
    until: (to: number): number => {
      this.counts();
      const event = this.plan.events[this.next]?.at ?? Infinity;
      const goal = Math.min(to < 0 ? Infinity : Math.max(this.now, to), event);
      const bite = this.fed + this.bites;
      if (this.ended) this.ends(this.ended);
      if (bite < Math.min(goal, this.plan.lasts)) {
        // The program breaks off by itself there, so that its line is told.
        this.now = bite;
        this.ended = 'bitten';
        return -1;
      }
      if (goal >= this.plan.lasts) {
        this.now = this.plan.lasts;
        this.ends('time');
      }
      this.now = goal;
      for (; this.now >= (this.news * this.plan.lasts) / NEWS; this.news++) this.tell(this.news / NEWS);
      this.meets();
      return this.now;
    },
    // The program itself is to break off there, so that its line is told; one that goes on all the same is ended from here.
    read: (pin: number): number => {
      if (this.calls === this.plan.calls) {
        this.calls++;
        this.ended ??= 'restless';
        return -1;
      }
      this.counts();
      return this.levels.get(pin) ?? 1;
    },
    write: (pin: number, level: number): void => {
      this.counts();
      // Whoever writes to an input says what it is to be once it is an output.
      if (this.levels.get(pin) === level && this.widths.has(pin)) return;
      this.widths.set(pin, level);
      this.levels.set(pin, level);
      this.written.push({ at: this.now, pin, level });
    },
    pulse: (pin: number, ns: number): void => {
      this.counts();
      if (this.widths.get(pin) === ns) return;
      this.widths.set(pin, ns);
      this.written.push({ at: this.now, pin, level: ns });
    },
    watches: (pin: number): void => void this.watched.add(pin),
    edge: (): number => this.edges.shift() ?? -1,
    message: (): string | null => this.messages.shift() ?? null,
    network: (): boolean => this.network,
    sets_clock: (): void => {
      this.epoch ??= this.plan.sets;
    },
    degrees: (pin: number): number | null => this.degrees.get(pin) ?? null,
    told: (topic: string, text: string, kept: number): void =>
      void this.told.push({ at: this.now, topic, text, kept: kept === 1 }),
    dog: (timeout: number): void => {
      this.bites = timeout;
      this.fed = this.now;
    },
    feed: (): void => {
      this.fed = this.now;
    },
  };
}

/** The last line of the program that a report of the interpreter names. */
function lineIn(report: string): number | null {
  const lines = [...report.matchAll(/File "\/*main\.py", line (\d+)/g)];
  return lines.length === 0 ? null : Number(lines.at(-1)?.[1]);
}

/**
 * Runs a program of MicroPython on the bench, as it stands in its files, in virtual time.
 * @param interpreter a fresh one. @param lines what the program prints. @param tell now and then which share of its time has passed.
 */
export function rehearse(
  interpreter: Interpreter,
  plan: BenchRun,
  lines: readonly string[] = [],
  tell: (share: number) => void = () => undefined,
): Rehearsed {
  const bench = new Bench(plan, tell);
  for (const [name, text] of Object.entries({ ...KIT, ...plan.files })) interpreter.FS.writeFile(`/${name}`, text);
  interpreter.registerJsModule('hook', bench.hook);
  let report = '';
  try {
    interpreter.runPython('import main');
    report = 'the program came to its end';
  } catch (error) {
    report = error instanceof Error ? error.message : String(error);
  }
  const end = bench.ended ?? 'failed';
  const words = report.trim().split('\n').at(-1) ?? '';
  return {
    written: bench.written,
    told: bench.told,
    printed: lines,
    end,
    failure: end === 'time' ? '' : end === 'failed' ? words : WORDS[end],
    line: end === 'time' ? null : lineIn(report),
    at: bench.now,
  };
}

/**
 * Bytes of the heap that a program holds once it has set up what it stands on, as the interpreter counts them: what it was translated from
 * is thrown away by then. Null where it does not come so far.
 */
export function heapOf(interpreter: Interpreter, plan: BenchRun): number | null {
  const bench = new Bench(plan, () => undefined);
  const files = { ...KIT, ...plan.files };
  for (const [name, text] of Object.entries(files)) interpreter.FS.writeFile(`/${name}`, text);
  let bytes: number | null = null;
  interpreter.registerJsModule('hook', bench.hook);
  interpreter.registerJsModule('heap', { used: (n: number) => (bytes = n) });
  const asks = 'import gc, heap\ngc.collect()';
  try {
    interpreter.runPython('import time, machine, asyncio\nasyncio.run = lambda coro: coro.close()');
    interpreter.runPython(asks);
    interpreter.runPython('heap.used(gc.mem_alloc())');
    const before = bytes ?? 0;
    interpreter.runPython('import main\nmain.setup()');
    interpreter.runPython(asks);
    interpreter.runPython('heap.used(gc.mem_alloc())');
    return (bytes ?? 0) - before;
  } catch {
    return null;
  }
}
