import { ChangeDetectionStrategy, Component, effect, inject, input } from '@angular/core';
import { ControlPart } from './control-part';
import { KeypadPart } from './keypad-part';
import { MeterPart } from './meter-part';
import { PartState } from '../../ui/part-state';
import { PhotosPart } from './photos-part';
import { SizesPart } from './sizes-part';
import { StripPart } from './strip-part';
import { SuppliesPart } from './supplies-part';

/** Probe: what each control is, and everything else that is measured before anyone solders. */
@Component({
  selector: 'gt-probe-room',
  changeDetection: ChangeDetectionStrategy.OnPush,
  providers: [PartState],
  imports: [ControlPart, KeypadPart, MeterPart, PhotosPart, SizesPart, StripPart, SuppliesPart],
  template: `
    @switch (state.part()) {
      @case ('strip') {
        <gt-strip-part />
      }
      @case ('keypad') {
        <gt-keypad-part />
      }
      @case ('supplies') {
        <gt-supplies-part />
      }
      @case ('sizes') {
        <gt-sizes-part />
      }
      @case ('photographs') {
        <gt-photos-part />
      }
      @case ('meter') {
        <gt-meter-part />
      }
      @default {
        <gt-control-part />
      }
    }
  `,
})
export class ProbeRoom {
  protected readonly state = inject(PartState);
  /** From the address, so that a part can be linked and the browser's back goes back. */
  readonly part = input<string>();

  constructor() {
    effect(() => this.state.part.set(this.part() ?? 'controls'));
  }
}
