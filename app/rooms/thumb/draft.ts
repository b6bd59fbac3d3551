import { computed, effect, inject, Injectable, signal } from '@angular/core';
import type { Job, ThumbPlan } from '../../../core/job';
import { contextOf, wayContext } from '../../../core/thumb';
import { evaluateWay, type WayResult } from '../../../core/ways';
import { Bench } from '../../store/bench';

/** A plan while a slider is held: shown at once, written to the job when it is let go. */
@Injectable({ providedIn: 'root' })
export class Draft {
  private readonly bench = inject(Bench);
  private readonly held = signal<Partial<ThumbPlan> | null>(null);
  /** The job with what is held. */
  readonly job = computed((): Job =>
    this.held() ? { ...this.bench.job(), thumb: { ...this.bench.job().thumb, ...this.held() } } : this.bench.job(),
  );

  constructor() {
    // What was held is in the job once its findings are.
    effect(() => {
      if (!this.bench.working()) this.held.set(null);
    });
  }

  /** Shows a change without writing it. */
  hold(set: Partial<ThumbPlan>): void {
    this.held.set(set);
  }

  /** A way as it is with what is held; `known` is what was last worked out for it. */
  way(known: WayResult): WayResult {
    if (!this.held()) return known;
    const context = wayContext(this.job(), this.bench.assessment().facts);
    return context ? evaluateWay(known.way, contextOf(context, known.way)) : known;
  }
}
