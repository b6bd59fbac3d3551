import {
  type ElementRef,
  ChangeDetectionStrategy,
  Component,
  effect,
  inject,
  input,
  model,
  untracked,
  viewChild,
} from '@angular/core';
import { MatError, MatFormField, MatSuffix } from '@angular/material/form-field';
import { MatInput } from '@angular/material/input';
import type { ErrorStateMatcher } from '@angular/material/core';
import { HalfTyped } from './half-typed';

/** The one field of a step at the bench, read from a metre away: every key is told, and nothing is kept until the step goes on. */
@Component({
  selector: 'gt-bench',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatError, MatFormField, MatInput, MatSuffix],
  host: { class: 'gt-field' },
  template: `
    <mat-form-field>
      <input
        matInput
        #box
        data-next-reading
        inputmode="text"
        autocomplete="off"
        autocapitalize="off"
        spellcheck="false"
        [attr.aria-label]="label()"
        [attr.maxlength]="60"
        [placeholder]="hint()"
        [errorStateMatcher]="matcher"
        [value]="text()"
        (input)="type(box.value)"
      />
      @if (unit()) {
        <span matTextSuffix class="unit">{{ unit() }}</span>
      }
      @if (error()) {
        <mat-error role="alert">{{ error() }}</mat-error>
      }
    </mat-form-field>
  `,
})
export class BenchField {
  readonly label = input.required<string>();
  readonly unit = input('');
  readonly hint = input('');
  /** Which question this is: what was half typed at it stands there again after a visit elsewhere. */
  readonly question = input.required<string>();
  readonly text = model('');
  readonly error = model('');
  private readonly box = viewChild.required<ElementRef<HTMLInputElement>>('box');
  private readonly half = inject(HalfTyped);
  protected readonly matcher: ErrorStateMatcher = { isErrorState: () => this.error() !== '' };
  private readonly page = location.pathname;

  constructor() {
    effect(() => {
      const left = this.half.at(this.place());
      untracked(() => {
        this.text.set(left ?? '');
        this.error.set('');
      });
    });
    effect(() => {
      this.error();
      untracked(() => this.control().updateErrorState());
    });
  }

  private readonly control = viewChild.required(MatInput);
  private place(): string {
    return `${this.page} ${this.question()}`;
  }

  protected type(text: string): void {
    this.text.set(text);
    this.error.set('');
    if (text) this.half.keep(this.place(), text);
    else this.half.forget(this.place());
  }

  /** The answer was kept: the box is empty for the next. */
  done(): void {
    this.half.forget(this.place());
    this.text.set('');
    this.error.set('');
  }

  focus(): void {
    this.box().nativeElement.focus();
  }

  /** A digit typed elsewhere on the page begins the answer. */
  begin(key: string): void {
    const box = this.box().nativeElement;
    // At once, since the next key is on its way and goes to the box itself.
    box.value += key;
    box.focus();
    this.type(box.value);
  }
}
