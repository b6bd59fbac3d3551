import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { ChoiceField, choicesOf, type Choice } from '../../kit/choice-field';
import { FieldScope } from '../../kit/half-typed';
import { QuantityField } from '../../kit/quantity-field';
import { TextField } from '../../kit/text-field';
import { findingsOf, hangChoices } from '../../../core/rooms/feed';
import {
  converterFields,
  dutyFields,
  linkFields,
  loadFields,
  sourceFields,
  type FeedConverter,
  type FeedDuty,
  type FeedLink,
  type FeedLoad,
  type FeedSource,
  type ListName,
} from '../../../core/ground/job';
import { formatQuantity } from '../../../core/ground/quantity';
import { Bench } from '../../store/bench';
import { DropButton } from '../../ui/drop-button';
import { FindingList } from '../../ui/finding-list';
import { TakeAway } from '../../ui/take-away';
import { FeedRehearsal } from './rehearsal';

/** One part of the tree, or one load: what is said of it, what it hangs on, and what is found of it. */
@Component({
  selector: 'gt-node-editor',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ChoiceField, DropButton, FieldScope, FindingList, QuantityField, TextField],
  templateUrl: './node-editor.html',
  styles:
    '.thing { border-top: 1px solid var(--gt-hairline); padding: 10px 0; display: flex; flex-direction: column; gap: 12px; }',
})
export class NodeEditor {
  private readonly bench = inject(Bench);
  private readonly feed = inject(FeedRehearsal);
  private readonly taker = inject(TakeAway);
  readonly id = input.required<string>();
  readonly gone = output();
  protected readonly sources = sourceFields;
  protected readonly converters = converterFields;
  protected readonly links = linkFields;
  protected readonly loads = loadFields;
  protected readonly sourceKinds = choicesOf<FeedSource['kind']>(sourceFields.kind);
  protected readonly chemistries = choicesOf<FeedSource['chemistry']>(sourceFields.chemistry);
  protected readonly currents = choicesOf<FeedSource['current']>(sourceFields.current);
  protected readonly polarities = choicesOf<FeedSource['polarity']>(sourceFields.polarity);
  protected readonly isolation: readonly Choice<FeedSource['isolated']>[] = [
    ['unknown', 'not said yet'],
    ['yes', 'yes, by its marks'],
    ['no', 'no'],
  ];
  protected readonly converterKinds = choicesOf<FeedConverter['kind']>(converterFields.kind);
  protected readonly packages = choicesOf<FeedConverter['package']>(converterFields.package);
  protected readonly strands = choicesOf<FeedLink['strand']>(linkFields.strand);
  protected readonly connectors = choicesOf<FeedLink['connector']>(linkFields.connector);
  protected readonly inputs = choicesOf<FeedDuty['into']>(dutyFields.into);
  protected readonly job = computed(() => this.bench.job());
  protected readonly row = computed(() => this.feed.rows().find((r) => r.id === this.id()));
  protected readonly source = computed(() => this.job().feed.sources.find((s) => s.id === this.id()));
  protected readonly converter = computed(() => this.job().feed.converters.find((c) => c.id === this.id()));
  protected readonly link = computed(() => this.job().feed.links.find((l) => l.id === this.id()));
  protected readonly own = computed(() => this.job().feed.loads.find((l) => l.id === this.id()));
  protected readonly findings = computed(() => findingsOf(this.bench.findings('feed'), this.id()));
  protected readonly rails = computed((): Choice[] => [
    ['', 'not said yet'],
    ...this.job().survey.rails.map((r): Choice => [r.id, r.name]),
  ]);
  protected readonly presses = computed((): Choice[] => [
    ['', 'at any time'],
    ...this.job().presses.map((p): Choice => [p.id, p.name]),
  ]);
  protected readonly hangs = computed((): Choice[] => [
    ['', 'nothing yet'],
    ...hangChoices(this.feed.job(), this.feed.rehearsal(), this.id()).map((c): Choice => [c.id, c.words]),
  ]);
  protected readonly hungOn = computed(
    () => this.job().feed.hangs.find((h) => h.load === this.id())?.node ?? this.row()?.from ?? '',
  );
  protected readonly about = computed(() => {
    const r = this.row();
    if (!r || Number.isNaN(r.leastVolts)) return '';
    const volts = `${formatQuantity(r.leastVolts, 'V')} to ${formatQuantity(r.mostVolts, 'V')}`;
    return `${formatQuantity(r.peakAmps, 'A')} at the worst instant, ${volts}; least: ${r.when}`;
  });
  protected readonly droppable = computed((): ListName | null =>
    this.source()
      ? 'feed.sources'
      : this.converter()
        ? 'feed.converters'
        : this.link()
          ? 'feed.links'
          : this.own()
            ? 'feed.loads'
            : null,
  );

  protected setSource(set: Partial<FeedSource>): void {
    this.bench.put('feed.sources', { ...this.source()!, ...set });
  }
  protected setConverter(set: Partial<FeedConverter>): void {
    this.bench.put('feed.converters', { ...this.converter()!, ...set });
  }
  protected setLink(set: Partial<FeedLink>): void {
    this.bench.put('feed.links', { ...this.link()!, ...set });
  }
  protected setLoad(set: Partial<FeedLoad>): void {
    this.bench.put('feed.loads', { ...this.own()!, ...set });
  }
  protected into(into: FeedDuty['into']): void {
    this.bench.edit({ do: 'set', at: 'feed.duty', set: { into } });
  }
  protected hang(node: string): void {
    const load = this.id();
    if (node) this.bench.put('feed.hangs', { load, node });
    else if (this.job().feed.hangs.some((h) => h.load === load)) this.bench.drop('feed.hangs', load);
  }
  protected drop(list: ListName): void {
    this.taker.drop(this.row()!.name, list, this.id());
    this.gone.emit();
  }
}
