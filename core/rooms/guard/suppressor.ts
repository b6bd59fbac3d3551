import { chosen, computed, constant, derive, finding, judged, atMost, type Finding } from '../../ground/finding';
import type { Chain, Job, Load } from '../../ground/job';
import type { Carrier } from './carrier';
import { OVER_MAINS } from './load';

/** Loads with a coil, whose current does not stop at once. */
const COILS: readonly string[] = ['motor', 'solenoid', 'transformer'];
/** A usual snubber: 100 Ω and 100 nF of class X2 in series (`snubber`). */
const SNUBBER = { ohms: 100, farads: 100e-9 } as const;
/** A lamp or a small supply glows on, or hums, from about so many watts of what a snubber lets through (`snubber`). */
const KEPT_ALIVE = 0.02;

/** What stands where a coil is switched, worked out: what it clamps to, how much longer it holds, what it lets through. */
export function suppressorFindings(job: Job, { load, mains }: Carrier, { suppressor }: Chain): Finding[] {
  const coil = COILS.includes(load.kind);
  const direct = !mains && load.current === 'dc';
  if (suppressor === 'diode' && !direct) return [diodeOnAlternating];
  if (suppressor === 'rc' && !direct) return [...(coil ? [told('rc')] : []), leakage(job, load, mains)];
  if (!coil) return [];
  if (suppressor === 'unknown') return [notSaid];
  if (suppressor === 'none') return [bare(direct)];
  return [told(suppressor)];
}

const SETTLED_WORDS = {
  rc: 'A snubber takes what the coil gives back: class X2, across the load',
  varistor:
    'A varistor takes what the coil gives back; its clamping voltage stays under what contact and insulation bear',
  diode:
    'A diode across the coil takes what it gives back: it clamps to a volt, and the coil holds several times longer',
} as const;

const told = (is: keyof typeof SETTLED_WORDS): Finding =>
  finding('guard', 'chain.suppressor', {
    // A valve or a contactor that must let go at once does so later: whoever relies on that has to time it.
    verdict: is === 'diode' ? 'tight' : 'settled',
    title: SETTLED_WORDS[is],
    caption: is === 'diode' ? 'lets go later' : 'coil suppressed',
    source: ['snubber'],
    remedy: is === 'diode' ? { text: 'Time how long it takes to let go, with the diode in place.' } : null,
  });

const notSaid = finding('guard', 'chain.suppressor', {
  verdict: 'unknown',
  title: 'What stands across the coil of this load is not said: each opening draws an arc without it',
  caption: 'across the coil?',
  source: ['snubber'],
  remedy: { text: 'Look for a varistor or a capacitor of class X2 across the load, and say it under “mains lead”.' },
});

const bare = (direct: boolean): Finding =>
  finding('guard', 'chain.suppressor', {
    verdict: 'tight',
    title:
      'Nothing takes what the coil gives back: each opening draws an arc, which burns and in the end welds the contact',
    caption: 'arc at each opening',
    source: ['snubber'],
    remedy: {
      text: direct
        ? 'A diode across the coil, its line end to plus.'
        : 'A varistor across the load, or a snubber of class X2.',
    },
  });

const diodeOnAlternating = finding('guard', 'chain.suppressor', {
  verdict: 'stop',
  title: 'A diode across a load on alternating current is a short circuit in every other half wave',
  caption: 'short circuit',
  source: ['snubber'],
  remedy: { text: 'A varistor or a snubber of class X2; a diode belongs on direct current alone.' },
});

/** A snubber across the contact lets some current through for ever: a small load stays alive on it. */
function leakage({ region }: Job, load: Load, mains: boolean): Finding {
  const watts = load.watts ?? 0;
  const volts = mains ? region.mainsVolts : (load.volts ?? region.mainsVolts);
  const on = chosen(
    'V',
    mains ? 'mains of the region' : 'it runs on',
    volts,
    'V',
    mains ? 'region, in Wish' : 'set in Guard',
  );
  const current = derive('what the snubber lets through', 'I_leak', 'k_v * V / sqrt(R^2 + (1 / (ω * C))^2)', 'A', [
    constant('k_v', 'over its nominal value', OVER_MAINS, '1', 'part-share'),
    on,
    constant('R', 'of the snubber', SNUBBER.ohms, 'Ω', 'snubber'),
    computed('ω', 'angular frequency', 2 * Math.PI * region.mainsHertz, 'Hz', '2 π times the region’s, in Wish'),
    constant('C', 'of the snubber', SNUBBER.farads, 'F', 'snubber'),
  ]);
  const through = derive('apparent power through it', 'S', 'V * I_leak', 'W', [
    on,
    { symbol: 'I_leak', name: current.what, value: current.result.value, unit: 'A', origin: { from: 'step' } },
  ]);
  return judged('guard', 'chain.leakage', {
    title: 'What a snubber across the contact lets through keeps no load alive',
    caption: 'snubber leaks',
    steps: [current, through],
    limit: atMost(KEPT_ALIVE * watts, 'W', 'a fiftieth of the load', { from: 'source', key: 'snubber' }),
    tightShare: 0.1,
    source: ['snubber'],
    // Across the load it keeps nothing alive; where it stands nobody asked.
    ...(through.result.value > KEPT_ALIVE * watts ? { verdict: 'tight' as const } : {}),
    remedy:
      through.result.value > KEPT_ALIVE * watts ? { text: 'Put it across the load and not across the contact.' } : null,
  });
}
