import { present } from '../../ground/lists';
import type { Verdict } from '../../ground/finding';
import { formatQuantity } from '../../ground/quantity';
import { type BoardPin, type BoardProfile, type Job, type PinAbility, machineOf } from '../../ground/job';
import type { Line } from '../../build/lines';
import { BOARD_EVENTS, EVENT_WORDS, eventSeconds, levelsOver, type BoardEvent } from './levels';
import { builtInFit } from './built-in';
import { contactOver, longestClosed } from './power-up';

/** How a line would fare on a pin. */
export interface PinFit {
  readonly verdict: Verdict;
  readonly title: string;
  readonly caption: string;
  /** What stands against it: kinds that the search speaks of; empty where it may lie there. */
  readonly against: Against | null;
}
/** Why a line may not lie on a pin. */
export type Against = 'taken' | 'built-in' | PinAbility | 'strap' | 'five-volt' | 'amps' | 'twitch';

const ABILITY_WORDS: Readonly<Record<PinAbility, string>> = {
  output: 'gives no level',
  input: 'reads nothing',
  'pull-up': 'has no pull-up',
  interrupt: 'tells of no change',
  wake: 'does not wake the chip',
  analogue: 'reads no voltage',
  'pulse-width': 'gives no pulses',
  'five-volt': 'does not withstand 5 V',
};

/** How a pin is called: by its chip number, and by its printed label where that differs. */
const pinName = (pin: BoardPin): string =>
  pin.label === String(pin.gpio) ? `Pin ${pin.gpio}` : `Pin ${pin.gpio} (${pin.label})`;
const short = (pin: BoardPin): string => `pin ${pin.gpio}`;

/** How a line would fare on a pin of a board: whether it may lie there at all, and what it does before the program is in charge. */
export function pinFit(line: Line, pin: BoardPin, job: Job, profile: BoardProfile): PinFit {
  const no = (against: Against, title: string, caption: string): PinFit => ({
    verdict: 'stop',
    title,
    caption,
    against,
  });
  const builtIn = builtInFit(line, pin, profile);
  if (builtIn) return no('built-in', ...builtIn);
  if (pin.can.length === 0) return no('taken', `${pinName(pin)} is ${pin.nature}`, `${short(pin)} is taken`);
  const lacks = line.asks.find((a) => !pin.can.includes(a));
  if (lacks)
    return no(lacks, `${pinName(pin)} ${ABILITY_WORDS[lacks]}, and ${line.name} asks for it`, `${short(pin)} unsuited`);
  if (line.volts !== null && line.volts > profile.volts + 0.3 && !pin.can.includes('five-volt'))
    return no(
      'five-volt',
      `${pinName(pin)} bears ${profile.volts} V, and ${line.name} brings ${formatQuantity(line.volts, 'V')}`,
      `${short(pin)}: too high`,
    );
  if (line.amps > profile.pinAmps)
    return no(
      'amps',
      `${pinName(pin)} gives ${formatQuantity(profile.pinAmps, 'A')}, and ${line.name} takes ${formatQuantity(line.amps, 'A')}`,
      `${short(pin)}: too much`,
    );
  return line.direction === 'in' ? inputFit(line, pin, profile) : outputFit(line, pin, job, profile);
}

/** Whether a line is a contact to ground under a pull-up. */
const closesToGround = (line: Line): boolean =>
  line.of === 'hand' || (line.of === 'sense' && line.asks.includes('pull-up'));

/** A contact or a signal on a pin that decides how the chip starts, or that talks while it starts. */
function inputFit(line: Line, pin: BoardPin, profile: BoardProfile): PinFit {
  if (pin.strap === 'low' && closesToGround(line)) {
    return {
      verdict: 'stop',
      title:
        `${pinName(pin)} ${pin.nature}: its resistor to ground holds an open ${line.name} low, ` +
        'which reads as closed for ever; a stronger pull-up would keep the controller from starting',
      caption: `${short(pin)}: reads closed`,
      against: 'strap',
    };
  }
  if (pin.strap)
    return {
      verdict: 'tight',
      title: `${pinName(pin)} ${pin.nature}: a closed ${line.name} at power-up may keep the controller from starting`,
      caption: `${short(pin)} is a strap`,
      against: null,
    };
  const talks = levelsOver(pin, profile, 'power-cut').some((s) => s.level === 'high' || s.level === 'toggles');
  if (talks)
    return {
      verdict: 'tight',
      title: `${pinName(pin)} ${pin.nature}: a closed ${line.name} works against it then`,
      caption: `${short(pin)} talks at power-up`,
      against: null,
    };
  return {
    verdict: 'settled',
    title: `${pinName(pin)} reads ${line.name}`,
    caption: `${line.name} on ${short(pin)}`,
    against: null,
  };
}

