import { added, type Migration } from './step';

/** Version 13 knows a timer relay as what ends a press. */
export const toThirteenth: Migration = added({ guard: { endTimer: { seconds: null, amps: null } } });
