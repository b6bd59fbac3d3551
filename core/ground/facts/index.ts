export { asKind, drawnAmps } from './facts';
export { forPress } from './for-press';
export type {
  ContactFact,
  ControlFact,
  Draw,
  DriveFact,
  Facts,
  Isolation,
  LineSort,
  PinNeed,
  PressFact,
  SequenceRule,
} from './facts';
