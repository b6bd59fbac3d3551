import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { drawingOf } from '../../../core/deliver';
import { drawJoint } from '../../../core/circuit';
import { LOGIC_LEVELS, type Control, type Way, type WayWish } from '../../../core/job';
import { decadeOf, formatQuantity, parseQuantity } from '../../../core/quantity';
import { firstDifference, WAY_WORDS, wayPhrase, WISH_WORDS } from '../../../core/thumb';
import { Bench } from '../../store/bench';
import { FindingList } from '../../ui/finding-list';
import { Glyph } from '../../ui/glyph';
import { JointDrawing } from '../../ui/joint-drawing';
import { MarginRulers } from '../../ui/margin-rulers';
import { Settle } from '../../ui/settle';
import { TwoColumns } from '../../ui/two-columns';
import { ProofPanel } from './proof-panel';
import { WishOrder } from './wish-order';

const COLOURS = ['orange', 'black', 'green', 'grey', 'red', 'blue', 'brown', 'yellow', 'white', 'violet'] as const;
const LEVEL_WORDS: Record<Control['levels'], string> = { cmos: 'CMOS, 0.3 and 0.7 of the supply', ttl: '5 V TTL, 0.8 V and 2.0 V', own: 'from its data sheet' };

/** Wishes that are no verbs, as the end of a sentence that begins with “it”. */
const WISH_PHRASE: Partial<Record<WayWish, string>> = { isolated: 'keeps the two sides apart', 'few-parts': 'takes fewer parts', small: 'is smaller', cheap: 'is cheaper' };

/** Thumb: the ways to press, ranked; the chosen one drawn as two shores with its margins. */
@Component({
  selector: 'gt-thumb-room',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FindingList, Glyph, JointDrawing, MarginRulers, ProofPanel, Settle, TwoColumns, WishOrder],
  template: `
    <gt-two-columns>
      <div do>
        @if (shown(); as w) {
          @if (bench.job().controls.length > 1) {
            <label class="field"><span>Control to press</span><select #which [value]="control()!.id" (change)="press(which.value)">
              @for (c of bench.job().controls; track c.id) {
                <option [value]="c.id" [selected]="c.id === control()!.id">{{ c.name }}</option>
              }
            </select></label>
          }
          <div class="head-row">
            <h2>{{ names[w.way].name }} across {{ control().name }}</h2>
            <span class="answers" role="group" aria-label="What to show">
              @for (t of tabs; track t) {
                <button type="button" class="link quiet" [attr.aria-pressed]="tab() === t" (click)="tab.set(t)">{{ t }}</button>
              }
            </span>
          </div>
          @switch (tab()) {
            @case ('drawing') {
              <gt-joint-drawing [marks]="marks()" />
            }
            @case ('wire table') {
              <table>
                <tr><th scope="col">wire</th><th scope="col">from</th><th scope="col">to</th><th scope="col">colour</th></tr>
                @for (x of w.wires; track x.number) {
                  <tr>
                    <td class="mono">{{ x.number }}</td><td>{{ x.from }}</td><td>{{ x.to }}{{ x.crosses ? ' (crosses)' : '' }}</td>
                    <td><select #c [value]="x.colour" [attr.aria-label]="'Colour of wire ' + x.number" (change)="colour(x.number, c.value)">
                      @for (k of colours; track k) {
                        <option [value]="k" [selected]="k === x.colour">{{ k }}</option>
                      }
                    </select></td>
                  </tr>
                }
              </table>
            }
            @default {
              <table>
                <tr><th scope="col">part</th><th scope="col">value</th><th scope="col" class="right">quantity</th></tr>
                @for (p of w.parts; track p.name) {
                  <tr><td>{{ p.name }}</td><td>{{ p.value }}</td><td class="mono right">{{ p.quantity }}</td></tr>
                }
              </table>
            }
          }
          @if (chosen()) {
            <gt-margin-rulers [findings]="w.findings" />
            <div class="fields">
              <label class="field"><span>Series resistor, Ω</span>
                <input #r type="text" list="preferred" [value]="resistor()" (change)="setResistor(r)" />
                <datalist id="preferred">
                  @for (o of preferred; track o) {
                    <option [value]="o"></option>
                  }
                </datalist>
              </label>
              <label class="field"><span>What the machine takes for low and high</span>
                <select #l [value]="control()!.levels" (change)="levels(l.value)">
                  @for (k of levelKinds; track k) {
                    <option [value]="k" [selected]="k === control()!.levels">{{ levelWords[k] }}</option>
                  }
                </select>
              </label>
              @if (control()!.levels === 'own') {
                <label class="field"><span>Low below, V</span><input #lo type="number" min="0" step="0.05" [value]="control()!.lowBelowVolts" (change)="own('lowBelowVolts', lo.valueAsNumber)" /></label>
                <label class="field"><span>High above, V</span><input #hi type="number" min="0" step="0.05" [value]="control()!.highAboveVolts" (change)="own('highAboveVolts', hi.valueAsNumber)" /></label>
              }
            </div>
            <gt-proof-panel />
          } @else {
            <p class="muted">Not chosen yet: this is the first of the ranked ways. Pick one at the right.</p>
          }
        } @else {
          <h2>First, what is to be pressed?</h2>
          <p>Thumb ranks the ways of pressing once Probe knows a control. Name one there and take the first readings.</p>
        }
      </div>
      <div know>
        <h3>Ways to press, best first</h3>
        <div class="choice">
          @for (w of ways(); track w.way) {
            <button type="button" [attr.aria-pressed]="w.way === bench.job().thumb.way" (click)="choose(w.way)">
              <gt-glyph [verdict]="w.verdict" />
              <span><strong>{{ names[w.way].name }}</strong><span class="muted">{{ w.reason }}</span></span>
            </button>
          }
        </div>
        <p class="muted">{{ order() }} A way with a stop is never first.</p>
        <gt-wish-order />
        <gt-finding-list [findings]="listed()" />
        <gt-settle [findings]="findings()" />
      </div>
    </gt-two-columns>
  `,
})
export class ThumbRoom {
  protected readonly bench = inject(Bench);
  protected readonly names = WAY_WORDS;
  protected readonly tabs = ['drawing', 'wire table', 'parts'] as const;
  protected readonly tab = signal<(typeof this.tabs)[number]>('drawing');
  protected readonly colours = COLOURS;
  protected readonly levelKinds = LOGIC_LEVELS;
  protected readonly levelWords = LEVEL_WORDS;
  protected readonly preferred = [100, 1000].flatMap((d) => decadeOf('E12').map((m) => String(Number((m * d).toPrecision(3)))));
  protected readonly ways = computed(() => this.bench.assessment().ways);
  /** Why the first stands before the second, in the maker's own wishes or by verdict. */
  protected readonly order = computed(() => {
    const [best, next] = this.ways();
    if (!best || !next) return '';
    if (best.verdict !== next.verdict) return `${WAY_WORDS[best.way].name} stands before ${wayPhrase(next.way)} by its verdict.`;
    const wish = firstDifference(best.way, next.way, this.bench.job().thumb.wishes);
    return wish ? `${WAY_WORDS[best.way].name} stands before ${wayPhrase(next.way)}: it ${WISH_PHRASE[wish] ?? WISH_WORDS[wish]}.` : '';
  });
  protected readonly control = computed(() => this.bench.job().controls.find((c) => c.id === this.bench.job().thumb.control) ?? this.bench.job().controls[0]);
  protected readonly chosen = computed(() => this.ways().find((w) => w.way === this.bench.job().thumb.way));
  protected readonly shown = computed(() => this.chosen() ?? this.ways()[0]);
  protected readonly marks = computed(() => {
    const w = this.shown();
    return w ? drawJoint(drawingOf(this.bench.job(), this.bench.assessment(), w)) : [];
  });
  protected readonly findings = computed(() => this.bench.findings('thumb'));
  /** Margins stand beside the drawing as rulers; the list shows the rest. */
  protected readonly listed = computed(() => this.findings().filter((f) => !f.limit));
  protected readonly resistor = computed(() => this.bench.job().thumb.resistorOhms ?? this.chosen()?.press.resistorOhms ?? '');

