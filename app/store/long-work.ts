import { effect, inject, Injectable, signal, untracked } from '@angular/core';
import type { WorkKind, WorkOrder, WorkResult } from '../../core/house/long-work';
import type { WorkNews } from '../workers/work.worker';
import { Bench } from './bench';
import { Unanswered, WorkerClient } from './worker-client';

/** The longest silence before a piece of work is given up, ms; each has a budget of its own, far below. */
const LIMIT_MS = 120_000;
/** Before so much time no guess of the rest is worth anything, s; and under this share none is made. */
const GUESS_AFTER = 2;
const GUESS_SHARE = 0.02;

/** A piece of work that is under way. */
interface Under {
  readonly share: number;
  /** When it began, ms of the page. */
  readonly began: number;
}

interface Place {
  readonly client: WorkerClient<WorkOrder, WorkResult, WorkNews>;
  readonly job: string;
}

const placeOf = (job: string, kind: WorkKind, of: string): string => JSON.stringify([job, kind, of]);

/**
 * Long work of the job that is open, one piece of each kind at a time, each in a worker. It goes on while its job is open, whichever room
 * is looked at; once the job is left nobody waits for it, and it is ended.
 */
@Injectable({ providedIn: 'root' })
export class LongWork {
  private readonly bench = inject(Bench);
  private readonly places = new Map<string, Place>();
  private readonly others = new Map<string, (open: string) => void>();
  private readonly under = signal<Readonly<Record<string, Under>>>({});
  private readonly problems = signal<Readonly<Record<string, string>>>({});

  constructor() {
    effect(() => {
      const open = this.bench.id();
      untracked(() => this.endOthers(open));
    });
  }

  /**
   * Has a piece of work done; one of its kind that is under way is ended first. Gives null where it was ended or came to nothing; the
   * reason stands in `problem` then.
   * @param of what of the job it is about, where it may be of several things.
   */
  async do<K extends WorkKind>(job: string, order: WorkOrder<K>, of = ''): Promise<WorkResult<K> | null> {
    const key = placeOf(job, order.do, of);
    this.end(key);
    const client = new WorkerClient<WorkOrder, WorkResult, WorkNews>(
      () => new Worker(new URL('../workers/work.worker', import.meta.url), { type: 'module' }),
    );
    const place: Place = { client, job };
    this.places.set(key, place);
    this.problems.update(({ [key]: _old, ...rest }) => rest);
    this.under.update((all) => ({ ...all, [key]: { share: 0, began: performance.now() } }));
    try {
      const onNews = ({ share }: WorkNews): void =>
        this.under.update((all) => (all[key] ? { ...all, [key]: { ...all[key], share } } : all));
      return (await client.ask(order as WorkOrder, { limitMs: LIMIT_MS, onNews })) as WorkResult<K>;
    } catch (error) {
      if (!(error instanceof Unanswered && error.because === 'stopped'))
        this.problems.update((all) => ({ ...all, [key]: error instanceof Error ? error.message : String(error) }));
      return null;
    } finally {
      // Another one may have begun in its place meanwhile.
      if (this.places.get(key) === place) this.end(key);
    }
  }

  /** Which share is done; null while nothing is under way. */
  share(job: string, kind: WorkKind, of = ''): number | null {
    return this.under()[placeOf(job, kind, of)]?.share ?? null;
  }

  /** How long it will go on, s; null while nobody can tell. */
  remaining(job: string, kind: WorkKind, of = ''): number | null {
    const at = this.under()[placeOf(job, kind, of)];
    if (!at || at.share < GUESS_SHARE) return null;
    const seconds = (performance.now() - at.began) / 1000;
    return seconds < GUESS_AFTER ? null : (seconds * (1 - at.share)) / at.share;
  }

  /** Why the last one came to nothing; empty where it did not. */
  problem(job: string, kind: WorkKind, of = ''): string {
    return this.problems()[placeOf(job, kind, of)] ?? '';
  }

  stop(job: string, kind: WorkKind, of = ''): void {
    this.end(placeOf(job, kind, of));
  }

  /** What else is to be ended once its job is left, by name; it hears which job is open then. */
  whenLeft(name: string, end: (open: string) => void): void {
    this.others.set(name, end);
  }

  private end(key: string): void {
    this.places.get(key)?.client.stop();
    this.places.delete(key);
    this.under.update(({ [key]: _gone, ...rest }) => rest);
  }

  private endOthers(open: string): void {
    for (const [key, { job }] of this.places) if (job !== open) this.end(key);
    for (const end of this.others.values()) end(open);
  }
}
