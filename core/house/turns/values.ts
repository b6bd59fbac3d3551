import type { AnyFields } from '../../ground/field';
import type { PressFact } from '../../ground/facts';
import {
  GUESSED_PLANS,
  LIST_INFO,
  PLACE_INFO,
  type Job,
  type JobEdit,
  type ListName,
  type Place,
} from '../../ground/job';
import type { Unit } from '../../ground/quantity';

/** A number of a job that its maker could have otherwise, with the edit that does so. */
export interface JobValue {
  /** As `gate: Resistor`. */
  readonly words: string;
  readonly unit: Unit;
  readonly now: number;
  readonly least: number;
  readonly most: number;
  readonly whole: boolean;
  readonly to: (value: number) => JobEdit;
  /** Confirms it as it stands; null where somebody said it. */
  readonly confirm: JobEdit | null;
}

/** Places of a press, of the supplies and of the box that hold numbers of a circuit. */
const PRESS_PLACES = ['press', 'press.motor', 'press.signal', 'press.hand', 'press.remote'] as const;
const PLACES = ['feed.box', 'feed.duty'] as const satisfies readonly Place[];
const LISTS = ['feed.sources', 'feed.converters', 'feed.links', 'feed.loads', 'senses', 'hands', 'signs'] as const;

type Plain = Readonly<Record<string, unknown>>;

/** What is known of the numbers of a group beside what stands there. */
interface Around {
  readonly to: (key: string, value: number) => JobEdit;
  /** What stands for one that is left to be computed. */
  readonly computed?: Readonly<Record<string, number | null>>;
  readonly confirm?: (key: string) => JobEdit | null;
}

/** The numbers of a group of fields that are said or computed. */
function numbersIn(fields: AnyFields, of: Plain, whose: string, { to, computed, confirm }: Around): JobValue[] {
  return Object.entries(fields).flatMap(([key, field]): JobValue[] => {
    const now = of[key] ?? computed?.[key];
    if (field.is !== 'quantity' || field.untried || typeof now !== 'number') return [];
    const { unit, least, most, whole } = field;
    const words = whose === '' ? field.label : `${whose}: ${field.label}`;
    const guess = confirm?.(key) ?? null;
    return [{ words, unit, now, least, most, whole, to: (value) => to(key, value), confirm: guess }];
  });
}

/** What lies at a place of two names at most. */
const at = (of: object, path: string): Plain =>
  path.split('.').reduce<Plain>((value, key) => value[key] as Plain, of as Plain);

/** The numbers of one press. A resistor that is left to be computed stands as it was computed. */
function ofPress(job: Job, fact: PressFact): JobValue[] {
  const press = job.presses.find((p) => p.id === fact.id);
  if (!press) return [];
  return PRESS_PLACES.flatMap((place) => {
    const plan = place.slice('press.'.length);
    const own = plan === '' ? (press as unknown as Plain) : at(press, plan);
    const isGuessed = GUESSED_PLANS.some((p) => p === plan);
    return numbersIn(PLACE_INFO[place].fields, own, press.name, {
      to: (key, value) => ({ do: 'set', at: place, of: press.id, set: { [key]: value } }) as JobEdit,
      computed: { resistorOhms: fact.resistorOhms },
      confirm: (key) =>
        isGuessed && !press.given.includes(`${plan}.${key}`)
          ? { do: 'set', at: 'press', of: press.id, set: { given: [...press.given, `${plan}.${key}`] } }
          : null,
    });
  });
}

/** The numbers of the items of a keyed list. */
function ofList(job: Job, list: (typeof LISTS)[number]): JobValue[] {
  const { fields, key, called } = LIST_INFO[list];
  const items = at(job, list) as unknown as readonly Plain[];
  return items.flatMap((item) => {
    return numbersIn(fields, item, String(item[called] ?? item[key]), {
      to: (field, value) =>
        ({ do: 'put', list: list satisfies ListName, item: { ...item, [field]: value } }) as unknown as JobEdit,
    });
  });
}

/**
 * The numbers of a job that a rating of one of its parts may hang on: those of its press, of the supplies, of the box, and of what
 * stands at the controller. What was read in Probe is none of them: it is not for choosing.
 */
export function valuesAround(job: Job, presses: readonly PressFact[], of: string): readonly JobValue[] {
  const own = presses.filter((p) => p.id === of);
  return [
    ...own.flatMap((p) => ofPress(job, p)),
    ...LISTS.flatMap((list) => ofList(job, list)),
    ...PLACES.flatMap((place) =>
      numbersIn(PLACE_INFO[place].fields, at(job, place), PLACE_INFO[place].words, {
        to: (key, value) => ({ do: 'set', at: place, set: { [key]: value } }) as JobEdit,
      }),
    ),
  ];
}
