import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { needsPin } from '../../../core/build/lines';
import { Tabs, type Tab } from '../../kit/tabs';
import { Bench } from '../../store/bench';
import { PartState } from '../../ui/part-state';

/** The parts of Sense as tabs; the address tells which is open. */
@Component({
  selector: 'gt-sense-nav',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Tabs],
  template: `<gt-tabs label="What tells" param="part" [tabs]="tabs()" [here]="here()" />`,
})
export class SenseNav {
  private readonly bench = inject(Bench);
  protected readonly here = inject(PartState).part;
  protected readonly tabs = computed((): Tab[] => {
    const { senses, recordings } = this.bench.job();
    return [
      { key: 'senses', words: 'senses', count: senses.length },
      { key: 'joints', words: 'joints', count: senses.filter(needsPin).length },
      { key: 'recordings', words: 'recordings', count: recordings.length },
      { key: 'travel', words: 'travel, counts' },
      { key: 'which', words: 'which sense' },
    ];
  });
}
