import type { ModelKind, StrangerKind } from '../../engines/circuit';
import type { ControlKind } from '../../ground/job';
import type { Unit } from '../../ground/quantity';

/** What each kind, and what is none of them, is called on screen, and what it means in one line. */
export const KIND_WORDS: Record<ModelKind, { name: string; means: string }> = {
  'low-when-pressed': {
    name: 'low when pressed',
    means: 'a pull-up holds the line high; the button joins it to ground',
  },
  'high-when-pressed': {
    name: 'high when pressed',
    means: 'a pull-down holds the line low; the button joins it to the supply',
  },
  ladder: { name: 'one of several on a line', means: 'each button divides the supply differently' },
  'scanned-matrix': { name: 'scanned keypad', means: 'the controller looks at one row at a time' },
  'dry-pair': { name: 'dry pair', means: 'two terminals of a low-voltage loop that the machine feeds' },
  'switched-load': { name: 'switched load', means: 'the contact carries the load current itself' },
  'touch-pad': { name: 'touch pad', means: 'no metal contact at all' },
  'motor-pair': { name: 'motor pair', means: 'polarity is direction' },
  'latching-switch': { name: 'latching switch', means: 'stays closed until pressed again' },
  selector: { name: 'selector', means: 'one contact for each position' },
  encoder: { name: 'rotary encoder', means: 'two contacts that close in turn while it goes round' },
  'serial-bus': { name: 'serial bus', means: 'data on wires, no contact to close' },
  'opens-when-pressed': {
    name: 'button that opens',
    means: 'it joins its two sides at rest, and parts them when pressed',
  },
  changeover: { name: 'changeover', means: 'one contact that rests on one rail and is pressed to the other' },
  'variable-resistor': { name: 'variable resistor', means: 'a knob or slider that is set, not pressed' },
  sensor: { name: 'sensor', means: 'a resistor that follows light, warmth or damp' },
  'lamp-across': { name: 'contact with a lamp across it', means: 'the lamp goes out while it is pressed' },
  'two-levels': { name: 'contact between two half levels', means: 'neither of its sides is a rail' },
  sounder: { name: 'sounder', means: 'it is driven, and hears nothing' },
  indicator: { name: 'indicator', means: 'a lamp or a segment that its chip lights' },
  output: { name: 'signal of something else', means: 'another board or sensor drives it, and nobody presses it' },
  rails: { name: 'pair of supply wires', means: 'the supply stands between its sides, whatever is done' },
  'fed-elsewhere': { name: 'input that is fed from elsewhere', means: 'nothing stands on it until another board asks' },
};

/** What each estimated value is called. */
export const PARAMETER_WORDS: Record<string, string> = {
  supplyVolts: 'supply',
  pullUpOhms: 'pull-up',
  pullDownOhms: 'pull-down',
  contactOhms: 'closed button',
  loopVolts: 'open loop',
  loopOhms: 'loop resistance',
  loopAmps: 'loop current',
  loadVolts: 'load voltage',
  loadOhms: 'load resistance',
  keyOhms: 'resistor of this button',
  neighbourOhms: 'resistor of a neighbour',
  periodSeconds: 'period',
  widthShare: 'share of the period',
  widthSeconds: 'width of a pulse',
  floatVolts: 'floating volts',
  padOhms: 'what the pad hangs on',
  motorVolts: 'motor voltage',
  windingOhms: 'winding',
};

/** The unit of an estimated value, by the ending of its name. */
export const parameterUnit = (name: string): Unit =>
  name.endsWith('Volts')
    ? 'V'
    : name.endsWith('Amps')
      ? 'A'
      : name.endsWith('Seconds')
        ? 's'
        : name.endsWith('Share')
          ? '1'
          : 'Ω';

/** What is none of the kinds, with its article. */
export const STRANGER_CALLED: Readonly<Record<StrangerKind, string>> = {
  'opens-when-pressed': 'a button that opens',
  changeover: 'a changeover',
  'variable-resistor': 'a variable resistor',
  sensor: 'a sensor',
  'lamp-across': 'a contact with a lamp across it',
  'two-levels': 'a contact between two half levels',
  sounder: 'a sounder',
  indicator: 'an indicator',
  rails: 'a pair of supply wires',
  output: 'a signal of something else',
  'fed-elsewhere': 'an input that is fed from elsewhere',
};

/** What is to be done with what is none of the kinds. */
export const STRANGER_THEN: Readonly<Record<StrangerKind, string>> = {
  'opens-when-pressed':
    'Nothing that is put across it presses it. A contact that rests closed, in series with one of its wires, opens ' +
    'as it does; no way of that is drawn here. Or press it from outside.',
  changeover:
    'Put nothing across it: where one tip is on the other rail, that joins the two at rest. Press it from outside, or ' +
    'cut its common and switch that over with a changeover contact of your own.',
  'variable-resistor':
    'It is set, not pressed: turn it from outside to a place, or put a switched resistor where it was.',
  sensor: 'It tells the machine something and is not pressed. Read what it says in Sense, or press what acts.',
  'lamp-across':
    'Whatever closes it carries what feeds its lamp: work that out from its supply and its resistor before a contact is ' +
    'chosen, or press it from outside.',
  'two-levels':
    'Only a bare contact across both sides does what it does; whatever sits on ground or on the supply does not.',
  indicator: 'It shows and does not listen: read it in Sense, and look for what is pressed elsewhere.',
  output:
    'Something drives it: a contact across it fights with that. Read what it says in Sense, and look for what is pressed elsewhere.',
  rails:
    'There is nothing to press: a contact across it would short the supply. As a place to take power from, it is told ' +
    'under supplies.',
  'fed-elsewhere':
    'It waits for a voltage and not for a contact: find out from its label or its board how much, and which way round.',
  sounder: 'It speaks and does not listen: hear it in Sense, and look for what is pressed elsewhere.',
};

/** For kinds that no contact across a button can press: what can still be done. */
export const STILL_POSSIBLE: Partial<Record<ControlKind, string>> = {
  'latching-switch':
    'A press means on or off by turns, as by hand. Press it from outside, or ' +
    'bridge its contact and hold it for as long as the machine shall run.',
  selector:
    'Each position is a contact of its own. Set it to the wanted position and switch its common, or put one contact beside each position.',
  encoder:
    'Two contacts in a fixed order, a quarter turn apart, imitate a step: one contact a phase, each to the common.',
  'serial-bus':
    'There is no contact to close. Press the button on the other board, or listen and speak the same words on the bus with a controller.',
  'touch-pad':
    'No metal contact. A finger of metal on the pad, earthed by a contact for the ' +
    'length of a touch, or the pad’s own sensing line if it ends in a level.',
  'motor-pair':
    'Polarity is direction. Drive the motor itself with a pair of changeover contacts in place of its old bridge.',
};
