import { isGraver, type Finding, type Verdict } from '../../ground/finding';
import { applyEdit, PART_KINDS, type Job, type JobEdit, type PartKind } from '../../ground/job';
import type { Unit } from '../../ground/quantity';
import { ledgerOfJob, type Fitted, type LedgerRow, type Rating } from '../../build/whole';
import { partTaken } from '../../build/ways';
import { partsOf, takenPart } from '../../engines/parts';
import { profileOf } from '../../rooms/board';
import { planPresses } from '../../rooms/thumb';
import { assess, type Assessment } from '../assess';
import { ratingId } from '../rating-id';
import { valuesAround, type JobValue } from './values';

/** A number of the job at which the verdict of a rating would be another one. */
export interface ValueTurn {
  readonly words: string;
  readonly unit: Unit;
  readonly now: number;
  readonly to: number;
  /** Nobody confirmed it yet, and confirming it as it stands is enough: `to` is `now`. */
  readonly confirms: boolean;
  /** The verdict there. */
  readonly verdict: Verdict;
  /** Captions of what breaks before it is reached; none for one that mends the rating. */
  readonly first: readonly string[];
  /** Captions of what else is judged otherwise then. */
  readonly moves: readonly string[];
}
/** Another part that settles a rating, with the edit that takes it. */
export interface PartTurn {
  readonly name: string;
  readonly edit: JobEdit;
  readonly moves: readonly string[];
}
/** What would turn the verdict of a rating. */
export interface Turns {
  readonly verdict: Verdict;
  /** Nearest in ratio first. */
  readonly values: readonly ValueTurn[];
  /** None for a rating that is settled. */
  readonly parts: readonly PartTurn[];
  /** How many numbers were looked at; false where the budget ended before all were. */
  readonly looked: number;
  readonly all: boolean;
}

/** Circuits that are solved for one rating at most: some ten seconds on a machine of today. */
const MOST_LOOKS = 1500;
/** Nobody puts a thousand times more or less of something in its place. */
const WITHIN = 1000;
const POINTS = 12;
const HALVINGS = 14;
/** Turns that are told. */
const MOST_TURNS = 6;
const MOST_PARTS = 4;
/** How far on the way to an edge something else must have broken to have come first. */
const EARLIER = 0.98;
/** Numbers are told in so many digits, on the far side of their edge. */
const DIGITS = 3;

/** Called with the share that is done; what runs ends where it answers false. */
type Progress = (share: number) => boolean;

/**
 * What would turn the verdict of a rating: every number around it is moved either way and the whole circuit solved anew. What
 * mends it and breaks something else is left out; what breaks before it does is told. Where the rating is not settled, every other part of
 * its kind is tried as well. Null where the job has no such rating.
 * @param id of the rating's finding, as `rating.lid base.watts`.
 */
export function ratingTurns(job: Job, id: string, progress: Progress = () => true): Turns | null {
  const search = new TurnSearch(job, id);
  return search.row && search.run(search.row, progress);
}

class TurnSearch {
  private readonly before: Assessment;
  /** As it is judged before anything was tried of it: an edit voids what was tried, and that is not asked here. */
  private readonly job: Job;
  readonly row: LedgerRow | null;
  private looks = 0;

  constructor(
    job: Job,
    private readonly id: string,
  ) {
    this.job = { ...job, trials: [] };
    this.before = assess(this.job);
    this.row = this.rowOf(this.job);
  }

  run(row: LedgerRow, progress: Progress): Turns {
    const values = valuesAround(this.job, this.before.facts.presses, row.part.of);
    const found: ValueTurn[] = [];
    let looked = 0;
    for (const value of values) {
      if (this.looks >= MOST_LOOKS || !progress(looked / (values.length + 1))) break;
      found.push(...this.turnOf(row, value));
      looked++;
    }
    return {
      verdict: row.verdict,
      values: found.sort((a, b) => far(a) - far(b)).slice(0, MOST_TURNS),
      parts: row.verdict === 'settled' ? [] : this.otherParts(row),
      looked,
      all: looked === values.length,
    };
  }

  /** The rating in a job that is the same but for an edit; what Probe knows stays, since no reading is edited here. */
  private rowOf(job: Job): LedgerRow | null {
    const { controls, drive } = this.before.facts;
    const plans = planPresses(job, { controls, drive });
    const facts = { controls, drive, presses: plans.flatMap(({ way }) => (way ? [way.press] : [])) };
    const wanted = (part: Fitted, rating: Rating): boolean => `${part.room}.${ratingId(part, rating)}` === this.id;
    return ledgerOfJob(job, facts, profileOf(job)?.weakOhms, wanted).ledger[0] ?? null;
  }

  private jobAt(edit: JobEdit): Job | null {
    const done = applyEdit(this.job, edit, this.job.touchedAt);
    return done.ok ? done.job : null;
  }

  private rowAt(edit: JobEdit): LedgerRow | null {
    const job = this.jobAt(edit);
    if (!job) return null;
    this.looks++;
    return this.rowOf(job);
  }

  /** Whether a verdict is another one in the sense that is asked for: mended where it was not settled, else no longer settled. */
  private isTurned(row: LedgerRow, at: LedgerRow | null): at is LedgerRow {
    if (!at) return false;
    return row.verdict === 'settled' ? at.verdict !== 'settled' : at.verdict === 'settled';
  }

