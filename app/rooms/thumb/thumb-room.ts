import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { Tabs } from '../../kit/tabs';
import { ChoiceField } from '../../kit/choice-field';
import { drawWay } from '../../../core/draw';
import { isJointWay, type Way, type WayWish } from '../../../core/job';
import { firstDifference, WISH_WORDS } from '../../../core/thumb';
import { WAY_WORDS, wayPhrase } from '../../../core/ways';
import type { Choice } from '../../kit/choice-field';
import type { Tab } from '../../kit/tabs';
import { Bench } from '../../store/bench';
import { FindingList } from '../../ui/finding-list';
import { JointDrawing } from '../../ui/joint-drawing';
import { MarginRulers } from '../../ui/margin-rulers';
import { Settle } from '../../ui/settle';
import { TwoColumns } from '../../ui/two-columns';
import { ChangesPanel } from './changes-panel';
import { ComparePanel } from './compare-panel';
import { Draft } from './draft';
import { FingerPlanPanel } from './finger-plan';
import { HandPlanPanel } from './hand-plan';
import { JointPlan } from './joint-plan';
import { MotorPlanPanel } from './motor-plan';
import { PartsBill } from './parts-bill';
import { ProofPanel } from './proof-panel';
import { ScanPlanPanel } from './scan-plan';
import { SignalPlanPanel } from './signal-plan';
import { RemotePlanPanel, SupplyPlanPanel } from './small-plans';
import { WayList } from './way-list';
import { WireTable } from './wire-table';
import { WishOrder } from './wish-order';

/** Wishes that are no verbs, as the end of a sentence that begins with “it”. */
const WISH_PHRASE: Partial<Record<WayWish, string>> = {
  isolated: 'keeps the two sides apart',
  'few-parts': 'takes fewer parts',
  small: 'is smaller',
  cheap: 'is cheaper',
  unopened: 'leaves the machine shut',
  'hand-switch': 'lets a hand press it still',
};
/** Ways that stand in for a thumb at the control itself; the others do something else to the machine. */
const ACROSS: readonly Way[] = ['strobe-answer', 'logic-injector'];

/** Thumb: the ways to press, ranked; the chosen one drawn, with its margins, parts and plan. */
@Component({
  selector: 'gt-thumb-room',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    ChangesPanel,
    ChoiceField,
    ComparePanel,
    FindingList,
    FingerPlanPanel,
    HandPlanPanel,
    JointDrawing,
    JointPlan,
    MarginRulers,
    MotorPlanPanel,
    PartsBill,
    ProofPanel,
    RemotePlanPanel,
    ScanPlanPanel,
    Settle,
    SignalPlanPanel,
    SupplyPlanPanel,
    Tabs,
    TwoColumns,
    WayList,
    WireTable,
    WishOrder,
  ],
  templateUrl: './thumb-room.html',
})
export class ThumbRoom {
  protected readonly bench = inject(Bench);
  private readonly draft = inject(Draft);
  protected readonly tabs: readonly Tab[] = [
    { key: 'drawing', words: 'drawing' },
    { key: 'wires', words: 'wire table' },
    { key: 'parts', words: 'parts' },
    { key: 'compare', words: 'compare' },
    { key: 'for-and-against', words: 'for and against' },
  ];
  /** Which view is open; the address tells it. */
  readonly view = input<string>();
  protected readonly tab = computed(() => this.tabs.find((t) => t.key === this.view())?.key ?? 'drawing');
  protected readonly controls = computed(() => this.bench.job().controls.map((c): Choice => [c.id, c.name]));
  protected readonly ways = computed(() => this.bench.assessment().ways);
  /** Why the first stands before the second, in the maker's own wishes or by verdict. */
  protected readonly order = computed(() => {
    const [best, next] = this.ways();
    if (!best || !next) return '';
    if (best.verdict !== next.verdict)
      return `${WAY_WORDS[best.way].name} stands before ${wayPhrase(next.way)} by its verdict.`;
    const wish = firstDifference(best.way, next.way, this.bench.job().thumb.wishes);
    return wish
      ? `${WAY_WORDS[best.way].name} stands before ${wayPhrase(next.way)}: it ${WISH_PHRASE[wish] ?? WISH_WORDS[wish]}.`
      : '';
  });
  protected readonly control = computed(
    () =>
      this.bench.job().controls.find((c) => c.id === this.bench.job().thumb.control) ?? this.bench.job().controls[0],
  );
  protected readonly chosen = computed(() => this.ways().find((w) => w.way === this.bench.job().thumb.way));
  /** The chosen way, or the first; with a slider that is held, as it would be then. */
  protected readonly shown = computed(() => {
    const known = this.chosen() ?? this.ways()[0];
    return known && this.draft.way(known);
  });
  protected readonly heading = computed(() => {
    const w = this.shown()!;
    const name = this.control()?.name ?? '';
    if (isJointWay(w.way)) return `${WAY_WORDS[w.way].name} across ${name}`;
    return ACROSS.includes(w.way)
      ? `${WAY_WORDS[w.way].name}, for ${name}`
      : w.way === 'finger'
        ? `${WAY_WORDS[w.way].name}, over ${name}`
        : WAY_WORDS[w.way].name;
  });
  protected readonly sheet = computed(() => {
    const w = this.shown();
    return w && drawWay(this.draft.job(), this.bench.assessment(), w, 'wiring');
  });
  protected readonly findings = computed(() => this.bench.findings('thumb'));
  /** Margins stand beside the drawing as rulers; the list shows the rest. */
  protected readonly listed = computed(() => this.findings().filter((f) => !f.limit));

  protected press(control: string): void {
    this.bench.set(
      'thumb',
      { control, way: null, resistorOhms: null },
      `to be pressed: ${this.bench.job().controls.find((c) => c.id === control)?.name ?? control}`,
    );
  }

  protected choose(way: Way): void {
    this.bench.set('thumb', { way, resistorOhms: null }, `way of pressing: ${WAY_WORDS[way].name}`);
  }
}
