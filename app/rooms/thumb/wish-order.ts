import { MatButton } from '@angular/material/button';
import { CdkDrag, CdkDropList, moveItemInArray, type CdkDragDrop } from '@angular/cdk/drag-drop';
import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { Action } from '../../kit/action';
import type { WayWish } from '../../../core/ground/job';
import { WISH_WORDS } from '../../../core/rooms/thumb';
import { Bench } from '../../store/bench';

/** The maker's order of wishes: dragged, or moved by the buttons; the ways are ranked by it at once. */
@Component({
  selector: 'gt-wish-order',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Action, CdkDrag, CdkDropList, MatButton],
  template: `
    <details>
      <summary class="muted">Your order of wishes: {{ first() }} …</summary>
      <ol class="wishes" cdkDropList (cdkDropListDropped)="drop($event)">
        @for (w of wishes(); track w.wish; let i = $index, top = $first, bottom = $last) {
          <li cdkDrag>
            <span>{{ w.words }}</span>
            <button
              type="button"
              matButton
              gtAction="key"
              [disabled]="top"
              [attr.aria-label]="'Earlier: ' + w.words"
              (click)="move(i, i - 1)"
            >
              ↑
            </button>
            <button
              type="button"
              matButton
              gtAction="key"
              [disabled]="bottom"
              [attr.aria-label]="'Later: ' + w.words"
              (click)="move(i, i + 1)"
            >
              ↓
            </button>
          </li>
        }
      </ol>
    </details>
  `,
})
export class WishOrder {
  private readonly bench = inject(Bench);
  private readonly order = computed(() => this.bench.job().bench.wishes);
  protected readonly wishes = computed(() => this.order().map((wish) => ({ wish, words: WISH_WORDS[wish] })));
  protected readonly first = computed(() =>
    this.wishes()
      .slice(0, 3)
      .map((w) => w.words)
      .join(', '),
  );

  protected drop(event: CdkDragDrop<unknown>): void {
    this.move(event.previousIndex, event.currentIndex);
  }

  protected move(from: number, to: number): void {
    const wishes: WayWish[] = [...this.order()];
    moveItemInArray(wishes, from, to);
    if (from !== to) this.bench.set('bench', { wishes }, `wish moved: ${WISH_WORDS[wishes[to]!]}, now ${to + 1}.`);
  }
}
