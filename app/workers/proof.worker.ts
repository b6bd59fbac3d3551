/// <reference lib="webworker" />
import { serve } from './serve';

/** Netlists to run, one after the other, with the engine found under `base`. */
export interface ProofOrder {
  readonly base: string;
  readonly cases: readonly { readonly id: string; readonly netlist: string }[];
}

/** One press as it was simulated. */
export interface ProofTrace {
  readonly id: string;
  readonly seconds: number[];
  readonly line: number[];
  readonly pin: number[];
}

export type ProofNews = { readonly loading: number } | { readonly running: string };

interface Result {
  readonly header: string;
  readonly dataType: string;
  readonly data: readonly { readonly name: string; readonly values: number[] }[];
}
interface Engine {
  start(): Promise<void>;
  setNetList(text: string): void;
  runSim(): Promise<Result>;
}

let engine: Promise<Engine> | undefined;

async function load(base: string, tell: (news: ProofNews) => void): Promise<Engine> {
  const answer = await fetch(`${base}engine/manifest.json`);
  if (!answer.ok) throw new Error('the simulator is not on this server');
  const manifest = (await answer.json()) as { script: string; bytes: number };
  tell({ loading: manifest.bytes });
  const module = (await import(/* @vite-ignore */ `${base}engine/${manifest.script}`)) as {
    Simulation: new () => Engine;
  };
  const started = new module.Simulation();
  await started.start();
  return started;
}

serve<ProofOrder, readonly ProofTrace[], ProofNews>(async ({ base, cases }, tell) => {
  try {
    const simulator = await (engine ??= load(base, tell));
    const traces: ProofTrace[] = [];
    for (const { id, netlist } of cases) {
      tell({ running: id });
      simulator.setNetList(netlist);
      const result = await simulator.runSim();
      // The engine gives the last run's data again where a netlist did not take; the title tells whose they are.
      if (!result.header.includes(id)) throw new Error('the simulator did not take the netlist');
      const of = (name: string): number[] => {
        const column = result.data.find((d) => d.name.toLowerCase() === name);
        if (!column || result.dataType !== 'real') throw new Error(`the simulator gave no ${name}`);
        return column.values;
      };
      traces.push({ id, seconds: of('time'), line: of('v(sig)'), pin: of('v(pin)') });
    }
    return traces;
  } catch (error) {
    engine = undefined;
    throw error;
  }
});
