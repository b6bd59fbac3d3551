import type { BoardProfile } from '../../ground/job';
import { boardPin, starting } from './make-pin';

/**
 * A switch with Wi-Fi and a meter that is plugged in between, as they are sold; its pins are an example (`board-switch`): they differ from
 * one to the next, and yours are to be read before anything rests on them.
 */
export const PLUG_SWITCH: BoardProfile = {
  key: 'plug-switch',
  name: 'bought plug-in switch with meter',
  volts: 3.3,
  highVolts: [2.9, 3.2, 3.4],
  pinAmps: 0.012,
  allPinsAmps: null,
  weakOhms: [30e3, 100e3],
  supplyVolts: [3, 3.3, 3.6],
  meanAmps: 0.075,
  peakAmps: 0.4,
  regulator: 'switching',
  dropVolts: null,
  chipLeastVolts: 3,
  chipMostVolts: 3.6,
  sleepAmps: null,
  chipSleepAmps: null,
  riseSeconds: 0.1,
  readySeconds: 0.6,
  resetSeconds: 0.01,
  programSeconds: 30,
  tags: {},
  module: {
    fit: 'plug-in',
    mainsVolts: [100, 240],
    contactGpio: 5,
    contactOn: 'high',
    contactAmps: 10,
    inrushAmps: 16,
    contactVolts: 250,
    poles: 'one',
    returns: 'unknown',
    buttonGpio: 0,
    lampGpio: 4,
    meters: true,
    insulation: 'none',
    loads: 'lead-inside',
    splashProof: false,
  },
  pins: [
    boardPin(0, 'B', '', {
      strap: 'high',
      nature: 'its button, must be high at reset',
      levels: starting('weak-high'),
    }),
    boardPin(4, 'L', '', { nature: 'its lamp' }),
    boardPin(5, 'K', '', { nature: 'its contact' }),
    boardPin(12, 'M1', '', { can: ['input', 'interrupt'], nature: 'from its meter' }),
    boardPin(14, 'M2', '', { can: ['input', 'interrupt'], nature: 'from its meter' }),
  ],
};
