import { ChangeDetectionStrategy, Component, computed, effect, inject, input } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { Action } from '../../kit/action';
import { Tabs, type Tab } from '../../kit/tabs';
import { drawWay } from '../../../core/house/draw';
import { wholeWiring } from '../../../core/house/job-wiring';
import { freeId, freshPress, onlyListens, type Way } from '../../../core/ground/job';
import { orderWords, wayHeading } from '../../../core/rooms/thumb';
import { WAY_WORDS } from '../../../core/build/ways';
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
import { PressPanel } from './press-panel';
import { PressRow } from './press-row';
import { ProofPanel } from './proof-panel';
import { ScanPlanPanel } from './scan-plan';
import { SignalPlanPanel } from './signal-plan';
import { RemotePlanPanel, SupplyPlanPanel } from './small-plans';
import { WayList } from './way-list';
import { WireTable } from './wire-table';
import { WishOrder } from './wish-order';

/** Thumb: the job's presses in a row; of one of them the ways, ranked, and the chosen one drawn, with its margins, parts and plan. */
@Component({
  selector: 'gt-thumb-room',
  changeDetection: ChangeDetectionStrategy.OnPush,
  providers: [Draft],
  imports: [
    Action,
    ChangesPanel,
    ComparePanel,
    FindingList,
    FingerPlanPanel,
    HandPlanPanel,
    JointDrawing,
    JointPlan,
    MarginRulers,
    MatButton,
    MotorPlanPanel,
    PartsBill,
    PressPanel,
    PressRow,
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
  /** The press that the address names. */
  readonly press = input<string>();
  protected readonly here = computed(() => this.draft.press());
  protected readonly ways = this.draft.ways;
  /** Why the first stands before the second, in the maker's own wishes or by verdict. */
  protected readonly order = computed(() => orderWords(this.ways(), this.bench.job().bench.wishes));
  protected readonly control = computed(() => this.bench.job().controls.find((c) => c.id === this.here()?.control));
  protected readonly chosen = computed(() => this.ways().find((w) => w.way === this.here()?.way));
  /** The chosen way, or the first; with a slider that is held, as it would be then. */
  protected readonly shown = computed(() => {
    const known = this.chosen() ?? this.ways()[0];
    return known && this.draft.way(known);
  });
  protected readonly heading = computed(() => this.headingOf(this.shown()!.way));
  /** What is bought is no button that a way could stand across. */
  private headingOf(way: Way): string {
    const control = this.control();
    return control ? wayHeading(way, control.name) : `${WAY_WORDS[way].name}: ${this.here()?.name ?? ''}`;
  }
  protected readonly sheet = computed(() => {
    const [w, press] = [this.shown(), this.here()];
    return w && press && drawWay(this.draft.job(), this.bench.assessment(), press, w, 'wiring');
  });
  protected readonly wiring = computed(() => wholeWiring(this.bench.seen().job, this.bench.assessment()));
  protected readonly findings = computed(() => this.bench.findings('thumb'));
  /** Margins stand beside the drawing as rulers; the list shows the rest, of this press and of what all share. */
  protected readonly listed = computed(() => {
    const here = this.here()?.id;
    return this.findings().filter((f) => !f.limit && (f.about?.press === undefined || f.about.press === here));
  });

  protected readonly listens = computed(() => onlyListens(this.bench.job()));

  /** A press of what is bought: it belongs to no control. */
  protected addBare(): void {
    const job = this.bench.job();
    const press = freshPress(freeId(job, 'press'), 'press');
    this.bench.edit({
      do: 'several',
      edits: [
        { do: 'set', at: 'wish', set: { role: 'acts' } },
        { do: 'put', list: 'presses', item: press },
      ],
      say: 'a press of something without a button',
    });
  }

  constructor() {
    effect(() => this.draft.named.set(this.press() ?? ''));
  }

  protected choose(way: Way): void {
    this.draft.set('press', { way, resistorOhms: null }, `way of pressing: ${WAY_WORDS[way].name}`);
  }
}
