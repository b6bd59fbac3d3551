import type { ElementRef} from '@angular/core';
import { ChangeDetectionStrategy, Component, computed, effect, inject, signal, untracked, viewChild } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { nextReadingOf } from '../../../core/assess';
import { readNoteLine, sayPlace, sayValue, UNIT_OF, type Reading } from '../../../core/job';
import type { NextReading } from '../../../core/probe';
import { parseQuantity, seededRandom } from '../../../core/quantity';
import { readStandin, STANDINS } from '../../../core/standin';
import { Bench } from '../../store/bench';
import { HandsBusy } from '../../store/hands-busy';
import { FindingList } from '../../ui/finding-list';
import { Settle } from '../../ui/settle';
import { TwoColumns } from '../../ui/two-columns';
import { Voice } from '../../ui/voice';
import { Candidates } from './candidates';
import { ControlPicture } from './control-picture';
import { ReadingRuler } from './reading-ruler';

/** Probe: the one next reading, large; beside it what the control may be. */
@Component({
  selector: 'gt-probe-room',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Candidates, ControlPicture, FindingList, MatButton, ReadingRuler, Settle, TwoColumns],
  host: { '(document:keydown)': 'key($event)' },
  template: `
    <gt-two-columns>
      <div do>
        @if (control(); as c) {
          <div class="head-row">
            <h3>
              @if (bench.job().controls.length > 1) {
                <label>Control <select #pick [value]="c.id" (change)="chosen.set(pick.value)">
                  @for (o of bench.job().controls; track o.id) {
                    <option [value]="o.id">{{ o.name }}</option>
                  }
                </select></label>
              } @else {
                Next reading for {{ c.name }}
              }
            </h3>
            <span class="muted">{{ taken().length }} taken{{ next() ? ', about ' + next()!.toGo + ' to go' : '' }}</span>
          </div>
          @if (next(); as n) {
            <h2 data-next-title>{{ n.title }}</h2>
            <div class="reading">
              <gt-control-picture [name]="c.name" [red]="n.from" [black]="n.to" [pressed]="n.state === 'pressed'" />
              <div>
                <p><span class="muted">Meter</span>&ngsp;<strong>{{ n.meter }}</strong></p>
                <p><span class="muted">Machine</span>&ngsp;<strong>{{ n.hold }}</strong></p>
                <p class="caution">{{ n.caution }}</p>
                <form class="big-field" (submit)="$event.preventDefault(); enter(n)">
                  <input #field data-next-reading type="text" inputmode="text" autocomplete="off" [attr.aria-label]="n.title + ', in ' + unit(n)" [attr.aria-invalid]="error() ? true : null" [value]="typed()" (input)="typed.set(field.value); error.set('')" />
                  <span class="unit">{{ unit(n) }}</span>
                  <button mat-flat-button type="submit">Go on</button>
                  @if (n.kind === 'ohms') {
                    <button mat-stroked-button type="button" (click)="overRange(n)">over range</button>
                  }
                  @if (error()) {
                    <p class="error" role="alert">{{ error() }}</p>
                  }
                </form>
              </div>
            </div>
            @if (n.expectations.length > 1 || typedValue() !== null) {
              <section>
                <h3>What each answer would mean</h3>
                <gt-reading-ruler [kind]="n.kind" [expectations]="n.expectations" [typed]="typedValue()" />
              </section>
            }
            <p class="muted">
              Why this one: {{ n.why }}
              @if (standin()) {
                <button type="button" class="link strong" (click)="fromStandin(n)">From the stand-in</button>
              } @else {
                No hardware here? <button type="button" class="link" (click)="callStandin()">Let the rice-pot stand-in be measured</button>
              }
            </p>
          } @else if (survey()) {
            <h2>{{ survey()!.known ? c.name + ' is known; no reading is worth another touch' : 'No reading may be taken here by you' }}</h2>
            <p class="muted">{{ survey()!.known ? 'Thumb now ranks the ways to press it.' : 'The control is on the dangerous side. Press it from outside, or hand the inside to licensed work.' }}</p>
          }
        } @else {
          <h2>Name the control first</h2>
          <p>Which button or pair of terminals does the machine listen to? One word, as you will say it in notes.</p>
          <form class="big-field" (submit)="$event.preventDefault(); name(nameBox)">
            <input #nameBox type="text" maxlength="40" aria-label="Name of the control" placeholder="start" />
            <button mat-flat-button type="submit">Name it</button>
            @if (error()) {
              <p class="error" role="alert">{{ error() }}</p>
            }
          </form>
        }
        @if (control()) {
          <details>
            <summary class="muted">Another control</summary>
            <form class="answers" (submit)="$event.preventDefault(); name(another)">
              <input #another type="text" maxlength="40" aria-label="Name of another control" />
              <button mat-stroked-button type="submit">Add it</button>
            </form>
          </details>
        }
      </div>
      <div know>
        @if (survey(); as s) {
          <h3>What {{ control()!.name }} may be</h3>
          <gt-candidates [survey]="s" [readings]="taken()" [findings]="findings()" />
        }
        <h3>Taken so far</h3>
        @if (taken().length) {
          <table class="taken">
            @for (r of taken(); track r.id) {
              <tr [class.struck]="r.struck">
                <td class="mono">{{ r.at.slice(11, 16) }}</td><td>{{ place(r) }}</td><td class="mono right">{{ value(r) }}</td>
                <td class="right"><button type="button" class="link quiet" [attr.aria-label]="(r.struck ? 'Count again: ' : 'Withdraw: ') + place(r)" (click)="bench.edit({ do: 'strike-reading', id: r.id, struck: !r.struck })">{{ r.struck ? 'count again' : 'withdraw' }}</button></td>
              </tr>
            }
          </table>
        } @else {
          <p class="muted">Nothing yet. The isolation readings come first: they decide whether your side may ever be joined to this machine.</p>
        }
        <gt-finding-list [findings]="findings()" />
        <gt-settle [findings]="findings()" />
      </div>
    </gt-two-columns>
  `,
})
export class ProbeRoom {
  protected readonly bench = inject(Bench);
  private readonly field = viewChild<ElementRef<HTMLInputElement>>('field');
  protected readonly chosen = signal('');
  protected readonly typed = signal('');
  protected readonly error = signal('');
  protected readonly place = sayPlace;
  protected readonly value = sayValue;
  protected readonly control = computed(() => this.bench.job().controls.find((c) => c.id === this.chosen()) ?? this.bench.job().controls[0]);
  protected readonly survey = computed(() => this.bench.assessment().surveys.find((s) => s.control === this.control()?.id));
  protected readonly next = computed(() => {
    const c = this.control();
    return c ? nextReadingOf(this.bench.job(), this.bench.assessment(), c.id) : null;
  });
  protected readonly taken = computed(() => this.bench.job().readings.filter((r) => r.control === '' || r.control === this.control()?.id));
  protected readonly findings = computed(() => this.bench.findings('probe'));
  protected readonly standin = computed(() => STANDINS[this.bench.job().standin.model]);
  protected readonly unit = (n: NextReading): string => (n.kind === 'amps' ? 'mA' : `${UNIT_OF[n.kind]}${n.kind === 'volts-ac' ? ' AC' : ''}`);
  protected readonly typedValue = computed(() => {
    const n = this.next();
    const parsed = n && this.typed().trim() ? parseQuantity(this.withUnit(n, this.typed()), UNIT_OF[n.kind]) : null;
    return parsed?.ok ? parsed.quantity.value : null;
  });

