/// <reference lib="webworker" />

/** Netlists to run, one after the other, with the engine found under `base`. */
export interface ProofOrder {
  readonly base: string;
  readonly cases: readonly { readonly id: string; readonly netlist: string }[];
}

export type ProofNews =
  | { readonly news: 'loading'; readonly bytes: number }
  | { readonly news: 'running'; readonly id: string }
  | {
      readonly news: 'wave';
      readonly id: string;
      readonly seconds: number[];
      readonly line: number[];
      readonly pin: number[];
    }
  | { readonly news: 'done' }
  | { readonly news: 'problem'; readonly text: string };

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

const tell = (news: ProofNews): void => postMessage(news);
let engine: Promise<Engine> | undefined;

async function load(base: string): Promise<Engine> {
  const answer = await fetch(`${base}engine/manifest.json`);
  if (!answer.ok) throw new Error('the simulator is not on this server');
  const manifest = (await answer.json()) as { script: string; bytes: number };
  tell({ news: 'loading', bytes: manifest.bytes });
  const module = (await import(/* @vite-ignore */ `${base}engine/${manifest.script}`)) as {
    Simulation: new () => Engine;
  };
  const started = new module.Simulation();
  await started.start();
  return started;
}

addEventListener('message', ({ data }: MessageEvent<ProofOrder>) => void work(data));

async function work({ base, cases }: ProofOrder): Promise<void> {
  try {
    const simulator = await (engine ??= load(base));
    for (const { id, netlist } of cases) {
      tell({ news: 'running', id });
      simulator.setNetList(netlist);
      const result = await simulator.runSim();
      // The engine gives the last run's data again where a netlist did not take; the title tells whose they are.
      if (!result.header.includes(id)) throw new Error('the simulator did not take the netlist');
      const of = (name: string): number[] => {
        const column = result.data.find((d) => d.name.toLowerCase() === name);
        if (!column || result.dataType !== 'real') throw new Error(`the simulator gave no ${name}`);
        return column.values;
      };
      tell({ news: 'wave', id, seconds: of('time'), line: of('v(sig)'), pin: of('v(pin)') });
    }
    tell({ news: 'done' });
  } catch (error) {
    engine = undefined;
    tell({ news: 'problem', text: error instanceof Error ? error.message : 'the simulator broke off' });
  }
}
