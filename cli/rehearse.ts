import { readFileSync, statSync } from 'node:fs';
import { isMainThread, parentPort, Worker, workerData } from 'node:worker_threads';
import { rehearse, type BenchRun, type Interpreter, type Rehearsed } from '../core/engines/rehearsal';
import { WorldProblem } from '../core/engines/world';
import type { Job } from '../core/ground/job';
import { assess } from '../core/house/assess';
import { rehearsalOf } from '../core/house/rehearsal';
import { firstParting, lanesOf, type Rehearsal } from '../core/house/rehearsed';
import { Unusable } from './unusable';

function dayOf(job: Job, own: string | null): Rehearsal {
  try {
    const day = rehearsalOf(job, assess(job), own);
    if (day) return day;
  } catch (error) {
    if (!(error instanceof WorldProblem)) throw error;
    throw new Unusable(`this cannot be run: ${error.message}`);
  }
  throw new Unusable('no program in MicroPython is written for this job: gt pack tells what it lacks');
}

/** A program may be so long, bytes. */
const MOST_BYTES = 200_000;
function textOf(file: string): string {
  try {
    if (statSync(file).size > MOST_BYTES)
      throw new Unusable(`${file}: a program of at most ${MOST_BYTES / 1000} kB is taken`);
    return readFileSync(file, 'utf8');
  } catch (error) {
    if (error instanceof Unusable) throw error;
    throw new Unusable(`${file}: cannot be read (${(error as NodeJS.ErrnoException).code ?? 'unknown error'})`);
  }
}

/** How long a program may run without its time going on before it is ended, ms. */
const LIMIT_MS = 60_000;

/** What the other thread is given, and what it says: how far it is, then what came of it. */
interface ThreadOrder {
  readonly rehearse: BenchRun;
}
interface ThreadSays {
  readonly ran?: Rehearsed;
}

/** Runs a day in another thread: a program that goes round for ever is ended with it. */
const inThread = (bench: BenchRun): Promise<Rehearsed> =>
  new Promise((done, fail) => {
    const worker = new Worker(new URL(import.meta.url), { workerData: { rehearse: bench } satisfies ThreadOrder });
    const late = (): void => {
      void worker.terminate();
      fail(new Unusable('the program did not go on for a minute and was ended: it goes round without ever resting'));
    };
    let watchdog = setTimeout(late, LIMIT_MS);
    worker.on('message', ({ ran }: ThreadSays) => {
      clearTimeout(watchdog);
      if (!ran) watchdog = setTimeout(late, LIMIT_MS);
      else {
        done(ran);
        void worker.terminate();
      }
    });
    worker.once('error', (error) => {
      clearTimeout(watchdog);
      fail(error);
    });
  });

/** A day of the packed program, or of one of the maker's own, beside the plan. @param own its file. */
export async function rehearseVerb(job: Job, own: string | undefined): Promise<object> {
  const day = dayOf(job, own === undefined ? null : textOf(own));
  const ran = await inThread(day.bench);
  const parting = firstParting(day, ran);
  const seconds = (ms: number): number | null => (ms < Infinity ? ms / 1000 : null);
  return {
    date: day.date,
    zone: day.zone,
    asPlanned: ran.end === 'time' && parting === null,
    ...(ran.end === 'time' ? {} : { endedAt: seconds(ran.at), because: ran.failure, line: ran.line }),
    ...(parting ? { parting: { ...parting, at: seconds(parting.at) } } : {}),
    pins: lanesOf(day, ran).map((l) => ({
      pin: l.pin,
      name: l.name,
      planned: l.planned.map((s) => s.map(seconds)),
      found: l.found.map((s) => s.map(seconds)),
    })),
    told: ran.told.map((t) => ({ ...t, at: seconds(t.at) })),
    printed: ran.printed,
  };
}

if (!isMainThread && parentPort) {
  const { rehearse: bench } = workerData as Partial<ThreadOrder>;
  if (bench) {
    const port = parentPort;
    const printed: string[] = [];
    const print = (line: string): void => void printed.push(line);
    const { loadMicroPython } = await import('@micropython/micropython-webassembly-pyscript/micropython.mjs');
    const interpreter: Interpreter = await loadMicroPython({ stdout: print, stderr: print, linebuffer: true });
    const says = (news: ThreadSays): void => port.postMessage(news);
    says({ ran: rehearse(interpreter, bench, printed, () => says({})) });
  }
}
