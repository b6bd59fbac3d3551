import { finding, type Finding, type Origin } from '../../ground/finding';
import type { ControlFact } from '../../ground/facts';
import type { Job, PadScan } from '../../ground/job';
import type { WayContext } from './context';
import { probed } from './line';

/** The scan of the pad that was captured; null where none was. */
function captured(job: Job): { readonly scan: PadScan; readonly origin: Origin } | null {
  const pad = job.survey.keypads.find((k) => k.scan);
  return pad?.scan ? { scan: pad.scan, origin: { from: 'measured', at: '', what: `capture of ${pad.name}` } } : null;
}

/** The longest that a scan of a key takes, s: as it was captured, else as it was read at the key; null where neither tells. */
export function longestScan(job: Job, fact: ControlFact): { readonly seconds: number; readonly origin: Origin } | null {
  const pad = captured(job);
  if (pad) return { seconds: pad.scan.periodSeconds, origin: pad.origin };
  const period = fact.parameters['periodSeconds'];
  return period ? { seconds: period.high, origin: probed(fact, 'periodSeconds') } : null;
}

/** How the pad is scanned: from its capture, else from the readings at the key; null where neither tells. Seconds. */
export function scanRead(c: WayContext): { width: number; period: number; origin: Origin } | null {
  const pad = captured(c.job);
  if (pad) return { width: pad.scan.widthSeconds, period: pad.scan.periodSeconds, origin: pad.origin };
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
