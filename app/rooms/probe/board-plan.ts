import { MatButton } from '@angular/material/button';
import { ChangeDetectionStrategy, Component, computed, effect, inject, output, signal } from '@angular/core';
import { Action } from '../../kit/action';
import type { PlannedReading } from '../../../core/rooms/probe';
import { Assessor } from '../../store/assessor';
import { Bench } from '../../store/bench';

/** The order for the whole board: what to take next, control by control, if the answers are as expected. Made while it is open. */
@Component({
  selector: 'gt-board-plan',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Action, MatButton],
  template: `
    @if (bench.job().controls.length > 1) {
      <details #box (toggle)="open.set(box.open)">
        <summary class="muted">The order for the whole board</summary>
        @if (plan(); as list) {
          @if (list.length) {
            <p>Take these {{ list.length }} in this order:</p>
            <ol class="plan">
              @for (p of list; track $index) {
                <li>
                  <button type="button" matButton gtAction="say" (click)="picked.emit(p.control)">{{ p.name }}</button>
                  {{ p.title }} <span class="muted">{{ p.hold }}</span>
                </li>
              }
            </ol>
            <p class="muted">Planned on the likeliest answers; a surprise changes what follows.</p>
          } @else {
            <p class="muted">Nothing is left to take on this board.</p>
          }
        } @else {
          <p class="muted" role="status">Planning …</p>
        }
      </details>
    }
  `,
})
export class BoardPlan {
  protected readonly bench = inject(Bench);
  private readonly assessor = inject(Assessor);
  readonly picked = output<string>();
  protected readonly open = signal(false);
  private readonly made = signal<readonly PlannedReading[] | null>(null);
  protected readonly plan = computed(() =>
    this.made()?.map((p) => ({
      control: p.reading.control,
      name: p.controlName,
      title: p.reading.title,
      hold: p.reading.hold,
    })),
  );

  constructor() {
    effect(() => {
      const job = this.bench.job();
      if (!this.open()) return;
      this.made.set(null);
      this.assessor.plan(job).then(
        (plan) => {
          if (job === this.bench.job()) this.made.set(plan);
        },
        () => this.made.set([]),
      );
    });
  }
}
