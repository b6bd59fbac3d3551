/// <reference lib="webworker" />
import { rehearse, type Interpreter, type Rehearsed } from '../../core/engines/rehearsal';
import {
  firstParting,
  lanesOf,
  type FirstParting,
  type Rehearsal,
  type RehearsedLane,
} from '../../core/house/rehearsed';
import { serve } from './serve';

/** A day to be rehearsed, with the interpreter found under `base`. */
export interface RehearsalOrder {
  readonly base: string;
  readonly rehearsal: Rehearsal;
}
/** What came of it. */
export interface RehearsalResult {
  readonly ran: Rehearsed;
  readonly lanes: readonly RehearsedLane[];
  readonly parting: FirstParting | null;
}
/** Which share of the day has passed. */
export interface RehearsalNews {
  readonly share: number;
}
interface InterpreterModule {
  loadMicroPython(options: object): Promise<Interpreter>;
}

serve<RehearsalOrder, RehearsalResult, RehearsalNews>(async ({ base, rehearsal }, tell) => {
  const { loadMicroPython } = (await import(
    /* @vite-ignore */ `${base}interpreter/micropython.mjs`
  )) as InterpreterModule;
  const lines: string[] = [];
  const print = (line: string): void => void (lines.length < 200 && lines.push(line.slice(0, 400)));
  const interpreter = await loadMicroPython({
    url: `${base}interpreter/micropython.wasm`,
    stdout: print,
    stderr: print,
    linebuffer: true,
  });
  const ran = rehearse(interpreter, rehearsal.bench, lines, (share) => tell({ share }));
  return { ran, lanes: lanesOf(rehearsal, ran), parting: firstParting(rehearsal, ran) };
});
