import { inject, Injectable } from '@angular/core';
import { MatDialog } from '@angular/material/dialog';
import type { Finding } from '../../core/ground/finding';

/** Opens the sheet that tells where a number comes from. */
@Injectable({ providedIn: 'root' })
export class Explain {
  private readonly dialog = inject(MatDialog);

  async open(finding: Finding): Promise<void> {
    const { ExplainSheet } = await import('./explain-sheet');
    this.dialog.open(ExplainSheet, {
      data: finding,
      width: '620px',
      maxWidth: '96vw',
      maxHeight: '92vh',
      autoFocus: 'first-heading',
      ariaLabelledBy: 'explain-title',
    });
  }
}
