import { PULL_DOWN_OHMS } from '../circuit';
import type { PressFact } from '../job';
import type { LevelSegment, Pin, Profile } from './profile';

export interface ContactSegment {
  readonly from: number;
  readonly to: number;
  readonly contact: 'open' | 'closed' | 'maybe';
  readonly why: string;
}

/** What a driver does with one level of its pin. */
export function contactAt(level: LevelSegment['level'], press: PressFact, activeHigh: boolean, pullDown: boolean, profile: Profile): Pick<ContactSegment, 'contact' | 'why'> {
  // Pulses place a finger or carry a speed; a steady level is none, whichever it is.
  if (press.input === 'pulses') return level === 'toggles' ? { contact: 'maybe', why: 'the pin toggles, and that may be taken for pulses' } : { contact: 'open', why: 'a steady level is no pulse' };
  if (!activeHigh) {
    if (level === 'low') return { contact: 'closed', why: 'the pin is low and the driver presses on low' };
    return level === 'toggles' ? { contact: 'closed', why: 'the pin toggles and is low at times' } : { contact: 'open', why: 'nothing pulls the pin low' };
  }
  const conductance = (pullDown ? 1 / PULL_DOWN_OHMS : 0) + (press.holdOhms ? 1 / press.holdOhms : 0);
  switch (level) {
    case 'low':
      return { contact: 'open', why: 'the pin is low' };
    case 'high':
      return { contact: 'closed', why: 'the pin is high' };
    case 'toggles':
      return { contact: 'closed', why: 'the pin toggles and is high at times' };
    case 'float':
      if (press.turnOnAmps > 50e-6) return { contact: 'open', why: 'a floating pin cannot feed the LED' };
      return conductance > 0 ? { contact: 'open', why: 'the pull-down holds the driver off' } : { contact: 'maybe', why: 'nothing holds the driver off while the pin floats' };
    case 'weak-high': {
      const volts = profile.volts / (1 + conductance * profile.weakOhms);
      const amps = (profile.volts - press.turnOnVolts) / profile.weakOhms;
      if (amps < press.turnOnAmps) return { contact: 'open', why: 'the weak pull-up cannot feed the LED' };
      return volts < press.turnOnVolts
        ? { contact: 'open', why: `the pull-down keeps the driver at ${volts.toFixed(2)} V, below ${press.turnOnVolts} V` }
        : { contact: 'closed', why: `the weak pull-up lifts the driver over ${press.turnOnVolts} V` };
    }
  }
}

/** The contact's own row of the power-up strip, up to the moment the program is in charge. */
export function contactAtPowerUp(pin: Pin, press: PressFact, activeHigh: boolean, pullDown: boolean, profile: Profile): ContactSegment[] {
  return pin.powerUp.map(({ from, to, level }) => ({ from, to, ...contactAt(level, press, activeHigh, pullDown, profile) }));
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
