import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { ACCESS, FACE_SHAPES, freshFace, PIECES, type FaceSurvey, type Piece } from '../../../core/job';
import { sizeOf } from '../../../core/mechanics';
import { formatQuantity, parseQuantity } from '../../../core/quantity';
import { Bench } from '../../store/bench';
import { FindingList } from '../../ui/finding-list';
import { QuantityField } from '../../ui/quantity-field';
import { Settle } from '../../ui/settle';
import { TwoColumns } from '../../ui/two-columns';
import { PartsNav } from './parts-nav';

/** The hand's side: force, travel and room of each control, and parts measured with a caliper. */
@Component({
  selector: 'gt-sizes-part',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FindingList, MatButton, PartsNav, QuantityField, Settle, TwoColumns],
  template: `
    <gt-two-columns>
      <div do>
        <gt-parts-nav />
        <h2>Controls under the finger</h2>
        @for (f of faces(); track f.control) {
          <section>
            <h3>{{ f.name }}</h3>
            <div class="fields">
              <gt-quantity label="Force until it clicks" unit="N" [value]="f.forceNewtons" hint="2 N" (changed)="face(f, { forceNewtons: $event }, 'force')" />
              <gt-quantity label="Travel" unit="m" [value]="f.travelMetres" hint="0.4 mm" (changed)="face(f, { travelMetres: $event }, 'travel')" />
              <gt-quantity label="Free beside it" unit="m" [value]="f.neighbourMetres" hint="5 mm" (changed)="face(f, { neighbourMetres: $event }, 'room')" />
              <label class="field"><span>Front</span><select #s [value]="f.shape" (change)="face(f, { shape: $any(s.value) }, 'front')">@for (o of shapes; track o) { <option [value]="o">{{ o }}</option> }</select></label>
              <label class="field"><span>Access</span><select #a [value]="f.access" (change)="face(f, { access: $any(a.value) }, 'access')">@for (o of access; track o) { <option [value]="o">{{ words(o) }}</option> }</select></label>
            </div>
          </section>
        } @empty {
          <p class="muted">Name a control first; its force and travel belong to it.</p>
        }
        <h2>Parts under the caliper</h2>
        <p class="muted">Measure each size two or three times, turned a little: the scatter and the caliper’s own error together make the uncertainty. Millimetres unless you say inches.</p>
        @for (p of pieces(); track p.piece.id) {
          <section>
            <div class="head-row"><h3>{{ p.piece.name }}{{ p.piece.name.endsWith(p.piece.kind) ? '' : ', ' + p.piece.kind }}</h3><button type="button" class="link quiet" (click)="remove(p.piece)">take it away</button></div>
            <p><span class="mono">{{ p.size }}</span>&ngsp;<span class="muted">from {{ p.readings }}</span></p>
            <form class="answers" (submit)="$event.preventDefault(); more(p.piece, box)">
              <input #box type="text" aria-label="One more reading of {{ p.piece.name }}" placeholder="10.02" />
              <button type="submit" class="key">add</button>
              @if (p.piece.readings.length) { <button type="button" class="link quiet" (click)="fewer(p.piece)">drop the last</button> }
            </form>
          </section>
        }
        <form class="answers" (submit)="$event.preventDefault(); add(name, kind.value, error.value)">
          <label class="field"><span>Another part</span><input #name type="text" maxlength="60" placeholder="crank shaft" /></label>
          <label class="field"><span>It is a</span><select #kind>@for (k of kinds; track k) { <option>{{ k }}</option> }</select></label>
          <label class="field"><span>Caliper error</span><input #error type="text" value="0.02 mm" /></label>
          <button mat-stroked-button type="submit">Add it</button>
        </form>
        @if (trouble()) { <p class="parted-words" role="alert">{{ trouble() }}</p> }
      </div>
      <div know>
        <h3>What follows</h3>
        <gt-finding-list [findings]="findings()" />
        @if (!findings().length) { <p class="muted">Sizes with their uncertainty and the room for a finger are judged here.</p> }
        <gt-settle [findings]="findings()" />
      </div>
    </gt-two-columns>
  `,
})
export class SizesPart {
  private readonly bench = inject(Bench);
  protected readonly shapes = FACE_SHAPES;
  protected readonly access = ACCESS;
  protected readonly kinds = PIECES;
  protected readonly trouble = signal('');
  protected readonly words = (s: string): string => s.replace(/-/g, ' ');
  protected readonly faces = computed(() => this.bench.job().controls.map((c) => ({ ...(this.bench.job().survey.faces.find((f) => f.control === c.id) ?? freshFace(c.id)), name: c.name })));
  protected readonly pieces = computed(() => this.bench.job().survey.pieces.map((piece) => {
    const size = sizeOf(piece);
    const mm = (m: number, digits: number): string => (m * 1000).toFixed(digits);
    return { piece, size: size ? `${mm(size.metres, 3)} ± ${mm(size.uncertainty, 3)} mm` : 'no reading yet', readings: piece.readings.map((r) => mm(r, 2)).join(', ') || 'nothing' };
  }));
  protected readonly findings = computed(() => this.bench.findings('probe').filter((f) => /^probe\.(piece|face)\./.test(f.id)));

  protected face(f: FaceSurvey & { name: string }, part: Partial<FaceSurvey>, what: string): void {
    const { name, ...own } = f;
    const next = { ...own, ...part };
    const { faces } = this.bench.job().survey;
    this.bench.change('survey', { faces: faces.some((x) => x.control === f.control) ? faces.map((x) => (x.control === f.control ? next : x)) : [...faces, next] }, `${name}: ${what}`);
  }

  private length(text: string): number | null {
    const parsed = parseQuantity(/^[\s\d.,]+$/.test(text) ? `${text.trim()} mm` : text, 'm');
    if (parsed.ok && parsed.quantity.value > 0 && parsed.quantity.value < 100) {
      this.trouble.set('');
      return parsed.quantity.value;
    }
    this.trouble.set(parsed.ok ? `${text}: a size is more than nothing and less than 100 m.` : `${text || 'nothing'}: not understood at character ${parsed.at + 1}, ${parsed.message}.`);
    return null;
  }

  private keep(pieces: Piece[], say: string): void {
    this.bench.change('survey', { pieces }, say);
  }

  protected more(piece: Piece, box: HTMLInputElement): void {
    const metres = this.length(box.value);
    if (metres === null) return;
    this.keep(this.bench.job().survey.pieces.map((p) => (p.id === piece.id ? { ...p, readings: [...p.readings, metres] } : p)), `${piece.name}: ${formatQuantity(metres, 'm')}`);
    box.value = '';
  }

  protected fewer(piece: Piece): void {
    this.keep(this.bench.job().survey.pieces.map((p) => (p.id === piece.id ? { ...p, readings: p.readings.slice(0, -1) } : p)), `${piece.name}: last reading dropped`);
  }

  protected add(box: HTMLInputElement, kind: string, error: string): void {
    const name = box.value.trim();
    const caliperMetres = this.length(error);
    if (!name || caliperMetres === null) return;
    this.keep([...this.bench.job().survey.pieces, { id: this.bench.newId(), name, kind: kind as Piece['kind'], readings: [], caliperMetres }], `part ${name}`);
    box.value = '';
  }

  protected remove(piece: Piece): void {
    this.keep(this.bench.job().survey.pieces.filter((p) => p.id !== piece.id), `part ${piece.name} taken away`);
  }
}
