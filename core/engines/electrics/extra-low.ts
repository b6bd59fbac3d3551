/** End of extra-low voltage: r.m.s. of alternating current, and direct current without ripple, V (IEC 61140, `iec-61140`). */
export const ELV_AC_VOLTS = 50;
export const ELV_DC_VOLTS = 120;

/** Whether a voltage is extra-low. @param volts r.m.s. for alternating current. */
export const isExtraLow = (volts: number, current: 'ac' | 'dc'): boolean =>
  Math.abs(volts) <= (current === 'ac' ? ELV_AC_VOLTS : ELV_DC_VOLTS);
