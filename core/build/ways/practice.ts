/** Rules of the trade that belong to the joint and to no part in it; each with its source where it is used. */

/** Collector over base current at which a small transistor counts as closed for certain (`forced-gain`). */
export const FORCED_GAIN = 10;
/** The same for a coil's tens of milliamperes, where a gain of ten would ask too much of the pin (`forced-gain`). */
export const COIL_GAIN = 15;
/** Junction volts below which a driver passes a thousandth of what it is driven for: three decades of current (`weak-pulls`). */
export const DEAD_BAND_VOLTS = 0.18;
/** Share of an optocoupler's transfer that is left after years (`parts-opto`). */
export const OPTO_AGEING = 0.5;
/** Resistor before a gate, and the one that holds it while the pin floats, Ω (`gate-drive`). */
export const GATE_OHMS = 220;
/** Resistor that holds a driver’s input at rest, Ω; common practice. */
export const HOLD_OHMS = 100e3;
/** LED current aimed at, over the current that closes a solid-state relay for certain (`operate-aim`). */
export const OPERATE_AIM = 4 / 3;
/** Resistor tolerance used at the corners: 5 % parts. */
export const RESISTOR_SHARE = 0.05;
/** Current that a pin bears into its clamp diode, A (`clamp`). */
export const CLAMP_AMPS = 1e-3;
