export { boardFindings, driveFact, judgePin, profileOf, rankPins } from './findings';
export { pinRows, takenByBoard, type PinRow } from './pin-rows';
export { contactAt, contactAtPowerUp, longestClosed, type ContactSegment } from './power-up';
export type { LevelSegment, Pin, Profile } from './profile';
export { PROFILES } from './wifi17';
