import { finding, type Finding, type Verdict } from '../../ground/finding';
import type { Chain } from '../../ground/job';
import type { SourceKey } from '../../ground/sources';

/** What an answer to a question comes to: how grave it is, and in words. */
type Answer = readonly [verdict: Verdict, title: string];
interface Asked<K extends keyof Chain> {
  readonly caption: string;
  readonly source: SourceKey;
  readonly todo: string;
  readonly answers: Readonly<Record<Extract<Chain[K], string>, Answer>>;
}

const STRAIN: Asked<'strainRelief'> = {
  caption: 'strain relief',
  source: 'cautions',
  todo: 'A clamp or a gland that fits the cord; a knot is none. Leave the earth conductor the longest.',
  answers: {
    yes: ['settled', 'A strain relief holds the cord'],
    no: ['stop', 'Nothing holds the cord: a pull tears live conductors out of their terminals'],
    unknown: ['unknown', 'Whether a strain relief holds the cord was not looked at'],
  },
};
const COLOURS: Asked<'colours'> = {
  caption: 'wire colours',
  source: 'iec-60445',
  todo: 'Take conductors in the region’s colours, earth first; a wire from the bench is none.',
  answers: {
    yes: ['settled', 'The conductors have the colours of the region'],
    no: [
      'stop',
      'Conductors of mains have other colours than the region’s: whoever opens it next takes one for another',
    ],
    unknown: ['unknown', 'Whether the conductors have the colours of the region was not looked at'],
  },
};
const OPENS: Asked<'opens'> = {
  caption: 'which conductor?',
  source: 'switched-line',
  todo: 'The line belongs through the contact, or both conductors through two poles; in a plug that turns nobody knows which is which.',
  answers: {
    line: ['settled', 'The contact opens the line'],
    both: ['settled', 'The contact opens line and neutral'],
    neutral: ['stop', 'The contact opens the neutral alone: what is off stays live'],
    unknown: ['unknown', 'Whether the contact opens the line was not looked at'],
  },
};
const EARTH: Asked<'earth'> = {
  caption: 'protective earth',
  source: 'iec-61140',
  todo: 'The protective earth goes through the box without a break or a switch, to a terminal of its own.',
  answers: {
    through: ['settled', 'The protective earth goes through without a break'],
    'class-two': ['settled', 'The load has no protective earth: it is of class II'],
    missing: ['stop', 'The protective earth of the load is missing: a fault inside puts its casing at mains'],
    unknown: ['unknown', 'What becomes of the protective earth of the load was not looked at'],
  },
};

function told(link: string, { caption, source, todo }: Asked<never>, [verdict, title]: Answer): Finding {
  const remedy = verdict === 'settled' ? null : { text: todo };
  return finding('guard', `chain.${link}`, { verdict, title, caption, source: [source], remedy });
}

/** What holds the conductors of mains, and which of them goes where: looked at, and never reckoned. */
export const heldLinks = (chain: Chain): Finding[] => [
  told('opens', OPENS as Asked<never>, OPENS.answers[chain.opens]),
  told('earth', EARTH as Asked<never>, EARTH.answers[chain.earth]),
  told('strainRelief', STRAIN as Asked<never>, STRAIN.answers[chain.strainRelief]),
  told('colours', COLOURS as Asked<never>, COLOURS.answers[chain.colours]),
];
