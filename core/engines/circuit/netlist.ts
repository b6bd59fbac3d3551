import { present } from '../../ground/lists';
import { MODULE_TURNS_AT, THERMAL_VOLTS, type Joint } from './joint';

/** What the netlist of each joint is called. */
export const TITLE: Record<Joint['way'], string> = {
  'relay-contact': 'relay contact across a button',
  'npn-to-ground': 'transistor to ground across a button',
  'nmos-to-ground': 'MOSFET to ground across a button',
  optocoupler: 'optocoupler across a button',
  'solid-state-relay': 'solid-state relay across a button',
  'relay-module': 'relay module across a button',
  'analogue-switch': 'analogue switch across a button',
};

/**
 * Share of the rated coil current at which the contact of the model changes over: must-operate voltage of common relays
 * (`relay-moves`).
 */
const PULL_IN_SHARE = 0.7;
/** Coil current at which a joint's contact changes over, A. */
export const pullInAmps = (j: Joint): number => (PULL_IN_SHARE * j.coilVolts) / j.coilOhms;

/** A number as a netlist takes it. */
export const spice = (x: number): string => x.toExponential(6);

/** Level of the pin while pressed or idle, V; a module may press on low. */
export const pinVolts = (j: Joint, pressed: boolean): number =>
  pressed === (j.way !== 'relay-module' || !j.moduleOnLow) ? j.pinHighVolts : 0;

/**
 * A SPICE netlist of a joint: the appliance side from its readings, the controller side from its parts.
 * Nodes: `sig` the button's signal line, `vcc` the appliance's supply, `pin` the controller pin, 0 the appliance's ground.
 * @param pressed whether the pin is driven high; the operating point is asked for by `.op`.
 */
export function netlistOf(j: Joint, pressed: boolean): string {
  const low = j.polarity === 'low';
  const [upper, lower] = low ? ['sig', '0'] : ['vcc', 'sig'];
  return [
    `* ${TITLE[j.way]}, ${pressed ? 'pressed' : 'idle'}`,
    `Vcc vcc 0 DC ${spice(j.supplyVolts)}`,
    low ? `Rpull vcc sig ${spice(j.pullOhms)}` : `Rpull sig 0 ${spice(j.pullOhms)}`,
    `Vpin pin pgnd DC ${spice(pinVolts(j, pressed))}`,
    ...thumb(j, present(upper), present(lower)),
    '.options method=gear reltol=1e-4',
    '.op',
    '.end',
    '',
  ].join('\n');
}

// Where nothing but a part's insulation joins the two sides, the simulator still wants a path to node 0. A single tie closes no
// loop and carries no current, whatever its value.
const APART = 'Rapart pgnd 0 1e3';
const LED = '.model led D(IS=1e-18 N=1.3 RS=2)';

/** The parts between pin and button. `coilHenries` and `gated` belong to a relay that is watched while it moves. */
export function thumb(j: Joint, upper: string, lower: string, coilHenries = 0, gated = false): string[] {
  return [
    ...parts(j, upper, lower, coilHenries, gated),
    ...(j.leakAmps > 0 ? [`Bleak ${upper} ${lower} I=${spice(j.leakAmps)}*tanh(V(${upper},${lower})/0.02)`] : []),
  ];
}

