/** P: published and named. C: common practice of the trade, no source. M: from memory, to be verified by the reader. */
export type SourceTag = 'P' | 'C' | 'M';

export interface Source {
  readonly tag: SourceTag;
  readonly text: string;
}

const P = (text: string): Source => ({ tag: 'P', text });
const C = (text: string): Source => ({ tag: 'C', text });
const M = (text: string): Source => ({ tag: 'M', text });

/** Where every constant of the core comes from; findings and inputs name a source by its key. */
export const SOURCES = {
  ohm: P("Ohm's and Kirchhoff's laws"),
  'iec-60063': P('IEC 60063, preferred number series for resistors and capacitors'),
  'iec-61140': P('IEC 61140, limits of extra-low voltage: 50 V AC, 120 V DC'),
  'iec-60664': P('IEC 60664-1, insulation coordination: 230 V, 2 500 V impulse, pollution degree 2, material group III'),
  'jesd8c': P('JESD8C.01, 3.3 V LVCMOS and LVTTL: VIL 0.8 V, VIH 2.0 V'),
  'rc-discharge': P('Discharge of a capacitor through a resistor, t = R·C·ln(V0/V)'),
  'ebers-moll': P('Ebers and Moll, Large-Signal Behavior of Junction Transistors, Proc. IRE 1954'),
  'success-run': P('Success-run theorem: n = ln(1 − C)/ln(R) trials without a failure show reliability R at confidence C'),
  'bayes': P("Bayes' theorem, each candidate's unknown values averaged over a grid"),
  'information': P('Expected information gain: entropy now less the mean entropy after the reading (Shannon 1948)'),
  'iana-tz': P('IANA time zone database as shipped with the browser or Node.js'),
  'cmos-levels': C('CMOS inputs: low below 0.3 of the supply, high above 0.7; a data sheet beats this'),
  'ttl-levels': C('5 V TTL inputs: low below 0.8 V, high above 2.0 V; a data sheet beats this'),
  'isolation-bounds': C('Under 1 MΩ to a mains pin is taken as not isolated, over 10 MΩ as isolated once the AC check agrees'),
  'meter-hand': C('Hand-held meter: 0.5 % + 2 digits on DC volts, 1 % + 3 digits elsewhere, 10 MΩ input'),
  'kind-priors': C('How often each kind of control is met on a bench, before any reading'),
  'kronecker': P('Kronecker sequence of the generalised golden ratio: evenly spread points in several dimensions'),
  'look-shares': C('What controls of each kind look and feel like, as met on benches'),
  'siblings': C('Controls of one board share a supply and are often built alike: each known one makes its kind likelier for the others'),
  'short-limit': C('No pair is joined through a meter above 60 V DC, nor before its kind is known'),
  'loop-volts': C('Loops that listen for a press stand open at 3 to 40 V, most often near 12 or 24 V'),
  'safe-charge': C('A capacitor counts as touchable under 10 V, tested with a meter'),
  'rail-sag': C('A rail may sag by a twentieth under what is taken from it'),
  'gum': P('JCGM 100, Guide to the expression of uncertainty in measurement: type A and type B added in squares, k = 2'),
  'finger-room': C('A finger over a button wants about 4 mm beside it and a flat, hard front to stick to'),
  'reading-trouble': C('Trouble of a reading: powered and shorted readings count more than unplugged ones'),
  'outliers': C('One reading in fifty is taken to be a slip of the hand or of the eye'),
  'parts-npn': C('Small-signal NPN class: forced gain 10 to 20, VBE(sat) 0.65 to 0.85 V, VCE(sat) up to 0.2 V at 10 mA, leakage up to 50 nA'),
  'parts-nmos': C('Logic-level N-MOSFET class: threshold up to 1.3 V, on-resistance up to 1 Ω at 2.5 V on the gate, leakage 1 µA, 20 V'),
  'gate-drive': C('A pin drives a gate for certain from twice its highest threshold on; 100 kΩ hold it off while the pin floats'),
  'parts-opto': C('Transistor optocoupler class: VF 1.0 to 1.4 V, transfer 50 to 600 %, ageing halves it, VCE(sat) up to 0.3 V, dark current 100 nA'),
  'parts-ssr': C('MOSFET solid-state relay class: VF 1.1 to 1.5 V, operates from 3 mA (4 mA for margin), RON up to 35 Ω, leakage 1 µA, 60 V, 0.4 A'),
  'parts-relay': C('Relay, 10 A, 5 V coil class: coil 70 Ω ± 10 %, silver power contact that wants about 100 mA at 5 V'),
  'parts-relay-signal': C('Signal relay, gold contact, 5 V coil class: coil 167 Ω ± 10 %, contact works from 10 µA at 10 mV, rated 1 A'),
  'opto-safety-gap': C('A safety-rated optocoupler keeps 5 kV and 7 mm apart; check the data sheet of the very part'),
  'dry-pair-levels': C('A machine takes a dry pair as closed under a fifth of its open voltage, as open above seven tenths'),
  'ladder-window': C('Windows of a ladder of buttons leave some hundredths of the supply on either side'),
  'line-filter': C('Wires and the filter of an input hold back quick changes like a nanofarad'),
  'relay-moves': P('Contact bounce as measured on switches: mean 1.6 ms (Ganssle, A Guide to Debouncing); coil time constant 1.4 ms, pull-in at 70 % and drop-out at 10 % of the rated voltage as common practice'),
  'proof-agrees': C('Two models of one joint that differ by less than 2 % of the supply tell the same story'),
  'yield-wanted': C('One joint in a thousand may miss its levels; a maker builds a dozen'),
  'ngspice': P('Transient simulation of the joint by ngspice, beside the closed form'),
  'way-order': C('How well each way meets each wish; as shipped: isolated, silent, any polarity, few parts first'),
  'pin-drive': C('A 3.3 V controller pin under load keeps at least 2.9 V; 5 V pins at least 4.2 V'),
  'ground-wire': C('Bench wire and joints: 0.1 Ω a metre, contacts included'),
  'board-wifi17': M('Wi-Fi module, 17 GPIO: behaviour of each pin at power-up and its limits, as remembered; measure your own board'),
  'board-levels': C('NPN base turns on at about 0.6 V; an optocoupler or solid-state relay input needs about 1 V and some milliamperes'),
  'feed-loads': C('Typical draws: Wi-Fi module 75 mA mean and 400 mA in bursts, power relay coil 71 mA, indicator LED 2 to 10 mA'),
  'feed-spare': C('Keep a fifth of a supply in reserve; take no more than half of what an appliance rail can spare'),
  'contact-derate': C('Loads of hours: no more than 80 % of the contact rating'),
  'inrush': C('Inrush against steady current: resistive 1, filament lamp 15, motor 10, solenoid 20, switched-mode supply 40, transformer 15'),
  'prove-dead': C('Prove-dead sequence of the trade: isolate, hold the plug, test the tester, test dead, test the tester again'),
  'cautions': C('Cautions usual in the trade; the local electrical code and licensed practice come first'),
  'press-length': C('A press should last at least twice the shortest press the machine obeys'),
  'contact-meaning': C('What one contact at one end can and cannot tell'),
  'restart-test': C('Ten restarts with the contact watched, before the machine is connected'),
  'simulation': P('Discrete-event simulation of this job, exact times, the seed shown'),
  'fault-rates': C('One press in 50 missed, a press by hand one day in six, two power cuts a year'),
  'log-normal': C('Response times of a busy controller scatter log-normally: many quick ones, a long tail of late ones'),
  'success-runs': P('Feller, An Introduction to Probability Theory and Its Applications, vol. 1: runs of successes'),
  'gravity': P('Standard acceleration of gravity, 9.80665 m/s² (CGPM 1901)'),
  'si': P('The International System of Units (BIPM)'),
  'beam-bending': P('Strength of materials, bending of a rectangular section: σ = F/A + 6·F·L/(w·l²)'),
  'dc-motor': P('Permanent-magnet DC motor: speed and current are straight lines in torque'),
  'stepper-rewired': P('Stepping motors, unipolar and bipolar drive: both halves in series give √2 the torque at the same heat'),
  'least-squares': P('NIST e-Handbook of Statistical Methods 4.1.4.1, linear least squares'),
  'low-pass': P('First-order low-pass: ripple V/(4·f·R·C) at half duty, settled to 1 % after ln(100)·R·C'),
  'pull-up-usual': C('A pull-up of 4.7 kΩ for an open collector on a signal line of 5 to 12 V'),
  'pwm-filter': C('A level made of pulses: 10 kΩ and a hundredth of ripple at most'),
  'clamp': C('A pin bears about 1 mA into its clamp diode, which drops 0.3 V above the supply'),
  'terminal-numbers': P('EN 50005: A1 and A2 coil; 11 common, 12 normally closed, 14 normally open; 21, 22, 24 the second pole'),
  'break-before-make': C('Changeover contacts of relays break before they make'),
  'parts-relay-reed': C('Reed relay, 5 V coil class: coil 500 Ω ± 10 %, sealed contact that works from 10 µA, 0.5 A'),
  'parts-module': C('Relay modules: inputs active low with LEDs in series (about 3 V) or a bare base-emitter junction (0.6 V), 1 kΩ; the driver turns the coil on from four fifths of its stated current'),
  'parts-analogue': C('Analogue switch and crosspoint classes: on-resistance 10 to 400 Ω, leakage up to 1 µA, inside their supply only'),
  'parts-logic': C('Small programmable logic class: 5 to 25 ns from input to output, inputs that bear 5 V'),
  'parts-bridge': C('Motor bridge classes: MOSFET bridges of 1 to 12 A, inputs high from 2 V'),
  'parts-servo': C('Servo classes: torque as advertised less a fifth, 0.10 to 0.18 s for 60°, pulses 0.5 to 2.5 ms'),
  'parts-stepper': C('Geared stepper class, 28 mm: 32 steps a turn, pairs of gears 32/9, 22/11, 26/9, 31/10'),
  'parts-gear-motor': C('DC gear motor classes, values at rated voltage'),
  'switch-control': C('The control input of an analogue switch follows its supply: high from seven tenths of it'),
  'button-force': C('Tactile button 1.5 to 2.6 N, rocker 4 to 10 N; travel 0.3 mm and 3 mm'),
  'force-margin': C('A finger pushes with twice the force that the button asks for'),
  'finger-clear': C('The tip at rest leaves 15 mm for a hand, or the hand pushes the horn aside'),
  'over-travel': C('A button bears about 1.5 mm of push beyond its own travel through a soft tip'),
  'tape-pull': C('Acrylic foam tape bears about 30 kPa of pull for the length of a press'),
  'motor-torque': C('A gear motor works for long at a third of its stall torque at most'),
  'stall-rating': C('Contacts and bridges of a motor are rated for its stall current'),
  'fit-classes': C('Play over 2 % of the diameter rattles; overlap over 0.3 % cannot be pressed together by hand'),
  'gain-fit': C('A straight line that misses its readings by more than 3 % of their span is no straight line'),
  'resume-test': C('Whether a machine runs on after a power cut is tried, never assumed'),
  'hit-wanted': C('Of a thousand presses one may go unseen'),
  'maker': C('Chosen by the maker'),
} as const satisfies Record<string, Source>;

export type SourceKey = keyof typeof SOURCES;

export const TAG_WORDS: Record<SourceTag, string> = {
  P: 'published',
  C: 'common practice, no source',
  M: 'from memory, please verify',
};

/** The source of a key. */
export const sourceOf = (key: SourceKey): Source => SOURCES[key];
