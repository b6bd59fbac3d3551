import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { Finding } from '../../core/ground/finding';
import { Glyph } from './glyph';

/** From this many on what is settled is folded; one by itself is a line already. */
const FOLDED = 2;

/** What stands open, and what is settled and folded, each in its order. */
export function partSettled<T>(
  all: readonly T[],
  of: (x: T) => Finding,
): { readonly open: readonly T[]; readonly settled: readonly T[] } {
  const settled = all.filter((x) => of(x).verdict === 'settled');
  return settled.length < FOLDED
    ? { open: all, settled: [] }
    : { open: all.filter((x) => of(x).verdict !== 'settled'), settled };
}

/** What is settled in one line: how many, and of what each speaks. */
@Component({
  selector: 'gt-settled-line',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Glyph],
  template: `<gt-glyph verdict="settled" />&ngsp;{{ findings().length }} {{ words() }}&ngsp;<span class="muted">{{
      captions()
    }}</span>`,
})
export class SettledLine {
  readonly findings = input.required<readonly Finding[]>();
  readonly words = input('settled');
  protected readonly captions = computed(() =>
    [...new Set(this.findings().map((f) => f.caption))].filter((c) => c !== '').join(', '),
  );
}
