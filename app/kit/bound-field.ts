import { computed, Directive, effect, input, output, signal, untracked } from '@angular/core';
import { FormControl, type ValidatorFn } from '@angular/forms';

/**
 * A field of the kit stands in one of two ways: on a control of a form, or bound to a value of the job, which comes in by `value` and
 * goes out by `changed` once it is valid. In the second way it has a control of its own, so that both are the same inside.
 */
@Directive()
export abstract class BoundField<V> {
  readonly control = input<FormControl<V>>();
  readonly value = input<V>();
  readonly changed = output<V>();
  private readonly own = new FormControl<V | null>(null) as FormControl<V>;
  readonly bound = computed(() => this.control() ?? this.own);
  /** Counts the news of the control, so that what is shown of its state is looked at anew. */
  protected readonly news = signal(0);

  constructor() {
    effect(() => {
      const value = this.value();
      const check = this.validator();
      if (this.control()) return;
      untracked(() => {
        this.own.setValidators(check);
        this.own.setValue(value as V, { emitEvent: false });
        this.news.update((n) => n + 1);
      });
    });
    effect((done) => {
      const control = this.bound();
      const heard = control.events.subscribe(() => this.news.update((n) => n + 1));
      const said = control.valueChanges.subscribe((v) => {
        if (this.control() || !control.valid || Object.is(v, untracked(this.value))) return;
        this.changed.emit(v);
        // Where the edit was refused, or only asked for something to be done, the value is what it was, and so is the box.
        setTimeout(() => {
          const stands = untracked(this.value) as V;
          if (!Object.is(stands, v) && control === untracked(this.bound))
            control.setValue(stands, { emitEvent: false });
        });
      });
      done(() => {
        heard.unsubscribe();
        said.unsubscribe();
      });
    });
  }

  /** What the value must be, beyond what the box can hold at all. */
  protected validator(): ValidatorFn | null {
    return null;
  }
}
