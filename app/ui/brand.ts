import { ChangeDetectionStrategy, Component, input } from '@angular/core';

/** The mark of Gentle Thumb: three ridges of a thumb print. */
@Component({
  selector: 'gt-brand',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<svg
    viewBox="0 0 24 24"
    [attr.width]="size()"
    [attr.height]="size()"
    fill="none"
    stroke="currentColor"
    stroke-width="2"
    stroke-linecap="round"
    aria-hidden="true"
  >
    <path d="M3 21v-9a9 9 0 0 1 18 0v9" />
    <path d="M7 21v-9a5 5 0 0 1 10 0v9" />
    <path d="M11 21v-9a1 1 0 0 1 2 0v9" />
  </svg>`,
  styles: ':host { color: var(--gt-patina); display: inline-flex; }',
})
export class Brand {
  readonly size = input(28);
}
