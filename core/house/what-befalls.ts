import { itemAt } from '../ground/lists';
import { DISTURBANCES, HAND_SECONDS, type Scene, type Start } from '../rooms/act';
import { SENSES } from '../build/lines';
import { CUT_SECONDS, cutLengths, handLengths, lateLengths } from './lengths';
import type { Disturbance, WorldPlan } from '../engines/world';

/** Senses that no part of the machine and no loop stands behind, by number: what they say comes from outside. */
export const standAlone = ({ senses, loops = [] }: WorldPlan): readonly number[] =>
  senses.flatMap((s, i) => (s.part < 0 && !loops.some((l) => l.sense === i) ? [i] : []));

/**
 * Everything that may go wrong in a world: what befalls each output, sense and part, and what befalls all. A sense that was wired the
 * wrong way round does not come about by itself: Try finds it once, and it can be pinned on the lanes.
 */
export function disturbancesOf(scene: Scene, starts: readonly Start[]): Disturbance[] {
  const { plan } = scene.world;
  const driven = scene.lines
    .map((_, line) => line)
    .filter((line) => plan.moves.some((m) => m.some((op) => op.lines.includes(line))));
  const each = (what: Disturbance['what']): Disturbance[] => driven.map((line) => ({ what, of: line, how: 0 }));
  const heard = plan.senses.flatMap((s, i) =>
    s.part < 0 && !(plan.loops ?? []).some((l) => l.sense === i) ? [] : [i],
  );
  const ill = (what: Disturbance['what'], how = 0): Disturbance[] => heard.map((i) => ({ what, of: i, how }));
  return [
    ...each('missed'),
    ...each('twice'),
    ...plan.channels.flatMap((c, of) => handLengths(plan, c).map((how): Disturbance => ({ what: 'thumb', of, how }))),
    ...cutLengths(plan).flatMap((how): Disturbance[] => [
      { what: 'cut', of: 0, how },
      { what: 'plug-out', of: 0, how },
    ]),
    { what: 'controller-out', of: 0, how: CUT_SECONDS },
    { what: 'restart', of: 0, how: 0 },
    ...each('welded'),
    ...each('dirty'),
    ...ill('stuck'),
    ...lateLengths(plan).flatMap((how) => ill('late', how)),
    ...ill('moved'),
    ...plan.senses.flatMap((s, i): Disturbance[] =>
      s.part >= 0 && SENSES[itemAt(scene.senses, i).kind].sort === null ? [{ what: 'lost', of: i, how: 0 }] : [],
    ),
    ...standAlone(plan).map((of): Disturbance => ({ what: 'reads', of, how: 1 })),
    // A number dips under its threshold, a contact shakes: the hold and the debounce are there for that, and are never sure.
    ...ill('dips'),
    ...plan.senses.flatMap((s, i): Disturbance[] =>
      s.part >= 0 && s.stale !== null ? [{ what: 'silent', of: i, how: 0 }] : [],
    ),
    ...plan.hands.flatMap(({ does }, of): Disturbance[] =>
      does === 'arm'
        ? [{ what: 'nobody', of, how: 0 }]
        : does === 'answer'
          ? []
          : [{ what: 'hand', of, how: HAND_SECONDS }],
    ),
    ...scene.tables.flatMap((t, part): Disturbance[] => {
      const met = Object.values(DISTURBANCES).flatMap((d) => d.event?.key ?? []);
      const events = met.map((e) => t.events.indexOf(e)).filter((e) => e >= 0);
      return events.map((how) => ({ what: 'meets', of: part, how }));
    }),
    // What asks whether it is armed asks that at every moment.
    ...scene.moves.map((_, move): Disturbance => {
      const own = starts.filter((s) => s.move === move);
      return { what: 'start', of: move, how: own.length > 0 && own.every((s) => s.ifArmed) ? 1 : 0 };
    }),
  ];
}
