export { designedTap, LOWER_OHMS, TAP_PARTS, TAP_PULL_OHMS, TAP_SHARES, upperOhms, type TapAsked } from './design';
export { tapCourseOf, tapNetlist, type TapCourse } from './netlist';
export { readTap, type TapReading, type TapWave } from './read';
export {
  PULLS_LOW,
  tapLevels,
  tapTimes,
  type Tap,
  type TapJoint,
  type TapLevels,
  type TapSignal,
  type TapTimes,
} from './tap';
