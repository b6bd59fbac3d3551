/** The longest bounce that was measured on common switches, s (`relay-bounce`). */
export const WORST_BOUNCE_SECONDS = 6.2e-3;
