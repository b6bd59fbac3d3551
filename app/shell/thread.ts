import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { MatTooltip } from '@angular/material/tooltip';
import { RouterLink, RouterLinkActive } from '@angular/router';
import type { Bead } from '../../core/house/thread';
import { Glyph, VERDICT_WORDS } from '../ui/glyph';
import { ROOM_INFO } from '../ui/rooms';

/** The thread: eleven beads in the order of the work; navigation and verdict in one. */
@Component({
  selector: 'gt-thread',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Glyph, MatTooltip, RouterLink, RouterLinkActive],
  template: `
    <nav aria-label="Rooms of this job">
      <ol class="thread">
        @for (b of beads(); track b.room; let last = $last) {
          <li>
            <a
              #bead
              [routerLink]="['/job', job(), b.room]"
              routerLinkActive="here"
              (isActiveChange)="show(bead, $event)"
              ariaCurrentWhenActive="page"
              [matTooltip]="b.tooltip"
              matTooltipPosition="above"
              matTooltipTouchGestures="off"
              matTooltipShowDelay="600"
              [attr.aria-label]="b.label"
              [class]="b.verdict"
            >
              <gt-glyph [verdict]="b.verdict" aria-hidden="true" />
              <span class="name">{{ b.name }}</span>&ngsp;<span class="caption">{{ b.caption }}</span>
            </a>
            @if (!last) {
              <span class="line" [class.broken]="b.broken" aria-hidden="true"></span>
            }
          </li>
        }
      </ol>
    </nav>
  `,
})
export class Thread {
  readonly job = input.required<string>();
  readonly thread = input.required<readonly Bead[]>();
  /** On a narrow screen the thread scrolls; the bead of this room stays in sight. */
  protected show(bead: HTMLElement, here: boolean): void {
    if (!here) return;
    // Only the list is scrolled: scrolling the bead into view would let the Tab key begin behind it.
    setTimeout(() => {
      const list = bead.closest('ol');
      list?.scrollTo({ left: bead.offsetLeft + (bead.parentElement?.offsetLeft ?? 0) - list.clientWidth / 2 });
    });
  }

  protected readonly beads = computed(() =>
    // Before the first answer every bead is an open ring.
    (this.thread().length
      ? this.thread()
      : ROOM_INFO.map((r): Bead => ({ room: r.room, verdict: 'unknown', caption: '', finding: null }))
    ).map((b, i, all) => {
      const info = ROOM_INFO[i]!;
      const next = all[i + 1];
      return {
        room: b.room,
        verdict: b.verdict,
        name: info.name,
        caption: b.caption,
        broken: b.verdict === 'unknown' || next?.verdict === 'unknown',
        tooltip: b.finding?.title ?? info.question,
        // What is seen stands in the name as it is seen; the verdict, which is a shape, follows it.
        label: `${info.name}${b.caption ? ` ${b.caption}` : ''}: ${VERDICT_WORDS[b.verdict]}`,
      };
    }),
  );
}