function parts(j: Joint, upper: string, lower: string, coilHenries: number, gated: boolean): string[] {
  // The junction capacitances of a small transistor; a device without any makes an edge that no step is small enough for.
  const gains = `BF=${spice(j.gainForward)} BR=${spice(j.gainReverse)} IS=1e-14 CJE=10p CJC=5p TF=0.4n TR=50n`;
  switch (j.way) {
    case 'npn-to-ground':
      return [
        `Rb pin base ${spice(j.seriesOhms)}`,
        `Q1 ${upper} base pgnd npn`,
        `Rwire pgnd ${lower} ${spice(j.groundWireOhms)}`,
        `.model npn NPN(${gains})`,
      ];
    case 'nmos-to-ground':
      // The transconductance that gives the stated on-resistance at this pin's level: R = 1/(KP·(VGS − VT)).
      return [
        `Rgate pin gate ${spice(j.seriesOhms)}`,
        'Rhold gate pgnd 1e5',
        `M1 ${upper} gate pgnd pgnd nmos L=1u W=1u`,
        `Roff ${upper} pgnd ${spice(j.offOhms)}`,
        `Rwire pgnd ${lower} ${spice(j.groundWireOhms)}`,
        `.model nmos NMOS(LEVEL=1 VTO=${spice(j.thresholdVolts)} ` +
          `KP=${spice(1 / (j.onOhms * Math.max(0.1, j.pinHighVolts - j.thresholdVolts)))} ` +
          'CGSO=5e-6 CGDO=1e-6)',
      ];
    case 'optocoupler':
      return [
        `Rled pin an ${spice(j.seriesOhms)}`,
        'Dled an k led',
        'Vsense k pgnd 0',
        APART,
        LED,
        `Fphoto ${upper} pb Vsense ${spice(j.transferRatio / j.gainForward)}`,
        `Q1 ${upper} pb ${lower} photo`,
        `Rleak pb ${lower} 1e8`,
        `.model photo NPN(${gains})`,
      ];
    case 'solid-state-relay':
      return [
        `Rled pin an ${spice(j.seriesOhms)}`,
        'Dled an k led',
        'Vsense k pgnd 0',
        APART,
        LED,
        `W1 ${upper} ${lower} Vsense contact`,
        `.model contact CSW(IT=1e-3 IH=1e-4 RON=${spice(j.onOhms)} ROFF=${spice(j.offOhms)})`,
      ];
    case 'relay-contact':
      return [
        `Rb pin base ${spice(j.seriesOhms)}`,
        'Q1 coil base pgnd npn',
        APART,
        `.model npn NPN(${gains})`,
        ...coilAndContact(j, upper, lower, coilHenries, gated),
      ];
    case 'relay-module':
      return [...moduleInput(j), APART, ...coilAndContact(j, upper, lower, coilHenries, gated)];
    case 'analogue-switch':
      // A conductance that follows the control voltage smoothly, for the same reason as a gated contact.
      return [
        'Rcontrol pin pgnd 1e7',
        `Bswitch ${upper} ${lower} ` +
          `I=V(${upper},${lower})*(${spice(1 / j.offOhms)}+${spice(1 / j.onOhms)}/(1+exp((${spice(j.pinHighVolts / 2)}-V(pin,pgnd))*20)))`,
        `Rwire pgnd 0 ${spice(j.groundWireOhms)}`,
      ];
  }
}

/** A coil on its supply with its diode, switched at node `coil`, and the contact that its current moves. */
function coilAndContact(j: Joint, upper: string, lower: string, coilHenries: number, gated: boolean): string[] {
  return [
    `Vcoil c5 pgnd DC ${spice(j.coilVolts)}`,
    'Vsense c5 c6 0',
    ...(coilHenries > 0 ? [`Lcoil c6 c7 ${spice(coilHenries)}`, 'Cwinding coil pgnd 1e-9'] : []),
    `Rcoil ${coilHenries > 0 ? 'c7' : 'c6'} coil ${spice(j.coilOhms)}`,
    'Dfree coil c5 free',
    ...(gated
      ? // A conductance that follows coil current and gate smoothly: a contact that jumps makes an edge that no step is small enough for.
        [
          `Bcontact ${upper} ${lower} ` +
            `I=V(${upper},${lower})*(1e-9+${spice(1 / Math.max(1, j.onOhms))}*V(gate)*V(gate)/` +
            `(1+exp((${spice(pullInAmps(j))}-I(Vsense))*${spice(200 / pullInAmps(j))})))`,
        ]
      : [
          `W1 ${upper} ${lower} Vsense contact`,
          `.model contact CSW(IT=${spice(pullInAmps(j))} IH=${spice(0.3 * pullInAmps(j))} RON=${spice(j.onOhms)} ROFF=${spice(j.offOhms)})`,
        ]),
    '.model free D(IS=1e-9 CJO=20p)',
  ];
}

/**
 * A relay module's input: a resistor and a junction (or two LEDs) that drops what is stated at its pull-in current, and
 * the driver of its coil.
 */
function moduleInput(j: Joint): string[] {
  const saturation = j.moduleDropVolts > 1 ? 1e-18 : 1e-14;
  const ideality = j.moduleDropVolts / (THERMAL_VOLTS * Math.log(j.moduleOnAmps / saturation));
  const input = j.moduleOnLow
    ? [`Vmod m5 pgnd DC ${spice(j.moduleVolts)}`, 'Vin m5 m6 0', `Rin m6 m7 ${spice(j.seriesOhms)}`, 'Din m7 pin input']
    : [`Rin pin m7 ${spice(j.seriesOhms)}`, 'Din m7 m8 input', 'Vin m8 pgnd 0'];
  return [
    ...input,
    `.model input D(IS=${spice(saturation)} N=${spice(ideality)} CJO=5p)`,
    `Bdriver coil pgnd I=V(coil,pgnd)*(1e-9+1/(1+exp((${spice(MODULE_TURNS_AT * j.moduleOnAmps)}-I(Vin))*${spice(20 / j.moduleOnAmps)})))`,
  ];
}
