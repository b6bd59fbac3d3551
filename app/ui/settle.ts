import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { Router, RouterLink } from '@angular/router';
import type { Finding } from '../../core/ground/finding';
import { nextStep } from '../../core/house/thread';
import { Bench } from '../store/bench';
import { firstRemedy } from './first-remedy';
import { RemedyAnswers } from './remedy-answers';

/** The foot of Know: what would settle the gravest finding, applied with one press, and in which room the work goes on. */
@Component({
  selector: 'gt-settle',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [RemedyAnswers, RouterLink],
  template: `
    @if (first() || onward()) {
      <section class="settle">
        @if (first(); as f) {
          <h3>What would settle it</h3>
          <p>
            {{ f.remedy!.text }}
            <gt-remedy-answers [remedy]="f.remedy!" />
          </p>
        }
        @if (onward(); as o) {
          <p class="muted" data-onward>
            Next: <a [routerLink]="['/job', bench.id(), o.room]">{{ o.name }}</a>, {{ o.caption }}
          </p>
        }
      </section>
    }
  `,
})
export class Settle {
  protected readonly bench = inject(Bench);
  private readonly router = inject(Router);
  readonly findings = input.required<readonly Finding[]>();
  protected readonly first = computed(() => firstRemedy(this.findings()));
  /** The room where the work is, unless it is this one. */
  protected readonly onward = computed(() => {
    const next = nextStep(this.bench.thread());
    const here = this.router.url.split(/[/?]/)[3];
    return next && next.room !== here
      ? { room: next.room, name: next.room.charAt(0).toUpperCase() + next.room.slice(1), caption: next.caption }
      : null;
  });
}
