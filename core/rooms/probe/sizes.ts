import { atLeast, chosen, derive, finding, judged, type Finding } from '../../ground/finding';
import type { Control, FaceSurvey, Piece } from '../../ground/job';
import { isUneven, sizeOf } from '../../engines/mechanics';

/** Free distance beside a button that a finger or a bracket needs (`finger-room`), m. */
const FINGER_ROOM = 0.004;

/** What Probe judges of sizes and faces: uneven pieces, and controls that a finger from outside can hardly reach. */
export function sizeFindings(
  pieces: readonly Piece[],
  faces: readonly FaceSurvey[],
  controls: readonly Control[],
): Finding[] {
  const out: Finding[] = pieces.flatMap((p) => {
    const size = sizeOf(p);
    if (!size) return [];
    const uneven = isUneven(p);
    return [
      finding('probe', `piece.${p.id}`, {
        verdict: uneven ? 'tight' : 'settled',
        title: uneven
          ? `${p.name}: the readings lie further apart than the caliper’s error`
          : `${p.name}: size with its uncertainty`,
        caption: uneven ? 'uneven size' : 'size',
        value: { value: size.uncertainty, unit: 'm' },
        steps: size.steps,
        source: ['gum'],
        remedy: uneven ? { text: 'Measure it in two directions: it is oval, dented, or one reading slipped.' } : null,
      }),
    ];
  });
  for (const f of faces) {
    const name = controls.find((c) => c.id === f.control)?.name ?? f.control;
    if (f.neighbourMetres !== null) {
      const step = derive('free distance to the nearest neighbour', 'd', 'd_n', 'm', [
        chosen('d_n', 'measured', f.neighbourMetres, 'm', 'ruler at the front'),
      ]);
      out.push(
        judged('probe', `face.${f.control}.room`, {
          title: `Room beside ${name} for a finger from outside`,
          caption: 'room beside it',
          steps: [step],
          limit: atLeast(FINGER_ROOM, 'm', 'finger and bracket', { from: 'source', key: 'finger-room' }),
          verdict: f.neighbourMetres < FINGER_ROOM ? 'tight' : 'settled',
          remedy:
            f.neighbourMetres < FINGER_ROOM
              ? {
                  text: 'A finger from outside would catch the neighbour: use a narrow tip, or a contact across the button.',
                }
              : null,
        }),
      );
    }
    if (f.shape === 'soft' || f.shape === 'curved') {
      out.push(
        finding('probe', `face.${f.control}.shape`, {
          verdict: 'tight',
          title: `The front round ${name} is ${f.shape}: tape alone will not hold a finger there`,
          caption: `${f.shape} front`,
          source: ['finger-room'],
          remedy: { text: 'Screw or clamp the bracket, or press from inside.' },
        }),
      );
    }
  }
  return out;
}
