import { BASE_TURN_ON_AMPS } from './driver-levels';
import { GROUND, leg, legOf, pin, relayLeg, voltsEnd } from '../ends';
import type { SupplyPlan } from '../../ground/job';
import { chosen, constant, derive, derivedLimit, finding, judged, type Finding } from '../../ground/finding';
import { partValue, takenPart, valueOf, type TakenPart } from '../../engines/parts';
import { formatQuantity } from '../../ground/quantity';
import { coilDrive } from './coil';
import { wires, type WayContext, type WayResult, type WireEnds } from './context';
import { reinforced } from './requirements';
import { contactOf, noUse, result } from './result';
import { resumesFinding, WAITS_FOR_SOMEBODY } from './resumes';
import { coilDraw } from './draws';

const WAY = 'switched-supply';

/** The machine's supply switched by a contact in its lead. */
export function switchedSupply(c: WayContext): WayResult {
  if (c.press.supply.resumes === 'no') return noUse(WAY, ...WAITS_FOR_SOMEBODY);
  const relay = takenPart(c.job, 'relay');
  const drive = coilDrive(WAY, c, relay);
  const volts = valueOf(relay, 'coilVolts');
  return result(
    WAY,
    [
      resumesFinding(WAY, c.press),
      restFinding(c.press.supply.atRest),
      LICENSED,
      voltsFinding(c, relay),
      ...reinforced(WAY, c, relay, c.job.survey.mains.feed === 'wired' ? 'III' : 'II'),
      ...drive.findings,
    ],
    [
      { name: 'relay', value: relay.name, quantity: 1 },
      ...drive.parts,
      { name: 'closed box for mains', value: 'with strain relief', quantity: 1 },
    ],
    wires(c, wiresOf(c.press.supply.atRest, formatQuantity(volts, 'V'))),
    ['relay', 'npn'],
    {
      turnOnVolts: drive.turnOnVolts,
      turnOnAmps: BASE_TURN_ON_AMPS,
      pinAmps: drive.pinAmps,
      draws: [coilDraw('relay coil and its driver', volts, drive.coil.result.value)],
      resistorOhms: drive.ohms,
      contact: contactOf(relay),
      mains: true,
    },
  );
}

/** The contact in live; neutral and earth pass through. */
const wiresOf = (atRest: SupplyPlan['atRest'], coil: string): WireEnds[] => [
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
  [voltsEnd(coil), relayLeg('K1', 'A1')],
];

function restFinding(atRest: SupplyPlan['atRest']): Finding {
  const rests =
    atRest === 'open'
      ? 'A dead controller leaves the machine off: nobody can use it then'
      : 'A dead controller leaves the machine fed: it runs as if there were none';
  return finding('thumb', `${WAY}.rest`, {
    verdict: 'settled',
    title: `${rests}. The contact is ${atRest} at rest`,
    caption: `${atRest} at rest`,
    source: ['contact-meaning'],
  });
}

const LICENSED = finding('thumb', `${WAY}.licensed`, {
  verdict: 'tight',
  title:
    'A contact in a mains lead belongs in a closed box with a rating of its own; the local electrical ' +
    'code and licensed practice decide. A plug-in switch that is sold for it spares the work',
  caption: 'mains lead',
  source: ['cautions'],
});

/** Mains a tenth over its nominal value, and what a rating for nominal mains holds (EN 50160; common practice for the rating). */
const OVER_MAINS = 1.1;

/** Contacts are rated for the nominal mains; a tenth over it is inside that rating's own margin. */
function voltsFinding(c: WayContext, relay: TakenPart): Finding {
  const volts = partValue(relay, 'contactVolts');
  const mains = derive('mains of the region, at its highest', 'V', 'k_v * V_m', 'V', [
    constant('k_v', 'over its nominal value', OVER_MAINS, '1', 'part-share'),
    chosen('V_m', 'mains', c.job.region.mainsVolts, 'V', 'region, in Wish'),
  ]);
  const holds = derive('what the rating holds', 'V_holds', 'k_v * V_rated', 'V', [
    constant('k_v', 'a rating is for nominal mains', OVER_MAINS, '1', 'part-share'),
    { ...volts, symbol: 'V_rated' },
  ]);
  return judged('thumb', `${WAY}.volts`, {
    title: 'Mains under the contact’s voltage rating',
    caption: 'contact voltage',
    steps: [mains],
    limit: derivedLimit('at most', [holds], 'contact rating'),
    tightShare: 0.02,
  });
}
