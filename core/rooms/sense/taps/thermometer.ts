import { needsPin, ownPullOf } from '../../../build/lines';
import type { DriveFact } from '../../../ground/facts';
import { atMost, chosen, constant, derive, finding, judged, type Finding } from '../../../ground/finding';
import type { Sense, SenseLead } from '../../../ground/job';
import { formatQuantity } from '../../../ground/quantity';
import { putSense } from './edits';

/** What a metre of lead and a thermometer hold, F; how soon the wire must have risen, s; what a thermometer pulls down, A (`one-wire`). */
const METRE_FARADS = 60e-12;
const DEVICE_FARADS = 30e-12;
const RISE_SECONDS = 10e-6;
const SINK_AMPS = 4e-3;
/** To seven tenths of its supply a wire rises in so many time constants. */
const TO_HIGH = 1.2;
/** Pull-ups to be had, strongest last, Ω. */
const PULLS = [4700, 2200, 1500, 1000];

/** Where a thermometer sits, and the wire that it hangs on. */
export function thermometerFindings(sense: Sense, drive: DriveFact | null): Finding[] {
  if (sense.kind !== 'temperature') return [];
  return [...placeFindings(sense), ...(drive && needsPin(sense) ? wireFindings(sense, drive) : [])];
}

/** Warm electronics and draughts are what it reads else. */
function placeFindings(sense: Sense): Finding[] {
  if (sense.place === 'at-it' || sense.place === 'apart') return [];
  const warm = sense.place === 'with-electronics';
  return [
    finding('sense', `place.${sense.id}`, {
      verdict: warm ? 'unknown' : 'tight',
      title: warm
        ? `${sense.name} sits with the electronics: it reads their warmth, a few kelvins, and not what it is for`
        : `${sense.name}: where it sits was not said; beside electronics or in a draught it reads those`,
      caption: warm ? 'reads its own case' : 'where does it sit?',
      source: ['thermo-place'],
      remedy: {
        text:
          'Give it a place of its own at the end of a lead. Log it there and beside the thing for a day: where the two differ ' +
          'by more than its band, it is the wrong place.',
        label: 'At what it measures',
        edit: putSense(sense, { place: 'at-it' }, 'sits at what it measures'),
      },
    }),
  ];
}

function wireFindings(sense: Sense, drive: DriveFact): Finding[] {
  const { lead } = sense;
  if (!lead)
    return [
      finding('sense', `wire.${sense.id}`, {
        verdict: 'tight',
        title: `${sense.name}: how long its wire is, and how many thermometers hang on it, was not said`,
        caption: 'how long a wire?',
        source: ['one-wire'],
        remedy: {
          text: 'Say it in Sense: its pull-up follows from it. Which is which is told by warming one in the hand.',
        },
      }),
    ];
  const ohms = ownPullOf(sense) ?? 0;
  const rise = riseStep(lead, ohms);
  const sink = derive('what a thermometer has to pull down', 'I', 'V_DD / R_p', 'A', [
    chosen('V_DD', 'supply of the pins', drive.pinVolts, 'V', 'the board'),
    chosen('R_p', 'pull-up of the wire', ohms, 'Ω', 'set in Sense', [100, 1e6]),
  ]);
  const better = PULLS.find((r) => riseStep(lead, r).result.value <= RISE_SECONDS && drive.pinVolts / r <= SINK_AMPS);
  const remedy =
    better === undefined
      ? { text: 'Share the thermometers among several wires, or take shorter ones: no pull-up serves all of this.' }
      : {
          text: 'Another pull-up serves this wire.',
          label: `Take ${formatQuantity(better, 'Ω')}`,
          edit: putSense(
            sense,
            { lead: { ...lead, pullUpOhms: better } },
            `${formatQuantity(better, 'Ω')} pulls its wire up`,
          ),
        };
  return [
    judged('sense', `wire.${sense.id}.rise`, {
      title: `${sense.name}: how soon its wire rises, ${lead.devices} on ${formatQuantity(lead.metres, 'm')}`,
      caption: 'wire too long?',
      steps: [rise],
      limit: atMost(RISE_SECONDS, 's', 'before it is read', { from: 'source', key: 'one-wire' }),
      tightShare: 0.2,
      source: ['one-wire'],
      remedy,
    }),
    judged('sense', `wire.${sense.id}.sink`, {
      title: `${sense.name}: what a thermometer has to pull down`,
      caption: 'pull-up too strong?',
      steps: [sink],
      limit: atMost(SINK_AMPS, 'A', 'what it pulls down for certain', { from: 'source', key: 'one-wire' }),
      tightShare: 'met',
      source: ['one-wire'],
      remedy,
    }),
  ];
}

const riseStep = (lead: SenseLead, ohms: number) =>
  derive('time in which the wire rises', 't', 'k * R_p * (c_m * l + c_d * n)', 's', [
    constant('k', 'time constants to a high', TO_HIGH, '1', 'one-wire'),
    chosen('R_p', 'pull-up of the wire', ohms, 'Ω', 'set in Sense', [100, 1e6]),
    constant('c_m', 'what a metre holds', METRE_FARADS, 'F', 'one-wire'),
    chosen('l', 'its length, all branches', lead.metres, 'm', 'set in Sense', [0.01, 1000]),
    constant('c_d', 'what a thermometer holds', DEVICE_FARADS, 'F', 'one-wire'),
    chosen('n', 'thermometers on it', lead.devices, '1', 'set in Sense'),
  ]);
