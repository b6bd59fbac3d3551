import { itemAt, realAt } from '../../ground/lists';
import type { Facts } from '../../ground/facts';
import { CONTROLLER, type Job } from '../../ground/job';
import { placeOf, supplyTree, type SupplyTree } from '../../engines/supply';
import { loadsOf, type FedLoad } from './loads';
import { networkOf, solve, type Network, type Solved } from './network';
import { coursesOf, type Course, type Instant } from './timeline';

/** The worst that a part of the tree meets, and when. */
export interface Worst {
  readonly value: number;
  readonly course: number;
  readonly instant: number;
}

/** What all courses come to, for every part of the tree by its place. */
export interface SupplyRun extends Ground {
  readonly courses: readonly Course[];
  /** Most amperes with bursts and starts, and of what lasts. */
  readonly peak: readonly Worst[];
  readonly lasting: readonly Worst[];
  /** Least volts at any instant. */
  readonly least: readonly Worst[];
  /** The tree at the instant of a worst: with bursts and starts, or with what lasts alone. */
  readonly at: (w: Worst, how?: 'peak' | 'lasting') => Solved;
  /** The same with starts and without a controller's burst. */
  readonly calm: (w: Worst) => Solved;
  /** Amperes of each load at an instant. */
  readonly drawn: (instant: Instant, how: How) => Float64Array;
}

/** With bursts and starts, with starts alone, or what lasts. */
type How = 'peak' | 'calm' | 'lasting';

const known = (amps: number): number => (Number.isNaN(amps) ? 0 : amps);

/** What of a rehearsal hangs on the job alone, whatever course is run over it. */
interface Ground {
  readonly tree: SupplyTree;
  readonly loads: readonly FedLoad[];
  /** Places in the list of loads of those that hang on each part. */
  readonly hung: readonly (readonly number[])[];
  /** Place of what the controller hangs on; −1 where nobody said. */
  readonly controller: number;
  /** Heat of what presses are built with, coils apart, W. */
  readonly pressWatts: number;
  readonly low: Network;
  readonly base: Readonly<Record<How, Float64Array>>;
  /** Most volts with nothing drawn. */
  readonly most: Float64Array;
  /** Places of sources that feed something of which nobody knows what it draws. */
  readonly unsaid: ReadonlySet<number>;
}

function groundOf(job: Job, facts: Facts, tree: SupplyTree, pressWatts: number): Ground {
  const loads = loadsOf(job, facts, tree);
  const hung = tree.nodes.map((): number[] => []);
  for (const [i, l] of loads.entries()) hung[l.place]?.push(i);
  return {
    tree,
    loads,
    hung,
    controller: placeOf(job.feed, tree, CONTROLLER),
    pressWatts,
    low: networkOf(job, tree, 'low'),
    base: { peak: baseOf(loads, 'peak'), calm: baseOf(loads, 'calm'), lasting: baseOf(loads, 'lasting') },
    most: solve(networkOf(job, tree, 'high'), new Float64Array(tree.nodes.length)).volts,
    unsaid: new Set(
      loads.flatMap((l) => (l.place >= 0 && Number.isNaN(l.runAmps) ? [itemAt(tree.nodes, l.place).source] : [])),
    ),
  };
}

/**
 * Lets every course run over the tree. A controller's burst, and a load that may run at any time, are taken to come at the worst
 * instant of each.
 * @param pressWatts heat of what presses are built with, coils apart, as the whole circuit has it, W.
 */
export function supplyRun(job: Job, facts: Facts, tree: SupplyTree = supplyTree(job.feed), pressWatts = 0): SupplyRun {
  const ground = groundOf(job, facts, tree, pressWatts);
  return over(ground, coursesOf(job, ground.loads, facts));
}

/** The same with other courses than those that follow from the job, as for a group that is tried out. */
export const rehearsedAnew = (r: SupplyRun, courses: readonly Course[]): SupplyRun => over(r, courses);

function over(ground: Ground, courses: readonly Course[]): SupplyRun {
  const { tree, loads, hung, controller, low, base } = ground;
  const size = tree.nodes.length;
  const drawn = (instant: Instant, how: How): Float64Array => {
    const out = Float64Array.from(base[how]);
    for (const a of instant.active)
      if (a.load >= 0)
        out[a.load] = known(how !== 'lasting' ? a.amps : Math.min(a.amps, itemAt(loads, a.load).runAmps));
    return out;
  };
  const solved = new Map<string, Solved>();
  const solveAt = (instant: Instant, how: How): Solved => {
    const key = how + instant.active.map((a) => `${a.load}${a.phase}${a.load < 0 ? a.amps : ''}`).join();
    const done = solved.get(key);
    if (done) return done;
    const nodes = new Float64Array(size);
    const amps = drawn(instant, how);
    for (let n = 0; n < size; n++) for (const i of itemAt(hung, n)) nodes[n] = realAt(nodes, n) + realAt(amps, i);
    // All pins that press draw through the controller.
    if (controller >= 0)
      for (const a of instant.active) if (a.load < 0) nodes[controller] = realAt(nodes, controller) + a.amps;
    const s = solve(low, nodes);
    solved.set(key, s);
    return s;
  };
  const nothing: Worst = { value: NaN, course: 0, instant: 0 };
  const peak: Worst[] = Array.from({ length: size }, () => nothing);
  const lasting: Worst[] = Array.from({ length: size }, () => nothing);
  const least: Worst[] = Array.from({ length: size }, () => nothing);
  for (const [course, c] of courses.entries()) {
    for (const [instant, x] of c.instants.entries()) {
      const [p, l] = [solveAt(x, 'peak'), solveAt(x, 'lasting')];
      for (let n = 0; n < size; n++) {
        if (!(itemAt(peak, n).value >= realAt(p.amps, n))) peak[n] = { value: realAt(p.amps, n), course, instant };
        if (!(itemAt(lasting, n).value >= realAt(l.amps, n)))
          lasting[n] = { value: realAt(l.amps, n), course, instant };
        if (!(itemAt(least, n).value <= realAt(p.volts, n))) least[n] = { value: realAt(p.volts, n), course, instant };
      }
    }
  }
  const instantOf = (w: Worst): Instant => itemAt(itemAt(courses, w.course).instants, w.instant);
  return {
    ...ground,
    courses,
    peak,
    lasting,
    least,
    at: (w, how = 'peak') => solveAt(instantOf(w), how),
    calm: (w) => solveAt(instantOf(w), 'calm'),
    drawn,
  };
}

function baseOf(loads: readonly FedLoad[], how: How): Float64Array {
  return Float64Array.from(loads, (l) => {
    if (l.press !== '') return known(l.idleAmps);
    const starts = how === 'peak' || (how === 'calm' && l.id !== CONTROLLER);
    return known(starts ? l.startAmps : l.runAmps);
  });
}

/** When a worst is met, in words: `the press script, 2.4 s after it began`. */
export function sayWhen(r: SupplyRun, w: Worst, sayTime: (seconds: number) => string): string {
  const course = itemAt(r.courses, w.course);
  if (course.id === 'rest') return 'at rest';
  const at = itemAt(course.instants, w.instant).at;
  return `${course.name}, ${at === 0 ? 'as it begins' : `${sayTime(at)} after it began`}`;
}
