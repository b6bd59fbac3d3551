import { Directive, input } from '@angular/core';
import { NG_VALIDATORS, NG_VALUE_ACCESSOR } from '@angular/forms';
import { TypedInput, type Read } from './typed-input';

/** A text as a form control: trimmed, and kept when Enter is pressed or the box is left. */
@Directive({
  selector: 'input[gtText], textarea[gtText]',
  exportAs: 'gtText',
  providers: [
    { provide: NG_VALUE_ACCESSOR, useExisting: TextInput, multi: true },
    { provide: NG_VALIDATORS, useExisting: TextInput, multi: true },
  ],
})
export class TextInput extends TypedInput<string> {
  /** The label of the box, by which what is half typed is known. */
  readonly label = input.required<string>({ alias: 'gtText' });

  protected name(): string {
    return this.label();
  }

  protected parse(text: string): Read<string> {
    return { ok: true, value: text.trim() };
  }

  protected show(value: string): string {
    return value;
  }
}
