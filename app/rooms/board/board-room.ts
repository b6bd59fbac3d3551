import { MatButton } from '@angular/material/button';
import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { Action, Row } from '../../kit/action';
import { CheckField } from '../../kit/check-field';
import { ChoiceField, type Choice } from '../../kit/choice-field';
import { Tabs, type Tab } from '../../kit/tabs';
import { assignPins, boardsOf, pinRows, profileOf, takenByBoard, type PinRow } from '../../../core/rooms/board';
import { pinOf, type Line } from '../../../core/build/lines';
import { gravest } from '../../../core/ground/finding';
import { onlyListens } from '../../../core/ground/job';
import { Bench } from '../../store/bench';
import { FindingList } from '../../ui/finding-list';
import { Glyph } from '../../ui/glyph';
import { Settle } from '../../ui/settle';
import { TwoColumns } from '../../ui/two-columns';
import { BoardsPart } from './boards-part';
import { HandsPart } from './hands-part';
import { PinLevels } from './pin-levels';
import { PowerUpStrip } from './power-up-strip';
import { UnitPins } from './unit-pins';

/** Board: every line with its pin, the pins as two columns of labels, the strip of all lines below; hands, signs and own boards beside. */
@Component({
  selector: 'gt-board-room',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    Action,
    BoardsPart,
    CheckField,
    ChoiceField,
    FindingList,
    Glyph,
    HandsPart,
    MatButton,
    PinLevels,
    PowerUpStrip,
    Row,
    Settle,
    Tabs,
    TwoColumns,
    UnitPins,
  ],
  templateUrl: './board-room.html',
})
export class BoardRoom {
  protected readonly bench = inject(Bench);
  protected readonly tabs: readonly Tab[] = [
    { key: 'pins', words: 'lines and pins' },
    { key: 'hands', words: 'hands and signs' },
    { key: 'boards', words: 'boards' },
  ];
  /** Which view is open; the address tells it. */
  readonly view = input<string>();
  protected readonly tab = computed(() => this.tabs.find((t) => t.key === this.view())?.key ?? 'pins');
  private readonly picked = signal('');
  protected readonly profiles = computed(() => boardsOf(this.bench.job()).map((p): Choice => [p.key, p.name]));
  protected readonly profile = computed(() => profileOf(this.bench.job()));
  protected readonly findings = computed(() => this.bench.findings('board'));
  protected readonly listens = computed(() => onlyListens(this.bench.job()));
  protected readonly lines = computed(() => this.bench.assessment().lines);
  /** The line that is placed by a press on a pin: the picked one, else the first without a pin, else the first. */
  protected readonly line = computed(
    () =>
      this.lines().find((l) => l.id === this.picked()) ??
      this.lines().find((l) => pinOf(this.bench.job(), l.id) === null) ??
      this.lines()[0] ??
      null,
  );
  protected readonly rows = computed(() =>
    this.lines().map((line) => {
      const choice = this.bench.job().board.pins.find((p) => p.line === line.id);
      const own = this.findings().filter((f) => f.about?.line === line.id || f.about?.owner === line.owner);
      return {
        line,
        gpio: choice?.gpio ?? null,
        fixed: choice?.fixed ?? false,
        verdict: gravest(own.map((f) => f.verdict)),
      };
    }),
  );
  protected readonly pins = computed(() => pinRows(this.bench.job(), this.lines(), this.line()));
  protected readonly taken = computed(() => takenByBoard(this.bench.job()).join(', '));
  protected readonly seen = signal<number | null>(null);
  /** The pin whose levels are shown: the one that was pointed at, else that of the line. */
  protected readonly chart = computed(() => {
    const gpio = this.seen() ?? (this.line() ? pinOf(this.bench.job(), this.line()!.id) : null);
    return this.profile()?.pins.find((p) => p.gpio === gpio);
  });
  protected readonly press = computed(() => this.line()?.press ?? null);
  protected readonly open = computed(() => this.rows().some((r) => r.gpio === null));
  /** The press whose pins may have a resistor to ground: that of the line. */
  protected readonly resistor = computed(() => {
    const line = this.line();
    return line?.acts && line.press?.input === 'level'
      ? this.bench.job().presses.find((p) => p.id === line.owner)
      : undefined;
  });
  protected readonly fixedCount = computed(() => this.rows().filter((r) => r.fixed).length);
  /** What placing all lines would come to; null where it changes nothing or not all can be placed. */
  protected readonly placing = computed(() => {
    const profile = this.profile();
    const job = this.bench.job();
    if (!profile || this.lines().length === 0) return null;
    const done = assignPins(job, this.lines(), profile);
    if (!done.ok) return null;
    const same = done.pins.every((p) => pinOf(job, p.line) === p.gpio);
    return same ? null : done.pins;
  });
  protected readonly usedWords = (x: PinRow): string => x.used.map((l) => l.name).join(', ');

  protected pick(line: Line): void {
    this.picked.set(line.id);
    this.seen.set(null);
  }

  protected controller(key: string): void {
    const name = this.profiles().find(([k]) => k === key)?.[1] ?? key;
    this.bench.set('board', { profile: key }, `controller: ${name}`);
  }

  /** A press on a pin gives it to the line, fixed by hand; on the line's own pin it takes it away. */
  protected place(x: PinRow): void {
    const line = this.line();
    this.seen.set(x.pin.gpio);
    if (!line) return;
    if (x.used.includes(line)) this.bench.drop('board.pins', line.id, `no pin for ${line.name}`);
    else
      this.bench.put(
        'board.pins',
        { line: line.id, gpio: x.pin.gpio, fixed: true },
        `${line.name} on pin ${x.pin.gpio}`,
      );
  }

  protected fix(line: Line, fixed: boolean): void {
    const gpio = pinOf(this.bench.job(), line.id);
    if (gpio !== null)
      this.bench.put(
        'board.pins',
        { line: line.id, gpio, fixed },
        fixed ? `${line.name} stays on pin ${gpio}` : `${line.name} may leave pin ${gpio}`,
      );
  }

  protected placeAll(): void {
    const pins = this.placing();
    if (!pins) return;
    const kept = this.bench.job().board.pins.filter((p) => !this.lines().some((l) => l.id === p.line));
    this.bench.set('board', { pins: [...kept, ...pins] }, 'all lines placed');
  }

  protected pull(press: { id: string; name: string }, pullDown: boolean): void {
    const say = pullDown ? 'pull-down at the pin' : 'no pull-down at the pin';
    this.bench.edit({ do: 'set', at: 'press', of: press.id, set: { pullDown }, say });
  }
}
