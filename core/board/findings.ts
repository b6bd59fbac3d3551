import { PULL_DOWN_OHMS } from '../circuit';
import { finding, type Finding, type Remedy, type Verdict, summary } from '../finding';
import type { DriveFact, Facts, PressFact } from '../facts';
import type { Job } from '../job';
import { formatQuantity, own } from '../quantity';
import { contactAtPowerUp, longestClosed } from './power-up';
import type { Pin, Profile } from './profile';
import { PROFILES } from './wifi17';

export const profileOf = (job: Job): Profile | undefined => own(PROFILES, job.board.profile);

/** Pins for a contact: with a pull-up, no strap, and quiet until the program runs. */
const contactPins = (p: Profile): number[] =>
  p.pins
    .filter((x) => x.can.includes('pull-up') && x.strap === null)
    .filter((x) => x.powerUp.every((s) => s.level === 'float' || s.level === 'weak-high'))
    .map((x) => x.gpio);

const oneOf = (list: readonly number[]): string =>
  list.length < 2 ? list.join('') : `${list.slice(0, -1).join(', ')} or ${list.at(-1)}`;

/** What the chosen controller's pins can drive. */
export function driveFact(job: Job): DriveFact | null {
  const p = profileOf(job);
  return p
    ? {
        controller: p.name,
        source: p.source,
        highVolts: p.highVolts,
        limitAmps: p.pinLimitAmps,
        meanAmps: p.meanAmps,
        peakAmps: p.peakAmps,
        supplyVolts: p.supplyVolts,
        contactPins: contactPins(p),
      }
    : null;
}

/** How a pin would behave for the press: its verdict and the sentence for it. */
export function judgePin(
  pin: Pin,
  job: Job,
  press: PressFact,
  profile: Profile,
): { verdict: Verdict; title: string; caption: string } {
  const { pullDown } = job.board;
  const activeHigh = press.pressesOn === 'high';
  if (!pin.can.includes('output'))
    return { verdict: 'stop', title: `Pin ${pin.gpio} is ${pin.nature}`, caption: `pin ${pin.gpio} is taken` };
  if (pin.strap === 'high' && activeHigh)
    return {
      verdict: 'stop',
      title: `Pin ${pin.gpio} must be high at reset; the driver pulls it down and the controller may not start`,
      caption: `pin ${pin.gpio} may not start`,
    };
  if (pin.strap === 'low' && !activeHigh)
    return {
      verdict: 'stop',
      title: `Pin ${pin.gpio} must be low at reset; the driver pulls it up and the controller may not start`,
      caption: `pin ${pin.gpio} may not start`,
    };
  const contact = contactAtPowerUp(pin, press, pullDown, profile);
  const closed = longestClosed(contact, 'closed');
  if (closed > 0) {
    const shortest = job.act.machine.shortestPressSeconds;
    const seen = shortest === null ? null : closed >= shortest;
    const how = contact.find((s) => s.contact === 'closed')!.why;
    const taken = seen
      ? 'would take that for a press'
      : seen === null
        ? 'may take that for a press: how short a press it obeys is not said in Act'
        : 'should overlook it, being shorter than its shortest press';
    return {
      verdict: seen ? 'stop' : seen === null ? 'unknown' : 'tight',
      caption: `pin ${pin.gpio} twitches`,
      title: `Pin ${pin.gpio} closes the contact for ${formatQuantity(closed, 's')} at power-up: ${how}. The machine ${taken}`,
    };
  }
  if (longestClosed(contact, 'maybe') > 0) {
    const { why } = contact.find((s) => s.contact === 'maybe')!;
    return {
      verdict: 'tight',
      title: `Pin ${pin.gpio} at power-up: ${why}`,
      caption: press.jerks ? 'servo may jerk' : `pin ${pin.gpio} floats`,
    };
  }
  return {
    verdict: 'settled',
    title: `Pin ${pin.gpio} keeps the contact open through power-up`,
    caption: `pin ${pin.gpio} keeps still`,
  };
}

/** Pins for the press, stillest first; the ones already used for something else are left out. */
export function rankPins(job: Job, press: PressFact, profile: Profile): Pin[] {
  const used = [job.board.armPin, job.board.sensorPin];
  const order: Verdict[] = ['settled', 'tight', 'unknown', 'stop'];
  return profile.pins
    .filter((p) => !used.includes(p.gpio))
    .map((pin) => ({ pin, verdict: judgePin(pin, job, press, profile).verdict }))
    .sort((a, b) => order.indexOf(a.verdict) - order.indexOf(b.verdict))
    .map((x) => x.pin);
}

