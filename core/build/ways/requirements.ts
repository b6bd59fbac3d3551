import { atLeast, derive, finding, judged, type Finding } from '../../ground/finding';
import { insulationFor, type Category } from '../../engines/electrics';
import { partValue, type TakenPart } from '../../engines/parts';
import type { ControlKind, Way } from '../../ground/job';
import { isBarePress } from './bare';
import type { WayContext } from './context';

/**
 * `apart`: no conductor joins the sides. `ground-side`: one terminal must be the shared ground. `ground`: the grounds
 * are joined, whichever terminal is which.
 */
export type Joins = 'apart' | 'ground-side' | 'ground';

/** A way has nothing to do with this sort of control. */
export const notForControl = (way: Way, title: string, remedy: string): Finding =>
  finding('thumb', `${way}.misfit`, {
    says: 'no-use',
    verdict: 'stop',
    title,
    caption: 'not for this control',
    remedy: { text: remedy },
  });

/** What it switches is over the limits of extra-low voltage. */
const dangerousSide = (way: Way, c: WayContext): Finding =>
  finding('thumb', `${way}.dangerous`, {
    holds: 'whatever-kind',
    verdict: 'stop',
    title: isBarePress(c)
      ? `What ${c.control.name} switches runs on more than extra-low voltage`
      : 'The control is over the limits of extra-low voltage',
    caption: 'dangerous side',
    source: ['iec-61140'],
    remedy: {
      text: isBarePress(c)
        ? 'Take one that runs on extra-low voltage, or a bought switch that is plugged in before it.'
        : 'Press it from outside, or hand the inside to a licensed electrician.',
    },
  });

/** Nobody knows whether mains is on the other side. */
const unprovenIsolation = (way: Way, c: WayContext): Finding =>
  finding('thumb', `${way}.insulation`, {
    holds: 'whatever-kind',
    verdict: 'unknown',
    title: isBarePress(c)
      ? `On how many volts ${c.control.name} runs is not said: whether it is mains decides what keeps you apart from it`
      : 'Isolation from mains is not proven',
    caption: isBarePress(c) ? 'runs on?' : 'isolation not proven',
    source: ['isolation-bounds'],
    remedy: { text: isBarePress(c) ? 'Say in Guard on what it runs.' : 'Take the isolation readings in Probe.' },
  });

/**
 * What must be true before a way may be used at all: the control known, the sides kept apart where they must be;
 * `barrier` is the part that keeps them so.
 */
export function requirements(way: Way, c: WayContext, joins: Joins, barrier: TakenPart | null = null): Finding[] {
  const out: Finding[] = [];
  const { fact, control } = c;
  if (fact.kind === null) {
    out.push(
      finding('thumb', `${way}.known`, {
        holds: 'whatever-kind',
        says: 'kind-unknown',
        verdict: 'unknown',
        title: `${control.name} is not yet known; margins rest on the likeliest kind`,
        caption: 'waits for Probe',
        remedy: { text: 'Take the next reading in Probe.' },
      }),
    );
  }
  if (fact.contradicted) {
    out.push(
      finding('thumb', `${way}.contradicted`, {
        holds: 'whatever-kind',
        verdict: 'unknown',
        title: `Readings of ${control.name} cannot all be right; nothing rests on them until one is withdrawn`,
        caption: 'readings disagree',
        source: ['outliers'],
        remedy: { text: 'Probe names them: repeat the second, withdraw the wrong one.' },
      }),
    );
  }
  if (fact.dangerous) {
    out.push(dangerousSide(way, c));
  } else if (joins !== 'apart') {
    out.push(sharedGround(way, c, joins));
  } else if (fact.isolation === 'not-isolated' || fact.isolation === 'low-voltage') {
    out.push(
      finding('thumb', `${way}.insulation`, {
        holds: 'whatever-kind',
        verdict: 'tight',
        title:
          fact.isolation === 'not-isolated'
            ? 'The low-voltage side is tied to mains: only reinforced insulation will do'
            : 'Isolation was not tested with 500 V: both sides are kept apart by reinforced insulation, as if it were tied',
        caption: 'reinforced insulation only',
        source: ['iec-60664', 'opto-safety-gap'],
        remedy: {
          text:
            'Pick a safety-rated part, keep the creepage of the place to your side, feed the ' +
            'controller from an isolated supply, and let licensed work check it.',
        },
      }),
      ...reinforced(way, c, barrier, c.job.survey.mains.feed === 'wired' ? 'III' : 'II'),
    );
  } else if (fact.isolation === 'unknown') {
    out.push(unprovenIsolation(way, c));
  }
  return out;
}

