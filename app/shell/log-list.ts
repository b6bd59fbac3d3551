import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { type LogEntry, sayTime } from '../../core/ground/job';

/** The job's log, newest first; long ones show their newest part and say how much is older. */
@Component({
  selector: 'gt-log-list',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <section class="log" aria-label="Log of this job" tabindex="0">
      <ol>
        @for (e of shown(); track $index) {
          <li>
            <time class="mono">{{ e.when }}</time>&ngsp;<span class="muted">{{ e.room }}</span> {{ e.text }}
          </li>
        }
      </ol>
      @if (older() > 0) {
        <p class="muted">{{ older() }} older entries leave with the log in Pack.</p>
      }
    </section>
  `,
})
export class LogList {
  readonly log = input.required<readonly LogEntry[]>();
  readonly zone = input.required<string>();
  protected readonly shown = computed(() =>
    this.log()
      .slice(-200)
      .reverse()
      .map((e) => ({
        room: e.room,
        text: e.text,
        when: sayTime(e.at, this.zone()),
      })),
  );
  protected readonly older = computed(() => Math.max(0, this.log().length - 200));
}
