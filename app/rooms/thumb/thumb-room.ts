import { MatButton } from '@angular/material/button';
import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { Tabs } from '../../kit/tabs';
import { ChoiceField } from '../../kit/choice-field';
import { Action } from '../../kit/action';
import { drawWay } from '../../../core/draw';
import type { Way } from '../../../core/job';
import { orderWords, rankWays, wayHeading } from '../../../core/thumb';
import { WAY_WORDS } from '../../../core/ways';
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

/** Thumb: the ways to press, ranked; the chosen one drawn, with its margins, parts and plan. */
@Component({
  selector: 'gt-thumb-room',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    Action,
    ChangesPanel,
    ChoiceField,
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
  /** A control that is only looked at; what is chosen for the one to be pressed stays. */
  private readonly looked = signal<string | null>(null);
  protected readonly pressed = computed(
    () =>
      this.bench.job().controls.find((c) => c.id === this.bench.job().thumb.control) ?? this.bench.job().controls[0],
  );
  protected readonly looking = computed(() => {
    const id = this.looked();
    return id !== null && id !== this.pressed()?.id && this.bench.job().controls.some((c) => c.id === id) ? id : null;
  });
  /** The job as it would be with the control that is looked at, and no way chosen for it yet. */
  private readonly job = computed(() => {
    const job = this.draft.job();
    const control = this.looking();
    return control ? { ...job, thumb: { ...job.thumb, control, way: null, resistorOhms: null } } : job;
  });
  protected readonly ways = computed(() =>
    this.looking() ? rankWays(this.job(), this.bench.assessment().facts) : this.bench.assessment().ways,
  );
  /** Why the first stands before the second, in the maker's own wishes or by verdict. */
  protected readonly order = computed(() => orderWords(this.ways(), this.bench.job().thumb.wishes));
  protected readonly control = computed(
    () => this.bench.job().controls.find((c) => c.id === this.looking()) ?? this.pressed(),
  );
  protected readonly chosen = computed(() => this.ways().find((w) => w.way === this.job().thumb.way));
  /** The chosen way, or the first; with a slider that is held, as it would be then. */
  protected readonly shown = computed(() => {
    const known = this.chosen() ?? this.ways()[0];
    return known && this.draft.way(known);
  });
  protected readonly heading = computed(() => wayHeading(this.shown()!.way, this.control()?.name ?? ''));
  protected readonly sheet = computed(() => {
    const w = this.shown();
    return w && drawWay(this.job(), this.bench.assessment(), w, 'wiring');
  });
  protected readonly findings = computed(() => this.bench.findings('thumb'));
  /** Margins stand beside the drawing as rulers; the list shows the rest. */
  protected readonly listed = computed(() => this.findings().filter((f) => !f.limit));

  protected look(control: string): void {
    this.looked.set(control);
  }

  /** The control that is looked at becomes the one that is pressed; the way of the other goes, and undo brings it back. */
  protected press(): void {
    const control = this.control()!;
    this.bench.set('thumb', { control: control.id, way: null, resistorOhms: null }, `to be pressed: ${control.name}`);
    this.looked.set(null);
  }

  protected choose(way: Way): void {
    if (this.looking()) this.press();
    this.bench.set('thumb', { way, resistorOhms: null }, `way of pressing: ${WAY_WORDS[way].name}`);
  }
}
