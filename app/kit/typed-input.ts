import { Directive, ElementRef, inject, signal, type OnDestroy } from '@angular/core';
import type { AbstractControl, ControlValueAccessor, ValidationErrors, Validator } from '@angular/forms';
import { FieldScope, HalfTyped } from './half-typed';

export type Read<V> = { readonly ok: true; readonly value: V } | { readonly ok: false; readonly message: string };

/**
 * A box in which something is typed and read as a whole, when Enter is pressed or the box is left. What cannot be read stays in the
 * box with its reason and is no value; what stands there already is no edit. Esc puts back what is kept. A value that comes from
 * elsewhere (undo, a remedy, another tab) does not run over what is being typed: it is told beside it.
 */
@Directive({
  host: {
    'data-kept': '',
    autocomplete: 'off',
    autocapitalize: 'off',
    spellcheck: 'false',
    '(input)': 'type()',
    '(change)': 'read()',
    '(blur)': 'leave()',
    '(keydown.escape)': 'giveUp($event)',
    '[attr.data-half]': 'half() ? "" : null',
  },
})
export abstract class TypedInput<V> implements ControlValueAccessor, Validator, OnDestroy {
  private readonly box = inject<ElementRef<HTMLInputElement | HTMLTextAreaElement>>(ElementRef).nativeElement;
  private readonly store = inject(HalfTyped);
  private readonly scope = inject(FieldScope, { optional: true });
  /** True while the box shows what is not kept. */
  readonly half = signal(false);
  /** The text of a value that came from elsewhere while this box was typed in; empty where none did. */
  readonly elsewhere = signal('');
  /** What is kept, and what the control was last told, which it may have refused. */
  private value: V | null = null;
  private sent: V | null = null;
  private control: AbstractControl | null = null;
  private problem = '';
  private begun = false;
  private readonly page = location.pathname + location.search;
  private changed: (value: V) => void = () => undefined;
  private revalidate: () => void = () => undefined;
  protected touched: () => void = () => undefined;

  /** The name of the box on its page. */
  protected abstract name(): string;
  protected abstract parse(text: string): Read<V>;
  protected abstract show(value: V): string;

  private place(): string {
    return `${this.page} ${this.scope?.path() ?? ''} ${this.name()}`;
  }

  private text(): string {
    return this.value === null ? '' : this.show(this.value);
  }

  writeValue(value: V | null): void {
    const typing = this.half() && document.activeElement === this.box;
    const same = Object.is(value, this.value);
    this.value = this.sent = value;
    if (!this.begun) {
      this.begun = true;
      const left = this.store.at(this.place());
      if (left !== undefined && left !== this.text()) return this.takeUp(left);
    } else if (this.half() && (typing || same)) {
      if (!same) this.elsewhere.set(this.text() || 'nothing');
      return;
    }
    this.shown();
  }

  /** What was left here half typed stands here again, with what is wrong with it. */
  private takeUp(text: string): void {
    this.box.value = text;
    this.half.set(true);
    const read = this.parse(text);
    this.problem = read.ok ? '' : read.message;
    queueMicrotask(() => {
      this.control?.markAsDirty();
      this.revalidate();
    });
  }

  /** The box shows what is kept, and nothing is half typed. */
  private shown(): void {
    this.box.value = this.text();
    this.half.set(false);
    this.elsewhere.set('');
    this.store.forget(this.place());
    if (!this.problem) return;
    this.problem = '';
    this.revalidate();
  }

  protected type(): void {
    this.half.set(this.box.value !== this.text());
    if (this.half()) this.store.keep(this.place(), this.box.value);
    else this.store.forget(this.place());
  }

  /** Reads the box; an entry from a list beside it comes the same way. */
  read(text = this.box.value): void {
    const read = this.parse(text);
    this.problem = read.ok ? '' : read.message;
    if (read.ok && !Object.is(read.value, this.sent)) this.send(read.value);
    else this.revalidate();
    if (read.ok && !this.control?.invalid) {
      this.value = read.value;
      return this.shown();
    }
    this.control?.markAsDirty();
    this.box.value = text;
    this.half.set(true);
    this.store.keep(this.place(), text);
  }

  /** What was taken up again is read when the box is left, though the browser saw no change of it. */
  protected leave(): void {
    this.touched();
    if (this.half() && this.problem === '') this.read();
  }

  private send(value: V): void {
    this.sent = value;
    this.changed(value);
  }

  protected giveUp(event: Event): void {
    if (!this.half()) return;
    event.stopPropagation();
    if (!Object.is(this.sent, this.value)) this.send(this.value as V);
    this.shown();
  }

  validate(control: AbstractControl): ValidationErrors | null {
    this.control = control;
    return this.problem ? { typed: this.problem } : null;
  }

  registerOnChange(f: (value: V) => void): void {
    this.changed = f;
  }

  registerOnTouched(f: () => void): void {
    this.touched = f;
  }

  registerOnValidatorChange(f: () => void): void {
    this.revalidate = f;
  }

  setDisabledState(disabled: boolean): void {
    this.box.disabled = disabled;
  }

  ngOnDestroy(): void {
    // A box that goes with its row or its room keeps what was half typed for the time that it comes back.
    if (this.half()) this.store.keep(this.place(), this.box.value);
  }
}
