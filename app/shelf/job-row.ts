import { MatButton } from '@angular/material/button';
import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { MatMenu, MatMenuItem, MatMenuTrigger } from '@angular/material/menu';
import { RouterLink } from '@angular/router';
import { Action } from '../kit/action';
import { nextStep, type RowBead } from '../../core/house/thread';
import type { Job } from '../../core/ground/job';
import { ROOM_INFO } from '../ui/rooms';
import { Glyph, VERDICT_WORDS } from '../ui/glyph';

/** One job on the shelf: its name, its small thread, its next step in words. */
@Component({
  selector: 'gt-job-row',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Action, Glyph, MatButton, MatMenu, MatMenuItem, MatMenuTrigger, RouterLink],
  templateUrl: './job-row.html',
})
export class JobRow {
  readonly job = input.required<Job>();
  readonly thread = input<readonly RowBead[] | undefined>();
  /** What is shown is of this very version; else it is of the one before, and worked out anew. */
  readonly confirmed = input(true);
  /** Why it could not be worked out; empty where it was. */
  readonly failure = input('');
  /** Why it is not kept; empty where it is. */
  readonly trouble = input('');
  readonly duplicate = output();
  readonly archived = output<boolean>();
  readonly removed = output();
  private readonly step = computed(() => nextStep(this.thread() ?? []));
  /** Before the first answer a job opens at its beginning. */
  protected readonly target = computed(() => (this.thread() ? (this.step()?.room ?? 'pack') : 'wish'));
  protected readonly next = computed((): { verdict: RowBead['verdict']; text: string } | null => {
    const thread = this.thread();
    if (!thread) return null;
    const s = this.step();
    if (!s) return { verdict: 'settled', text: 'Pack: everything can leave' };
    const name = ROOM_INFO.find((r) => r.room === s.room)!.name;
    return { verdict: s.verdict, text: `${name}: ${s.caption}` };
  });
  protected readonly label = computed(
    () =>
      (this.thread() ?? []).map((b, i) => `${ROOM_INFO[i]!.name} ${VERDICT_WORDS[b.verdict]}`).join(', ') ||
      'not assessed yet',
  );
  protected readonly touched = computed(() => {
    const days = Math.floor((Date.now() - Date.parse(this.job().touchedAt)) / 86_400_000);
    const date = new Date(this.job().touchedAt);
    if (date.toDateString() === new Date().toDateString()) return 'today';
    if (days <= 1) return 'yesterday';
    return days < 6
      ? date.toLocaleDateString('en-GB', { weekday: 'long' })
      : date.toLocaleDateString('en-GB', { day: 'numeric', month: 'short' });
  });
}
