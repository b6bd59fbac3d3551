import { MatButton } from '@angular/material/button';
import { MatProgressBar } from '@angular/material/progress-bar';
import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { firstMove, isLed, ledFinding, timingsOfLed, type LedTime, type Take } from '../../../core/rooms/act';
import type { Finding } from '../../../core/ground/finding';
import { machineOf, withMachine } from '../../../core/ground/job';
import { formatQuantity } from '../../../core/ground/quantity';
import { Action } from '../../kit/action';
import { pickFiles } from '../../kit/pick-files';
import { Cell, Table, type Column } from '../../kit/table';
import { Bench } from '../../store/bench';
import { Takes } from '../../store/takes';
import { DropButton } from '../../ui/drop-button';
import { Num } from '../../ui/num';

const say = (s: number): string => formatQuantity(Number(s.toPrecision(3)), 's');

/** Led by hand: whoever stands at the machine says when they press and what the senses say; a few takes become the steps of a move. */
@Component({
  selector: 'gt-led-part',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Action, Cell, DropButton, MatButton, MatProgressBar, Num, Table],
  templateUrl: './led-part.html',
  styles: ':host { display: flex; flex-direction: column; gap: 14px; }',
})
export class LedPart {
  private readonly bench = inject(Bench);
  protected readonly takes = inject(Takes);
  protected readonly presses = computed(() => this.bench.job().presses);
  protected readonly senses = computed(() => this.bench.job().senses);
  /** The press that is down, by id; and what each sense said last in this take. */
  protected readonly down = signal('');
  private readonly says = signal<Readonly<Record<string, boolean>>>({});
  protected readonly move = computed(() => firstMove(this.bench.job()));
  protected readonly isNow = computed(() => isLed(this.move().steps, this.takes.led()));
  protected readonly times = computed((): readonly LedTime[] => {
    const led = this.takes.led();
    return led.ok ? led.times : [];
  });
  protected readonly problem = computed(() => {
    const led = this.takes.led();
    return led.ok || this.takes.list().length === 0 ? '' : led.problem;
  });
  /** Timings of the machine that its own do not hold yet. */
  protected readonly timings = computed(() => {
    const known = machineOf(this.bench.job()).timings.map((t) => `${t.of} ${t.seconds}`);
    return timingsOfLed(this.bench.job(), this.takes.led()).filter((t) => !known.includes(`${t.of} ${t.seconds}`));
  });
  protected readonly columns: readonly Column<LedTime>[] = [
    { key: 'step', head: 'step', text: (t) => t.words },
    { key: 'took', head: 'took', text: (t) => t.seconds.map(say).join(', ') },
    { key: 'taken', head: 'the move takes' },
  ];
  protected readonly why = (t: LedTime): Finding => ledFinding(t, this.times().indexOf(t) + 1);
  protected readonly track = (t: LedTime): string => `${this.times().indexOf(t)}`;
  protected readonly count = (t: Take): string => {
    const n = t.events.filter((e) => e.what === 'down').length;
    return `${t.name}: ${n} ${n === 1 ? 'press' : 'presses'}`;
  };

  constructor() {
    this.takes.captures.belongTo(this.bench.job().id);
  }

  protected begin(): void {
    this.down.set('');
    this.says.set({});
    this.takes.begin();
  }

  /** A press goes down at one push of its button, and up at the next: both hands may be at the machine. */
  protected push(press: string): void {
    const up = this.down() === press;
    this.takes.tell(up ? 'up' : 'down', press);
    this.down.set(up ? '' : press);
  }

  protected readonly saysSo = (sense: string): boolean => this.says()[sense] ?? false;
  protected sense(id: string): void {
    const is = !this.saysSo(id);
    this.says.update((all) => ({ ...all, [id]: is }));
    this.takes.tell(is ? 'yes' : 'no', id);
  }

  protected async open(): Promise<void> {
    const files = await pickFiles('.vcd,.csv,.txt', true);
    if (files.length > 0) this.takes.captures.read(files);
  }

  protected keepTimings(): void {
    const job = this.bench.job();
    const timings = [...machineOf(job).timings, ...this.timings()];
    this.bench.edit(withMachine(job, { timings }, `timings from led runs: ${this.timings().length}`));
  }

  protected take(): void {
    const led = this.takes.led();
    if (!led.ok) return;
    const n = this.takes.list().length;
    const move = this.move();
    this.bench.put(
      'act.moves',
      { ...move, steps: [...led.steps] },
      `${move.name}: as led by hand, ${n === 1 ? 'once' : `${n} times`}`,
    );
  }
}
