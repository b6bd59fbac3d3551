import { MatButton } from '@angular/material/button';
import { ChangeDetectionStrategy, Component, computed, effect, inject, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { FormControl } from '@angular/forms';
import { MatProgressBar } from '@angular/material/progress-bar';
import { DropButton } from '../../ui/drop-button';
import { Cell, Table, type Column } from '../../kit/table';
import { ChoiceField, type Choice } from '../../kit/choice-field';
import { TextField } from '../../kit/text-field';
import { Action } from '../../kit/action';
import { text } from '../../../core/ground/field';
import type { Keypad, PadKey } from '../../../core/ground/job';
import {
  controlFromKey,
  controlNameOf,
  decodeKeypad,
  decodingTroubles,
  ghosts,
  keyOfName,
  mapOnto,
  pinSides,
  readPad,
  sharedLines,
  type LabelledTiming,
} from '../../../core/engines/scan';
import { formatQuantity, seededRandom } from '../../../core/ground/quantity';
import { padCapture, PROOFER_PAD } from '../../../core/engines/standin';
import { pickFiles } from '../../kit/pick-files';
import { TakeAway } from '../../ui/take-away';
import { Bench } from '../../store/bench';
import { FindingList } from '../../ui/finding-list';
import { Settle } from '../../ui/settle';
import { TwoColumns } from '../../ui/two-columns';
import { Captures } from '../../store/captures';
import { PadDrawing } from './pad-drawing';
import { PartsNav } from './parts-nav';
import { ScanStrip } from './scan-strip';

const EXAMPLE_PAD = '1 2 3\n4 5 6\n7 8 9\nwarm 0 start';

/** Keypads: which two lines each key joins, from captures of the lines or from continuity of the tail. */
@Component({
  selector: 'gt-keypad-part',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    Action,
    Cell,
    ChoiceField,
    DropButton,
    FindingList,
    MatButton,
    MatProgressBar,
    PadDrawing,
    PartsNav,
    ScanStrip,
    Settle,
    Table,
    TextField,
    TwoColumns,
  ],
  templateUrl: './keypad-part.html',
})
export class KeypadPart {
  private readonly bench = inject(Bench);
  protected readonly captures = inject(Captures);
  private readonly taker = inject(TakeAway);
  protected readonly labelField = text('name', { least: 1, most: 60 });
  protected readonly pinField = text('pin', { most: 20 });
  protected readonly held = new FormControl('', { nonNullable: true });
  protected readonly pinA = new FormControl('', { nonNullable: true });
  protected readonly pinB = new FormControl('', { nonNullable: true });
  protected readonly padName = new FormControl('front pad', { nonNullable: true });
  protected readonly padRows = new FormControl(EXAMPLE_PAD, { nonNullable: true });
  protected readonly labelOf = (c: LabelledTiming): string => c.label;
  protected readonly captureColumns: readonly Column<ReturnType<typeof this.captures.list>[number]>[] = [
    { key: 'label', head: 'key held' },
    {
      key: 'what',
      head: 'what was read',
      text: (c) =>
        `${c.timing.lines.length} lines, ${this.seconds(c.timing.seconds)}, ${c.timing.events} events` +
        (c.cutOff ? '; the file was cut off' : ''),
    },
    { key: 'do', head: '' },
  ];
  protected readonly keyChoices = computed(() => (this.pad()?.keys ?? []).map((k): Choice => [k.label, k.label]));
  protected readonly pointed = toSignal(this.held.valueChanges, { initialValue: '' });
  protected readonly look = signal('');
  protected readonly error = signal('');
  protected readonly troubles = signal<readonly string[]>([]);
  protected readonly pad = computed(() => this.bench.job().survey.keypads[0]);
  protected readonly findings = computed(() =>
    this.bench.findings('probe').filter((f) => f.about?.keypad !== undefined),
  );
  protected readonly shared = computed(() => (this.pad() ? sharedLines(this.pad()!) : []));
  private readonly ghosts = computed(() => (this.pad() ? ghosts(this.pad()!) : []));
  protected readonly ghostCount = computed(() => this.ghosts().length);
  protected readonly firstGhost = computed(() => this.ghosts()[0]);
  protected readonly looked = computed(() => this.captures.list().find((c) => c.label === this.look()));
  protected readonly odd = computed(
    () =>
      pinSides(
        (this.pad()?.keys ?? [])
          .filter((k) => k.lines.length === 2)
          .map((k) => ({ key: k.label, a: k.lines[0]!, b: k.lines[1]! })),
      ).contradiction,
  );
  protected readonly seconds = (s: number): string => formatQuantity(s, 's');

  constructor() {
    effect(() => this.captures.belongTo(this.bench.id()));
  }

  protected async open(): Promise<void> {
    const files = await pickFiles('.vcd,.csv,.txt', true);
    if (files.length) this.captures.read(files);
  }

  protected fromStandin(): void {
    const random = seededRandom(this.bench.job().standin.seed);
    const keys = [null, ...PROOFER_PAD.keys.flat()];
    this.captures.read(keys.map((key) => new File([padCapture(PROOFER_PAD, key, 40, random)], `${key ?? 'idle'}.vcd`)));
  }

  private keep(pad: Keypad, say: string): void {
    this.bench.put('survey.keypads', pad, say);
  }

  protected draw(): void {
    const read = readPad(this.padRows.value);
    this.error.set(read.ok ? '' : read.message);
    if (!read.ok) return;
    const { rows, columns, keys } = read;
    const name = this.padName.value || 'pad';
    this.keep({ id: this.bench.newId(), name, rows, columns, keys, scan: null }, `keypad ${name}: ${keys.length} keys`);
  }

  protected decode(pad: Keypad): void {
    const captures = this.captures.list().map((c) => ({ ...c, label: keyOfName(pad, c.label) }));
    const map = decodeKeypad(captures);
    const laid = mapOnto(pad, map);
    this.troubles.set(decodingTroubles(map, laid.strangers));
    if (map.scan) this.keep(laid.pad, `${pad.name}: map read from ${captures.length} captures`);
  }

  /** The keys whose lines are known, and which of them are controls already. */
  protected readonly pressable = computed(() =>
    (this.pad()?.keys ?? [])
      .filter((k) => k.lines.length === 2)
      .map((key) => {
        const name = controlNameOf(key);
        const control = this.bench.job().controls.find((c) => c.name === name);
        const told = this.bench
          .job()
          .readings.some((r) => r.control === control?.id && r.by === 'capture' && !r.struck);
        return { key, name, taken: control !== undefined && told };
      }),
  );

  protected pressKey(pad: Keypad, key: PadKey): void {
    this.bench.edit(controlFromKey(this.bench.job(), pad, key, this.bench.now(), this.bench.newId));
  }

  protected join(pad: Keypad): void {
    const [label, x, y] = [this.held.value, this.pinA.value, this.pinB.value];
    if (!label || !x || !y || x === y) return this.troubles.set(['Say the key that is held, and two different pins.']);
    this.troubles.set([]);
    this.keep(
      { ...pad, keys: pad.keys.map((k) => (k.label === label ? { ...k, lines: [x, y], from: 'continuity' } : k)) },
      `${pad.name}: ${label} joins pins ${x} and ${y}`,
    );
    this.pinA.reset();
    this.pinB.reset();
  }

  protected remove(pad: Keypad): void {
    this.taker.drop(pad.name, 'survey.keypads', pad.id);
  }
}
