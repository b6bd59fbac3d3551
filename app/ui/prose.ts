import { MatButton } from '@angular/material/button';
import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { MatDialog } from '@angular/material/dialog';
import { Action } from '../kit/action';
import { marked, type TextPiece, type Term } from '../../core/glossary';

/** A text in which the terms of the trade have a dotted line: each opens two sentences and a small drawing. */
@Component({
  selector: 'gt-prose',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Action, MatButton],
  // No blank may stand between a term and what follows it: the pieces are elements, and blanks between elements go.
  template: `
    @for (p of shown(); track $index) {
      @if (p.term; as t) {
        <button
          type="button"
          matButton
          gtAction="term"
          [attr.aria-label]="p.text + ', what is that?'"
          (click)="open(t)"
        >
          <span [textContent]="p.text"></span>
        </button>
      } @else {
        <span [textContent]="p.text"></span>
      }
    }
  `,
})
export class Prose {
  private readonly dialog = inject(MatDialog);
  readonly text = input.required<string>();
  /** The text already cut, where a whole list marks each term once. */
  readonly pieces = input<readonly TextPiece[]>();
  protected readonly shown = computed(() => this.pieces() ?? marked(this.text()));

  protected async open(term: Term): Promise<void> {
    const { TermSheet } = await import('./term-sheet');
    this.dialog.open(TermSheet, {
      data: term,
      width: '440px',
      maxWidth: '96vw',
      autoFocus: 'first-heading',
      ariaLabelledBy: 'term-title',
    });
  }
}
