import { ChangeDetectionStrategy, Component, computed, effect, inject, signal, untracked } from '@angular/core';
import { sayPlanned, sceneOf } from '../../../core/rooms/act';
import type { WorkOrder } from '../../../core/house/long-work';
import { formatQuantity } from '../../../core/ground/quantity';
import { WorldProblem } from '../../../core/engines/world';
import { ChoiceField, type Choice } from '../../kit/choice-field';
import { ChoicesField } from '../../kit/toggles-field';
import { Bench } from '../../store/bench';
import { LongWork } from '../../store/long-work';
import { UnderWay } from '../../ui/under-way';

/** From whatever states the machine may be in, the shortest way to the one that is wanted, or the look that must come first. */
@Component({
  selector: 'gt-way-part',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ChoiceField, ChoicesField, UnderWay],
  templateUrl: './way-part.html',
  styles: ':host { display: flex; flex-direction: column; gap: 14px; }',
})
export class WayPart {
  private readonly bench = inject(Bench);
  private readonly work = inject(LongWork);
  protected readonly which = signal('');
  protected readonly from = signal<readonly string[]>([]);
  protected readonly to = signal('');
  private readonly scene = computed(() => {
    try {
      return sceneOf(this.bench.job());
    } catch (error) {
      if (error instanceof WorldProblem) return null;
      throw error;
    }
  });
  protected readonly parts = computed((): readonly Choice[] => (this.scene()?.parts ?? []).map((p) => [p.id, p.name]));
  private readonly part = computed(() =>
    Math.max(
      0,
      this.parts().findIndex(([id]) => id === this.which()),
    ),
  );
  protected readonly partId = computed(() => this.parts()[this.part()]?.[0] ?? '');
  protected readonly states = computed((): readonly Choice[] =>
    (this.scene()?.tables[this.part()]?.states ?? []).filter((s) => s.role !== 'dark').map((s) => [s.key, s.key]),
  );
  /** Nobody said where it may be: it may be anywhere. */
  protected readonly maybe = computed(() => {
    const there = this.states().map(([k]) => k);
    const said = this.from().filter((k) => there.includes(k));
    return said.length > 0 ? said : there;
  });
  protected readonly wanted = computed(() => {
    const there = this.states().map(([k]) => k);
    return there.includes(this.to()) ? this.to() : (there[0] ?? '');
  });
  private readonly order = computed((): WorkOrder<'way'> | null =>
    this.scene() && this.wanted()
      ? { do: 'way', job: this.bench.job(), part: this.part(), from: this.maybe(), to: [this.wanted()] }
      : null,
  );
  private readonly done = signal<{ readonly order: WorkOrder<'way'>; readonly sentences: readonly string[] } | null>(
    null,
  );
  /** The way of this very question; empty while it is looked for. */
  protected readonly sentences = computed((): readonly string[] =>
    this.done()?.order === this.order() ? this.done()!.sentences : [],
  );
  protected readonly problem = computed(() => this.work.problem(this.bench.id(), 'way'));

  constructor() {
    effect(() => {
      const order = this.order();
      untracked(() => void this.find(order));
    });
  }

  private async find(order: WorkOrder<'way'> | null): Promise<void> {
    if (!order) return this.work.stop(this.bench.id(), 'way');
    const planned = await this.work.do(order.job.id, order);
    if (planned) this.done.set({ order, sentences: sayPlanned(planned, (s) => formatQuantity(s, 's')) });
  }
}
