import { pressedBy, stepOf, type Job, type MoveStep } from '../ground/job';

/** How long a key is pressed, and the least gap to the next, s: common practice for membrane keypads. */
const KEY_SECONDS = 0.15;
const GAP_SECONDS = 0.25;

/** Presses that dial a number, or why there are none. */
export type DigitSteps =
  { readonly ok: true; readonly steps: readonly MoveStep[] } | { readonly ok: false; readonly problem: string };

/**
 * Keys by name, or digits, as presses one after the other with a gap between them: `2 7 start`, `27`. A key for which the job has no
 * press is refused with its name; so is the same key twice where the machine would take it for one.
 */
export function digitSteps(job: Job, text: string): DigitSteps {
  const no = (problem: string): DigitSteps => ({ ok: false, problem });
  const words = text.trim().split(/[\s,]+/);
  const named = (word: string): string | undefined =>
    job.presses.find((p) => p.name.toLowerCase() === word.toLowerCase() || p.id === word)?.id;
  const keys: string[] = [];
  for (const word of words) {
    const whole = named(word);
    if (whole) keys.push(whole);
    else if (/^\d+$/.test(word)) {
      for (const digit of word) {
        const key = named(digit);
        if (!key) return no(`There is no press called “${digit}”: give the key ${digit} a press in Thumb first.`);
        keys.push(key);
      }
    } else return no(`There is no press called “${word}”: give that key a press in Thumb first.`);
  }
  const part = job.act.parts.find((p) => p.heeds.some((h) => keys.includes(h.press)));
  const length = Math.max(KEY_SECONDS, 2 * (part?.shortestPressSeconds ?? 0));
  const gap = Math.max(GAP_SECONDS, 2 * (part?.leastGapSeconds ?? 0));
  const before = job.act.moves[0]?.steps.at(-1);
  const steps = keys.flatMap((press, i): MoveStep[] => [
    ...(i > 0 || (before && pressedBy(before).length > 0) ? [stepOf('wait', { seconds: gap })] : []),
    stepOf('press', { press, seconds: length }),
  ]);
  return { ok: true, steps };
}
