import { added, type Migration } from './step';

/** Version 14 reads with a battery in series with the meter where nobody can test insulation. */
export const toFourteenth: Migration = added({ 'survey.mains': { batteryVolts: null } });
