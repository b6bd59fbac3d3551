import type { PaperBlock } from './paper';
import { CODE } from './paper';

/** What an electrician is told of the mains side. */
export interface PaperMains {
  readonly supply: readonly (readonly [what: string, value: string])[];
  readonly loads: readonly (readonly [press: string, load: string, contact: string])[];
  readonly measured: readonly (readonly [what: string, value: string])[];
  readonly ratings: readonly (readonly [rating: string, worked: string, limit: string, verdict: string])[];
  readonly questions: readonly string[];
  readonly outside: readonly string[];
}

/** What no part of the plan works out, so that it is asked wherever mains is about. */
const ALWAYS_ASKED = [
  'Which plug, fuse, cord and strain relief suit this load at this place?',
  'Which box, and which distances between mains and the low-voltage side?',
  'May it be switched from afar, and by what may it be switched off by hand?',
];

/** One page for whoever is licensed: what is asked, what was measured, what stays outside of this plan. */
export const electricianBlocks = (m: PaperMains, wish: string, never: string): PaperBlock[] => [
  { kind: 'words', text: `Wanted: ${wish || 'not said'}. Never: ${never || 'not said'}.` },
  { kind: 'table', heading: 'Supply', columns: ['what', 'as planned'], rows: m.supply },
  {
    kind: 'table',
    heading: 'What is switched',
    columns: ['press', 'load', 'contact'],
    rows: m.loads.length > 0 ? m.loads : [['no contact of the plan stands in a mains lead', '', '']],
  },
  {
    kind: 'table',
    heading: 'Measured so far',
    columns: ['what', 'read'],
    rows: m.measured.length > 0 ? m.measured : [['isolation from mains', 'nobody read it']],
  },
  {
    kind: 'table',
    heading: 'Ratings worked out',
    columns: ['rating', 'comes to', 'limit', 'verdict'],
    rows: m.ratings,
  },
  { kind: 'list', heading: 'Questions to you', items: [...ALWAYS_ASKED, ...m.questions] },
  { kind: 'list', heading: 'Stays outside of this plan', items: m.outside },
  { kind: 'words', text: CODE },
  { kind: 'lines', heading: 'Seen', labels: ['name and licence', 'date', 'what has to change', 'signature'] },
];
