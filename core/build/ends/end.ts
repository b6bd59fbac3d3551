import type { LineSort } from '../../ground/facts';

/** Names of what stands in a drawing as a box of its own. */
export type Device =
  | `relay ${string}`
  | `motor ${string}`
  | 'driver of the coil'
  | 'enable driver'
  | 'module'
  | 'stepper driver'
  | 'programmable logic'
  | 'servo'
  | 'signal parts'
  | 'solid-state relay'
  | 'contact'
  | 'transistor'
  | 'optocoupler'
  | 'analogue switch'
  | 'one-shot'
  | 'timer relay'
  | 'resistor'
  | `supply ${string}`
  | `load ${string}`
  | 'end switches'
  | 'stepper'
  | 'supply'
  | 'machine';

/** A pin of the controller, as a way asks for it. */
export interface PinEnd {
  readonly at: 'pin';
  /** How the way calls it: `pin`, `pin 2`, `pin, enable`. */
  readonly name: string;
  /** What else its wire says there, as `, by resistor`. */
  readonly note: string;
  /** What it is for, as `K1` or `direction`; empty where a way takes one pin alone. */
  readonly part: string;
  readonly direction: 'out' | 'in';
  readonly sort: LineSort;
  /** Whether the machine acts on it by itself, so that a twitch is a press. */
  readonly acts: boolean;
}

/** The pin on which a line of a sense, hand or sign lies. */
export interface LineEnd {
  readonly at: 'line';
  readonly line: string;
}

/** The controller’s ground, its 3.3 V, a supply of so many volts, or plus and minus of a supply. */
export interface NetEnd {
  readonly at: 'net';
  readonly net: 'ground' | 'rail' | 'volts' | 'plus' | 'minus';
  readonly words: string;
}

/** A terminal of a control of the machine. */
export interface TerminalEnd {
  readonly at: 'terminal';
  readonly control: string;
  readonly name: string;
  readonly letter: string;
}

/** What a mains conductor is for. */
export type Conductor = 'line' | 'neutral' | 'earth';
/** A leg of a part, or a place in the machine that is no terminal of a control. */
export interface LegEnd {
  readonly at: 'leg';
  readonly device: Device;
  readonly words: string;
  /** How it is written in the box of its device. */
  readonly label: string;
  /** The mains conductor that hangs on it. */
  readonly conductor?: Conductor;
  /** A switch that joins the control’s terminals, or one of two in series. */
  readonly closes?: true;
  /** Belongs to the second of two contacts in series. */
  readonly second?: true;
  /** Stands beside the joint in a drawing: its symbol has no place for it. */
  readonly beside?: true;
}

/** An end of a wire. */
export type End = PinEnd | LineEnd | NetEnd | TerminalEnd | LegEnd;

/** A pin that a way takes; an output moves the machine unless it is said that it does not. */
export const pin = (name = '', part = '', more: Partial<Omit<PinEnd, 'at' | 'name' | 'part'>> = {}): PinEnd => ({
  at: 'pin',
  name: `pin${name}`,
  part,
  note: '',
  direction: 'out',
  sort: 'level',
  acts: more.direction !== 'in',
  ...more,
});
/** The pin of a line of a sense, hand or sign. @param line its id. */
export const lineEnd = (line: string): LineEnd => ({ at: 'line', line });
/** The controller’s ground. */
export const GROUND: NetEnd = { at: 'net', net: 'ground', words: 'controller ground' };
/** The 3.3 V of the controller. */
export const RAIL: NetEnd = { at: 'net', net: 'rail', words: '3.3 V of the controller' };
/** Plus of a supply of its own. */
export const PLUS: NetEnd = { at: 'net', net: 'plus', words: 'supply +' };
/** Minus of that supply. */
export const MINUS: NetEnd = { at: 'net', net: 'minus', words: 'supply −' };
/** A supply of so many volts, said as `12 V`. */
export const voltsEnd = (words: string): NetEnd => ({ at: 'net', net: 'volts', words });
/** A terminal of a control. @param letter A or B. */
export const terminal = (control: { readonly id: string; readonly name: string }, letter: string): TerminalEnd => ({
  at: 'terminal',
  control: control.id,
  name: control.name,
  letter,
});
/** A leg of a part. @param label how it is written in the box of its device, where that says already whose it is. */
export const leg = (
  device: Device,
  words: string,
  label = words,
  more: Partial<Pick<LegEnd, 'conductor' | 'closes' | 'beside'>> = {},
): LegEnd => ({ at: 'leg', device, words, label, ...more });
/** A leg whose words begin with its device, as `servo signal` of a servo. */
export const legOf = (
  device: Device,
  of: string,
  label: string,
  more: Partial<Pick<LegEnd, 'conductor' | 'beside'>> = {},
): LegEnd => leg(device, `${of} ${label}`, label, more);

/** What an end is called; a line by the pin that is given for it. */
export function sayEnd(end: End, pinOf: (line: string) => string = (line) => line): string {
  switch (end.at) {
    case 'pin':
      return `${end.name}${end.note}`;
    case 'line':
      return pinOf(end.line);
    case 'net':
    case 'leg':
      return end.words;
    case 'terminal':
      return `${end.name} ${end.letter}`;
  }
}

/** Two ends are one terminal of the machine where this is the same; the control is known by its id. */
export const terminalKey = (end: Pick<TerminalEnd, 'control' | 'letter'>): string => `${end.control} ${end.letter}`;

/** The mains conductor that a wire between these ends is: earth before neutral before line. */
export const conductorOf = (...ends: readonly End[]): Conductor | undefined => {
  const all = ends.flatMap((e) => (e.at === 'leg' && e.conductor ? [e.conductor] : []));
  return (['earth', 'neutral', 'line'] as const).find((c) => all.includes(c));
};

/** What an end of a second contact in series is: what both share stays, a pin is another one, a part is called after its contact. */
export const ofSecond = (end: End): End =>
  end.at === 'pin'
    ? pin(' 2', '2', { sort: end.sort })
    : end.at === 'leg'
      ? { ...end, words: `${end.words} of contact 2`, label: `${end.label} of contact 2`, second: true }
      : end;

/** A leg of the switch that joins the control’s terminals. @param end 1 at the higher side, 2 at the lower. */
export const contactLeg = (device: Device, words: string, end: 1 | 2): LegEnd =>
  leg(device, `${words} ${end}`, `${words} ${end}`, { closes: true });

/** What relay terminals do, EN 50005: common, rest, work, or the coil. */
const ROLE: Readonly<Record<string, string>> = { 1: 'common', 2: 'rest', 4: 'work' };
/** A terminal of a relay by its mark, as `11` or `A2`. */
export const relayLeg = (relay: string, mark: string): LegEnd =>
  leg(
    `relay ${relay}`,
    `${relay}:${mark}`,
    `${mark} ${mark.startsWith('A') ? 'coil' : (ROLE[mark.at(-1) ?? ''] ?? '')}`,
  );
