import { Injectable, signal } from '@angular/core';

/** Hands-busy mode: one column, large, gone on with a foot. */
@Injectable({ providedIn: 'root' })
export class HandsBusy {
  readonly on = signal(false);

  toggle(): void {
    this.on.update((x) => !x);
  }
}
