import { inject, Injectable } from '@angular/core';
import { MatSnackBar } from '@angular/material/snack-bar';

/** Long enough to read and to reach, ms. */
const STAYS_MS = 10_000;

/** Says what was taken away, with one press to have it back. */
@Injectable({ providedIn: 'root' })
export class UndoBar {
  private readonly bar = inject(MatSnackBar);

  say(what: string, undo: () => void, word = 'undo'): void {
    this.bar.open(what, word, { duration: STAYS_MS, panelClass: 'gt-undo-bar' }).onAction().subscribe(undo);
  }

  withdraw(): void {
    this.bar.dismiss();
  }
}
