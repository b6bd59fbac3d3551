import { fed } from '../../core/testing/jobs';
import { OHMS_APART, put, said } from '../bench-jobs';
import { plan, button, tied, load, type Row } from './row';

export const MEASURED: readonly Row[] = [
  // Isolation and insulation.
  {
    what: 'a Y capacitor of a class II supply gives way under 10 kΩ',
    source: '97.8 V open, 1.13 V loaded (native ngspice, 2.2 nF at 115 V); 0.25 mA of IEC 60335-1',
    job: () => said([...OHMS_APART, 'it A to earth on 97.8 VAC', 'it A to earth loaded-10k 1.13 VAC']),
    id: 'probe.control-it.isolation-ac',
    own: 113e-6,
    limit: 0.25e-3,
    verdict: 'settled',
  },
  {
    what: 'a tie does not',
    source: '230 V through 180 kΩ into 10 kΩ: 12 V',
    job: () => said([...OHMS_APART, 'it A to earth on 97.8 VAC', 'it A to earth loaded-10k 12.1 VAC']),
    id: 'probe.control-it.isolation-ac',
    own: 1.21e-3,
    limit: 0.25e-3,
    verdict: 'stop',
  },
  {
    what: '120 kΩ to mains is a tie',
    source: 'under 1 MΩ, common practice',
    job: () => tied,
    id: 'probe.control-it.isolation-ohms',
    own: 120e3,
    verdict: 'stop',
  },
  {
    what: 'insulation of 4 MΩ at 500 V is basic and not reinforced',
    source: 'IEC 60335-1: 2 and 7 MΩ',
    job: () => said([...OHMS_APART, 'ground to mains insulation 4M']),
    id: 'probe.control-it.insulation',
    own: 4e6,
    limit: 7e6,
    verdict: 'stop',
  },
  {
    what: 'tied machine, a 1 500 V solid-state relay between',
    source: 'IEC 60950-1, table 5B: 3 000 V reinforced at 230 V',
    job: () => plan(tied, 'solid-state-relay'),
    id: 'thumb.solid-state-relay.isolation-volts',
    own: 1500,
    limit: 3000,
    verdict: 'stop',
  },
  {
    what: 'tied machine, creepage in a damp place',
    source: 'IEC 60664-1, table F.5: 2 · 4.0 mm at 250 V, pollution degree 3, group III',
    job: () => put(plan(tied, 'optocoupler'), 'guard', { place: 'damp' }),
    id: 'thumb.optocoupler.creepage',
    own: 7e-3,
    limit: 8e-3,
    verdict: 'stop',
  },
  {
    what: 'tied machine, creepage in a dry place',
    source: 'IEC 60664-1, table F.5: 2 · 2.5 mm, pollution degree 2',
    job: () => plan(tied, 'optocoupler'),
    id: 'thumb.optocoupler.creepage',
    own: 7e-3,
    limit: 5e-3,
    verdict: 'settled',
  },
  {
    what: 'control box in fixed wiring: creepage not under the clearance of category III',
    source: 'IEC 60664-1: 4 kV impulse, reinforced 5.5 mm',
    job: () => plan(load, 'control-box', { picks: { 'relay-module': 'module-motor' } }),
    id: 'thumb.control-box.creepage',
    own: 8e-3,
    limit: 5.5e-3,
    verdict: ['settled', 'unknown'],
  },
  {
    what: 'the same at 120 V behind a plug',
    source: 'IEC 60664-1: 125 V, group III, 2 · 1.5 mm',
    job: () => put(plan(tied, 'optocoupler'), 'region', { mainsVolts: 120, mainsHertz: 60 }),
    id: 'thumb.optocoupler.creepage',
    own: 7e-3,
    limit: 3e-3,
    verdict: 'settled',
  },
  {
    what: 'tied machine, transistor to ground',
    source: 'it would join the controller to mains',
    job: () => plan(tied, 'npn-to-ground'),
    id: 'thumb.npn-to-ground.ground',
    verdict: 'stop',
  },
  {
    what: 'tied machine that feeds the controller',
    source: 'the same, by its rail',
    job: () =>
      fed(
        put(plan(tied, 'optocoupler'), 'survey', {
          rails: [
            {
              id: 'r',
              name: 'logic',
              openVolts: 5,
              loadedVolts: 4.9,
              loadAmps: 0.6,
              whileIdle: true,
              whileRunning: true,
              rippleVolts: null,
              storedFarads: null,
              bleedOhms: null,
              storedVolts: null,
            },
          ],
        }),
        { kind: 'rail', rail: 'r' },
      ),
    id: 'feed.isolated',
    verdict: 'stop',
  },
  // Probe: rails and stored charge.
  ...[
    [4.99, 0.025],
    [4.75, 0.025],
    [4, 0.00625],
  ].map(([loaded, own]): Row => ({
    what: `rail that falls from 5 V to ${loaded} V at 50 mA`,
    source: 'half of a twentieth of sag, never more than half of what was tried',
    job: () =>
      put(button, 'survey', {
        rails: [
          {
            id: 'r',
            name: 'logic',
            openVolts: 5,
            loadedVolts: loaded!,
            loadAmps: 0.05,
            whileIdle: true,
            whileRunning: true,
            rippleVolts: null,
            storedFarads: null,
            bleedOhms: null,
            storedVolts: null,
          },
        ],
      }),
    id: 'probe.rail.r.usable',
    own: own!,
  })),
  {
    what: 'discharge of 470 µF through 3 kΩ from 16 V to 10 V',
    source: 't = R·C·ln(V0/V)',
    job: () =>
      put(button, 'survey', {
        rails: [
          {
            id: 'r',
            name: 'logic',
            openVolts: 5,
            loadedVolts: null,
            loadAmps: null,
            whileIdle: null,
            whileRunning: null,
            rippleVolts: null,
            storedFarads: 470e-6,
            bleedOhms: 3e3,
            storedVolts: 16,
          },
        ],
      }),
    id: 'probe.rail.r.wait',
    own: 3e3 * 470e-6 * Math.log(1.6),
    verdict: 'settled',
  },
];
