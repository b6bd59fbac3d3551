import { MatButton } from '@angular/material/button';
import { ChangeDetectionStrategy, Component, computed, inject, Injectable, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import { Action } from '../kit/action';
import { Bench } from '../store/bench';

const KEY = 'gentle-thumb-guide';

/** Whether the maker wants to be led; put away until asked for again, and remembered by this browser. */
@Injectable({ providedIn: 'root' })
export class Guide {
  readonly on = signal(this.read());

  set(on: boolean): void {
    this.on.set(on);
    try {
      localStorage.setItem(KEY, on ? 'on' : 'away');
    } catch {
      // A browser that forbids its store leads anew at the next visit.
    }
  }

  private read(): boolean {
    try {
      return localStorage.getItem(KEY) !== 'away';
    } catch {
      return true;
    }
  }
}

/** One thin line under the thread: now this, because of that. */
@Component({
  selector: 'gt-guide-bar',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Action, MatButton, RouterLink],
  template: `
    @if (step(); as s) {
      <p class="guide" data-guide>
        Now <a [routerLink]="['/job', bench.id(), s.room]">{{ s.now }}</a>, because {{ s.because }}.
        <button type="button" matButton gtAction="away" (click)="guide.set(false)">put the guide away</button>
      </p>
    }
  `,
})
export class GuideBar {
  protected readonly bench = inject(Bench);
  protected readonly guide = inject(Guide);
  /** The jobs of the demo are examples: nobody is led through them. */
  protected readonly step = computed(() =>
    this.guide.on() && this.bench.assessed() && !this.bench.id().startsWith('demo-') ? this.bench.seen().guide : null,
  );
}