  private turnOf(row: LedgerRow, value: JobValue): ValueTurn[] {
    if (value.now <= 0) return [];
    if (value.confirm && this.isTurned(row, this.rowAt(value.confirm)))
      return this.told(row, value, value.now, value.confirm);
    if (!this.matters(row, value)) return [];
    return [Math.min(value.most, value.now * WITHIN), Math.max(value.least, value.now / WITHIN)].flatMap((end) => {
      if (end <= 0 || end === value.now) return [];
      const to = this.edge(row, value, end);
      return to === null ? [] : this.told(row, value, to);
    });
  }

  /** Whether a rating hangs on a number at all: it moves with it nearby or far away. */
  private matters(row: LedgerRow, value: JobValue): boolean {
    const same = (at: LedgerRow | null): boolean =>
      at === null || (at.share === row.share && at.stress === row.stress && at.verdict === row.verdict);
    return [1.2, 1 / 1.2, 30, 1 / 30].some(
      (factor) => !same(this.rowAt(value.to(this.fit(value, value.now * factor)))),
    );
  }

  private readonly fit = ({ least, most, whole }: JobValue, x: number): number => {
    const within = Math.min(most, Math.max(least, x));
    return whole ? Math.round(within) : within;
  };

  /** The nearest value on the way to an end at which the verdict is turned, told on its far side; null where there is none. */
  private edge(row: LedgerRow, value: JobValue, end: number): number | null {
    const turned = (x: number): boolean => this.isTurned(row, this.rowAt(value.to(this.fit(value, x))));
    let inside = value.now;
    for (let k = 1; k <= POINTS; k++) {
      let outside = value.now * (end / value.now) ** (k / POINTS);
      if (!turned(outside)) {
        inside = outside;
        continue;
      }
      for (let i = 0; i < HALVINGS; i++) {
        const middle = Math.sqrt(inside * outside);
        if (turned(middle)) outside = middle;
        else inside = middle;
      }
      const said = this.fit(value, rounded(outside, end > value.now));
      return turned(said) ? said : outside;
    }
    return null;
  }

  /** A turn with what else moves and what breaks before; none where it mends this and breaks something else. */
  private told(row: LedgerRow, value: JobValue, to: number, edit = value.to(to)): ValueTurn[] {
    const mends = row.verdict !== 'settled';
    const there = this.rowAt(edit);
    if (!this.isTurned(row, there)) return [];
    const changes = this.changes(edit);
    if (!changes || (mends && brokenBy(changes).length > 0)) return [];
    const { words, unit, now } = value;
    const earlier = value.to(this.fit(value, now * (to / now) ** EARLIER));
    const first = mends ? [] : brokenBy(this.changes(earlier) ?? []);
    const moves = captionsOf(changes).filter((m) => !first.includes(m));
    return [{ words, unit, now, to, confirms: to === now, verdict: there.verdict, first, moves }];
  }

  /** What is judged otherwise after an edit, the rating itself left out; null where it is refused. */
  private changes(edit: JobEdit): readonly Change[] | null {
    const job = this.jobAt(edit);
    if (!job) return null;
    this.looks++;
    const was = new Map(this.before.findings.map((f) => [f.id, f.verdict]));
    return assess(job)
      .findings.filter((f) => f.id !== this.id && !f.sums && !FOLLOWS.has(f.room))
      .flatMap((f) => {
        const own = was.get(f.id) ?? 'settled';
        return own === f.verdict ? [] : [{ f, was: own }];
      });
  }

  /** Every other part of the kind that settles the rating and breaks nothing. */
  private otherParts({ part }: LedgerRow): PartTurn[] {
    const kind = PART_KINDS.find((k: PartKind) => k === part.kind);
    const press = this.job.presses.find((p) => p.id === part.of);
    if (!kind || !press) return [];
    const out: PartTurn[] = [];
    for (const other of partsOf(this.job, kind)) {
      if (other.id === takenPart(this.job, kind).id || out.length === MOST_PARTS || this.looks >= MOST_LOOKS) continue;
      const edit = partTaken({ job: this.job, press }, kind, other.id, `takes ${other.name}`);
      const changes = this.rowAt(edit)?.verdict === 'settled' ? this.changes(edit) : null;
      if (changes && brokenBy(changes).length === 0) out.push({ name: other.name, edit, moves: captionsOf(changes) });
    }
    return out;
  }
}

/** A finding that an edit judges otherwise, with what it was. */
interface Change {
  readonly f: Finding;
  readonly was: Verdict;
}
const captionsOf = (changes: readonly Change[]): readonly string[] => [...new Set(changes.map(({ f }) => f.caption))];
/** Captions of what is graver than before. */
const brokenBy = (changes: readonly Change[]): readonly string[] =>
  captionsOf(changes.filter(({ f, was }) => isGraver(f.verdict, was)));

/** Rooms whose findings follow from all others. */
const FOLLOWS: ReadonlySet<Finding['room']> = new Set(['try', 'pack']);

/** A value with few digits, on the far side of itself. */
function rounded(x: number, up: boolean): number {
  const step = 10 ** (Math.floor(Math.log10(Math.abs(x))) + 1 - DIGITS);
  return Number(((up ? Math.ceil(x / step) : Math.floor(x / step)) * step).toPrecision(DIGITS));
}

const far = ({ now, to }: ValueTurn): number => Math.abs(Math.log(to / now));