  constructor() {
    // A new question gets the caret, so that foot and voice are enough to go on; the first view leaves the page alone.
    const busy = inject(HandsBusy);
    const voice = inject(Voice);
    effect(() => {
      const n = this.next();
      if (busy.on() && n) voice.say(`${n.title}. ${n.hold}. ${n.caution}`);
      else voice.hush();
    });
    let before = '';
    effect(() => {
      const title = this.next()?.notePrefix ?? '';
      const field = this.field();
      if (before && title !== before) untracked(() => setTimeout(() => field?.nativeElement.focus()));
      before = title;
    });
  }

  /** A bare number in the milliampere field is milliamperes; a typed unit wins. */
  private withUnit(n: NextReading, text: string): string {
    return n.kind === 'amps' && /^[\s<>\d.,+-]+$/.test(text) ? `${text.trim()} mA` : text;
  }

  protected enter(n: NextReading): void {
    this.record(n, this.withUnit(n, this.typed()), 'hand');
  }

  protected overRange(n: NextReading): void {
    this.record(n, 'OL', 'hand');
  }

  /** Takes the number as the note line would, so that both ways in are one. */
  private record(n: NextReading, text: string, by: Reading['by']): void {
    const parsed = parseQuantity(text, UNIT_OF[n.kind]);
    if (!parsed.ok) {
      this.error.set(`Not understood at character ${parsed.at + 1}: ${parsed.message}.`);
      this.field()?.nativeElement.focus();
      return;
    }
    const q = parsed.quantity;
    this.store(n, { value: q.value, digit: q.digit, relation: q.relation }, by);
  }

  private store(n: NextReading, shown: Pick<Reading, 'value' | 'digit' | 'relation'>, by: Reading['by']): void {
    const reading: Reading = {
      id: this.bench.newId(), at: this.bench.now(), control: n.from.kind === 'ground' ? '' : n.control, from: { ...n.from }, to: { ...n.to }, state: n.state, kind: n.kind, by, struck: false, ...shown,
    };
    const name = this.control()?.name ?? '';
    this.bench.edit({ do: 'add-reading', reading, say: `${name}, ${sayPlace(reading)}, ${sayValue(reading)}${by === 'standin' ? ', from the stand-in' : ''}` });
    this.typed.set('');
    this.error.set('');
  }

  protected fromStandin(n: NextReading): void {
    const standin = this.standin();
    if (!standin) return;
    // The seed moves on with every reading, so that a repeated one shows its own noise.
    const { seed } = this.bench.job().standin;
    this.store(n, readStandin(standin, n, seededRandom(seed * 7919 + this.bench.job().readings.length)), 'standin');
  }

  protected callStandin(): void {
    this.bench.change('standin', { model: 'rice-pot' }, 'the rice-pot stand-in is measured instead of hardware');
  }

  protected name(box: HTMLInputElement): void {
    const u = readNoteLine(`control ${box.value}`, this.bench.job(), { id: this.bench.newId(), now: this.bench.now() });
    if (!u.ok) return this.error.set(u.message);
    this.error.set('');
    this.bench.edit(u.edit);
    box.value = '';
  }

  /** Hands busy: digits go to the only field; a foot pedal's Page Down goes on. */
  protected key(event: KeyboardEvent): void {
    const n = this.next();
    const field = this.field()?.nativeElement;
    if (!n || !field) return;
    if (event.key === 'PageDown' && this.typed().trim()) {
      event.preventDefault();
      this.enter(n);
    } else if (/^[\d.,<>-]$/.test(event.key) && !event.ctrlKey && !event.metaKey && event.target === document.body) field.focus();
  }

}
