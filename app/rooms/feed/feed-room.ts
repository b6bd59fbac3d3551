import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { Tabs, type Tab } from '../../kit/tabs';
import type { Finding } from '../../../core/ground/finding';
import { Bench } from '../../store/bench';
import { FindingList } from '../../ui/finding-list';
import { MarginRulers } from '../../ui/margin-rulers';
import { Settle } from '../../ui/settle';
import { TwoColumns } from '../../ui/two-columns';
import { CellsPart } from './cells-part';
import { LeadsPart } from './leads-part';
import { TimePart } from './time-part';
import { TreePart } from './tree-part';

/** A margin that holds. */
const held = (f: Finding): boolean => f.limit !== null && f.verdict === 'settled';

/** Feed: the tree of supplies as bands, every instant of every course, leads with grounds, cells with energy. */
@Component({
  selector: 'gt-feed-room',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [CellsPart, FindingList, LeadsPart, MarginRulers, Settle, Tabs, TimePart, TreePart, TwoColumns],
  templateUrl: './feed-room.html',
})
export class FeedRoom {
  private readonly bench = inject(Bench);
  /** Which view is open; the address tells it. */
  readonly view = input<string>();
  protected readonly tabs = computed((): readonly Tab[] => [
    { key: 'tree', words: 'tree' },
    { key: 'time', words: 'every instant' },
    {
      key: 'leads',
      words: 'leads and grounds',
      count: this.bench.job().feed.links.filter((l) => l.kind === 'lead').length,
    },
    { key: 'cells', words: 'cells and energy' },
  ]);
  protected readonly tab = computed(() => this.tabs().find((t) => t.key === this.view())?.key ?? 'tree');
  protected readonly findings = computed(() => this.bench.findings('feed'));
  /** Margins that hold stand as rulers alone; the list shows the rest. */
  protected readonly told = computed(() => this.findings().filter((f) => !held(f)));
  protected readonly held = computed(() => this.findings().filter(held));
}
