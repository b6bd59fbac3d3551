import { computed, effect, inject, Injectable, signal } from '@angular/core';
import type { Job, JobEdit, Press, PressPlace, PressPlaces } from '../../../core/ground/job';
import { contextOf, rankWays, wayContext } from '../../../core/rooms/thumb';
import { evaluateWay, type WayContext, type WayResult } from '../../../core/build/ways';
import { Bench } from '../../store/bench';

/**
 * The press that is looked at, and its plan while a slider is held: shown at once, written to the job when it is let go. Provided by the
 * room.
 */
@Injectable()
export class Draft {
  private readonly bench = inject(Bench);
  private readonly held = signal<Partial<Press> | null>(null);
  /** Which press the address names; the first where it names none that there is. */
  readonly named = signal('');
  private readonly stored = computed(
    () => this.bench.job().presses.find((p) => p.id === this.named()) ?? this.bench.job().presses[0],
  );
  /** The press with what is held; undefined where the job has none. */
  readonly press = computed((): Press | undefined => {
    const press = this.stored();
    return press && this.held() ? { ...press, ...this.held() } : press;
  });
  /** The job with what is held. */
  readonly job = computed((): Job => {
    const press = this.press();
    return this.held() && press
      ? { ...this.bench.job(), presses: this.bench.job().presses.map((p) => (p.id === press.id ? press : p)) }
      : this.bench.job();
  });
  /** The press as it was last judged, with its chosen way. */
  readonly planned = computed(() => this.bench.assessment().plans.find((p) => p.press.id === this.press()?.id));

  constructor() {
    // What was held is in the job once its findings are.
    effect(() => {
      if (!this.bench.working()) this.held.set(null);
    });
  }

  /** What the ways of this press are judged in; null while it presses no control. */
  context(job: Job = this.job()): WayContext | null {
    const press = job.presses.find((p) => p.id === this.press()?.id);
    return press ? wayContext(job, this.bench.assessment().facts, press, this.planned()?.wiresBefore ?? 0) : null;
  }

  /** All ways of this press, best first, as the job was last judged. */
  readonly ways = computed((): readonly WayResult[] => rankWays(this.context(this.bench.seen().job)));

  /** Shows a change without writing it. */
  hold(set: Partial<Press>): void {
    this.held.set(set);
  }

  /** Sets fields of this press, or of one of its plans. */
  set<P extends PressPlace>(at: P, set: Partial<PressPlaces[P]>, say?: string): void {
    const of = this.press()?.id;
    if (of !== undefined) this.bench.edit({ do: 'set', at, of, set, ...(say === undefined ? {} : { say }) } as JobEdit);
  }

  /** A way as it is with what is held; `known` is what was last worked out for it. */
  way(known: WayResult): WayResult {
    if (!this.held()) return known;
    const context = this.context();
    return context ? evaluateWay(known.way, contextOf(context, known.way)) : known;
  }
}
