export { COPPER_OHM_METRES, isStandardSize, nearestGauge, ohmsPerMetre } from './copper';
export { bearsAmps, CONNECTOR, fuseFor, FUSE_RATINGS, leadFor, soldSizes } from './ratings';
export type { Strand } from './strand';
