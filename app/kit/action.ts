import { Directive, effect, inject, input } from '@angular/core';
import { MatButton, type MatButtonAppearance } from '@angular/material/button';
import { MatRipple } from '@angular/material/core';

/**
 * The dresses of a button: do it, offer it, the same small as a key, say it within a text, the same in bold, take away in quiet, a number
 * that opens, and a term that does.
 */
export type Dress = 'do' | 'offer' | 'key' | 'say' | 'mend' | 'away' | 'num' | 'term';

const APPEARANCE: Record<Dress, MatButtonAppearance> = {
  do: 'filled',
  offer: 'outlined',
  key: 'outlined',
  say: 'text',
  mend: 'text',
  away: 'text',
  num: 'text',
  term: 'text',
};

/** Material's button in one of the house's dresses; the dress sets tokens and nothing else. */
@Directive({
  selector: 'button[matButton][gtAction], a[matButton][gtAction]',
  host: { '[class]': '"gt-" + gtAction()' },
})
export class Action {
  readonly gtAction = input.required<Dress>();

  constructor() {
    const button = inject(MatButton, { self: true });
    effect(() => button.setAppearance(APPEARANCE[this.gtAction()]));
  }
}

/** A button that is a whole row of a list, with a layout of its own inside. */
@Directive({ selector: 'button[gtRow]', hostDirectives: [MatRipple] })
export class Row {}
