import { present } from '../../ground/lists';
import {
  against,
  atLeast,
  atMost,
  carried,
  chosen,
  concerning,
  constant,
  derive,
  finding,
  judged,
  measured,
  type Finding,
  type Step,
} from '../../ground/finding';
import type { Rail } from '../../ground/job';

/** How well a plug-in supply keeps its voltage, as a share (`feed-volts`). */
export const SUPPLY_SHARE = 0.05;
/** Volts that a capacitor may keep before it is touched (`safe-charge`). */
const SAFE_VOLTS = 10;
/** How far a rail may sag under what is taken from it (`rail-sag`), and the share of that used (`feed-spare`). */
const SAG_SHARE = 0.05;
const USED_SHARE = 0.5;

const input = (symbol: string, name: string, value: number, unit: 'V' | 'A' | 'F' | 'Ω') =>
  measured(symbol, name, value, unit, '', `${name}, entered for this rail`);

/** Source resistance of a rail from its open and loaded volts, or null while one is missing. Ω */
export function sourceOhms(r: Rail): Step | null {
  if (r.openVolts === null || r.loadedVolts === null || r.loadAmps === null || r.loadAmps <= 0) return null;
  return derive('source resistance', 'R_source', 'max(0, V_open - V_load) / I_load', 'Ω', [
    input('V_open', 'open volts', r.openVolts, 'V'),
    input('V_load', 'loaded volts', r.loadedVolts, 'V'),
    input('I_load', 'load current', r.loadAmps, 'A'),
  ]);
}

/**
 * Current that may be taken from a rail without a sag of more than a twentieth, halved for what the machine itself
 * needs, and never more than was tried. A
 */
export function usableAmps(r: Rail): { amps: number; steps: Step[] } | null {
  const source = sourceOhms(r);
  if (!source || r.openVolts === null) return null;
  const load = input('I_load', 'load current', present(r.loadAmps), 'A');
  // A rail that does not give way at all under the test was not loaded enough to tell more than the test itself.
  if (source.result.value <= 0) {
    const step = derive('usable current, no more than was tried', 'I_use', 'k * I_load', 'A', [
      constant('k', 'share used', USED_SHARE, '1', 'feed-spare'),
      load,
    ]);
    return { amps: step.result.value, steps: [source, step] };
  }
  const sag = derive('current at a sag of a twentieth', 'I_sag', 's * V_open / R_source', 'A', [
    constant('s', 'largest sag', SAG_SHARE, '1', 'rail-sag'),
    input('V_open', 'open volts', r.openVolts, 'V'),
    carried(source),
  ]);
  // A small sag read off a display's last digit would promise many times what was ever drawn.
  const use = derive('usable current, no more than was tried', 'I_use', 'k * min(I_sag, I_load)', 'A', [
    constant('k', 'share used', USED_SHARE, '1', 'feed-spare'),
    carried(sag),
    load,
  ]);
  return { amps: use.result.value, steps: [source, sag, use] };
}

/** Time until a stored charge has fallen to a touchable voltage: t = R·C·ln(V0/V). s */
export function dischargeSeconds(r: Rail): Step | null {
  if (r.storedFarads === null || r.bleedOhms === null || r.storedVolts === null || r.storedFarads === 0) return null;
  return derive('time before touching', 't', 'R_bleed * C * ln(max(V_0, V_safe) / V_safe)', 's', [
    input('R_bleed', 'discharge path', r.bleedOhms, 'Ω'),
    input('C', 'capacitor', r.storedFarads, 'F'),
    input('V_0', 'stored volts', r.storedVolts, 'V'),
    constant('V_safe', 'touchable', SAFE_VOLTS, 'V', 'safe-charge'),
  ]);
}

/** What Probe judges of the rails: what each can spare, whether it is always there, its ripple, and the wait before touching. */
export const railFindings = (rails: readonly Rail[]): Finding[] =>
  rails.flatMap((r) =>
    concerning(
      { rail: r.id },
      [spareFinding(r), alwaysFinding(r), rippleFinding(r), waitFinding(r)].filter((f) => f !== null),
    ),
  );

