export { CONTACT_TELLS, senseFindings } from './findings';
export { recordedOf } from './evidence';
export { loopEdit, roomFrom } from './loop-from';
export { learnersOf, recordingsOf, thresholdEdit } from './learned';
export {
  pinLevels,
  tapBasis,
  tapCases,
  tapProofFindings,
  tapResult,
  tapScatter,
  tapYield,
  type PinLevels,
  type TapResult,
  type TapScatter,
} from './taps/proof';
