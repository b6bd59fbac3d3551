import { ChangeDetectionStrategy, Component, effect, inject, input } from '@angular/core';
import { PartState } from '../../ui/part-state';
import { FilesPart } from './files-part';
import { RehearsalPart } from './rehearsal-part';

/** Pack: what leaves, and the program rehearsed before it does. */
@Component({
  selector: 'gt-pack-room',
  changeDetection: ChangeDetectionStrategy.OnPush,
  providers: [PartState],
  imports: [FilesPart, RehearsalPart],
  template: `
    @if (state.part() === 'rehearsal') {
      <gt-rehearsal-part />
    } @else {
      <gt-files-part />
    }
  `,
})
export class PackRoom {
  protected readonly state = inject(PartState);
  /** From the address, so that a part can be linked and the browser's back goes back. */
  readonly part = input<string>();

  constructor() {
    effect(() => this.state.part.set(this.part() ?? 'files'));
  }
}