function pinRemedy(job: Job, press: PressFact, profile: Profile): Remedy {
  const withPullDown: Job = { ...job, board: { ...job.board, pullDown: true } };
  if (press.jerks)
    return {
      text: 'Let the tip rest clear of the button by more than a jerk, or switch the servo’s supply on after the controller runs.',
    };
  if (press.pressesOn === 'low' && job.board.pullDown)
    return {
      text: 'A resistor to ground presses a driver that presses on low.',
      label: 'Take the resistor away',
      edit: { do: 'set', at: 'board', set: { pullDown: false }, say: 'no pull-down: the press is low' },
    };
  if (press.deadRailCloses)
    return {
      text:
        'Take a module that presses on high, or feed the light side of its input ' +
        'from the controller’s 3.3 V: then it cannot pull itself in.',
    };
  const own = profile.pins.find((p) => p.gpio === job.board.pressPin);
  if (own && !job.board.pullDown && judgePin(own, withPullDown, press, profile).verdict === 'settled') {
    return {
      text: `A ${formatQuantity(PULL_DOWN_OHMS, 'Ω')} resistor from the pin to ground holds the driver off.`,
      label: 'Add the pull-down',
      edit: { do: 'set', at: 'board', set: { pullDown: true }, say: 'pull-down at the driver' },
    };
  }
  const base =
    judgePin(rankPins(job, press, profile)[0]!, job, press, profile).verdict === 'settled' ? job : withPullDown;
  const best = rankPins(base, press, profile)[0]!;
  const set = { pressPin: best.gpio, pullDown: base.board.pullDown };
  return {
    text: `Pin ${best.gpio} ${best.nature}${set.pullDown ? ', with a pull-down at the driver' : ''}.`,
    label: `Use pin ${best.gpio}`,
    edit: { do: 'set', at: 'board', set, say: `press on pin ${best.gpio}` },
  };
}

/** What Board judges: the press pin at power-up, and the other functions' pins. */
export function boardFindings(job: Job, facts: Facts): Finding[] {
  const profile = profileOf(job);
  if (!profile)
    return [
      finding('board', 'profile', {
        verdict: 'stop',
        title: `No board profile is called ${job.board.profile}`,
        caption: 'unknown board',
        remedy: {
          text: 'Choose a controller.',
          label: 'Use the Wi-Fi module, 17 GPIO',
          edit: {
            do: 'set',
            at: 'board',
            set: { profile: 'wifi-17' },
            say: 'controller: Wi-Fi module, 17 GPIO',
          },
        },
      }),
    ];
  if (!facts.press)
    return [
      finding('board', 'waits', {
        verdict: 'unknown',
        title: 'Which pin is right depends on what it drives',
        caption: 'waits for Thumb',
        remedy: { text: 'Choose a way of pressing in Thumb.' },
      }),
    ];
  const press = facts.press;
  const out: Finding[] = [];
  const pin = profile.pins.find((p) => p.gpio === job.board.pressPin);
  if (!pin) {
    out.push(
      summary('board', 'press-pin', {
        verdict: 'unknown',
        title: 'No pin chosen for the press',
        caption: 'no pin yet',
        source: [profile.source],
        remedy: pinRemedy(job, press, profile),
      }),
    );
  } else {
    const j = judgePin(pin, job, press, profile);
    out.push(
      summary('board', 'press-pin', {
        ...j,
        source: [profile.source, 'weak-pulls', 'board-levels'],
        remedy: j.verdict === 'settled' ? null : pinRemedy(job, press, profile),
      }),
    );
  }
  if (press.outputs > 1)
    out.push(
      finding('board', 'outputs', {
        verdict: 'tight',
        title: `This way of pressing takes ${press.outputs} outputs; the strip judges the first, and the others have no pin yet`,
        caption: `${press.outputs} outputs`,
      }),
    );
  return [...out, ...inputPins(job, profile)];
}

function inputPins(job: Job, profile: Profile): Finding[] {
  const { pressPin, armPin, sensorPin } = job.board;
  const wanted: [string, number | null, boolean][] = [
    ['arm', armPin, job.routine.sentences.some((s) => s.ifArmed)],
    ['sensor', sensorPin, job.sense.contact !== 'none'],
  ];
  return wanted.flatMap(([name, gpio, needed]): Finding[] => {
    if (gpio === null)
      return needed
        ? [
            finding('board', `${name}-pin`, {
              verdict: 'unknown',
              title: `No pin chosen for the ${name} contact`,
              caption: `no ${name} pin`,
              source: [profile.source],
              remedy: { text: 'Pins 4, 5, 12, 13 and 14 can read a contact with their own pull-up.' },
            }),
          ]
        : [];
    const pin = profile.pins.find((p) => p.gpio === gpio);
    const clash = gpio === pressPin || (name === 'arm' && gpio === sensorPin);
    if (clash)
      return [
        finding('board', `${name}-pin`, {
          verdict: 'stop',
          title: `Pin ${gpio} has two jobs`,
          caption: `pin ${gpio} twice`,
          remedy: { text: 'Give one of them another pin.' },
        }),
      ];
    if (!pin?.can.includes('pull-up'))
      return [
        finding('board', `${name}-pin`, {
          verdict: 'stop',
          title: `Pin ${gpio} has no pull-up for a contact`,
          caption: `pin ${gpio} unsuited`,
          source: [profile.source],
          remedy: { text: `Pick ${oneOf(contactPins(profile))}.` },
        }),
      ];
    if (pin.strap)
      return [
        finding('board', `${name}-pin`, {
          verdict: 'tight',
          title: `Pin ${gpio} ${pin.nature}: a closed ${name} contact at power-up may keep the controller from starting`,
          caption: `pin ${gpio} is a strap`,
          source: [profile.source],
          remedy: { text: `Pick ${oneOf(contactPins(profile))}.` },
        }),
      ];
    return [
      finding('board', `${name}-pin`, {
        verdict: 'settled',
        title: `Pin ${gpio} reads the ${name} contact`,
        caption: `${name} on pin ${gpio}`,
        source: [profile.source],
      }),
    ];
  });
}
