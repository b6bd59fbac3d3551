import { finding, type Finding } from '../../ground/finding';
import type { Press } from '../../ground/job';
import { mayBeInSeries, type WayResult } from '../../build/ways';

/** Two contacts in series, where they are wished: what they ask for, and whether this way can have them. */
export function seriesFindings(press: Press, way: WayResult): Finding[] {
  if (!press.twoContacts) return [];
  if (!mayBeInSeries(way.way))
    return [
      finding('thumb', `${way.way}.series`, {
        verdict: 'stop',
        title: 'Two contacts in series are planned, and this way has no contact that could stand twice in one wire',
        caption: 'no second contact',
        remedy: {
          text: 'Take relays or solid-state relays, or do with one.',
          label: 'One contact',
          edit: { do: 'set', at: 'press', of: press.id, set: { twoContacts: false }, say: 'one contact' },
        },
      }),
    ];
  return [
    finding('thumb', `${way.way}.series`, {
      verdict: 'settled',
      title:
        'Two contacts stand in series, each on a pin of its own: one that sticks does not press. A test presses with each ' +
        'alone, and nothing may happen',
      caption: 'two in series',
      source: ['series-contacts'],
    }),
  ];
}
