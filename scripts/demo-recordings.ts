// Recordings of the Marrow Street Kitchen, made by stand-ins of its machines: phases of a programme with their draw, a room that is warmed;
// a meter or a thermometer behind them.
import { seededRandom, type Random } from '../core/ground/quantity';

/** A stretch of a programme: so long, at so many watts, scattered by so many. */
type Phase = readonly [seconds: number, watts: number, scatter: number];

const STANDBY = 3.1;

/** A pump that turns and pauses for so long in all. */
const washing = (seconds: number, on: number, off: number, watts: number): Phase[] =>
  Array.from({ length: Math.floor(seconds / (on + off)) }, (): Phase[] => [
    [on, watts, 6],
    [off, STANDBY + 1.2, 0.3],
  ]).flat();
const heating = (seconds: number): Phase[] => [[seconds, 2540, 25]];
const filling = (seconds: number): Phase[] => [[seconds, 9.5, 0.5]];
const draining = (seconds: number): Phase[] => [[seconds, 34, 2]];
const resting = (seconds: number): Phase[] => [[seconds, STANDBY + 1.2, 0.3]];

/** Programmes of the glass washer. */
export const WASHES: Readonly<Record<string, readonly Phase[]>> = {
  quick: [
    ...filling(70),
    ...heating(420),
    ...washing(600, 55, 12, 118),
    ...draining(45),
    ...filling(60),
    ...heating(240),
    ...washing(240, 55, 12, 116),
    ...draining(50),
  ],
  usual: [
    ...filling(75),
    ...heating(640),
    ...washing(900, 55, 14, 121),
    ...resting(150),
    ...washing(300, 55, 14, 120),
    ...draining(50),
    ...filling(70),
    ...heating(420),
    ...washing(420, 55, 14, 119),
    ...draining(55),
  ],
  strong: [
    ...filling(80),
    ...heating(820),
    ...washing(1200, 55, 14, 124),
    ...resting(185),
    ...washing(600, 55, 14, 123),
    ...draining(50),
    ...filling(75),
    ...heating(460),
    ...washing(420, 55, 14, 120),
    ...draining(60),
    ...resting(140),
    ...heating(150),
    ...draining(30),
  ],
};

/** One phase as it happens: its length gives a little, its draw scatters with each look of the meter. */
function* looks(r: Random, phases: readonly Phase[], step: number): Generator<number> {
  let left = 0;
  for (const [seconds, watts, scatter] of phases) {
    left += seconds * (1 + 0.04 * (r.next() - 0.5));
    for (; left >= step; left -= step) yield Math.max(0, watts + scatter * (r.next() + r.next() + r.next() - 1.5));
  }
}

/** A recording of a wash with what came before and after it, a row each five seconds, as a meter at the plug exports it. */
export function washRecording(programme: readonly Phase[], seed: number, startsAt: string): string {
  const r = seededRandom(seed);
  const step = 5;
  const all = [...looks(r, [[240, STANDBY, 0.2], ...programme, [1500, STANDBY, 0.2]], step)];
  const start = Date.parse(startsAt);
  const rows = all.map((w, i) => `${new Date(start + 1000 * step * i).toISOString().slice(0, 19)}Z,${w.toFixed(1)}`);
  return `time,power (W)\n${rows.join('\n')}\n`;
}

/** The empty proofer as it is warmed from a cold kitchen and left to cool, a row each 30 s, as a logger with one probe exports it. */
export function warmRecording(seed: number, startsAt: string): string {
  const r = seededRandom(seed);
  const [step, outside, lift, tau, dead] = [30, 19.5, 31, 2100, 150];
  const start = Date.parse(startsAt);
  let [inside, turned] = [outside, 0];
  let on = false;
  const rows: string[] = [];
  for (let t = 0; t < 6 * 3600; t += step) {
    const heats = t >= 900 && t < 900 + 4800;
    if (heats !== on) [on, turned] = [heats, t];
    // What is switched is felt after the dead time of its walls.
    const pulls = t - turned >= dead ? heats : !heats && t > 900;
    const toward = outside + (pulls ? lift : 0);
    inside += ((toward - inside) * step) / tau;
    const read = Math.round((inside + 0.04 * (r.next() + r.next() - 1)) * 16) / 16;
    rows.push(`${new Date(start + 1000 * t).toISOString().slice(0, 19)}Z,${read.toFixed(2)}`);
  }
  return `time,temperature (°C)\n${rows.join('\n')}\n`;
}
