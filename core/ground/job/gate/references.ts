import { namedIn, type AnyFields } from '../../field';
import { jobFields } from '../document/fields';
import { CONTROLLER } from '../document/feed/checks';
import { nodesIn } from '../document/feed/fresh';
import type { ListName } from '../document/places';
import type { LoadProblem } from '../document/problem';
import type { Sort } from '../document/reference';
import type { Job } from '../document/types';

/** The job's fields, as a walk over a document meets them. */
export const JOB_FIELDS = jobFields as unknown as AnyFields;

type Known = readonly { readonly id: string }[];
/** What there is of each sort. */
const THERE: Readonly<Record<Sort, (job: Job) => Known>> = {
  control: (j) => j.controls,
  strip: (j) => j.survey.strips,
  press: (j) => j.presses,
  sense: (j) => j.senses,
  hand: (j) => j.hands,
  sign: (j) => j.signs,
  part: (j) => j.act.parts,
  move: (j) => j.act.moves,
  mode: (j) => j.routine.modes,
  rail: (j) => j.survey.rails,
  node: (j) => nodesIn(j.feed),
  load: (j) => [...j.feed.loads, { id: CONTROLLER }],
};

/** Of which sort the items of a list are; lists that nothing names are left out. */
export const SORT_OF: Readonly<Partial<Record<ListName, Sort>>> = {
  'survey.strips': 'strip',
  'survey.rails': 'rail',
  presses: 'press',
  senses: 'sense',
  hands: 'hand',
  signs: 'sign',
  'act.parts': 'part',
  'act.moves': 'move',
  'routine.modes': 'mode',
  'feed.sources': 'node',
  'feed.converters': 'node',
  'feed.links': 'node',
  'feed.loads': 'load',
};

/** The first place of a job that names what is not there; null where all do. */
export function referenceProblem(job: Job): LoadProblem | null {
  const ids = new Map<string, ReadonlySet<string>>();
  const of = (sort: string): ReadonlySet<string> => {
    const set = ids.get(sort) ?? new Set(THERE[sort as Sort](job).map((x) => x.id));
    ids.set(sort, set);
    return set;
  };
  const lost = namedIn(JOB_FIELDS, job).find(
    ({ reference, meant }) => !reference.loose && !meant.some(({ sort, id }) => of(sort).has(id)),
  );
  return lost
    ? { what: `There is no ${JSON.stringify(lost.text)} in this job.`, where: `field "${lost.path}"`, todo: lost.todo }
    : null;
}
