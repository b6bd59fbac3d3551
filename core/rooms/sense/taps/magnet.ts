import { atLeast, atMost, chosen, derive, finding, judged, type Finding } from '../../../ground/finding';
import type { Sense, SenseMagnet } from '../../../ground/job';

/** Share of its distances that a reed keeps in hand against the next magnet, warmth and iron beside it (`reed-shake`). */
const IN_HAND = 0.8;

const WORDS: Readonly<Record<keyof SenseMagnet, string>> = {
  closesMetres: 'at which distance it closes',
  opensMetres: 'at which distance it opens again',
  nearMetres: 'how wide its gap is where it has to be closed',
  farMetres: 'how far the magnet is where it has to be open',
  sideMetres: 'how far it passes beside the middle',
  shakeMetres: 'how far it shakes',
};

/** A magnet that has to be near enough where its contact is closed, and far enough where it is open, shaken as it is. */
export function magnetFindings(sense: Sense): Finding[] {
  const { magnet } = sense;
  if (sense.kind !== 'contact' || !magnet) return [];
  const missing = (Object.keys(WORDS) as (keyof SenseMagnet)[]).filter((key) => magnet[key] === null);
  if (missing.length > 0)
    return [
      finding('sense', `magnet.${sense.id}`, {
        verdict: 'unknown',
        title: `${sense.name}: ${missing.map((key) => WORDS[key]).join(', ')} ${missing.length > 1 ? 'were' : 'was'} not measured`,
        caption: 'magnet and gap?',
        source: ['reed-shake'],
        remedy: {
          text:
            'Move the magnet slowly along a ruler with a meter on the contact, both ways; ' +
            'measure gap, side and shaking at the machine.',
        },
      }),
    ];
  const value = (key: keyof SenseMagnet): number => magnet[key] ?? 0;
  const input = (symbol: string, key: keyof SenseMagnet) =>
    chosen(symbol, WORDS[key], value(key), 'm', 'measured, in Sense', [0, 1]);
  const near = derive('furthest while it has to be closed', 'd', 'sqrt((g + s)^2 + y^2)', 'm', [
    input('g', 'nearMetres'),
    input('s', 'shakeMetres'),
    input('y', 'sideMetres'),
  ]);
  const far = derive('nearest while it has to be open', 'd', 'g - s', 'm', [
    input('g', 'farMetres'),
    input('s', 'shakeMetres'),
  ]);
  if (value('opensMetres') < value('closesMetres'))
    return [
      finding('sense', `magnet.${sense.id}`, {
        verdict: 'unknown',
        title: `${sense.name}: it is said to open nearer than it closes, which no reed does`,
        caption: 'opens before it closes',
        source: ['reed-shake'],
        remedy: { text: 'Measure both again: it closes as the magnet comes, and opens further away as it goes.' },
      }),
    ];
  return [
    judged('sense', `magnet.${sense.id}.near`, {
      title: `${sense.name}: its magnet while it has to be closed, shaken and beside`,
      caption: 'opens as it shakes?',
      steps: [near],
      limit: atMost(value('closesMetres'), 'm', 'where it closes', { from: 'maker', what: 'measured, in Sense' }),
      tightShare: 1 - IN_HAND,
      source: ['reed-shake'],
      remedy: { text: 'A stronger magnet, a smaller gap, or both on what shakes together.' },
    }),
    judged('sense', `magnet.${sense.id}.far`, {
      title: `${sense.name}: its magnet while it has to be open, shaken`,
      caption: 'stays closed?',
      steps: [far],
      limit: atLeast(value('opensMetres'), 'm', 'where it opens', { from: 'maker', what: 'measured, in Sense' }),
      tightShare: 1 / IN_HAND - 1,
      source: ['reed-shake'],
      remedy: { text: 'A weaker magnet, or a place from which it goes further away.' },
    }),
  ];
}
