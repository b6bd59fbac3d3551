import type { Origin } from '../../ground/finding';
import type { FeedConverter, FeedLink, FeedSource, Job } from '../../ground/job';
import { cellOhms, CELLS, cellVolts, sourceVolts } from '../supply';
import { ohmsPerMetre } from './copper';
import { sourceOhms, SUPPLY_SHARE } from './rails';
import { CONNECTOR } from './ratings';

/** The lead of a supply where nobody said which (`feed-volts`). */
export const USUAL_LEAD = { metres: 1, squareMetres: 0.08e-6 } as const;
/** Voltage that a miniature fuse drops at its rating, V (`fuse-drop`). */
export const FUSE_DROP = 0.15;

/** What such converters are like (`converters`): needed above the output, share that comes out, own draw. */
const SORT = {
  linear: { dropVolts: 2, efficiency: 1, idleAmps: 5e-3 },
  'step-down': { dropVolts: 1.5, efficiency: 0.82, idleAmps: 5e-3 },
  'step-up': { dropVolts: 0, efficiency: 0.8, idleAmps: 3e-3 },
} as const;
const FLAT_DROP = 1.2;

/** What a converter is reckoned with. */
export interface ConverterValues {
  readonly dropVolts: number;
  readonly efficiency: number;
  readonly idleAmps: number;
}
/** A converter's values: as given, else as its sort has them. */
export const converterValues = (c: FeedConverter): ConverterValues => ({
  dropVolts: c.dropVolts ?? (c.kind === 'linear' && c.package === 'sot-223' ? FLAT_DROP : SORT[c.kind].dropVolts),
  efficiency: c.kind === 'linear' ? 1 : (c.efficiency ?? SORT[c.kind].efficiency),
  idleAmps: c.idleAmps ?? SORT[c.kind].idleAmps,
});

/** Resistance of a fuse or of both conductors of a lead with its contacts, Ω. */
export function linkOhms(l: FeedLink): number {
  if (l.kind === 'fuse') return l.amps === null ? 0 : FUSE_DROP / l.amps;
  if (l.kind !== 'lead') return 0;
  const size = l.squareMetres ?? USUAL_LEAD.squareMetres;
  return 2 * (l.metres ?? USUAL_LEAD.metres) * ohmsPerMetre(size, l.strand) + 2 * CONNECTOR[l.connector].ohms;
}

/** Resistance of a source, Ω, and where that comes from. */
export function ohmsOfSource(job: Job, s: FeedSource): { ohms: number; origin: Origin } {
  if (s.ohms !== null) return { ohms: s.ohms, origin: { from: 'maker', what: 'set in Feed' } };
  if (s.kind === 'rail') {
    const rail = job.survey.rails.find((r) => r.id === s.rail);
    const step = rail && sourceOhms(rail);
    return step
      ? {
          ohms: Math.max(0, step.result.value),
          origin: { from: 'measured', at: '', what: 'open and loaded volts, in Probe' },
        }
      : { ohms: 0, origin: { from: 'prior', what: 'nobody loaded this rail in Probe' } };
  }
  if (s.kind === 'cells')
    return {
      ohms: (s.series / s.parallel) * cellOhms(CELLS[s.chemistry], 0),
      origin: { from: 'source', key: 'cells' },
    };
  return { ohms: 0, origin: { from: 'source', key: 'feed-volts' } };
}

/** Whether a source holds its voltage as well as what regulates does; of a rail, as it was read. */
export const spreadOf = (s: FeedSource): number => (s.kind === 'cells' || s.kind === 'rail' ? 0 : SUPPLY_SHARE);

/** Volts of a source without a load at its lowest and at its highest; null where nobody said. */
export function openVolts(job: Job, s: FeedSource): { low: number; high: number } | null {
  if (s.kind === 'cells' && s.volts === null) {
    const cell = CELLS[s.chemistry];
    return { low: s.series * cellVolts(cell, 0), high: s.series * cell.freshVolts };
  }
  const volts = sourceVolts(job, s);
  return volts === null ? null : { low: volts * (1 - spreadOf(s)), high: volts * (1 + spreadOf(s)) };
}

/** How well a converter keeps its output, as a share (`converters`). */
export const CONVERTER_SPREAD = 0.04;
/** A step-up converter gives nothing of less than this at its input, V (`converters`). */
export const STEP_UP_STARTS = 0.9;
