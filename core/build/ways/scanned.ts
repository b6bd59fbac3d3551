import { atMost, computed, derive, finding, judged, type Finding } from '../../ground/finding';
import type { JointWay } from '../../ground/job';
import { partValue, type TakenPart } from '../../engines/parts';
import type { WayContext } from './context';

/** Keys of scanned pads that the job wants pressed: one contact each. */
const keysOf = (c: WayContext): number =>
  c.job.controls.filter((k) => c.others[k.id]?.leading === 'scanned-matrix').length;

/** What a closed contact at a crossing of a scanned pad comes to: no timing at all, one per key. Empty for other controls. */
export function perKey(way: JointWay, c: WayContext): Finding[] {
  if (c.fact.leading !== 'scanned-matrix') return [];
  const n = keysOf(c);
  return [
    finding('thumb', `${way}.per-key`, {
      verdict: 'settled',
      title:
        'A closed contact at the crossing needs no timing at all: the machine’s own scan goes ' +
        `through it. One per key${n > 1 ? `: ${n} keys of this job want ${n}` : ''}`,
      caption: 'one per key',
    }),
  ];
}

/**
 * Crossings that an analogue switch must have: rows times columns of the pad in a crosspoint, else one for each key.
 * Empty for other controls.
 */
export function crossings(c: WayContext, part: TakenPart): Finding[] {
  if (c.fact.leading !== 'scanned-matrix') return [];
  const lines = partValue(part, 'lines');
  const has = atMost(lines.value, '1', 'crossings or switches that it has', lines.origin);
  const scan = c.job.survey.keypads.find((k) => k.scan)?.scan;
  const wanted =
    partValue(part, 'isCrosspoint').value === 1 && scan
      ? derive('crossings of the pad', 'n', 'n_strobe * n_sense', '1', [
          computed('n_strobe', 'strobe lines', scan.strobes.length, '1', 'decoded from the capture'),
          computed('n_sense', 'sense lines', scan.senses.length, '1', 'decoded from the capture'),
        ])
      : derive('switches, one for each key', 'n', 'n_key', '1', [
          computed('n_key', 'keys that the job wants pressed', Math.max(1, keysOf(c)), '1', 'controls of this job'),
        ]);
  return [
    judged('thumb', 'analogue-switch.crossings', {
      title: 'Crossings that the pad wants of the switch',
      caption: 'crossings',
      steps: [wanted],
      limit: has,
      tightShare: 'met',
      remedy: { text: 'Take two, or a crosspoint with more lines.' },
    }),
  ];
}
