import { ChangeDetectionStrategy, Component, computed, effect, inject, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import type { Control, Keypad, PadKey } from '../../../core/job';
import { decodeKeypad, ghosts, pinSides, sharedLines } from '../../../core/scan';
import { formatQuantity, seededRandom } from '../../../core/quantity';
import { padCapture, PROOFER_PAD } from '../../../core/standin';
import { Bench } from '../../store/bench';
import { FindingList } from '../../ui/finding-list';
import { Settle } from '../../ui/settle';
import { TwoColumns } from '../../ui/two-columns';
import { Captures } from './captures';
import { PadDrawing } from './pad-drawing';
import { PartsNav } from './parts-nav';
import { ScanStrip } from './scan-strip';

/** Keypads: which two lines each key joins, from captures of the lines or from continuity of the tail. */
@Component({
  selector: 'gt-keypad-part',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FindingList, MatButton, PadDrawing, PartsNav, ScanStrip, Settle, TwoColumns],
  templateUrl: './keypad-part.html',
})
export class KeypadPart {
  private readonly bench = inject(Bench);
  protected readonly captures = inject(Captures);
  protected readonly pointed = signal('');
  protected readonly look = signal('');
  protected readonly error = signal('');
  protected readonly troubles = signal<readonly string[]>([]);
  protected readonly pad = computed(() => this.bench.job().survey.keypads[0]);
  protected readonly findings = computed(() =>
    this.bench.findings('probe').filter((f) => f.id.startsWith('probe.keypad.')),
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

  protected open(chooser: HTMLInputElement): void {
    const files = [...(chooser.files ?? [])];
    if (files.length) this.captures.read(files);
    chooser.value = '';
  }

  protected fromStandin(): void {
    const random = seededRandom(this.bench.job().standin.seed);
    const keys = [null, ...PROOFER_PAD.keys.flat()];
    this.captures.read(keys.map((key) => new File([padCapture(PROOFER_PAD, key, 40, random)], `${key ?? 'idle'}.vcd`)));
  }

  private keep(pad: Keypad, say: string): void {
    this.bench.put('survey.keypads', pad, say);
  }

  protected draw(name: string, text: string): void {
    const rows = text
      .split('\n')
      .map((r) => r.trim().split(/\s+/).filter(Boolean))
      .filter((r) => r.length);
    const keys = rows.flatMap((r, row) =>
      r
        .map((label, column): PadKey => ({ label, row, column, lines: [], from: 'hand' }))
        .filter((k) => k.label !== '.'),
    );
    const twice = keys.find((k, i) => keys.findIndex((o) => o.label === k.label) !== i);
    const columns = Math.max(0, ...rows.map((r) => r.length));
    const why =
      keys.length === 0
        ? 'There is no key yet.'
        : twice
          ? `The key ${twice.label} stands twice; give each a label of its own.`
          : rows.length > 16 || columns > 16
            ? 'A pad has at most 16 rows and 16 columns.'
            : '';
    this.error.set(why);
    if (!why)
      this.keep(
        { id: this.bench.newId(), name: name.trim() || 'pad', rows: rows.length, columns, keys, scan: null },
        `keypad ${name}: ${keys.length} keys`,
      );
  }

  protected decode(pad: Keypad): void {
    const map = decodeKeypad(this.captures.list());
    const strangers = map.keys
      .filter((k) => !pad.keys.some((p) => p.label === k.label))
      .map((k) => `There is no key ${k.label} on the pad; rename the capture.`);
    this.troubles.set([...map.problems.map((p) => p.text), ...strangers]);
    if (!map.scan) return;
    const keys = pad.keys.map((k): PadKey => {
      const found = map.keys.filter((f) => f.label === k.label);
      return found.length === 1 ? { ...k, lines: [found[0]!.strobe, found[0]!.sense], from: 'capture' } : k;
    });
    this.keep({ ...pad, keys, scan: map.scan }, `${pad.name}: map read from ${this.captures.list().length} captures`);
  }

  /** Controls named like a key of the pad, which the scan tells about. */
  protected readonly namesakes = computed(() =>
    this.bench.job().controls.filter((c) => this.pad()?.scan && this.pad()!.keys.some((k) => k.label === c.name)),
  );

  /** What the capture says of a key's strobe, as readings of the control of that name. */
  protected giveTo(control: Control): void {
    const scan = this.pad()!.scan!;
    const A = {
      kind: 'contact',
      name: this.bench.assessment().surveys.find((s) => s.control === control.id)?.signal ?? 'A',
    } as const;
    const high =
      scan.polarity === 'low' ? 1 - scan.widthSeconds / scan.periodSeconds : scan.widthSeconds / scan.periodSeconds;
    const base = {
      at: this.bench.now(),
      control: control.id,
      from: A,
      to: { kind: 'ground', name: '' },
      state: 'idle',
      relation: '=',
      by: 'capture',
      said: '',
      struck: false,
    } as const;
    const readings = [
      { ...base, id: this.bench.newId(), kind: 'hertz', value: 1 / scan.periodSeconds, digit: 0.01 } as const,
      { ...base, id: this.bench.newId(), kind: 'duty', value: high, digit: 0.001 } as const,
    ];
    this.bench.edit({
      do: 'several',
      say: `${control.name}: period and share of its strobe from the captures`,
      edits: readings.map((reading) => ({ do: 'add-reading', reading, say: '' }) as const),
    });
  }

  protected join(pad: Keypad, label: string, a: HTMLInputElement, b: HTMLInputElement): void {
    const [x, y] = [a.value.trim(), b.value.trim()];
    if (!x || !y || x === y) return this.troubles.set(['Say two different pins.']);
    this.troubles.set([]);
    this.keep(
      { ...pad, keys: pad.keys.map((k) => (k.label === label ? { ...k, lines: [x, y], from: 'continuity' } : k)) },
      `${pad.name}: ${label} joins pins ${x} and ${y}`,
    );
    a.value = b.value = '';
    a.focus();
  }

  protected remove(pad: Keypad): void {
    this.bench.drop('survey.keypads', pad.id);
  }
}
