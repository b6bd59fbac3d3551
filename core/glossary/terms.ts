/** A stroke of a small drawing in a field of 160 by 80: an SVG path, filled or not, or a word at a place. */
export type Stroke =
  | { readonly d: string; readonly fill?: true; readonly dashed?: true }
  | { readonly x: number; readonly y: number; readonly text: string };

/** A term of the trade: how it may stand in a text, two sentences, and a small drawing. */
export interface Term {
  readonly key: string;
  readonly term: string;
  /** Matches the term in running text; without capture groups. */
  readonly words: RegExp;
  readonly text: string;
  readonly drawing: readonly Stroke[];
}

const resistor = (x: number, y: number): Stroke => ({ d: `M${x - 6} ${y - 11}h12v22h-12z` });
const ground = (x: number, y: number): Stroke => ({
  d: `M${x} ${y - 10}v10M${x - 10} ${y}h20M${x - 6} ${y + 4}h12M${x - 2} ${y + 8}h4`,
});
const dot = (x: number, y: number): Stroke => ({ d: `M${x - 3} ${y}a3 3 0 1 0 6 0a3 3 0 1 0-6 0`, fill: true });
const word = (x: number, y: number, text: string): Stroke => ({ x, y, text });
const open = (x: number, y: number): Stroke => ({ d: `M${x - 18} ${y}h10M${x + 8} ${y}h10M${x - 8} ${y}l16-9` });

