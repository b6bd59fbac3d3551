import { atLeast, chosen, constant, derive, finding, judged, type Finding, type Step } from '../finding';
import type { Control, FaceSurvey, Piece } from '../job';

/** Coverage factor for about 95 % (`gum`). */
const COVERAGE = 2;

/** The size of a piece with its expanded uncertainty, both in metres; null without a reading. */
export interface Size {
  readonly metres: number;
  readonly uncertainty: number;
  readonly steps: readonly Step[];
}

/**
 * Mean of the caliper readings with the uncertainty of the Guide (JCGM 100): scatter of the mean (type A) and the caliper's
 * stated error taken as a rectangle (type B), added in squares, times two.
 */
export function sizeOf(piece: Piece): Size | null {
  const n = piece.readings.length;
  if (n === 0) return null;
  const mean = piece.readings.reduce((a, b) => a + b, 0) / n;
  const scatter = n > 1 ? Math.sqrt(piece.readings.reduce((s, x) => s + (x - mean) ** 2, 0) / (n - 1)) : 0;
  const a = derive('scatter of the mean', 'u_A', 's / sqrt(n)', 'm', [chosen('s', 'standard deviation of the readings', scatter, 'm', `${n} caliper readings`), chosen('n', 'readings', n, '1', 'entered')]);
  const b = derive('the caliper itself', 'u_B', 'a / sqrt(c)', 'm', [chosen('a', 'stated error', piece.caliperMetres, 'm', 'of this caliper'), constant('c', 'rectangular distribution', 3, '1', 'gum')]);
  const u = derive('expanded uncertainty', 'U', 'k * sqrt(u_A * u_A + u_B * u_B)', 'm', [
    constant('k', 'coverage factor for 95 %', COVERAGE, '1', 'gum'), { symbol: 'u_A', name: a.what, value: a.result.value, unit: 'm', origin: { from: 'step' } }, { symbol: 'u_B', name: b.what, value: b.result.value, unit: 'm', origin: { from: 'step' } },
  ]);
  return { metres: mean, uncertainty: u.result.value, steps: [a, b, u] };
}

/** Caliper readings that lie further apart than the caliper's own error explains: the piece is oval, or one reading slipped. */
export const isUneven = (piece: Piece): boolean => piece.readings.length > 1 && Math.max(...piece.readings) - Math.min(...piece.readings) > 4 * piece.caliperMetres;

/** Free distance beside a button that a finger or a bracket needs (`finger-room`), m. */
const FINGER_ROOM = 0.004;

/** What Probe judges of sizes and faces: uneven pieces, and controls that a finger from outside can hardly reach. */
export function sizeFindings(pieces: readonly Piece[], faces: readonly FaceSurvey[], controls: readonly Control[]): Finding[] {
  const out: Finding[] = pieces.flatMap((p) => {
    const size = sizeOf(p);
    if (!size) return [];
    const uneven = isUneven(p);
    return [finding('probe', `piece.${p.id}`, {
      verdict: uneven ? 'tight' : 'settled', title: uneven ? `${p.name}: the readings lie further apart than the caliper’s error` : `${p.name}: size with its uncertainty`, caption: uneven ? 'uneven size' : 'size', value: { value: size.uncertainty, unit: 'm' }, steps: size.steps, source: ['gum'],
      remedy: uneven ? { text: 'Measure it in two directions: it is oval, dented, or one reading slipped.' } : null,
    })];
  });
  for (const f of faces) {
    const name = controls.find((c) => c.id === f.control)?.name ?? f.control;
    if (f.neighbourMetres !== null) {
      const step = derive('free distance to the nearest neighbour', 'd', 'd_n', 'm', [chosen('d_n', 'measured', f.neighbourMetres, 'm', 'ruler at the front')]);
      out.push(judged('probe', `face.${f.control}.room`, {
        title: `Room beside ${name} for a finger from outside`, caption: 'room beside it', steps: [step], limit: atLeast(FINGER_ROOM, 'm', 'finger and bracket', { from: 'source', key: 'finger-room' }), verdict: f.neighbourMetres < FINGER_ROOM ? 'tight' : 'settled',
        remedy: f.neighbourMetres < FINGER_ROOM ? { text: 'A finger from outside would catch the neighbour: use a narrow tip, or a contact across the button.' } : null,
      }));
    }
    if (f.shape === 'soft' || f.shape === 'curved') {
      out.push(finding('probe', `face.${f.control}.shape`, { verdict: 'tight', title: `The front round ${name} is ${f.shape}: tape alone will not hold a finger there`, caption: `${f.shape} front`, source: ['finger-room'], remedy: { text: 'Screw or clamp the bracket, or press from inside.' } }));
    }
  }
  return out;
}
