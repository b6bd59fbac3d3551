import { constant, derive, chosen, type Input, type Step } from '../../ground/finding';

/** Copper melts and a kitchen's air, °C. */
const MELTS = 1083;
const AIR = 25;
/** A circular mil, m². */
const CIRCULAR_MIL = 5.067e-10;

/**
 * Current that melts a copper conductor within a time, A: Onderdonk’s formula, as a step. It lets no heat out, so it holds for seconds and
 * less, and is on the safe side over ten.
 * @param squareMetres cross-section, over 0; @param seconds over 0, at most 10.
 */
export const meltingStep = (squareMetres: number, seconds: number): Step =>
  derive(
    `current that melts it within ${seconds} s`,
    'I_melt',
    'A / A_mil * sqrt(ln((T_Cu - T_a) / (234 + T_a) + 1) / (ln(10) * 33 * t))',
    'A',
    [
      chosen('A', 'cross-section of a conductor', squareMetres, 'm²', 'set in Feed', [1e-9, 1e-3]),
      constant('A_mil', 'a circular mil', CIRCULAR_MIL, 'm²', 'onderdonk'),
      constant('T_Cu', 'copper melts at', MELTS, '°C', 'onderdonk'),
      constant('T_a', 'air', AIR, '°C', 'onderdonk'),
      constant('t', 'time', seconds, 's', 'onderdonk'),
    ] satisfies Input[],
  );