/** The least current that is worth tapping, A (`rail-worth`), and the longest that a hand waits with patience, s (`patience`). */
const WORTH_AMPS = 0.01;
const PATIENCE_SECONDS = 60;

function spareFinding(r: Rail): Finding | null {
  const use = usableAmps(r);
  if (use)
    return judged('probe', `rail.${r.id}.usable`, {
      title: `Current that ${r.name} can spare`,
      caption: 'rail spare',
      steps: use.steps,
      limit: atLeast(WORTH_AMPS, 'A', 'least worth tapping', { from: 'source', key: 'rail-worth' }),
      verdict: use.amps < WORTH_AMPS ? 'tight' : 'settled',
      source: ['ohm'],
      remedy: use.amps < WORTH_AMPS ? { text: 'Too weak to feed a controller: take a supply of your own.' } : null,
    });
  if (r.openVolts === null) return null;
  return finding('probe', `rail.${r.id}.usable`, {
    verdict: 'unknown',
    title: `What ${r.name} can spare is not known`,
    caption: 'rail not loaded',
    source: ['rail-sag'],
    remedy: { text: 'Put a resistor across it that takes about 50 mA, and read the volts again.' },
  });
}

function alwaysFinding(r: Rail): Finding | null {
  if (r.whileIdle === null || r.whileRunning === null) return null;
  if (r.whileIdle && r.whileRunning)
    return finding('probe', `rail.${r.id}.when`, {
      verdict: 'settled',
      title: `${r.name} is there at rest and while it runs`,
      caption: 'always there',
    });
  return finding('probe', `rail.${r.id}.when`, {
    verdict: 'tight',
    title: r.whileRunning
      ? `${r.name} is there only while the machine runs`
      : `${r.name} goes away while the machine runs`,
    caption: 'not always there',
    remedy: {
      text: 'It cannot feed a controller that must start the machine; it can tell whether the machine runs.',
    },
  });
}

function rippleFinding(r: Rail): Finding | null {
  if (r.rippleVolts === null || !r.openVolts) return null;
  const share = derive('ripple against the rail', 'r', '100 * V_ripple / V_open', '%', [
    input('V_ripple', 'ripple', r.rippleVolts, 'V'),
    input('V_open', 'open volts', r.openVolts, 'V'),
  ]);
  const limit = atMost(100 * SAG_SHARE, '%', 'a twentieth of the rail', { from: 'source', key: 'rail-sag' });
  return judged('probe', `rail.${r.id}.ripple`, {
    title: `Ripple on ${r.name}`,
    caption: 'ripple',
    steps: [share],
    limit,
    verdict: against(share.result.value, limit) === 'settled' ? 'settled' : 'tight',
    remedy: share.result.value > limit.value ? { text: 'Add a capacitor or a converter of your own behind it.' } : null,
  });
}

function waitFinding(r: Rail): Finding | null {
  const wait = dischargeSeconds(r);
  if (!wait) return null;
  return judged('probe', `rail.${r.id}.wait`, {
    title: `Wait after unplugging before touching ${r.name}`,
    caption: 'discharge time',
    steps: [wait],
    limit: atMost(PATIENCE_SECONDS, 's', 'a minute of patience', { from: 'source', key: 'patience' }),
    verdict: wait.result.value > PATIENCE_SECONDS ? 'tight' : 'settled',
    source: ['rc-discharge'],
    remedy: { text: 'Then test with a meter all the same: a bleeder may be broken.' },
  });
}

/** A load that would take this current from a rail, as a resistor with its power. */
export const testLoad = (volts: number, amps: number): Step[] => {
  const ohms = derive('test resistor', 'R', 'V / I', 'Ω', [
    chosen('V', 'rail', volts, 'V'),
    chosen('I', 'wanted', amps, 'A'),
  ]);
  return [
    ohms,
    derive('power in it', 'P', 'V * I', 'W', [chosen('V', 'rail', volts, 'V'), chosen('I', 'wanted', amps, 'A')]),
  ];
};
