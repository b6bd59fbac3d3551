export { packedContacts } from './contacts';
export { messagesOf, MOST_MESSAGE_BYTES, NO_WORDS, topicWords, YES_WORDS, type ProgramMessage } from './messages';
export { programOf } from './program';
export { senseFrom } from './sense-from';
export type {
  ProgramContact,
  HandRow,
  LookRow,
  ModeRow,
  OrderRow,
  Program,
  ProgramCalendar,
  ProgramHand,
  ProgramHeld,
  ProgramOrder,
  ProgramPins,
  ProgramPress,
  ProgramPulses,
  ProgramSense,
  ProgramSign,
  RuleRow,
  RulesPart,
  SenseFrom,
  SenseRow,
  SignRow,
  StepRow,
  WeekRow,
  WindowRow,
} from './types';
