import { PULL_DOWN_OHMS } from '../../engines/circuit';
import type { PressFact } from '../../ground/facts';
import type { BoardPin, BoardProfile, Level } from '../../ground/job';
import { levelsOver, type BoardEvent } from './levels';

/** How a contact stands from one instant of power-up to another, s. */
export interface ContactSegment {
  readonly from: number;
  readonly to: number;
  readonly contact: 'open' | 'closed' | 'maybe';
  readonly why: string;
}

/** Under this a driver is held off for certain, V (`weak-pulls`). */
const HELD_OFF_VOLTS = 0.4;

type Contact = Pick<ContactSegment, 'contact' | 'why'>;
const open = (why: string): Contact => ({ contact: 'open', why });
const closed = (why: string): Contact => ({ contact: 'closed', why });
const maybe = (why: string): Contact => ({ contact: 'maybe', why });

/** What a driver does with one level of its pin, before the program is in charge. */
export function contactAt(level: Level, press: PressFact, pullDown: boolean, profile: BoardProfile): Contact {
  // A servo is no switch: it may jump when it gets power, whatever its pin does.
  if (press.jerks) return maybe('a servo may jerk when it gets power, before its first pulse');
  // Pulses carry a speed; a steady level is none, whichever it is.
  if (press.input === 'pulses')
    return level === 'toggles'
      ? maybe('the pin toggles, and that may be taken for pulses')
      : open('a steady level is no pulse');
  if (level === 'program') return open('the program holds it');
  if (level === 'kept') return open('the pin stays as it was at rest');
  return press.pressesOn === 'low' ? pressedLow(level, pullDown) : pressedHigh(level, press, pullDown, profile);
}

type Bare = Exclude<Level, 'program' | 'kept'>;

/** A driver that presses on low. */
function pressedLow(level: Bare, pullDown: boolean): Contact {
  switch (level) {
    case 'weak-low':
      return maybe('a pull inside the chip draws the pin low, and the driver presses on low');
    case 'low':
      return closed('the pin is low and the driver presses on low');
    case 'toggles':
      return closed('the pin toggles and is low at times');
    case 'float':
      return pullDown
        ? closed('the resistor to ground pulls the floating pin low, and the driver presses on low')
        : open('nothing pulls the pin low');
    default:
      return open('nothing pulls the pin low');
  }
}

/** A driver that presses on high, held at rest by what stands from its input to ground. */
function pressedHigh(level: Bare, press: PressFact, pullDown: boolean, profile: BoardProfile): Contact {
  const conductance = (pullDown ? 1 / PULL_DOWN_OHMS : 0) + (press.holdOhms ? 1 / press.holdOhms : 0);
  switch (level) {
    case 'low':
      return open('the pin is low');
    case 'weak-low':
      return open('a pull inside the chip holds the pin low');
    case 'high':
      return closed('the pin is high');
    case 'toggles':
      return closed('the pin toggles and is high at times');
    case 'float':
      if (conductance > 0) return open('the pull-down holds the driver off');
      return press.turnOnAmps > FLOAT_AMPS
        ? open('a floating pin cannot feed the driver')
        : maybe('nothing holds the driver off while the pin floats');
    case 'weak-high':
      return weaklyHigh(press, conductance, profile);
  }
}

/** A pull-up inside the chip against what holds the driver: the strongest pull-up of such chips decides, not the usual one. */
function weaklyHigh(press: PressFact, conductance: number, profile: BoardProfile): Contact {
  const [weakest] = profile.weakOhms;
  const volts = profile.volts / (1 + conductance * weakest);
  const amps = (profile.volts - press.turnOnVolts) / weakest;
  if (amps < press.turnOnAmps) return open('the weak pull-up cannot feed the driver');
  if (conductance === 0) return closed(`a pull-up of ${weakest / 1e3} kΩ lifts the driver`);
  return volts < Math.min(HELD_OFF_VOLTS, press.turnOnVolts)
    ? open(`the pull-down keeps the driver at ${volts.toFixed(2)} V at most`)
    : closed(`a pull-up of ${weakest / 1e3} kΩ lifts the held driver to ${volts.toFixed(2)} V`);
}

/** What leaks into a floating pin at most, A. */
const FLOAT_AMPS = 10e-6;
/** How long a controller's own rail may come after the supply of a module beside it, s: common practice (`module-powerup`). */
const DEAD_RAIL_SECONDS = 0.02;

/** The contact's own row of the strip: from the event up to the moment the program is in charge. */
export function contactOver(
  pin: BoardPin,
  press: PressFact,
  pullDown: boolean,
  profile: BoardProfile,
  event: BoardEvent = 'power-cut',
): ContactSegment[] {
  const dead: ContactSegment[] =
    press.deadRailCloses && event === 'power-cut'
      ? [
          {
            from: -DEAD_RAIL_SECONDS,
            to: 0,
            contact: 'closed',
            why: 'the module is fed before the controller and pulls its own input through the dead rail',
          },
        ]
      : [];
  return [
    ...dead,
    ...held(
      levelsOver(pin, profile, event).map(({ from, to, level }) => ({
        from,
        to,
        ...contactAt(level, press, pullDown, profile),
      })),
      press.latchSeconds,
    ),
  ];
}

/** What triggers a one-shot, however short, is held for as long as it holds; before its rail is up it holds nothing. */
function held(list: readonly ContactSegment[], latchSeconds: number): ContactSegment[] {
  const out: ContactSegment[] = [];
  let until = 0;
  for (const s of list) {
    const from = Math.max(s.from, until);
    if (from >= s.to) continue;
    const latched = s.contact === 'closed' && from + latchSeconds > s.to;
    out.push(
      latched ? { ...s, from, to: from + latchSeconds, why: `${s.why}, and the one-shot holds it` } : { ...s, from },
    );
    if (latched) until = from + latchSeconds;
  }
  return out;
}

/** The longest unbroken stretch in which the contact is (or may be) closed, s. */
export function longestClosed(segments: readonly ContactSegment[], state: 'closed' | 'maybe'): number {
  let longest = 0;
  let run = 0;
  for (const s of segments) {
    run = s.contact === state || (state === 'maybe' && s.contact === 'closed') ? run + s.to - s.from : 0;
    longest = Math.max(longest, run);
  }
  return longest;
}
