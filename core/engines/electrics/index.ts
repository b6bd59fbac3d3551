export { COPPER_OHM_METRES, isStandardSize, nearestGauge, ohmsPerMetre } from './copper';
export { ELV_AC_VOLTS, ELV_DC_VOLTS, isExtraLow } from './extra-low';
export { FUSE_BLOWS, fuseHoldsSeconds } from './fuse-curve';
export { meltingStep } from './melting';
export { bearsAmps, CONNECTOR, fuseFor, leadFor, soldSizes } from './ratings';
export { CONDUCTOR_HEAT, cordAmps, cordsByGauge } from './cord';
export type { Strand } from './strand';
export { breakingStep, directShare, INRUSH, POWER_FACTOR, type LoadKind } from './duty';
export { oneShot, type OneShot } from './one-shot';
export { insulationFor, type Category, type Insulation } from './insulation';
export { loadToTry, sourcesTold } from './rail-words';
export { dischargeSeconds, railFindings, sourceOhms, SUPPLY_SHARE, testLoad, usableAmps } from './rails';
export {
  CONVERTER_SPREAD,
  STEP_UP_STARTS,
  converterValues,
  FUSE_DROP,
  linkOhms,
  ohmsOfSource,
  openVolts,
  spreadOf,
  USUAL_LEAD,
  type ConverterValues,
} from './supply-values';