function outputFit(line: Line, pin: BoardPin, job: Job, profile: BoardProfile): PinFit {
  const wrong = strapFit(line, pin);
  if (wrong) return wrong;
  const { press } = line;
  if (!press || !line.acts) return quietFit(line, pin, profile);
  const worst = worstEvent(line, pin, profile);
  const { shortestPressSeconds: shortest } = machineOf(job);
  if (worst.closed > 0) {
    const seen = shortest === null ? null : worst.closed >= shortest;
    const how = present(worst.contact.find((s) => s.contact === 'closed')).why;
    const taken = seen
      ? 'would take that for a press'
      : seen === null
        ? 'may take that for a press: how short a press it obeys is not said in Act'
        : 'should overlook it, being shorter than its shortest press';
    return {
      verdict: seen ? 'stop' : seen === null ? 'unknown' : 'tight',
      caption: `${short(pin)} twitches`,
      title:
        `${pinName(pin)} closes the contact for ${formatQuantity(worst.closed, 's')} ${EVENT_WORDS[worst.event]}: ` +
        `${how}. The machine ${taken}`,
      against: seen ? 'twitch' : null,
    };
  }
  if (worst.maybe > 0) {
    const { why } = present(worst.contact.find((s) => s.contact === 'maybe'));
    return {
      verdict: 'tight',
      title: `${pinName(pin)} ${EVENT_WORDS[worst.event]}: ${why}`,
      caption: press.jerks ? 'servo may jerk' : `${short(pin)} floats`,
      against: null,
    };
  }
  return {
    verdict: 'settled',
    title: `${pinName(pin)} keeps the contact open through power-up`,
    caption: `${short(pin)} keeps still`,
    against: null,
  };
}

function strapFit(line: Line, pin: BoardPin): PinFit | null {
  const high = line.active === 'high';
  if (pin.strap === null || (pin.strap === 'high') !== high) return null;
  return {
    verdict: 'stop',
    caption: `${short(pin)} may not start`,
    against: 'strap',
    title: high
      ? `${pinName(pin)} must be high at reset; the driver pulls it down and the controller may not start`
      : `${pinName(pin)} must be low at reset; the driver pulls it up and the controller may not start`,
  };
}

/** A sign, or a line that moves nothing by itself: what it does before the program is in charge is seen and harms nobody. */
function quietFit(line: Line, pin: BoardPin, profile: BoardProfile): PinFit {
  const shows = BOARD_EVENTS.some((e) =>
    levelsOver(pin, profile, e).some((s) => s.level === 'high' || s.level === 'toggles'),
  );
  return {
    verdict: 'settled',
    title: shows
      ? `${pinName(pin)} gives ${line.name}; it ${line.of === 'sign' ? 'shows' : 'moves'} while the ` +
        'controller starts, which moves no machine'
      : `${pinName(pin)} gives ${line.name} and is still until the program runs`,
    caption: `${line.name} on ${short(pin)}`,
    against: null,
  };
}

interface WorstEvent {
  readonly event: BoardEvent;
  readonly contact: ReturnType<typeof contactOver>;
  readonly closed: number;
  readonly maybe: number;
}
/** Of power cut, restart and programming the first that closes the contact, else the first that may. */
function worstEvent(line: Line, pin: BoardPin, profile: BoardProfile): WorstEvent {
  let worst: WorstEvent | null = null;
  for (const event of BOARD_EVENTS) {
    if (eventSeconds(profile, event) <= 0) continue;
    const contact = contactOver(pin, present(line.press), line.pulledDown, profile, event);
    const at = { event, contact, closed: longestClosed(contact, 'closed'), maybe: longestClosed(contact, 'maybe') };
    if (!worst || (worst.closed === 0 && at.closed > 0) || (worst.closed === 0 && worst.maybe === 0 && at.maybe > 0))
      worst = at;
  }
  return present(worst);
}
