import type { Source } from './source';

const C = (text: string): Source => ({ tag: 'C', text });

/** Common practice, with no source. */
export const PRACTICE = {
  ohm: C("Ohm's and Kirchhoff's laws"),
  'touch-limits': C('Touched parts: 30 V AC or 60 V DC dry, 12 V AC or 30 V DC wet'),
  'rc-discharge': C('Discharge of a capacitor through a resistor, t = R·C·ln(V0/V)'),
  'known-at': C('A kind counts as known from 95 % on'),
  'iana-tz': C('IANA time zone database as shipped with the browser or Node.js'),
  'cmos-levels': C('CMOS inputs: low below 0.3 of the supply, high above 0.7; a data sheet beats this'),
  'ttl-levels': C('5 V TTL inputs: low below 0.8 V, high above 2.0 V; a data sheet beats this'),
  'isolation-bounds': C(
    'Under 1 MΩ to a mains pin is taken as not isolated; over 10 MΩ as isolated ' +
      'once the AC checks agree, with the machine’s main switch closed',
  ),
  'dc-on-ac': C(
    'A cheap AC setting without a capacitor halves the wave and is scaled for a sine: of DC it shows 2.22 times, or nothing the ' +
      'other way round',
  ),
  'second-look': C(
    'An ohmmeter’s few tenths of a volt open no two junctions in a row; a battery of 9 to 24 V in series with a meter on volts does, ' +
      'with microamperes. What lies between and the meter’s input, 1 to 11 MΩ where not stated, share its volts. Under 8 V it is flat',
  ),
  'stray-volts': C(
    'Volts AC to earth are read with 100 kΩ across the tips, or over 5 V again with 10 kΩ: a stray or a Y capacitor gives way, a tie ' +
      'does not',
  ),
  'meter-hand': C('Hand-held meter: 0.5 % + 2 digits on DC volts, 1 % + 3 digits elsewhere, 10 MΩ input'),
  'loop-volts': C('Loops that listen for a press stand open at 3 to 40 V, most often near 12 or 24 V'),
  'safe-charge': C('A capacitor counts as touchable under 10 V, tested with a meter'),
  patience: C('Nobody waits longer than a minute without a bleeder of his own'),
  'rail-sag': C('A rail may sag by a twentieth under what is taken from it'),
  'rail-worth': C('A rail that spares less than 10 mA is not worth tapping'),
  'finger-room': C('A finger over a button wants about 4 mm beside it and a flat, hard front to stick to'),
  outliers: C(
    'One reading in fifty is taken to be a slip of the hand or of the eye, one in a ' +
      'hundred to have its leads exchanged; read again alike it hardly is one',
  ),
  'parts-npn': C(
    'Small-signal NPN, 40 V, 200 mA: VBE(sat) 0.65 to 0.85 V, VCE(sat) up to 0.2 V at 10 mA, leakage up to 50 nA at 25 °C',
  ),
  'parts-npn-medium': C(
    'Medium NPN, 40 V, 600 mA: VBE(sat) 0.65 to 1.2 V, VCE(sat) up to 0.3 V at 150 mA, leakage up to 50 nA at 25 °C',
  ),
  'parts-npn-darlington': C(
    'Darlington NPN, 50 V, 500 mA: VBE(sat) 1.2 to 1.6 V, VCE(sat) 0.6 to 1.1 V, gain from 1 000, leakage up to 50 nA at 25 °C',
  ),
  'forced-gain': C(
    'A saturated transistor: collector over base current 10, or 15 for the tens ' +
      'of milliamperes of a coil; a Darlington a tenth of its least gain',
  ),
  'parts-nmos': C(
    'Logic-level N-MOSFET, 20 V: threshold 0.6 to 1.3 V, on-resistance up to 1 Ω at 2.5 V on the gate, leakage up to 1 µA at 25 °C',
  ),
  'parts-nmos-small': C(
    'Small N-MOSFET, 60 V: threshold 0.8 to 3 V, on-resistance up to 5 Ω at 4.5 V on the gate, leakage up to 1 µA at 25 °C',
  ),
  'parts-nmos-power': C(
    'Power N-MOSFET, 30 V: threshold 1 to 2.2 V, on-resistance up to 15 mΩ at 4.5 V on the gate, leakage up to 1 µA at 25 °C',
  ),
  'gate-drive': C(
    'A pin drives a gate for certain from twice its highest threshold on; 100 kΩ hold it off while the pin floats',
  ),
  'parts-opto': C(
    'Transistor optocoupler: VF 1.0 to 1.4 V, transfer 50 to 600 %, ageing halves it, a quarter less ' +
      'when warm, VCE(sat) up to 0.3 V, dark current up to 100 nA at 25 °C, output 50 mA',
  ),
  'parts-opto-ranked': C(
    'Transistor optocoupler, ranked: VF 1.0 to 1.4 V, transfer 100 to 200 %, ' +
      'VCE(sat) up to 0.3 V, dark current up to 100 nA at 25 °C, output 50 mA',
  ),
  'parts-opto-darlington': C(
    'Darlington optocoupler: VF 1.0 to 1.4 V, transfer from 600 %, VCE(sat) 0.6 to 1.2 V, dark current up to 1 µA at 25 °C, output 60 mA',
  ),
  'parts-ssr': C(
    'MOSFET solid-state relay, 60 V, 0.4 A: VF 1.1 to 1.5 V, operates from 3 mA, RON ' +
      'up to 2.5 Ω, leakage up to 1 µA at 25 °C, 1 500 V between its sides',
  ),
  'parts-ssr-400': C(
    'MOSFET solid-state relay, 400 V, 0.12 A: VF 1.1 to 1.5 V, operates from 3 mA, ' +
      'RON up to 35 Ω, leakage up to 1 µA at 25 °C, 5 000 V between its sides',
  ),
  'parts-ssr-low-ohm': C(
    'MOSFET solid-state relay, 60 V, 2 A: VF 1.1 to 1.5 V, operates from 5 mA, RON ' +
      'up to 0.3 Ω, leakage up to 1 µA at 25 °C, 2 500 V between its sides',
  ),
  'operate-aim': C('The LED of a solid-state relay gets a third more current than closes it for certain'),
  'parts-relay': C(
    'Relay, 10 A, 5 V coil: coil 70 Ω ± 10 %, silver contact that wants about 100 mA at 5 V ' +
      'and bears 25 A of inrush, 250 V, 4 000 V and 8 mm between coil and contact',
  ),
  'parts-relay-double': C(
    'Relay, 8 A, 5 V coil, two changeover poles: coil 62 Ω ± 10 %, silver contacts that ' +
      'bear 20 A of inrush, 250 V, 4 000 V and 8 mm between coil and contact',
  ),
  'parts-relay-sixteen': C(
    'Relay, 16 A, 5 V coil: coil 62 Ω ± 10 %, silver-tin contact that bears 80 ' +
      'A of inrush, 250 V, 4 000 V and 8 mm between coil and contact',
  ),
  'parts-relay-twelve': C(
    'Relay, 10 A, 12 V coil: coil 400 Ω ± 10 %, silver contact that bears 25 A of inrush, 250 V, 4 000 V and 8 mm between coil and contact',
  ),
  'parts-relay-signal': C(
    'Signal relay, gold contact, 5 V coil: coil 167 Ω ± 10 %, contact works from 10 µA ' +
      'at 10 mV, rated 1 A at 60 V, 1 500 V and 1.5 mm between coil and contact',
  ),
  'opto-safety-gap': C('A safety-rated optocoupler keeps 5 kV and 7 mm apart; check the data sheet of the very part'),
  'dry-pair-levels': C(
    'A machine takes a dry pair as closed under a fifth of its open voltage, as open above seven tenths',
  ),
  'ladder-window': C('Windows of a ladder of buttons leave some hundredths of the supply on either side'),
  'line-filter': C('Wires and the filter of an input hold back quick changes like a nanofarad'),
  'relay-moves': C(
    'Coil time constant 1.4 ms, pull-in at 70 % of the rated voltage, 75 % for ' +
      'certain, drop-out at 10 %; with a diode across the coil the armature lets ' +
      'go up to three times as late as its data sheet says without',
  ),
  temperature: C(
    'A bench and a kitchen: 0 to 60 °C inside a case, in a room of up to 40 °C; under −20 °C nobody reckons. ' +
      'Leakage doubles for each 10 K, dark ' +
      'current grows tenfold for each 25 K, a junction loses 2 mV for each kelvin',
  ),
  'proof-agrees': C('Two models of one joint that differ by less than 2 % of the supply tell the same story'),
  'yield-wanted': C('One joint in a thousand may miss its levels; a maker builds a dozen'),
  ngspice: C('Transient simulation of the joint by ngspice, beside the closed form'),
  'way-order': C('How well each way meets each wish; as shipped: isolated, silent, any polarity, few parts first'),
  'pin-drive': C('A 3.3 V controller pin under load keeps at least 2.9 V; 5 V pins at least 4.2 V'),
  'ground-wire': C('Bench wire and joints: 0.1 Ω a metre, contacts included'),
  'weak-pulls': C('Pull-ups inside a controller: 30 to 100 kΩ; a driver counts as held off under 0.4 V'),
  'board-levels': C('An optocoupler or solid-state relay input needs about 1 V and some tenths of a milliampere'),
  'pin-input': C('Inputs: high for certain from 0.75 of 3.3 V on, 0.6 of 5 V; 0.3 V over the supply and 1 µA at most'),
  'ssr-moves': C(
    'A solid-state relay with MOSFET output closes within 0.1 to 3 ms of its LED, and opens within 0.02 to 1 ms',
  ),
  'coil-kick': C(
    'A coil that is let go without a diode or a snubber drives its current into the capacitance of its ' +
      'winding: 0.5 H with 0.15 A into 200 pF come to some 7 kV',
  ),
  'small-parts': C(
    'Small parts: resistors of 0.25 W and 250 V, transistors of 0.3 W whose base bears 5 V the wrong way round, ' +
      'gates 12 V, lamps 20 mA and 5 V, lamps of couplers 50 mA and 3 V, their outputs 0.15 W and 6 V the wrong way round',
  ),
  'coil-diode': C('A diode across a coil: 1 A, 50 V, drop 0.5 to 1 V'),
  onderdonk: C(
    'Onderdonk: a copper conductor of A circular mils melts within t seconds at ' +
      'A·√(log10((1083 − T)/(234 + T) + 1)/(33·t)) amperes',
  ),
  'supply-starts': C(
    'A plug-in supply that is held in its current limit for longer than about a tenth of a second may switch off and try again for ever',
  ),
  'capacitor-volts': C(
    'A capacitor is used to four fifths of what it is marked for; over its mark, or the wrong way round, it bursts',
  ),
  'feed-loads': C(
    'Typical draws: Wi-Fi module 75 mA mean and 400 mA in bursts, power relay coil 71 mA, indicator LED 2 to 10 mA',
  ),
  'feed-volts': C('A plug-in supply keeps its voltage to ±5 %; thin supply leads have 0.08 mm² a conductor'),
  'feed-spare': C('Keep a fifth of a supply in reserve; take no more than half of what an appliance rail can spare'),
  'load-range': C(
    'Loads work around their rated voltage: coils and modules from 0.9 to 1.1 of it, servos from 0.9 to 1.2, motors from 0.8 to 1.2',
  ),
  'motor-start': C('A small DC motor starts with its stalled current and is up to speed within 0.3 s'),
  converters: C(
    'Small converters: linear regulators need 2 V above their output (1.2 V as a flat chip), step-down modules 1.5 V; ' +
      'step-down 82 %, step-up 80 % efficient; own draw 5 mA, of a step-up 3 mA, which wants 0.9 V at least; outputs keep to ±4 %',
  ),
  'conductor-amps': C(
    'A conductor of a lead bears for long: 0.08 mm² 1 A, 0.2 mm² 2 A, 0.5 mm² 3 A, 0.75 mm² 6 A, 1 mm² 10 A, 1.5 mm² 16 A',
  ),
  connectors: C(
    'Contacts for long: pin headers 1 A, flat data plugs 1.5 A, round plugs and crimped plugs 3 A, screw terminals 10 A; 5 to 30 mΩ each',
  ),
  'fuse-drop': C('A miniature fuse drops about 0.15 V at its rated current'),
  'fuse-share': C('A fuse carries four fifths of its rating for long; what starts motors is a slow one'),
  'box-heat': C('A closed box gives off about 8 W for each square metre and kelvin by all its sides'),
  'hold-current': C('Power banks switch off under a draw of 50 to 100 mA within a minute'),
  'burst-length': C('A radio burst of one frame lasts up to 5 ms'),
  'capacitor-loss': C('An electrolytic capacitor has 80 % of its value, and about 0.1 Ω in series'),
  'battery-aging': C(
    'Cells hold between 0.8 and 1.05 of their usual charge; a sleeping draw that nobody measured is up to three times what is said',
  ),
  'contact-derate': C('Loads of hours: no more than 80 % of the contact rating'),
  inrush: C(
    'Inrush against steady current: resistive 1, filament lamp 15, motor 10, solenoid 20, switched-mode supply 40, transformer 15',
  ),
  'contact-duty': C(
    'Share of the resistive rating that a contact breaks: motors, solenoids and transformers 0.25, lamps ' +
      '0.4; of direct current all at 30 V, 0.15 at 48 V, 0.03 at 110 V, half of that with a coil in the load',
  ),
  'power-factor': C('Power factor 0.6 of a motor, solenoid or switched-mode supply of which only the watts are known'),
  'run-capacitor': C('A motor with a run capacitor puts up to twice the mains on the contact that is open'),
  'part-share': C(
    'Derating: parts are used to half of their rated current and to four fifths of their ' +
      'rated voltage; mains may stand a tenth over its nominal value',
  ),
  'prove-dead': C(
    'Prove-dead sequence of the trade: isolate, hold the plug, test the tester, test dead, test the tester again',
  ),
  cautions: C('Cautions usual in the trade; the local electrical code and licensed practice come first'),
  'press-length': C('A press should last at least twice the shortest press the machine obeys'),
  'sign-transistor': C('A sign over 10 mA is switched by a small transistor and not by the pin itself'),
  'lamp-seen': C('An LED is seen by day from about half a milliampere on'),
  'hand-debounce': C('A hand input settles in 20 to 50 ms; what answers after a tenth of a second feels dead'),
  'sense-divider': C('A level that is too high for a pin is brought down by a divider with 10 kΩ below'),
  'flash-writes': C('A page of flash bears 10 000 or 100 000 writes; spread over pages it bears as many times more'),
  'tap-nature': C('What alternates, flickers or stands shows on both ranges of a meter, DC and AC'),
  'tap-load': C('A tap may take a tenth of what drives a level, and no more'),
  'reed-shake': C('A reed keeps a fifth of its distances in hand; it closes nearer than it opens again'),
  'thermo-place': C(
    'A thermometer in the case of its electronics reads some kelvins too much; it wants a place of its own',
  ),
  'pin-cost': C('Of two pins that both do, the one that can less is taken, so that the able ones stay free'),
  'board-own': C('The maker’s own board, as entered; what was not measured stands as its tag says'),
  'series-contacts': C(
    'Two contacts in series press only where both are closed; a contact that sticks is found by pressing with each alone',
  ),
  'module-mode': C('Relay modules with a mode jumper: momentary, latching, timed; a press wants momentary'),
  'press-gap': C(
    'Between two presses the contact stays open for at least twice the shortest press that the machine obeys',
  ),
  'press-longest': C(
    'A controller that hangs must not hold a press for more than twice its length; ' +
      'where heat, a door, pressure, gas, water or a body is at stake a circuit of its own ends it',
  ),
  'one-shot': C('A monostable chip holds for 0.7·R·C, give or take a tenth; resistors 5 %, film capacitors 10 %'),
  'trace-levels': C(
    'Thresholds from recordings: three times the noise to either level, a hold half as long again as the longest rest within a run, two ' +
      'samples within the hold, one odd row in a hundred',
  ),
  'first-order-room': C(
    'A room, cabinet or tank warms and cools as one exponential after a dead time; what a recording says of it holds within a tenth',
  ),
  'contact-cycles': C(
    'The contact of a small relay bears some 100 000 operations at its rated load; its data sheet says how many',
  ),
  'flow-pours': C(
    'A flow is poured and timed several times; one pour may be half or twice the next; a tenth does not matter, a limit is a fifth over',
  ),
  'contact-meaning': C('What one contact at one end can and cannot tell'),
  'restart-test': C('Ten restarts with the contact watched, before the machine is connected'),
  simulation: C('Discrete-event simulation of this job, exact times, the seed shown'),
  'repeat-timings': C(
    'Repeated timings: the mean, and where the next one lies at 95 % (Student’s t), from one no spread',
  ),
  'story-lengths': C('What goes wrong in a story: a power cut of 30 s, a sense 5 s late, a thumb for 0.3 s'),
  'led-margins': C(
    'Led by hand: half as much again after one take, half again before a call; a press over 1 s that is let go within 1 s ' +
      'of a sense was held for it; gaps under 50 ms are the hand’s own',
  ),
  'fault-rates': C('One press in 50 missed, a press by hand one day in six, two power cuts a year'),
  'log-normal': C(
    'Response times of a busy controller scatter log-normally: many quick ones, a long tail of late ones',
  ),
  'pull-up-usual': C('A pull-up of 4.7 kΩ for an open collector on a signal line of 5 to 12 V'),
  'pwm-filter': C('A level made of pulses: 10 kΩ and a hundredth of ripple at most'),
  clamp: C('A pin bears about 1 mA into its clamp diode, which drops 0.3 V above the supply'),
  unpowered: C(
    'A side that is off still takes what the living side pushes through its clamps: at ' +
      'most 1 mA, and no level that the living side could take for a press',
  ),
  'logic-fed': C('Logic behind a linear regulator of 3.3 V ±3 %, which wants 0.3 V over that: up to 20 mA'),
  'amplifier-supply': C('A rail-to-rail amplifier gives its supply less 0.1 V'),
  'break-before-make': C('Changeover contacts of relays break before they make'),
  'parts-relay-reed': C(
    'Reed relay, 5 V coil: coil 500 Ω ± 10 %, sealed contact that works from ' +
      '10 µA, 0.5 A, 100 V, 1 500 V and 3 mm between coil and contact',
  ),
  'parts-module': C(
    'Relay modules: inputs active low with LEDs in series (about 3 V) or a bare base-emitter ' +
      'junction (0.6 V), 1 kΩ; the driver turns the coil on from four fifths of its stated current; 10 ' +
      'A at 250 V; between coil and contact 2 500 V and 3 mm as their boards are laid out',
  ),
  'parts-module-motor': C(
    'Relay modules for motors with a run capacitor: 8 A, contacts that bear 440 V AC, 4 000 V and 8 mm between coil and contact',
  ),
  'module-powerup': C(
    'A module fed before its controller pulls its own input through the controller’s clamps and dead rail',
  ),
  'parts-analogue': C(
    'Four analogue switches of the 4000 class: on-resistance up to 1 050 Ω at a ' +
      'supply of 5 V, 400 Ω at 10 V; leakage up to 100 nA at 25 °C, 10 mA',
  ),
  'parts-analogue-low': C(
    'Single analogue switch, 1.65 to 5.5 V: on-resistance up to 10 Ω, leakage up to 1 µA at 25 °C, 50 mA',
  ),
  'parts-crosspoint': C(
    'Crosspoint, 8 by 8, 4 to 14 V: on-resistance up to 120 Ω at 12 V and 350 Ω at 5 V, leakage up to 500 nA at 25 °C, 10 mA',
  ),
  'parts-logic': C(
    'Small programmable logic: runs from 1.65 to 3.6 V, inputs that bear 5.5 V, 5 to 25 ns from input to output',
  ),
  'parts-bridge': C('Motor bridge classes: MOSFET bridges of 1 to 12 A, inputs high from 2 V'),
  'parts-servo': C('Servo classes: torque as advertised less a fifth, 0.10 to 0.18 s for 60°, pulses 0.5 to 2.5 ms'),
  'parts-stepper': C(
    'Geared stepper, 28 mm: 32 steps a turn, pairs of gears 32/9, 22/11, 26/9, 31/10; its torque is a figure of about 120 steps a second',
  ),
  'parts-stepper-hybrid': C(
    'Hybrid stepper, 42 mm, 200 steps: 0.4 N·m held, three quarters at some hundred steps a second',
  ),
  'step-rate': C('A stepper gives its stated torque up to the step rate that it is stated at, and less above'),
  'parts-gear-motor': C('DC gear motor classes, values at rated voltage'),
  'switch-control': C('The control input of an analogue switch follows its supply: high from seven tenths of it'),
  'button-force': C('Tactile button 1.5 to 2.6 N, rocker 4 to 10 N; travel 0.3 mm and 3 mm'),
  'button-bears': C('A button bears about 30 N of steady push, a rocker 50 N'),
  'stall-time': C('A servo that pushes against a stop is left so for ten seconds at most'),
  'servo-jerk': C('A servo may jerk when it gets power, before the first pulse places it'),
  'force-margin': C('A finger pushes with twice the force that the button asks for'),
  'finger-clear': C('The tip at rest leaves 15 mm for a hand, or the hand pushes the horn aside'),
  'over-travel': C('A button bears about 1.5 mm of push beyond its own travel through a soft tip'),
  'tape-pull': C('Acrylic foam tape bears about 30 kPa of pull for up to ten seconds, and 1.7 kPa for long'),
  'motor-torque': C('A gear motor works for long at a third of its stall torque at most'),
  'stall-rating': C('Contacts and bridges of a motor are rated for its stall current'),
  'fit-classes': C('Play over 2 % of the diameter rattles; overlap over 0.3 % cannot be pressed together by hand'),
  'gain-fit': C('A straight line that misses its readings by more than 3 % of their span is no straight line'),
  'resume-test': C('Whether a machine runs on after a power cut is tried, never assumed'),
  'hit-wanted': C('Of a thousand presses one may go unseen; where nothing is at stake, one in a month'),
  'ground-shift': C('Two grounds are joined where under 50 mV, AC and DC, are left between them across 1 kΩ'),
  'restart-lock': C('A compressor wants about three minutes between stop and start'),
  'sheet-repeat': C('The presses are tried anew once a year, and after each change'),
  maker: C('Chosen by the maker'),
} as const satisfies Record<string, Source>;
