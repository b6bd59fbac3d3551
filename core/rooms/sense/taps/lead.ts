import { isBare, needsPin, ownPullOf } from '../../../build/lines';
import { highShare } from '../../../build/panel';
import type { DriveFact } from '../../../ground/facts';
import { atMost, chosen, constant, derive, finding, judged, type Finding, type Step } from '../../../ground/finding';
import type { Sense, SenseLead } from '../../../ground/job';
import { formatQuantity } from '../../../ground/quantity';
import { putSense } from './edits';

/** Of two leads that run side by side each metre couples so much, F; mains at its peak, V, and its hertz (`coupled-hum`). */
const FARADS_A_METRE = 50e-12;
const PEAK_VOLTS = 360;
const HERTZ = 60;
/** The weakest pull-up inside of a chip, Ω (`coupled-hum`). */
const WEAKEST_OHMS = 100e3;
/** A pull-up and a filter for a long lead: 4.7 kΩ, 10 kΩ with 100 nF (`coupled-hum`). */
const STRONG_OHMS = 4.7e3;
const FILTER_FARADS = 100e-9;
/** A lead that nobody measured is taken for the usual one of this length, m. */
const USUAL: SenseLead = { metres: 1, beside: 'unknown', pullUpOhms: null, filtered: false, devices: 1 };
/** Under this a lead is too short to hear its neighbours, m. */
const SHORT = 0.3;

/** What a lead hears of what runs beside it, against what the pin still takes for high while its contact is open. */
export function leadFindings(sense: Sense, drive: DriveFact): Finding[] {
  if (!needsPin(sense) || !isBare(sense)) return [];
  const { lead } = sense;
  if (!lead) return [unsaid(sense, 'how long its lead is, and what runs beside it, was not said', 'how long a lead?')];
  if (lead.metres <= SHORT) return [];
  if (lead.beside === 'unknown') return [unsaid(sense, 'what runs beside its lead was not said', 'beside what?')];
  return lead.beside === 'apart' ? [] : [humFinding(sense, drive, lead)];
}

const unsaid = (sense: Sense, what: string, caption: string): Finding =>
  finding('sense', `lead.${sense.id}`, {
    verdict: 'tight',
    title: `${sense.name}: ${what}`,
    caption,
    source: ['coupled-hum'],
    remedy: {
      text: 'Leads of mains, motors and relays beside it make a pin on a weak pull-up read what is not there. Say it in Sense.',
      label: sense.lead ? 'By itself' : 'A metre, by itself',
      edit: putSense(sense, { lead: { ...(sense.lead ?? USUAL), beside: 'apart' } }, 'its lead runs by itself'),
    },
  });

function humFinding(sense: Sense, drive: DriveFact, lead: SenseLead): Finding {
  const pull = ownPullOf(sense);
  const step = humStep(lead, pull);
  const bears = (1 - highShare(drive.pinVolts)) * drive.pinVolts;
  const better: SenseLead = { ...lead, pullUpOhms: STRONG_OHMS, filtered: true };
  const cures = humStep(better, STRONG_OHMS).result.value <= bears;
  return judged('sense', `lead.${sense.id}`, {
    title: `${sense.name}: what its lead hears of mains beside it, at the pin while its contact is open`,
    caption: 'hum on its lead',
    steps: [step],
    limit: atMost(bears, 'V', 'what still leaves a high', { from: 'source', key: 'pin-input' }),
    tightShare: 0.5,
    source: ['coupled-hum'],
    remedy:
      step.result.value <= bears / 2
        ? null
        : cures
          ? {
              text: 'A stronger pull-up at the controller, and a resistor with a capacitor before the pin.',
              label: `${formatQuantity(STRONG_OHMS, 'Ω')}, and a filter`,
              edit: putSense(sense, { lead: better }, 'a stronger pull-up and a filter before its pin'),
            }
          : {
              text: 'Lay it apart from mains and motors, or take a screened lead, its screen on the controller’s ground.',
            },
  });
}

/** Volts that a coupled current leaves across the pull-up, and across the capacitor of a filter beside it. */
function humStep(lead: SenseLead, pull: number | null): Step {
  const inputs = [
    constant('c', 'what a metre couples', FARADS_A_METRE, 'F', 'coupled-hum'),
    chosen('l', 'its lead', lead.metres, 'm', 'set in Sense', [0.01, 1000]),
    constant('U', 'peak of mains', PEAK_VOLTS, 'V', 'coupled-hum'),
    constant('w', '2π times its hertz', 2 * Math.PI * HERTZ, '1', 'coupled-hum'),
    pull === null
      ? constant('R_p', 'pull-up inside, at its weakest', WEAKEST_OHMS, 'Ω', 'coupled-hum')
      : chosen('R_p', 'its pull-up', pull, 'Ω', 'set in Sense', [100, 1e6]),
  ];
  return lead.filtered
    ? derive('hum at the pin', 'V_h', 'c * l * U * w * R_p / sqrt(1 + (w * R_p * C_f)^2)', 'V', [
        ...inputs,
        constant('C_f', 'capacitor before the pin', FILTER_FARADS, 'F', 'coupled-hum'),
      ])
    : derive('hum at the pin', 'V_h', 'c * l * U * w * R_p', 'V', inputs);
}
