import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
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
  template: `
    <gt-two-columns>
      <div do>
        <gt-parts-nav />
        @if (pad(); as p) {
          <div class="head-row"><h2>{{ p.name }}</h2><button type="button" class="link quiet" (click)="remove(p)">take it away</button></div>
          <gt-pad-drawing [pad]="p" [pointed]="pointed()" />
          <section>
            <h3>From captures of the lines</h3>
            <p class="muted">Save one capture while nobody presses as <span class="mono">idle</span>, then one per key held, each named after its key: VCD, or CSV with a time column. A few periods suffice.</p>
            <div class="answers">
              <button mat-flat-button type="button" (click)="chooser.click()" [disabled]="captures.progress() !== null">Open captures</button>
              <input #chooser type="file" hidden multiple accept=".vcd,.csv,.txt" aria-label="Capture files" (change)="open(chooser)" />
              <button type="button" class="link" (click)="fromStandin()" [disabled]="captures.progress() !== null">From the dough-proofer stand-in</button>
              @if (captures.progress() !== null) {
                <span role="status">read {{ captures.progress() }} %&ngsp;<progress max="100" [value]="captures.progress()" aria-label="Share of the captures read"></progress>&ngsp;<button type="button" class="key" (click)="captures.stop()">stop</button></span>
              }
            </div>
            @if (captures.problem()) { <p class="parted-words" role="alert">{{ captures.problem() }}</p> }
            @if (captures.list().length) {
              <table class="taken">
                @for (c of captures.list(); track c.label) {
                  <tr>
                    <td><input #l type="text" maxlength="60" [value]="c.label" [attr.aria-label]="'Key held in capture ' + c.label" (change)="captures.rename(c.label, l.value.trim() || c.label)" /></td>
                    <td class="muted">{{ c.timing.lines.length }} lines, {{ seconds(c.timing.seconds) }}, {{ c.timing.events }} events{{ c.cutOff ? '; the file was cut off' : '' }}</td>
                    <td class="right"><button type="button" class="link quiet" (click)="look.set(c.label)">look</button>&ngsp;<button type="button" class="link quiet" (click)="captures.drop(c.label)">drop</button></td>
                  </tr>
                }
              </table>
              @if (looked(); as c) { <gt-scan-strip [timing]="c.timing" [label]="c.label" /> }
              <p><button mat-stroked-button type="button" (click)="decode(p)">Read the map from these</button></p>
            }
            @for (t of troubles(); track t) { <p class="parted-words" role="alert">{{ t }}</p> }
          </section>
          <section>
            <h3>From continuity of the tail</h3>
            <form class="answers" (submit)="$event.preventDefault(); join(p, key.value, a, b)">
              <label class="field"><span>While held</span><select #key (change)="pointed.set(key.value)">@for (k of p.keys; track k.label) { <option [value]="k.label">{{ k.label }}</option> }</select></label>
              <label class="field"><span>pin</span><input #a type="text" maxlength="20" size="4" /></label>
              <label class="field"><span>beeps to pin</span><input #b type="text" maxlength="20" size="4" /></label>
              <button mat-stroked-button type="submit">Note it</button>
            </form>
            @if (odd().length) { <p class="parted-words" role="alert">Keys {{ odd().join(', ') }} join pins in an odd ring; no grid is built so. Repeat them.</p> }
          </section>
        } @else {
          <h2>Draw the pad as it lies before you</h2>
          <p>One row a line, a blank between the keys. Empty places are a dot.</p>
          <form (submit)="$event.preventDefault(); draw(name.value, rows.value)">
            <label class="field"><span>Its name</span><input #name type="text" maxlength="60" value="front pad" /></label>
            <label class="field"><span>Keys, row by row</span><textarea #rows rows="5" cols="30" spellcheck="false">1 2 3
4 5 6
7 8 9
warm 0 start</textarea></label>
            <p class="actions"><button mat-flat-button type="submit">Draw it</button></p>
            @if (error()) { <p class="parted-words" role="alert">{{ error() }}</p> }
          </form>
        }
      </div>
      <div know>
        @if (pad(); as p) {
          @if (p.scan; as s) {
            <h3>How it is scanned</h3>
            <table>
              <tr><th scope="row">period</th><td class="mono right">{{ seconds(s.periodSeconds) }}</td></tr>
              <tr><th scope="row">strobe width</th><td class="mono right">{{ seconds(s.widthSeconds) }}</td></tr>
              <tr><th scope="row">strobes go</th><td class="mono right">{{ s.polarity }}</td></tr>
              <tr><th scope="row">order of strobes</th><td class="mono right">{{ s.strobes.join(' ') }}</td></tr>
              <tr><th scope="row">sense lines</th><td class="mono right">{{ s.senses.join(' ') }}</td></tr>
            </table>
          }
          @for (c of namesakes(); track c.id) {
            <p>The control {{ c.name }} is a key of this pad. <button type="button" class="link strong" (click)="giveTo(c)">Give it the scan as readings</button></p>
          }
          @if (shared().length) {
            <h3>Keys that share a line</h3>
            <table class="lines-table">
              @for (s of shared(); track s.line) { <tr><th scope="row" class="mono">{{ s.line }}</th><td>{{ s.keys.join(', ') }}</td></tr> }
            </table>
          }
          @if (ghostCount()) {
            <h3>Ghosts</h3>
            <p>{{ ghostCount() }} rectangles of keys: any three held make the fourth appear. For example {{ firstGhost()!.held.join(', ') }} held: {{ firstGhost()!.appears }} appears.</p>
          }
        } @else {
          <p class="muted">Period, strobe order, width and polarity come from a capture of the lines; the map of keys from one capture per key held, or from the beeper on the tail.</p>
        }
        <gt-finding-list [findings]="findings()" />
        <gt-settle [findings]="findings()" />
      </div>
    </gt-two-columns>
  `,
})
export class KeypadPart {
  private readonly bench = inject(Bench);
  protected readonly captures = inject(Captures);
  protected readonly pointed = signal('');
  protected readonly look = signal('');
  protected readonly error = signal('');
  protected readonly troubles = signal<readonly string[]>([]);
  protected readonly pad = computed(() => this.bench.job().survey.keypads[0]);
  protected readonly findings = computed(() => this.bench.findings('probe').filter((f) => f.id.startsWith('probe.keypad.')));
  protected readonly shared = computed(() => (this.pad() ? sharedLines(this.pad()!) : []));
  private readonly ghosts = computed(() => (this.pad() ? ghosts(this.pad()!) : []));
  protected readonly ghostCount = computed(() => this.ghosts().length);
  protected readonly firstGhost = computed(() => this.ghosts()[0]);
  protected readonly looked = computed(() => this.captures.list().find((c) => c.label === this.look()));
  protected readonly odd = computed(() => pinSides((this.pad()?.keys ?? []).filter((k) => k.lines.length === 2).map((k) => ({ key: k.label, a: k.lines[0]!, b: k.lines[1]! }))).contradiction);
  protected readonly seconds = (s: number): string => formatQuantity(s, 's');

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
    const { keypads } = this.bench.job().survey;
    this.bench.change('survey', { keypads: keypads.some((k) => k.id === pad.id) ? keypads.map((k) => (k.id === pad.id ? pad : k)) : [...keypads, pad] }, say);
  }

  protected draw(name: string, text: string): void {
    const rows = text.split('\n').map((r) => r.trim().split(/\s+/).filter(Boolean)).filter((r) => r.length);
    const keys = rows.flatMap((r, row) => r.map((label, column): PadKey => ({ label, row, column, lines: [], from: 'hand' })).filter((k) => k.label !== '.'));
    const twice = keys.find((k, i) => keys.findIndex((o) => o.label === k.label) !== i);
    const columns = Math.max(0, ...rows.map((r) => r.length));
    const why = keys.length === 0 ? 'There is no key yet.' : twice ? `The key ${twice.label} stands twice; give each a label of its own.` : rows.length > 16 || columns > 16 ? 'A pad has at most 16 rows and 16 columns.' : '';
    this.error.set(why);
    if (!why) this.keep({ id: this.bench.newId(), name: name.trim() || 'pad', rows: rows.length, columns, keys, scan: null }, `keypad ${name}: ${keys.length} keys`);
  }

  protected decode(pad: Keypad): void {
    const map = decodeKeypad(this.captures.list());
    const strangers = map.keys.filter((k) => !pad.keys.some((p) => p.label === k.label)).map((k) => `There is no key ${k.label} on the pad; rename the capture.`);
    this.troubles.set([...map.problems.map((p) => p.text), ...strangers]);
    if (!map.scan) return;
    const keys = pad.keys.map((k): PadKey => {
      const found = map.keys.filter((f) => f.label === k.label);
      return found.length === 1 ? { ...k, lines: [found[0]!.strobe, found[0]!.sense], from: 'capture' } : k;
    });
    this.keep({ ...pad, keys, scan: map.scan }, `${pad.name}: map read from ${this.captures.list().length} captures`);
  }

  /** Controls named like a key of the pad, which the scan tells about. */
  protected readonly namesakes = computed(() => this.bench.job().controls.filter((c) => this.pad()?.scan && this.pad()!.keys.some((k) => k.label === c.name)));

  /** What the capture says of a key's strobe, as readings of the control of that name. */
  protected giveTo(control: Control): void {
    const scan = this.pad()!.scan!;
    const A = { kind: 'contact', name: this.bench.assessment().surveys.find((s) => s.control === control.id)?.signal ?? 'A' } as const;
    const high = scan.polarity === 'low' ? 1 - scan.widthSeconds / scan.periodSeconds : scan.widthSeconds / scan.periodSeconds;
    const base = { at: this.bench.now(), control: control.id, from: A, to: { kind: 'ground', name: '' }, state: 'idle', relation: '=', by: 'capture', said: '', struck: false } as const;
    const readings = [
      { ...base, id: this.bench.newId(), kind: 'hertz', value: 1 / scan.periodSeconds, digit: 0.01 } as const,
      { ...base, id: this.bench.newId(), kind: 'duty', value: high, digit: 0.001 } as const,
    ];
    this.bench.edit({ do: 'several', say: `${control.name}: period and share of its strobe from the captures`, edits: readings.map((reading) => ({ do: 'add-reading', reading, say: '' }) as const) });
  }

  protected join(pad: Keypad, label: string, a: HTMLInputElement, b: HTMLInputElement): void {
    const [x, y] = [a.value.trim(), b.value.trim()];
    if (!x || !y || x === y) return this.troubles.set(['Say two different pins.']);
    this.troubles.set([]);
    this.keep({ ...pad, keys: pad.keys.map((k) => (k.label === label ? { ...k, lines: [x, y], from: 'continuity' } : k)) }, `${pad.name}: ${label} joins pins ${x} and ${y}`);
    a.value = b.value = '';
    a.focus();
  }

  protected remove(pad: Keypad): void {
    this.bench.change('survey', { keypads: this.bench.job().survey.keypads.filter((k) => k.id !== pad.id) }, `keypad ${pad.name} taken away`);
  }
}
