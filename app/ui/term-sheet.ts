import { MatButton } from '@angular/material/button';
import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { MAT_DIALOG_DATA, MatDialogClose } from '@angular/material/dialog';
import { Action } from '../kit/action';
import type { Term } from '../../core/glossary';

/** A term in two sentences and a small drawing. */
@Component({
  selector: 'gt-term-sheet',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Action, MatButton, MatDialogClose],
  template: `
    <article class="explain">
      <h2 id="term-title" tabindex="-1">{{ term.term }}</h2>
      <svg viewBox="0 0 160 80" width="100%" role="img" [attr.aria-label]="'Small drawing of: ' + term.term">
        @for (s of term.drawing; track $index) {
          @if ('d' in s) {
            <path
              [attr.d]="s.d"
              [attr.fill]="s.fill ? 'currentColor' : 'none'"
              stroke="currentColor"
              stroke-width="1.6"
              [attr.stroke-dasharray]="s.dashed ? '4 3' : null"
            />
          } @else {
            <text [attr.x]="s.x" [attr.y]="s.y" font-size="9" fill="currentColor">{{ s.text }}</text>
          }
        }
      </svg>
      <p>{{ term.text }}</p>
      <p class="actions"><button matButton gtAction="offer" type="button" mat-dialog-close>Close</button></p>
    </article>
  `,
})
export class TermSheet {
  protected readonly term = inject<Term>(MAT_DIALOG_DATA);
}