  protected press(control: string): void {
    this.bench.change('thumb', { control, way: null, resistorOhms: null }, `to be pressed: ${this.bench.job().controls.find((c) => c.id === control)?.name ?? control}`);
  }

  protected choose(way: Way): void {
    this.bench.change('thumb', { way, resistorOhms: null }, `way of pressing: ${WAY_WORDS[way].name}`);
  }

  protected setResistor(box: HTMLInputElement): void {
    const parsed = box.value.trim() ? parseQuantity(box.value, 'Ω') : null;
    const bad = parsed && (!parsed.ok || !(parsed.quantity.value > 0));
    box.setCustomValidity(bad ? (parsed.ok ? 'A resistor has more than 0 Ω.' : parsed.message) : '');
    box.reportValidity();
    if (bad) return;
    const ohms = parsed?.ok ? parsed.quantity.value : null;
    this.bench.change('thumb', { resistorOhms: ohms }, ohms === null ? 'series resistor as computed' : `series resistor ${formatQuantity(ohms, 'Ω')}`);
  }

  protected colour(number: number, name: string): void {
    this.bench.change('thumb', { colours: { ...this.bench.job().thumb.colours, [number]: name } }, `wire ${number} is ${name}`);
  }

  protected levels(kind: string): void {
    const levels = LOGIC_LEVELS.find((l) => l === kind) ?? 'cmos';
    const set = levels === 'own' ? { levels, lowBelowVolts: 0.8, highAboveVolts: 2 } : { levels };
    this.bench.edit({ do: 'change-control', id: this.control()!.id, set, say: `input levels: ${LEVEL_WORDS[levels]}` });
  }

  protected own(key: 'lowBelowVolts' | 'highAboveVolts', volts: number): void {
    if (volts >= 0) this.bench.edit({ do: 'change-control', id: this.control()!.id, set: { [key]: volts }, say: `${key === 'lowBelowVolts' ? 'low below' : 'high above'} ${volts} V` });
  }
}
