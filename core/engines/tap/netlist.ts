import { PULLS_LOW, type Tap, type TapTimes } from './tap';

/** A number as a netlist takes it. */
const n = (x: number): string => x.toExponential(6);
/** Ω below which nothing is written: a source wants some. */
const LEAST_OHMS = 1e-3;
/** A collector with its base: saturation current that drops the stated volts at a microampere, at 27 °C. */
const THERMAL = 0.02585;
const BASE_AMPS = 1e-6;

/** One course of a tap as it is simulated, s: the signal comes, stays, goes. */
export interface TapCourse {
  readonly comes: number;
  readonly goes: number;
  readonly end: number;
  readonly step: number;
}

/** Turns of what alternates that a course shows before and after, and points of each turn. */
const TURNS = 10;
const POINTS = 40;
/** Of what stands: how long it is looked at, s. */
const STANDS = 2e-3;

/** A course that is long enough for a tap to tell both. */
export function tapCourseOf(t: Tap, { seen, gone }: TapTimes): TapCourse {
  const turn = t.signal.hertz === null ? 0 : 1 / t.signal.hertz;
  const finite = (s: number): number => (Number.isFinite(s) ? s : 0);
  const comes = Math.max(STANDS, TURNS * turn) / 4;
  const stays = Math.max(STANDS, TURNS * turn, 3 * finite(seen));
  const goes = comes + stays;
  const end = goes + Math.max(STANDS, TURNS * turn, 2 * finite(gone));
  return { comes, goes, end, step: turn === 0 ? end / 2000 : Math.min(turn / POINTS, end / 2000) };
}

/** The signal behind its source: high and low by turns while it is so, low before and after. */
function signalLines({ joint, signal }: Tap, { comes, goes, step }: TapCourse): string[] {
  const { highVolts, lowVolts, sourceOhms, hertz, duty } = signal;
  const edge = step / 4;
  const gate = `PWL(0 0 ${n(comes)} 0 ${n(comes + edge)} 1 ${n(goes)} 1 ${n(goes + edge)} 0)`;
  // A coupler sees both ways of what alternates; all else comes up from its low level.
  const below = joint === 'coupler' && hertz !== null && duty === 1 ? -highVolts : lowVolts;
  const swing = highVolts - below;
  const source = `Rsource source sig ${n(Math.max(LEAST_OHMS, sourceOhms))}`;
  if (hertz === null)
    return [`Vgate gate 0 ${gate}`, `Bsource source 0 V=${n(lowVolts)}+V(gate)*${n(highVolts - lowVolts)}`, source];
  const up = (duty === 1 ? 0.5 : duty) / hertz;
  return [
    `Vgate gate 0 ${gate}`,
    `Vturn turn 0 PULSE(0 1 0 ${n(edge)} ${n(edge)} ${n(up - edge)} ${n(1 / hertz)})`,
    `Bsource source 0 V=${n(lowVolts)}+V(gate)*(${n(below - lowVolts)}+V(turn)*${n(swing)})`,
    source,
  ];
}

const transistor = (t: Tap): string[] => [
  `Rbase kept base ${n(t.baseOhms)}`,
  `Rbleed base 0 ${n(t.bleedOhms)}`,
  'Qpin pin base 0 tap',
  `.model tap NPN(IS=${n((t.gain * BASE_AMPS) / Math.exp(t.baseVolts / THERMAL))} BF=${n(t.gain)} BR=4 CJE=8p CJC=4p TF=0.4n)`,
  `Ckeep kept 0 ${n(t.keepFarads)}`,
];
/** A diode that drops the stated volts at ten microamperes. */
const diode = (t: Tap): string =>
  `.model small D(IS=${n(1e-5 / Math.exp(t.diodeVolts / (1.05 * THERMAL)))} N=1.05 CJO=10p)`;

function jointLines(t: Tap): string[] {
  switch (t.joint) {
    case 'direct':
      return [`Rwire sig pin ${n(LEAST_OHMS)}`];
    case 'divider':
      return [`Rupper sig pin ${n(Math.max(LEAST_OHMS, t.upperOhms))}`, `Rlower pin 0 ${n(t.lowerOhms)}`];
    case 'coupler':
      return [
        `Rled sig lamp ${n(t.ledOhms)}`,
        'Dled lamp dark led',
        'Dback dark lamp led',
        'Vdark dark 0 0',
        `.model led D(IS=${n(1e-3 / Math.exp(t.ledVolts / (1.3 * THERMAL)))} N=1.3)`,
        // Both lamps of an alternating coupler shine on one transistor; of a single one the other stays dark.
        `Bphoto pin 0 I=${n(t.transfer)}*${t.signal.hertz === null ? 'max(0,I(Vdark))' : 'abs(I(Vdark))'}*` +
          `tanh(max(0,V(pin))/${n(Math.max(0.02, t.leftVolts / 2))})`,
        ...(t.pinFarads > 0 ? [`Cpin pin 0 ${n(t.pinFarads)}`] : []),
      ];
    case 'pump':
      return [
        `Cpump sig turned ${n(t.couplingFarads)}`,
        'Dclamp 0 turned small',
        'Dpump turned kept small',
        diode(t),
        ...transistor(t),
      ];
    case 'hold':
      return [`Rcharge sig charge ${n(t.chargeOhms)}`, 'Dcharge charge kept small', diode(t), ...transistor(t)];
  }
}

/**
 * A SPICE netlist of a tap while its signal comes and goes. Node `sig` is the machine’s own line, `pin` the controller’s pin.
 * @param id stands on the title line and comes back in the result.
 */
export function tapNetlist(t: Tap, course: TapCourse, id: string): string {
  return [
    `* tap, ${t.joint}, ${id}`,
    ...signalLines(t, course),
    ...jointLines(t),
    ...(PULLS_LOW[t.joint] ? [`Vpin rail 0 DC ${n(t.pinVolts)}`, `Rpull rail pin ${n(t.pullOhms)}`] : []),
    `Ileak pin 0 DC ${n(t.leakAmps)}`,
    'Cline pin 0 2e-11',
    '.options method=gear maxord=2 reltol=1e-3 abstol=1e-10 vntol=1e-5 itl4=200',
    `.tran ${n(course.step)} ${n(course.end)} 0 ${n(course.step)}`,
    '.end',
    '',
  ].join('\n');
}
