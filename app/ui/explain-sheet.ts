import { MatButton } from '@angular/material/button';
import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MAT_DIALOG_DATA, MatDialogClose, MatDialogRef } from '@angular/material/dialog';
import { Action } from '../kit/action';
import { Bench } from '../store/bench';
import { turnsWithin, type Finding, type Input, type Origin } from '../../core/ground/finding';
import { sourceOf, TAG_WORDS } from '../../core/ground/sources';
import { formatQuantity, type Unit } from '../../core/ground/quantity';
import { isRating } from '../../core/house/rating-id';
import { Glyph } from './glyph';
import { originWords } from './origin-words';
import { SolveTurns } from './solve-turns';
import { StepSheet } from './step-sheet';

/** Where a number comes from: formula, numbers, inputs with their origins, the limit, and what would turn the verdict. */
@Component({
  selector: 'gt-explain-sheet',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Action, Glyph, MatButton, MatDialogClose, SolveTurns, StepSheet],
  templateUrl: './explain-sheet.html',
})
export class ExplainSheet {
  protected readonly finding = inject<Finding>(MAT_DIALOG_DATA);
  private readonly bench = inject(Bench);
  private readonly dialog = inject(MatDialogRef<ExplainSheet>);
  /** Its number comes out of the whole circuit, so that what would turn it takes solving. */
  protected readonly ofCircuit = isRating(this.finding);
  protected readonly turns = computed(() =>
    turnsWithin(this.finding, this.bench.assessment().findings)
      .slice(0, 5)
      .map((t) => ({ ...t, also: [...new Set(t.moves.map((f) => f.caption))].join(', ') })),
  );
  protected readonly close = (): void => this.dialog.close();
  protected readonly source = sourceOf;
  protected readonly say = (value: number, unit: Unit): string => formatQuantity(value, unit);
  protected readonly tag = (t: keyof typeof TAG_WORDS): string => TAG_WORDS[t];
  private readonly zone = this.bench.job().region.timeZone;
  protected readonly origin = (o: Origin): string => originWords(o, this.zone);
  protected readonly base = (i: Input): string => i.of ?? i.name;
}
