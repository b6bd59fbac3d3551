import { carried, worst, type Finding, type Step } from '../finding';
import type { Way } from '../job';
import { partInput, partValue, takenPart, type TakenPart } from '../parts';
import { baseDrive, pinCurrent, resistorRemedy, seriesResistor } from './drive';
import { COIL_GAIN } from './practice';
import { resistorPart } from './result';
import type { Part, WayContext } from './context';

/** A coil on a transistor on a pin: its findings, its parts, and the base resistor, Ω. */
export interface CoilDrive {
  readonly coil: Step;
  readonly findings: readonly Finding[];
  readonly parts: readonly Part[];
  readonly ohms: number;
  readonly pinAmps: number;
}

/** The small transistor that drives a relay's coil, with a diode across the coil. @param count identical drives of one machine. */
export function coilDrive(way: Way, c: WayContext, relay: TakenPart, count = 1): CoilDrive {
  const npn = takenPart(c.job, 'npn');
  const base = partInput(npn, 'baseVolts');
  const coil = worst('highest', 'coil current', 'I_coil', 'V_coil / R_coil', 'A', [partInput(relay, 'coilOhms')], [partValue(relay, 'coilVolts')]);
  const own = c.job.thumb.resistorOhms;
  const wanted = (c.drive.highVolts.low - base.range.high) / (coil.result.value / COIL_GAIN);
  const r = seriesResistor(wanted, own);
  const remedy = resistorRemedy(own, seriesResistor(wanted, null).ohms);
  return {
    coil, ohms: r.ohms, pinAmps: (c.drive.highVolts.nominal - base.range.nominal) / r.ohms,
    findings: [
      baseDrive(way, c.drive, base, r.input, COIL_GAIN, { ...carried(coil), name: 'coil current', origin: relay.origin }, remedy),
      pinCurrent(way, c.drive, base, r.input, remedy),
    ],
    parts: [
      { name: 'NPN transistor, driver', value: npn.name, quantity: count },
      resistorPart('base', r.ohms, count),
      { name: 'diode across the coil', value: '1 A, 50 V or more', quantity: count },
    ],
  };
}