/** Every term that is explained. Each stands in some text of the program, which a test holds. */
export const TERMS: readonly Term[] = [
  {
    key: 'pull-up',
    term: 'pull-up',
    words: /pull-ups?/i,
    text:
      'A resistor from a line to the supply, which holds the line high while nothing else does. A press ' +
      'joins the line to ground and wins, since the resistor lets only a little current through.',
    drawing: [
      word(84, 12, 'supply'),
      { d: 'M60 6h20M70 6v8' },
      resistor(70, 25),
      { d: 'M70 36v12M70 48h40' },
      dot(70, 48),
      word(114, 52, 'line'),
      open(70, 60),
      ground(100, 72),
    ],
  },
  {
    key: 'pull-down',
    term: 'pull-down',
    words: /pull-downs?/i,
    text:
      'A resistor from a line to ground, which holds the line low while nothing drives it. At a ' +
      'controller’s pin it keeps the press off until the program has woken.',
    drawing: [
      { d: 'M30 24h80' },
      word(114, 28, 'line'),
      dot(70, 24),
      { d: 'M70 24v8' },
      resistor(70, 43),
      ground(70, 70),
    ],
  },
  {
    key: 'ground',
    term: 'ground',
    words: /ground(?!ed)/i,
    text:
      'The line that all voltages of a circuit are counted from. It is not earth, and two grounds may be ' +
      'joined only where the machine’s is proven to be apart from mains.',
    drawing: [{ d: 'M20 18h120M50 18v30M110 18v30' }, ground(50, 58), ground(110, 58), word(60, 12, 'both sides')],
  },
  {
    key: 'dry-contact',
    term: 'dry contact',
    words: /dry (?:contact|pair)s?/i,
    text:
      'Two terminals that only ask to be joined; whoever joins them brings no voltage of its own. The ' +
      'machine feeds the loop, so a bare contact is all that is wanted, either way round.',
    drawing: [
      { d: 'M20 20h40M20 60h40M60 10h80v60h-80z' },
      word(74, 44, 'machine'),
      { d: 'M20 20v12M20 60v-12M20 48l9-15' },
    ],
  },
  {
    key: 'bounce',
    term: 'bounce',
    words: /bounces?|debounc\w+|chatters?/i,
    text:
      'A closing contact opens and closes again for a few milliseconds before it stays. What reads it must ' +
      'wait that long, or it counts one press as several.',
    drawing: [{ d: 'M10 20h40v40h8v-40h6v40h8v-40h4v40h70' }, word(96, 54, 'steady')],
  },
  {
    key: 'optocoupler',
    term: 'optocoupler',
    words: /optocouplers?/i,
    text:
      'A lamp and a light-sensitive transistor in one case: current in the lamp lets the transistor ' +
      'conduct. Nothing but light crosses, so the two sides stay apart.',
    drawing: [
      { d: 'M40 10h80v60h-80z' },
      { d: 'M56 28h16l-8 14zM56 42h16' },
      { d: 'M80 34l10-4M80 40l10-4' },
      { d: 'M104 24v32M104 34l12-10M104 46l12 10' },
    ],
  },
  {
    key: 'solid-state-relay',
    term: 'solid-state relay',
    words: /solid-state relays?/i,
    text:
      'A lamp that switches transistors instead of a coil that pulls a contact: silent, isolated, and ' +
      'without parts that wear. Its output has a few ohms when on and leaks a little when off.',
    drawing: [
      { d: 'M40 10h80v60h-80z' },
      { d: 'M56 28h16l-8 14zM56 42h16' },
      { d: 'M80 34l10-4M80 40l10-4' },
      { d: 'M104 22v10M104 36v8M104 48v10M112 18v14h-8M112 62v-14h-8' },
    ],
  },
  {
    key: 'isolated',
    term: 'isolated',
    words: /isolat(?:ed|ion)/i,
    text:
      'Nothing conducts between this part and mains, as far as a meter and a test voltage can tell. Only ' +
      'then may your own wires be joined to it, and it is measured first of all.',
    drawing: [
      { d: 'M14 16h52v48h-52zM94 16h52v48h-52z' },
      { d: 'M80 8v64', dashed: true },
      word(24, 44, 'mains'),
      word(104, 44, 'yours'),
    ],
  },
  {
    key: 'inrush',
    term: 'inrush',
    words: /inrush/i,
    text:
      'The current of the first moment, before a lamp is hot, a motor turns or a capacitor is full: often ' +
      'ten times the current after it. A contact must bear it each time it closes.',
    drawing: [{ d: 'M14 66h132M14 66v-60M14 66c6 0 8-56 14-56s10 36 24 38h94' }, word(40, 18, 'first moment')],
  },
  {
    key: 'stall',
    term: 'stall current',
    words: /stall(?:ed|s)?(?: current)?/i,
    text:
      'What a motor draws while it is held still: its supply over the resistance of its winding, and the ' +
      'most that it ever draws. Each start begins there.',
    drawing: [
      { d: 'M60 40a20 20 0 1 0 40 0a20 20 0 1 0-40 0M20 40h40M100 40h40' },
      word(74, 46, 'M'),
      { d: 'M70 10l20 8M90 10l-20 8' },
    ],
  },
  {
    key: 'normally-open',
    term: 'normally open',
    words: /normally (?:open|closed)/i,
    text:
      'How a relay’s contact stands while its coil has no current: open, or closed. What the machine does ' +
      'with a dead controller hangs on which of the two is used.',
    drawing: [open(50, 30), word(28, 52, 'open'), { d: 'M96 30h12M120 30h14M108 30l14-4' }, word(98, 52, 'closed')],
  },
  {
    key: 'diode-coil',
    term: 'diode across the coil',
    words: /diodes? across (?:the|its) coil/i,
    text:
      'A coil drives its current on for a moment after it is switched off, and the voltage of that kick ' +
      'kills transistors. A diode across it gives that current a way round.',
    drawing: [
      { d: 'M50 10v14M50 56v14M50 24c14 2 14 8 0 8c14 2 14 8 0 8c14 2 14 8 0 8c14 2 14 8 0 8' },
      { d: 'M50 16h50v16M50 64h50v-16M92 48h16l-8-16zM92 32h16' },
    ],
  },
  {
    key: 'strobe',
    term: 'strobe',
    words: /strob(?:e|es|ed)/i,
    text:
      'A keypad’s controller pulls one row after the other for a moment and looks which column follows. A ' +
      'key is seen only while its own row is pulled.',
    drawing: [{ d: 'M10 18h20v12h14v-12h66v12h14v-12h22M10 44h50v12h14v-12h72' }, word(10, 72, 'row after row')],
  },
  {
    key: 'floating',
    term: 'floating',
    words: /float(?:s|ing)?/i,
    text:
      'A pin that is driven neither high nor low, as at power-up: any leak or stray field decides what it ' +
      'reads or switches. A resistor to ground or to the supply settles it.',
    drawing: [
      { d: 'M20 14h40v52h-40zM60 40h30' },
      { d: 'M90 40c6-12 10 12 16 0s10 12 16 0s10 12 16 0' },
      word(30, 44, 'pin'),
    ],
  },
  {
    key: 'one-shot',
    term: 'one-shot',
    words: /one-shots?|monostables?/i,
    text:
      'A small circuit that lets a press last just so long, whatever the controller does. A program that ' +
      'hangs then ends the press all the same.',
    drawing: [{ d: 'M10 22h20v-12h110M10 60h20v-14h40v14h70' }, word(86, 24, 'hangs'), word(78, 52, 'press ends')],
  },
  {
    key: 'end-switch',
    term: 'end switch',
    words: /end (?:switch|switches|stops?)/i,
    text:
      'A switch that the moving part opens when it arrives, so that the motor stops by itself. It stays in ' +
      'the circuit, whatever is added.',
    drawing: [{ d: 'M10 56h140M100 56v-18h24v18' }, { d: 'M66 38h30M90 32l6 6l-6 6' }, open(112, 24)],
  },
  {
    key: 'creepage',
    term: 'creepage',
    words: /creepage/i,
    text:
      'The shortest way over a surface between two conductors, along which dirt and damp may let current ' +
      'creep. Between mains and what is touched it has a least length.',
    drawing: [
      { d: 'M10 60h140v10h-140zM20 60v-20h24v20M116 60v-20h24v20' },
      { d: 'M44 56h72', dashed: true },
      word(54, 48, 'way over'),
    ],
  },
  {
    key: 'ripple',
    term: 'ripple',
    words: /ripples?/i,
    text:
      'What is left of the alternating current on a supply that should be even. Read it as AC volts beside ' +
      'the DC volts.',
    drawing: [
      { d: 'M10 34c8-14 16-14 24 0s16 14 24 0s16-14 24 0s16 14 24 0s16-14 24 0s10 10 20 0' },
      { d: 'M10 66h140' },
    ],
  },
  {
    key: 'arm-switch',
    term: 'arm switch',
    words: /arm switch(?:es)?/i,
    text:
      'A switch that a person closes by hand when the machine is ready, for instance filled. While it is ' +
      'open nothing starts by itself.',
    drawing: [open(60, 40), { d: 'M20 40h22M78 40h40M118 24h28v32h-28z' }, word(122, 44, 'go')],
  },
  {
    key: 'source-resistance',
    term: 'source resistance',
    words: /source resistance/i,
    text:
      'How much a supply’s voltage falls for each ampere that is drawn, as if a resistor stood inside it. ' +
      'It is found by loading the supply once and reading before and after.',
    drawing: [
      { d: 'M16 12h72v56h-72zM30 40a10 10 0 1 0 20 0a10 10 0 1 0-20 0M50 40h6M78 40h60' },
      { d: 'M56 34h22v12h-22z' },
      word(104, 34, 'load'),
    ],
  },
  {
    key: 'stand-in',
    term: 'stand-in',
    words: /stand-ins?/i,
    text:
      'A machine inside this program that is measured and pressed in the place of a real one. What it shows ' +
      'is a rehearsal and settles nothing on the real machine.',
    drawing: [{ d: 'M30 12h100v56h-100z', dashed: true }, word(48, 44, 'as if it stood here')],
  },
  {
    key: 'duty',
    term: 'share of time high',
    words: /duty|share of time high/i,
    text:
      'How much of each period a pulsing line is high, in percent. With the frequency it tells a scanned ' +
      'key from a plain one.',
    drawing: [{ d: 'M10 56h20v-36h34v36h20v-36h34v36h20' }, { d: 'M30 66h34', dashed: true }],
  },
  {
    key: 'margin',
    term: 'margin',
    words: /margins?/i,
    text:
      'How far what is there lies from what is needed, at the worst corner of every part’s spread. A margin ' +
      'below a tenth counts as tight.',
    drawing: [{ d: 'M14 40h132M50 26v28' }, dot(112, 40), word(38, 18, 'needed'), word(98, 64, 'there')],
  },
];
