import { MatButton } from '@angular/material/button';
import { MatMenu, MatMenuItem, MatMenuTrigger } from '@angular/material/menu';
import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { scaleLinear } from 'd3-scale';
import { Action, Row } from '../../kit/action';
import { fuseBehind, type FeedRow } from '../../../core/rooms/feed';
import {
  freeNodeId,
  freshConverter,
  freshLink,
  freshLoad,
  freshSource,
  type ConverterKind,
  type JobEdit,
  type LinkKind,
  type SourceKind,
} from '../../../core/ground/job';
import { formatQuantity } from '../../../core/ground/quantity';
import { Bench } from '../../store/bench';
import { Glyph } from '../../ui/glyph';
import { isNarrow } from '../../ui/narrow';
import { NodeEditor } from './node-editor';
import { FeedRehearsal } from './rehearsal';
import { BOX, placeRows } from './layout';

interface Add {
  readonly key: SourceKind | ConverterKind | LinkKind | 'load';
  readonly words: string;
  readonly sort: 'source' | 'converter' | 'link' | 'load';
}
const ADDS: readonly Add[] = [
  { key: 'plug-in', words: 'plug-in supply', sort: 'source' },
  { key: 'rail', words: 'machine’s rail', sort: 'source' },
  { key: 'cells', words: 'cells', sort: 'source' },
  { key: 'bank', words: 'power bank', sort: 'source' },
  { key: 'mains-module', words: 'mains module', sort: 'source' },
  { key: 'linear', words: 'linear regulator', sort: 'converter' },
  { key: 'step-down', words: 'step-down', sort: 'converter' },
  { key: 'step-up', words: 'step-up', sort: 'converter' },
  { key: 'fuse', words: 'fuse', sort: 'link' },
  { key: 'lead', words: 'lead', sort: 'link' },
  { key: 'capacitor', words: 'capacitor', sort: 'link' },
  { key: 'load', words: 'load', sort: 'load' },
];
/** Widths of a band, px. */
const THIN = 1.5;
const THICK = 44;
const PHONE_THICK = 14;
const LEAST_BAR = 14;
const TREE_WIDTH = 700;
const PHONE_WIDTH = 348;

/** The tree of supplies, laid out by itself: bands as wide as their current, colour only where something is wrong, every part opens. */
@Component({
  selector: 'gt-tree-part',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Action, Glyph, MatButton, MatMenu, MatMenuItem, MatMenuTrigger, NodeEditor, Row],
  templateUrl: './tree-part.html',
  styleUrl: './tree-part.scss',
})
export class TreePart {
  private readonly bench = inject(Bench);
  private readonly feed = inject(FeedRehearsal);
  protected readonly adds = ADDS;
  protected readonly box = BOX;
  protected readonly picked = this.feed.picked;
  protected readonly rows = computed(() =>
    this.bench.job().feed.sources.length +
      this.bench.job().feed.links.length +
      this.bench.job().feed.converters.length >
    0
      ? this.feed.rows()
      : [],
  );
  private readonly narrow = isNarrow();
  protected readonly laid = computed(() => placeRows(this.rows(), this.narrow() ? PHONE_WIDTH : TREE_WIDTH));
  protected readonly bands = computed(() => {
    const most = this.narrow() ? PHONE_THICK : THICK;
    const width = scaleLinear([0, Math.max(0.01, ...this.rows().map((r) => r.peakAmps))], [THIN, most]);
    return this.laid().placed.map(({ row, path, x, y }) => {
      const wrong = row.verdict === 'stop' ? 'brick' : row.verdict === 'tight' ? 'brass' : 'patina';
      const peak = width(row.peakAmps);
      return {
        id: row.id,
        path,
        x,
        y: y + BOX.height / 2,
        peak,
        lasting: Math.min(width(row.lastingAmps), peak),
        bar: Math.max(LEAST_BAR, peak),
        soft: `var(--gt-${wrong}-soft)`,
        strong: `var(--gt-${wrong})`,
      };
    });
  });

  protected readonly numbers = (r: FeedRow): string => (r.kind === 'load' ? formatQuantity(r.peakAmps, 'A') : r.what);

  protected readonly label = (r: FeedRow): string =>
    [
      r.name,
      r.what,
      `${formatQuantity(r.peakAmps, 'A')} at the worst instant`,
      Number.isNaN(r.leastVolts) ? 'fed by nothing' : `${formatQuantity(r.leastVolts, 'V')} at least`,
      r.verdict,
    ]
      .filter(Boolean)
      .join(', ');

  protected pick(id: string): void {
    this.picked.set(this.picked() === id ? '' : id);
  }

  /** A new part hangs on the one that is picked; behind a lead or a converter that loads hang on, it takes them over. */
  protected add(k: Add): void {
    const { feed } = this.bench.job();
    if (k.key === 'fuse') {
      const source =
        feed.sources.find((s) => s.id === this.picked()) ?? (this.picked() === '' ? feed.sources[0] : undefined);
      if (source) return this.fuse(source.id);
    }
    const id = freeNodeId(feed, k.sort === 'source' ? 'supply' : k.key);
    const rows = this.rows();
    const at =
      rows.find((r) => r.id === this.picked() && r.kind !== 'load' && r.kind !== 'capacitor')?.id ?? this.onlyEnd();
    const say = `${k.words} added`;
    const name = this.nameOf(k);
    const put: JobEdit =
      k.sort === 'source'
        ? { do: 'put', list: 'feed.sources', item: freshSource(id, name, k.key as SourceKind), say }
        : k.sort === 'converter'
          ? { do: 'put', list: 'feed.converters', item: freshConverter(id, name, k.key as ConverterKind, at), say }
          : k.sort === 'link'
            ? { do: 'put', list: 'feed.links', item: freshLink(id, name, k.key as LinkKind, at), say }
            : { do: 'put', list: 'feed.loads', item: freshLoad(id, name), say };
    this.bench.edit(put);
    this.picked.set(id);
  }

  /** A fuse stands right behind its source: what hung there hangs on the fuse. */
  private fuse(source: string): void {
    const { id, edit } = fuseBehind(this.bench.job().feed, source, null);
    this.bench.edit(edit);
    this.picked.set(id);
  }

  /** The one end of the tree, where there is but one. */
  private onlyEnd(): string {
    const { nodes, ends } = this.feed.rehearsal().tree;
    return ends.length === 1 ? nodes[ends[0]!]!.id : '';
  }

  private nameOf(k: Add): string {
    const { feed } = this.bench.job();
    const taken = new Set([...feed.sources, ...feed.converters, ...feed.links, ...feed.loads].map((x) => x.name));
    for (let n = 1; ; n++) {
      const name = n === 1 ? k.words : `${k.words} ${n}`;
      if (!taken.has(name)) return name;
    }
  }
}
