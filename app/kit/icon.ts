import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { mdiDotsVertical, mdiPrinterOutline, mdiRedo, mdiTrayArrowDown, mdiUndo } from '@mdi/js';

/** The few signs that the interface uses, from one set; only these are bundled. */
const SIGNS = {
  undo: mdiUndo,
  redo: mdiRedo,
  more: mdiDotsVertical,
  print: mdiPrinterOutline,
  save: mdiTrayArrowDown,
} as const;

/** A sign beside a word. It says nothing that the word does not say, and is hidden from the screen reader. */
@Component({
  selector: 'gt-icon',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<svg viewBox="0 0 24 24" width="18" height="18" aria-hidden="true">
    <path [attr.d]="path()" fill="currentColor" />
  </svg>`,
  styles: ':host { display: inline-flex; vertical-align: -4px; margin-right: 4px; }',
})
export class Icon {
  readonly name = input.required<keyof typeof SIGNS>();
  protected readonly path = computed(() => SIGNS[this.name()]);
}
