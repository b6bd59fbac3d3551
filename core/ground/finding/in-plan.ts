import { pressBounds } from '../job';
import type { Input } from './finding';

/**
 * A number of a press’s plan as an input: it could be chosen anywhere within the bounds of its field.
 * @param path as `finger.hornMetres`.
 */
export function inPlan(input: Input, path: string): Input {
  const possible = pressBounds(path);
  return possible ? { ...input, possible } : input;
}
