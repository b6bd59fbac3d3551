// What the inputs of drivers take and need where no part says more: common practice, from the sheets of small-signal parts.

/** Current at which a small-signal transistor begins to conduct, A. */
export const BASE_TURN_ON_AMPS = 5e-6;
/** Current that a logic input turns on by, A. */
export const LOGIC_TURN_ON_AMPS = 1e-6;
/** Highest voltage that a logic input of 3.3 or 5 V takes for low, V (JESD8C; from memory). */
export const LOGIC_LOW_VOLTS = 0.8;
/** What a pin gives to a logic input or to a weak pull, A. */
export const LOGIC_PIN_AMPS = 1e-4;
/** What an input of a relay module takes from its pin, A. */
export const MODULE_PIN_AMPS = 2e-3;
