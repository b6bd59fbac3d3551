import { MatButton } from '@angular/material/button';
import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { Action } from '../../kit/action';
import type { Verdict } from '../../../core/ground/finding';
import { formatQuantity } from '../../../core/ground/quantity';
import { changesFor, contextOf, reasonsOf, type Change } from '../../../core/rooms/thumb';
import { WAY_WORDS, wayPhrase, type WayResult } from '../../../core/build/ways';
import { Bench } from '../../store/bench';
import { Draft } from './draft';
import { Glyph } from '../../ui/glyph';
import { Num } from '../../ui/num';

const AFTER: Record<Verdict, string> = {
  settled: 'then it passes',
  tight: 'then it passes barely',
  unknown: 'then it waits for readings only',
  stop: 'then one obstacle is gone',
};

/**
 * What speaks for and against a way here, and what would have to change for it to pass: every part and remedy tried
 * out, and how far a number would have to move.
 */
@Component({
  selector: 'gt-changes-panel',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Action, Glyph, MatButton, Num],
  templateUrl: './changes-panel.html',
  styles:
    '.sides { display: grid; grid-template-columns: 1fr 1fr; gap: 22px; } @media ' +
    '(max-width: 700px) { .sides { grid-template-columns: 1fr; } }',
})
export class ChangesPanel {
  private readonly bench = inject(Bench);
  private readonly draft = inject(Draft);
  readonly way = input.required<WayResult>();
  readonly ways = input.required<readonly WayResult[]>();
  /** The first other way that passes as things are. */
  protected readonly instead = computed(() =>
    this.ways().find((w) => w.way !== this.way().way && w.verdict === 'settled'),
  );
  protected readonly show = formatQuantity;
  protected readonly base = (name: string): string => name.replace(/, (lowest|highest)$/, '');
  protected readonly phrase = computed(() => wayPhrase(this.way().way));
  protected readonly reasons = computed(() => reasonsOf(this.way(), this.bench.job().bench.wishes));
  protected readonly changes = computed(() => {
    const context = this.draft.context(this.bench.seen().job);
    return context && changesFor(contextOf(context, this.way().way), this.way());
  });
  protected readonly words = (c: Change): string =>
    c.after === this.way().verdict ? `still ${c.left} of its sort against it` : AFTER[c.after];

  protected readonly phraseOf = wayPhrase;

  protected take(w: WayResult): void {
    this.draft.set('press', { way: w.way, resistorOhms: null }, `way of pressing: ${WAY_WORDS[w.way].name}`);
  }

  protected apply(c: Change): void {
    if (c.edit) this.bench.edit(c.edit);
  }
}
