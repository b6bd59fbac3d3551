import { ChangeDetectionStrategy, Component, effect, inject, input } from '@angular/core';
import { PartState } from '../../ui/part-state';
import { CalendarPart } from './calendar-part';
import { LoopsPart } from './loops-part';
import { ModesPart } from './modes-part';
import { RulesPart } from './rules-part';
import { YearPart } from './year-part';

/** Routine: rules with their slots and tiers, a year of them, what the controller keeps, and what calendar it keeps to. */
@Component({
  selector: 'gt-routine-room',
  changeDetection: ChangeDetectionStrategy.OnPush,
  providers: [PartState],
  imports: [CalendarPart, LoopsPart, ModesPart, RulesPart, YearPart],
  template: `
    @switch (state.part()) {
      @case ('year') {
        <gt-year-part />
      }
      @case ('modes') {
        <gt-modes-part />
      }
      @case ('loops') {
        <gt-loops-part />
      }
      @case ('calendar') {
        <gt-calendar-part />
      }
      @default {
        <gt-rules-part />
      }
    }
  `,
})
export class RoutineRoom {
  protected readonly state = inject(PartState);
  /** From the address, so that a part can be linked and the browser's back goes back. */
  readonly part = input<string>();

  constructor() {
    effect(() => this.state.part.set(this.part() ?? 'rules'));
  }
}
