import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatCheckbox } from '@angular/material/checkbox';
import type { Sentence } from '../../../core/job';
import { nextFirings, saySentence } from '../../../core/routine';
import { Bench } from '../../store/bench';
import { FindingList } from '../../ui/finding-list';
import { Settle } from '../../ui/settle';
import { TwoColumns } from '../../ui/two-columns';

const DAYS = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'] as const;

/** Routine: sentences with their slots, and the next ten times that they come true. */
@Component({
  selector: 'gt-routine-room',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FindingList, MatCheckbox, Settle, TwoColumns],
  template: `
    <gt-two-columns>
      <div do>
        <h2>When it acts by itself</h2>
        @for (s of sentences(); track s.id) {
          <div class="sentence">
            At <input #t class="slot" type="time" [value]="s.at" aria-label="Clock time" (change)="set(s, { at: t.value })" /> on
            <span class="daylist" role="group" aria-label="Weekdays">
              @for (d of days; track d; let i = $index) {
                <button type="button" class="key" [class.on]="s.days.includes(i + 1)" [attr.aria-pressed]="s.days.includes(i + 1)" (click)="day(s, i + 1)">{{ d }}</button>
              }
            </span>
            <mat-checkbox [checked]="s.ifArmed" (change)="set(s, { ifArmed: $event.checked })">if armed</mat-checkbox>, press.
            <button type="button" class="link quiet" (click)="remove(s)">take it away</button>
          </div>
        } @empty {
          <p>Nothing happens by itself yet. Say one sentence.</p>
        }
        <p><button type="button" class="key" (click)="add()">one more sentence</button></p>
        <h3>The next ten times, in {{ bench.job().region.timeZone }}</h3>
        <table>
          @for (f of firings(); track f.at) {
            <tr><td class="mono">{{ f.date }}</td><td class="mono">{{ f.time }}</td><td class="muted">UTC {{ f.offset }}</td><td>{{ f.change }}</td></tr>
          } @empty {
            <tr><td class="muted">none</td></tr>
          }
        </table>
      </div>
      <div know>
        <h3>What follows</h3>
        <gt-finding-list [findings]="findings()" />
        <p class="muted">“If armed” asks for a switch that somebody closes by hand, for instance after filling. A firing while it is open does nothing.</p>
        <gt-settle [findings]="findings()" />
      </div>
    </gt-two-columns>
  `,
})
export class RoutineRoom {
  protected readonly bench = inject(Bench);
  protected readonly days = DAYS;
  protected readonly sentences = computed(() => this.bench.job().routine.sentences);
  protected readonly findings = computed(() => this.bench.findings('routine'));
  protected readonly firings = computed(() =>
    nextFirings(this.sentences(), this.bench.now(), this.bench.job().region.timeZone, 10).map((f) => ({
      at: f.at, time: f.local.slice(11, 16), offset: f.local.endsWith('Z') ? '+00:00' : f.local.slice(-6), change: f.clockChange === 'none' ? '' : f.clockChange,
      date: new Date(`${f.local.slice(0, 10)}T12:00:00Z`).toLocaleDateString('en-GB', { weekday: 'short', day: 'numeric', month: 'short', year: 'numeric', timeZone: 'UTC' }),
    })));

  private save(sentences: Sentence[], say: string): void {
    this.bench.change('routine', { sentences }, say);
  }

  protected set(s: Sentence, set: Partial<Sentence>): void {
    const next = { ...s, ...set };
    if (/^\d\d:\d\d$/.test(next.at)) this.save(this.sentences().map((x) => (x.id === s.id ? next : x)), saySentence(next));
  }

  protected day(s: Sentence, day: number): void {
    this.set(s, { days: s.days.includes(day) ? s.days.filter((d) => d !== day) : [...s.days, day].sort((a, b) => a - b) });
  }

  protected add(): void {
    const s: Sentence = { id: this.bench.newId(), at: '12:00', days: [], ifArmed: this.bench.job().wish.hazards.includes('unattended-heat') };
    this.save([...this.sentences(), s], saySentence(s));
  }

  protected remove(s: Sentence): void {
    this.save(this.sentences().filter((x) => x.id !== s.id), `no longer: ${saySentence(s)}`);
  }
}
