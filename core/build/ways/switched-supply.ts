import { GROUND, leg, legOf, pin, relayLeg, voltsEnd } from '../ends';
import type { JobEdit, SupplyPlan } from '../../ground/job';
import { chosen, constant, derive, derivedLimit, finding, judged, type Finding } from '../../ground/finding';
import { partValue, takenPart, valueOf } from '../../engines/parts';
import { formatQuantity } from '../../ground/quantity';
import { coilDrive } from './coil';
import { wires, type WayContext, type WayResult } from './context';
import { reinforced } from './requirements';
import { contactOf, noUse, result } from './result';
import { coilDraw } from './draws';

const setSupply = (c: WayContext, set: Partial<SupplyPlan>, say: string): JobEdit => ({
  do: 'set',
  at: 'press.supply',
  of: c.press.id,
  set,
  say,
});

/** The machine's supply switched by a contact in its lead. */
export function switchedSupply(c: WayContext): WayResult {
  const way = 'switched-supply';
  const { resumes, atRest } = c.press.supply;
  if (resumes === 'no')
    return noUse(
      way,
      'It was tried: after a power cut this machine waits for somebody',
      'Press its own control instead.',
    );
  const relay = takenPart(c.job, 'relay');
  const drive = coilDrive(way, c, relay);
  const rests =
    atRest === 'open'
      ? 'A dead controller leaves the machine off: nobody can use it then'
      : 'A dead controller leaves the machine fed: it runs as if there were none';
  const findings: Finding[] = [
    resumes === 'yes'
      ? finding('thumb', `${way}.resumes`, {
          verdict: 'settled',
          title: 'It was tried: after a power cut the machine runs on by itself',
          caption: 'resumes',
          source: ['resume-test'],
        })
      : finding('thumb', `${way}.resumes`, {
          verdict: 'unknown',
          title:
            'Does it run on by itself after a power cut? Pull the plug while it runs, wait ten seconds, plug it in, do that three times',
          caption: 'try a power cut',
          source: ['resume-test'],
          remedy: {
            text: 'Say in the plan of this way what it did; the plug is enough, nothing is opened.',
            label: 'It ran on each time',
            edit: setSupply(c, { resumes: 'yes' }, 'runs on after a power cut: tried'),
          },
        }),
    finding('thumb', `${way}.rest`, {
      verdict: 'settled',
      title: `${rests}. The contact is ${atRest} at rest`,
      caption: `${atRest} at rest`,
      source: ['contact-meaning'],
    }),
    finding('thumb', `${way}.licensed`, {
      verdict: 'tight',
      title:
        'A contact in a mains lead belongs in a closed box with a rating of its own; the local electrical ' +
        'code and licensed practice decide. A plug-in switch that is sold for it spares the work',
      caption: 'mains lead',
      source: ['cautions'],
    }),
  ];
  const volts = partValue(relay, 'contactVolts');
  const mains = derive('mains of the region, at its highest', 'V', 'k_v * V_m', 'V', [
    constant('k_v', 'over its nominal value', 1.1, '1', 'part-share'),
    chosen('V_m', 'mains', c.job.region.mainsVolts, 'V', 'region, in Wish'),
  ]);
  // Contacts are rated for the nominal mains; a tenth over it is inside that rating's own margin.
  findings.push(
    judged('thumb', `${way}.volts`, {
      title: 'Mains under the contact’s voltage rating',
      caption: 'contact voltage',
      steps: [mains],
      limit: derivedLimit(
        'at most',
        [
          derive('what the rating holds', 'V_holds', 'k_v * V_rated', 'V', [
            constant('k_v', 'a rating is for nominal mains', 1.1, '1', 'part-share'),
            { ...volts, symbol: 'V_rated' },
          ]),
        ],
        'contact rating',
      ),
      tightShare: 0.02,
    }),
  );
  findings.push(...reinforced(way, c, relay, c.job.survey.mains.feed === 'wired' ? 'III' : 'II'));
  findings.push(...drive.findings);
  const coil = drive.coil.result.value;
  return result(
    way,
    findings,
    [
      { name: 'relay', value: relay.name, quantity: 1 },
      ...drive.parts,
      { name: 'closed box for mains', value: 'with strain relief', quantity: 1 },
    ],
    wires(c, [
      [legOf('supply', 'supply', 'live', { conductor: 'line' }), relayLeg('K1', '11'), false, 'line'],
      [
        relayLeg('K1', atRest === 'open' ? '14' : '12'),
        legOf('machine', 'machine', 'live', { conductor: 'line' }),
        false,
        'line',
      ],
      [
        legOf('supply', 'supply', 'neutral', { conductor: 'neutral' }),
        legOf('machine', 'machine', 'neutral', { conductor: 'neutral' }),
      ],
      [
        legOf('supply', 'supply', 'earth', { conductor: 'earth' }),
        legOf('machine', 'machine', 'earth', { conductor: 'earth' }),
      ],
      [pin(), leg('driver of the coil', 'base resistor')],
      [GROUND, leg('driver of the coil', 'emitter')],
      [leg('driver of the coil', 'collector'), relayLeg('K1', 'A2')],
      [voltsEnd(formatQuantity(valueOf(relay, 'coilVolts'), 'V')), relayLeg('K1', 'A1')],
    ]),
    ['relay', 'npn'],
    {
      turnOnVolts: drive.turnOnVolts,
      turnOnAmps: 5e-6,
      pinAmps: drive.pinAmps,
      draws: [coilDraw('relay coil and its driver', valueOf(relay, 'coilVolts'), coil)],
      resistorOhms: drive.ohms,
      contact: contactOf(relay),
      mains: true,
    },
  );
}
