import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { provideLuxonDateAdapter } from '@angular/material-luxon-adapter';
import { MatFormField, MatLabel, MatSuffix } from '@angular/material/form-field';
import { MatInput } from '@angular/material/input';
import { MatTimepicker, MatTimepickerInput, MatTimepickerToggle } from '@angular/material/timepicker';
import { DateTime } from 'luxon';

/** A time of day as `HH:mm`, typed or picked; what is no time is kept in the box and not taken. */
@Component({
  selector: 'gt-time',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatFormField, MatInput, MatLabel, MatSuffix, MatTimepicker, MatTimepickerInput, MatTimepickerToggle],
  providers: [
    provideLuxonDateAdapter({
      parse: { dateInput: 'yyyy-MM-dd', timeInput: 'HH:mm' },
      display: {
        dateInput: 'yyyy-MM-dd',
        monthYearLabel: 'LLL yyyy',
        dateA11yLabel: 'DDD',
        monthYearA11yLabel: 'LLLL yyyy',
        timeInput: 'HH:mm',
        timeOptionLabel: 'HH:mm',
      },
    }),
  ],
  host: { class: 'gt-field' },
  template: `
    <mat-form-field>
      <mat-label>{{ label() }}</mat-label>
      <input matInput [matTimepicker]="list" [value]="time()" (valueChange)="take($event)" placeholder="HH:mm" />
      <mat-timepicker-toggle matIconSuffix [for]="list" [aria-label]="label() + ': pick from a list'" />
      <mat-timepicker #list interval="15m" />
    </mat-form-field>
  `,
})
export class TimeField {
  readonly label = input.required<string>();
  readonly value = input.required<string>();
  readonly changed = output<string>();
  protected readonly time = computed(() => DateTime.fromFormat(this.value(), 'HH:mm', { zone: 'utc' }));

  protected take(time: DateTime | null): void {
    const text = time?.isValid ? time.toFormat('HH:mm') : '';
    if (text && text !== this.value()) this.changed.emit(text);
  }
}
