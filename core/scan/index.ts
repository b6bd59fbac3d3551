export { hitChance, hitSteps } from './hit';
export { injectorBench, injectorOf, injectorVerilog, type Injector, type InjectorKey } from './injector';
export { runChance } from './runs';
