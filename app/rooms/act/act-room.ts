import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { ActivatedRoute } from '@angular/router';
import { wholeRun } from '../../../core/house/power-up-scene';
import { RunEnded, WorldProblem } from '../../../core/engines/world';
import { onlyListens } from '../../../core/ground/job';
import { stoodFor } from '../../../core/rooms/act';
import { Tabs, type Tab } from '../../kit/tabs';
import { Bench } from '../../store/bench';
import { FindingList } from '../../ui/finding-list';
import { Settle } from '../../ui/settle';
import { TwoColumns } from '../../ui/two-columns';
import { DaysPart } from './days-part';
import { LedPart } from './led-part';
import { MachinePartView } from './machine-part';
import { MovesPart } from './moves-part';
import { RunPart } from './run-part';
import { StoriesPart } from './stories-part';
import { WayPart } from './way-part';

/** Act: one run of a move over time, the moves, the machine; what can go wrong, many days, and the way from wherever it stands. */
@Component({
  selector: 'gt-act-room',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    DaysPart,
    FindingList,
    LedPart,
    MachinePartView,
    MovesPart,
    RunPart,
    Settle,
    StoriesPart,
    Tabs,
    TwoColumns,
    WayPart,
  ],
  templateUrl: './act-room.html',
})
export class ActRoom {
  protected readonly bench = inject(Bench);
  protected readonly listens = computed(() => onlyListens(this.bench.job()));
  protected readonly stood = stoodFor;
  private readonly query = toSignal(inject(ActivatedRoute).queryParamMap);
  protected readonly tabs: readonly Tab[] = [
    { key: 'run', words: 'one run' },
    { key: 'stories', words: 'what can go wrong' },
    { key: 'days', words: 'many days' },
    { key: 'way', words: 'from here' },
    { key: 'led', words: 'led by hand' },
  ];
  protected readonly tab = computed(() => {
    const asked = this.query()?.get('view') ?? '';
    return this.tabs.some((t) => t.key === asked) ? asked : 'run';
  });
  /** Id of the move that is run and open; empty for the first. */
  protected readonly open = signal('');
  protected readonly move = computed(() =>
    Math.max(
      0,
      this.bench.job().act.moves.findIndex((m) => m.id === this.open()),
    ),
  );
  protected readonly steps = computed(() => (this.bench.job().act.moves[this.move()]?.steps.length ?? 0) > 0);
  private readonly run = computed(() => {
    try {
      return { trace: wholeRun(this.bench.job(), this.bench.assessment(), this.move()), problem: '' };
    } catch (error) {
      if (error instanceof RunEnded) return { trace: null, problem: `Too much to draw: ${error.message}.` };
      // What cannot be run is told by a finding, with its step.
      if (error instanceof WorldProblem) return { trace: null, problem: `This cannot be run: ${error.message}.` };
      throw error;
    }
  });
  protected readonly trace = computed(() => this.run().trace);
  protected readonly problem = computed(() => this.run().problem);
  protected readonly findings = computed(() => this.bench.findings('act'));
}
