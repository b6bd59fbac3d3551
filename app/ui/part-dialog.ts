import { inject, Injectable } from '@angular/core';
import { MatDialog } from '@angular/material/dialog';
import { firstValueFrom } from 'rxjs';
import type { OwnPart } from '../../core/ground/job';

/** Opens the editor of a part; gives the part that was kept, or nothing. */
@Injectable({ providedIn: 'root' })
export class PartDialog {
  private readonly dialog = inject(MatDialog);

  async edit(part: OwnPart): Promise<OwnPart | undefined> {
    const { PartEditor } = await import('./part-editor');
    const ref = this.dialog.open<InstanceType<typeof PartEditor>, OwnPart, OwnPart>(PartEditor, {
      data: part,
      width: '680px',
      maxWidth: '96vw',
      maxHeight: '92vh',
      autoFocus: 'first-heading',
      ariaLabelledBy: 'part-title',
    });
    return firstValueFrom(ref.afterClosed());
  }
}
