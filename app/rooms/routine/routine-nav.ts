import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { Tabs, type Tab } from '../../kit/tabs';
import { Bench } from '../../store/bench';
import { PartState } from '../../ui/part-state';

/** The parts of Routine as tabs; the address tells which is open. */
@Component({
  selector: 'gt-routine-nav',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Tabs],
  template: `<gt-tabs label="What decides" param="part" [tabs]="tabs()" [here]="here()" />`,
})
export class RoutineNav {
  private readonly bench = inject(Bench);
  protected readonly here = inject(PartState).part;
  protected readonly tabs = computed((): Tab[] => {
    const { sentences, modes, limits, loops, amounts, events } = this.bench.job().routine;
    return [
      { key: 'rules', words: 'rules', count: sentences.length },
      { key: 'year', words: 'year' },
      { key: 'modes', words: 'modes, limits', count: modes.length + limits.length },
      { key: 'loops', words: 'warmth, amounts', count: loops.length + amounts.length },
      { key: 'calendar', words: 'place, calendar', count: events.length },
    ];
  });
}
