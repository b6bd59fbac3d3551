/** The longest bounce that was measured on common switches, s (`relay-bounce`). */
export const WORST_BOUNCE_SECONDS = 6.2e-3;

/** How far a level that was entered may be off, and a resistor of a divider, as shares: common practice. */
export const LEVEL_SHARE = 0.05;
export const DIVIDER_SHARE = 0.01;
/** What an input bears over its supply, V (`pin-input`). */
export const OVER_VOLTS = 0.3;
/** What an input lets through, most, A (`pin-input`). */
export const LEAK_AMPS = 1e-6;
/** An input is high for certain from this share of its supply on: chips of 3.3 V, and of 5 V (`pin-input`). */
const HIGH_SHARE = { low: 0.75, five: 0.6 } as const;
const FIVE_VOLTS = 4;
/** That share for a supply of the pins, V. */
export const highShare = (pinVolts: number): number => (pinVolts > FIVE_VOLTS ? HIGH_SHARE.five : HIGH_SHARE.low);
