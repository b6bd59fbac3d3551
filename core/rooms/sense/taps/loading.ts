import { readSignal, tapOf } from '../../../build/panel';
import { TAP_SHARES, tapLevels } from '../../../engines/tap';
import type { DriveFact } from '../../../ground/facts';
import { atMost, chosen, computed, finding, judged, worst, type Finding } from '../../../ground/finding';
import type { Sense } from '../../../ground/job';
import { formatQuantity, within } from '../../../ground/quantity';
import { ofMachine } from './nature';

/** What a tap may take of a level, as a share (`tap-load`). */
const MOST_SHARE = 10;

/**
 * What the tap takes from the original: the machine has to go on as before, at its high level and at its low one. Nothing is said of what
 * was made for pins.
 */
export function loadingFindings(sense: Sense, drive: DriveFact): Finding[] {
  const tap = ofMachine(sense) ? tapOf(sense, drive) : null;
  if (!tap || sense.highVolts === null) return [];
  const { takesHigh, takesLow } = tapLevels(tap);
  const most = Math.max(Math.abs(takesHigh), Math.abs(takesLow));
  const { sourceOhms } = readSignal(sense);
  if (sourceOhms === null)
    return [
      finding('sense', `tap.${sense.id}.load`, {
        // A pin by itself takes next to nothing; all else takes what may be more than is there.
        verdict: tap.joint === 'direct' ? 'tight' : 'unknown',
        title: `${sense.name}: the tap takes ${formatQuantity(most, 'A')} from the machine, and what stands behind that level was not read`,
        caption: 'original still works?',
        source: ['tap-load'],
        remedy: {
          text:
            'Read the level while it is so, then with 10 kΩ from it to ground: it stands behind 10 kΩ times what it fell by, ' +
            'over what is left. Write that in Sense.',
        },
      }),
    ];
  const step = worst(
    'highest',
    'share of its level that the tap takes away',
    's',
    '100 * I_t * R_s / V_s',
    '%',
    [
      {
        symbol: 'V_s',
        name: `high level of ${sense.name}`,
        range: within(sense.highVolts, TAP_SHARES.volts),
        unit: 'V',
        origin: { from: 'maker', what: 'set in Sense' },
        possible: [0.1, 60],
      },
    ],
    [
      computed('I_t', 'what the tap takes', most, 'A', 'closed form of the tap, its usual values'),
      chosen('R_s', 'what stands behind it', sourceOhms, 'Ω', 'read at the machine', [0, 1e7]),
    ],
  );
  return [
    judged('sense', `tap.${sense.id}.load`, {
      title: `${sense.name}: what the tap takes away of the machine’s own level`,
      caption: 'original still works',
      steps: [step],
      limit: atMost(MOST_SHARE, '%', 'a tenth of it', { from: 'source', key: 'tap-load' }),
      tightShare: 0.2,
      source: ['tap-load'],
      remedy:
        step.result.value > MOST_SHARE
          ? { text: 'Take a joint that takes less: larger resistors, or a transistor that reads it for the pin.' }
          : null,
    }),
  ];
}
