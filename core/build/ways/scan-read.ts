import { finding, type Finding, type Origin } from '../../ground/finding';
import type { WayContext } from './context';
import { probed } from './line';

/** How the pad is scanned: from its capture, else from the readings at the key; null where neither tells. Seconds. */
export function scanRead(c: WayContext): { width: number; period: number; origin: Origin } | null {
  const pad = c.job.survey.keypads.find((k) => k.scan);
  if (pad?.scan)
    return {
      width: pad.scan.widthSeconds,
      period: pad.scan.periodSeconds,
      origin: { from: 'measured', at: '', what: `capture of ${pad.name}` },
    };
  const [width, period] = [c.fact.parameters['widthSeconds'], c.fact.parameters['periodSeconds']];
  return width && period ? { width: width.low, period: period.nominal, origin: probed(c.fact, 'widthSeconds') } : null;
}

/** Why a control that is not scanned has no use for this way. */
export const NOT_SCANNED = 'This key is not scanned: there is no strobe to answer';
/** The finding that nobody read the scan yet. */
export const unread = (way: 'strobe-answer' | 'logic-injector'): Finding =>
  finding('thumb', `${way}.scan`, {
    verdict: 'unknown',
    title: 'How wide the strobe is has not been read',
    caption: 'strobe not read',
    remedy: { text: 'Read hertz and duty at the key, or load a capture of the pad, in Probe.' },
  });
