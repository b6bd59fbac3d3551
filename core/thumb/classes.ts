import type { RangedInput, SourceKey } from '../finding';
import { within, type Interval, type Unit } from '../quantity';

const part = (symbol: string, name: string, range: Interval, unit: Unit, key: SourceKey): RangedInput => ({ symbol, name, range, unit, origin: { from: 'source', key } });
const span = (low: number, nominal: number, high: number): Interval => ({ low, nominal, high });

/** Values of the part classes that ship, each with its source; the maker's own part replaces them. */
export const CLASSES = {
  npn: {
    baseVolts: part('V_BE', 'base-emitter voltage', span(0.65, 0.7, 0.85), 'V', 'parts-npn'),
    saturation: part('V_sat', 'collector-emitter saturation', span(0.02, 0.05, 0.2), 'V', 'parts-npn'),
    leakage: part('I_leak', 'collector leakage', span(0, 1e-9, 50e-9), 'A', 'parts-npn'),
    forcedGain: 10,
    /** For a coil's tens of milliamperes, where a base current for a gain of ten would ask too much of the pin. */
    coilGain: 15,
  },
  nmos: {
    threshold: part('V_th', 'gate threshold', span(0.6, 1.0, 1.3), 'V', 'parts-nmos'),
    onOhms: part('R_on', 'on-resistance at 2.5 V on the gate', span(0.05, 0.3, 1), 'Ω', 'parts-nmos'),
    leakage: part('I_leak', 'drain leakage', span(0, 10e-9, 1e-6), 'A', 'parts-nmos'),
    drainVolts: 20,
    gateOhms: 220,
    holdOhms: 100e3,
  },
  opto: {
    ledVolts: part('V_F', 'LED forward voltage', span(1.0, 1.2, 1.4), 'V', 'parts-opto'),
    transfer: part('CTR', 'current transfer ratio', span(0.5, 1, 6), '1', 'parts-opto'),
    ageing: 0.5,
    saturation: part('V_sat', 'collector-emitter saturation', span(0.05, 0.1, 0.3), 'V', 'parts-opto'),
    leakage: part('I_leak', 'dark current, warm', span(0, 10e-9, 400e-9), 'A', 'parts-opto'),
  },
  ssr: {
    ledVolts: part('V_F', 'LED forward voltage', span(1.1, 1.25, 1.5), 'V', 'parts-ssr'),
    onOhms: part('R_on', 'on-resistance', span(5, 16, 35), 'Ω', 'parts-ssr'),
    leakage: part('I_leak', 'off-state leakage', span(0, 10e-9, 1e-6), 'A', 'parts-ssr'),
    operateAmps: 3e-3,
    aimAmps: 4e-3,
    loadAmps: 0.4,
    loadVolts: 60,
  },
  relay: {
    power: { coilOhms: within(70, 0.1), minimumAmps: 0.1, contact: 'silver power contact', key: 'parts-relay' as SourceKey },
    signal: { coilOhms: within(167, 0.1), minimumAmps: 10e-6, contact: 'gold signal contact', key: 'parts-relay-signal' as SourceKey },
    contactOhms: part('R_on', 'closed contact', span(0.02, 0.1, 0.5), 'Ω', 'parts-relay'),
    leakage: part('I_leak', 'open contact', span(0, 0, 1e-9), 'A', 'parts-relay'),
    coilVolts: 5,
  },
} as const;

/** Resistor tolerance used at the corners: 5 % parts. */
export const RESISTOR_SHARE = 0.05;
