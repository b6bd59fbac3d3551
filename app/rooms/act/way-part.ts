import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { planWay, sayWay, sceneOf } from '../../../core/act';
import { formatQuantity } from '../../../core/quantity';
import { WorldProblem } from '../../../core/world';
import { ChoiceField, type Choice } from '../../kit/choice-field';
import { ChoicesField } from '../../kit/toggles-field';
import { Bench } from '../../store/bench';

/** From whatever states the machine may be in, the shortest way to the one that is wanted, or the look that must come first. */
@Component({
  selector: 'gt-way-part',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ChoiceField, ChoicesField],
  templateUrl: './way-part.html',
  styles: ':host { display: flex; flex-direction: column; gap: 14px; }',
})
export class WayPart {
  private readonly bench = inject(Bench);
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
  protected readonly sentences = computed((): readonly string[] => {
    const scene = this.scene();
    if (!scene || !this.wanted()) return [];
    const way = planWay(this.bench.job(), scene, this.part(), this.maybe(), [this.wanted()]);
    if (!way)
      return [
        'No presses and waits bring it there for certain, and no sense tells enough: add one in Sense, or go and look.',
      ];
    return way.steps ? sayWay(way.steps, (s) => formatQuantity(s, 's')) : ['It is there already.'];
  });
}
