import { MatButton } from '@angular/material/button';
import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { Action } from '../kit/action';
import type { Finding } from '../../core/ground/finding';
import { formatQuantity } from '../../core/ground/quantity';
import { Explain } from './explain';

/** A finding's value; press it (or `w` while it has the focus) to see where it comes from. */
@Component({
  selector: 'gt-num',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Action, MatButton],
  template: `@if (finding().value; as v) {
    <button
      type="button"
      matButton
      gtAction="num"
      data-why
      [attr.aria-label]="text() + ': why?'"
      (click)="explain.open(finding())"
    >
      {{ text() }}
    </button>
  }`,
})
export class Num {
  protected readonly explain = inject(Explain);
  readonly finding = input.required<Finding>();
  readonly text = computed(() => {
    const v = this.finding().value;
    return v ? formatQuantity(v.value, v.unit) : '';
  });
}
