import { WAY_WISHES, type ThumbPlan } from './thumb-types';

/** A plan in which nothing is chosen; the sizes of each way's own plan are the usual ones to begin with. */
export const freshThumb = (): ThumbPlan => ({
  control: '', way: null, resistorOhms: null, groundWireMetres: 0.3, colours: {}, wishes: [...WAY_WISHES],
  parts: [], picks: {}, stock: [], currency: 'EUR', machines: 1,
  finger: { on: 'button', hornMetres: 0.022, axisMetres: 0.016, restDegrees: 0, pressDegrees: 50, mount: 'foam-tape', padLengthMetres: 0.06, padWidthMetres: 0.025, leverMetres: 0.03 },
  motor: { wiring: 'two-changeovers', boxWiring: 'box-interlocked', supplyVolts: 12, runningAmps: null, stallAmps: null, windingOhms: null, coastSeconds: 0.5, swapped: false, mirrored: false, runCapacitor: 'unknown' },
  signal: { what: 'level', points: [], topStep: 0, highVolts: 5, enable: 'none', loadOhms: 10e3, returnVolts: null, pwmHertz: 1000, knob: 'changeover' },
  supply: { resumes: 'untested', atRest: 'open' },
  hand: { drive: 'crank', motor: 'gear-motor', loadKilograms: 2, tubeMetres: 0.04, crankNewtons: 10, crankMetres: 0.1, turns: 20, rewired: false, driverVolts: 12, mirrored: false, fits: [] },
  scan: { medianSeconds: 2e-3, mostSeconds: 8e-3, leadSeconds: 0.2e-3, scansNeeded: 3, holdSeconds: 0.3 },
  remote: { has: 'unknown', batteryVolts: 3, pullOhms: 100e3 }, given: [],
});