/** Whether the part between mains and the controller's side is reinforced insulation in this place: its test voltage and its creepage. */
export function reinforced(way: Way, c: WayContext, part: TakenPart | null, category: Category): Finding[] {
  if (!part) return [];
  const { place } = c.job.guard;
  const { mainsVolts } = c.job.region;
  // Where nobody said how damp it is, the damp place is reckoned with, and the verdict waits.
  const wanted = insulationFor(mainsVolts, category, place === 'dry' ? 'dry' : 'damp');
  if (!wanted)
    return [
      finding('thumb', `${way}.reinforced`, {
        verdict: 'stop',
        title: 'Mains of more than 300 V to earth is beyond this tool',
        caption: 'over 300 V',
        source: ['iec-60664'],
        remedy: { text: 'Hand it to licensed work.' },
      }),
    ];
  const volts = derive('test voltage of the part', 'V_iso', 'V_part', 'V', [
    { ...partValue(part, 'isolationVolts'), symbol: 'V_part' },
  ]);
  const gap = derive('creepage of the part', 'd', 'd_part', 'm', [
    { ...partValue(part, 'gapMetres'), symbol: 'd_part' },
  ]);
  const remedy = {
    text: 'Take a part that is sold as reinforced insulation for this mains, and let licensed work check the joint.',
  };
  const place_ = place === 'unknown' ? ', taken as damp until Guard is told' : `, ${place} place`;
  return [
    judged('thumb', `${way}.isolation-volts`, {
      title: 'Test voltage between the two sides of the part',
      caption: 'isolation voltage',
      steps: [volts],
      limit: atLeast(wanted.testVolts, 'V', `reinforced insulation at ${mainsVolts} V`, {
        from: 'source',
        key: 'test-volts',
      }),
      tightShare: 'met',
      remedy: volts.result.value < wanted.testVolts ? remedy : null,
    }),
    judged('thumb', `${way}.creepage`, {
      title: `Creepage between the two sides of the part, overvoltage category ${category}${place_}`,
      caption: 'creepage',
      steps: [gap],
      limit: atLeast(
        wanted.creepage,
        'm',
        'reinforced insulation',
        place === 'unknown'
          ? { from: 'prior', what: 'where the machine stands is not said in Guard' }
          : { from: 'source', key: 'iec-60664' },
      ),
      tightShare: 'met',
      source: ['iec-60664'],
      remedy:
        place === 'unknown'
          ? { text: 'Say in Guard whether it stands dry or damp.' }
          : gap.result.value < wanted.creepage
            ? remedy
            : null,
    }),
  ];
}

/** Kinds with a terminal that is, or may be taken as, ground. */
const GROUND_SIDE: readonly ControlKind[] = ['low-when-pressed', 'dry-pair', 'latching-switch', 'selector'];

function sharedGround(way: Way, c: WayContext, joins: 'ground-side' | 'ground'): Finding {
  const { fact } = c;
  if (joins === 'ground-side' && !GROUND_SIDE.includes(fact.leading)) {
    return finding('thumb', `${way}.ground-side`, {
      verdict: 'stop',
      title: 'No terminal of this control is ground, so a transistor to ground cannot press it',
      caption: 'no ground side',
      remedy: { text: 'Use a contact, an optocoupler or a solid-state relay.' },
    });
  }
  if (joins === 'ground-side' && fact.farSide === 'supply') {
    return finding('thumb', `${way}.ground-side`, {
      verdict: 'stop',
      title: 'Its contact joins the line to the supply, so a transistor to ground cannot press it',
      caption: 'no ground side',
      remedy: { text: 'Use a contact, an optocoupler or a solid-state relay.' },
    });
  }
  if (fact.isolation === 'not-isolated') {
    return finding('thumb', `${way}.ground`, {
      holds: 'whatever-kind',
      verdict: 'stop',
      title: 'It would join your ground to mains',
      caption: 'ground is not isolated',
      source: ['isolation-bounds'],
      remedy: { text: 'Use a way that keeps the sides apart.' },
    });
  }
  if (joins === 'ground-side' && fact.farSide === 'unknown') {
    return finding('thumb', `${way}.ground-side`, {
      verdict: 'unknown',
      title: 'Whether its contact joins the line to ground or to the supply was not read',
      caption: 'ground side not read',
      remedy: { text: 'Read both terminals to ground, unplugged and idle, in Probe.' },
    });
  }
  return fact.isolation === 'isolated'
    ? finding('thumb', `${way}.ground`, {
        holds: 'whatever-kind',
        verdict: 'settled',
        title: 'The grounds may be joined: isolation from mains was read',
        caption: 'shared ground',
        source: ['isolation-bounds', 'iec-61140'],
      })
    : finding('thumb', `${way}.ground`, {
        holds: 'whatever-kind',
        verdict: 'unknown',
        title:
          fact.isolation === 'low-voltage'
            ? 'It joins the grounds, and isolation was read at low voltage alone'
            : 'Waits until isolation from mains is proven',
        caption: 'isolation not proven',
        source: ['isolation-bounds'],
        remedy: {
          text:
            fact.isolation === 'low-voltage'
              ? 'Choose a way that keeps the sides apart, or have it tested with 500 V by whoever may.'
              : 'Take the isolation readings in Probe.',
        },
      });
}
