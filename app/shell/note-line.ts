import { MatInput } from '@angular/material/input';
import { MatButton } from '@angular/material/button';
import {
  type ElementRef,
  ChangeDetectionStrategy,
  Component,
  computed,
  DestroyRef,
  inject,
  signal,
  viewChild,
} from '@angular/core';
import { Action } from '../kit/action';
import { readNoteLine } from '../../core/ground/notes';
import { Bench } from '../store/bench';
import { LogList } from './log-list';

/** How long it is said what the last line was taken for, ms; what is typed next is shown before it. */
const NOTED_MS = 12_000;

/** One line at the foot of every room: a reading or a remark as one says it, understood while it is typed. */
@Component({
  selector: 'gt-note-line',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Action, LogList, MatButton, MatInput],
  templateUrl: './note-line.html',
})
export class NoteLine {
  protected readonly bench = inject(Bench);
  private readonly input = viewChild.required<ElementRef<HTMLInputElement>>('line');
  protected readonly text = signal('');
  protected readonly kept = signal('');
  protected readonly logOpen = signal(false);
  private timer: ReturnType<typeof setTimeout> | undefined;
  protected readonly understood = computed(() => {
    const line = this.text();
    return line.trim() ? readNoteLine(line, this.bench.job(), { id: 'preview', now: '2000-01-01T00:00:00Z' }) : null;
  });

  constructor() {
    inject(DestroyRef).onDestroy(() => clearTimeout(this.timer));
  }

  focus(): void {
    this.input().nativeElement.focus();
  }

  protected enter(): void {
    const line = this.text();
    if (!line.trim()) return;
    const u = readNoteLine(line, this.bench.job(), { id: this.bench.newId(), now: this.bench.now() });
    if (!u.ok) {
      this.input().nativeElement.setSelectionRange(u.at, line.length);
      return;
    }
    this.bench.edit(u.edit);
    this.text.set('');
    this.kept.set(u.words);
    // What the line before was taken for must not take this one away with it.
    clearTimeout(this.timer);
    this.timer = setTimeout(() => this.kept.set(''), NOTED_MS);
  }
}
