import { ChangeDetectionStrategy, Component, effect, inject, input } from '@angular/core';
import { RecordingsPart } from './recordings-part';
import { JointsPart } from './joints-part';
import { PartState } from '../../ui/part-state';
import { SensesPart } from './senses-part';
import { TravelPart } from './travel-part';
import { WhichPart } from './which-part';

/** Sense: how the controller knows, and what recordings say of it. */
@Component({
  selector: 'gt-sense-room',
  changeDetection: ChangeDetectionStrategy.OnPush,
  providers: [PartState],
  imports: [JointsPart, RecordingsPart, SensesPart, TravelPart, WhichPart],
  template: `
    @switch (state.part()) {
      @case ('recordings') {
        <gt-recordings-part />
      }
      @case ('joints') {
        <gt-joints-part />
      }
      @case ('travel') {
        <gt-travel-part />
      }
      @case ('which') {
        <gt-which-part />
      }
      @default {
        <gt-senses-part />
      }
    }
  `,
})
export class SenseRoom {
  protected readonly state = inject(PartState);
  /** From the address, so that a part can be linked and the browser's back goes back. */
  readonly part = input<string>();

  constructor() {
    effect(() => this.state.part.set(this.part() ?? 'senses'));
  }
}
