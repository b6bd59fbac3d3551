export type { ContactFact, ControlFact, DriveFact, Facts, Isolation, PressFact, SequenceRule } from './facts';
