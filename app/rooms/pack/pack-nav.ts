import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { Tabs, type Tab } from '../../kit/tabs';
import { PartState } from '../../ui/part-state';

/** The parts of Pack as tabs; the address tells which is open. */
@Component({
  selector: 'gt-pack-nav',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Tabs],
  template: `<gt-tabs label="What leaves" param="part" [tabs]="tabs" [here]="here()" />`,
})
export class PackNav {
  protected readonly here = inject(PartState).part;
  protected readonly tabs: readonly Tab[] = [
    { key: 'files', words: 'files' },
    { key: 'rehearsal', words: 'rehearsal' },
  ];
}
