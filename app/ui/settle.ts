import { MatButton } from '@angular/material/button';
import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { Action } from '../kit/action';
import type { Finding } from '../../core/finding';
import { Bench } from '../store/bench';
import { firstRemedy } from './first-remedy';

/** The foot of Know: what would settle the gravest finding, applied with one press, undone like any edit. */
@Component({
  selector: 'gt-settle',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Action, MatButton],
  template: `
    @if (first(); as f) {
      <section class="settle">
        <h3>What would settle it</h3>
        <p>
          {{ f.remedy!.text }}
          @if (f.remedy!.label) {
            <button type="button" matButton gtAction="mend" [disabled]="bench.working()" (click)="apply(f)">
              {{ f.remedy!.label }}
            </button>
          }
        </p>
      </section>
    }
  `,
})
export class Settle {
  protected readonly bench = inject(Bench);
  readonly findings = input.required<readonly Finding[]>();
  protected readonly first = computed(() => firstRemedy(this.findings()));

  protected apply(f: Finding): void {
    if (f.remedy?.edit) this.bench.mend(f.remedy.edit);
  }
}
