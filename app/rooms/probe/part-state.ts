import { Injectable, signal } from '@angular/core';

/** Which part of Probe is open; the address tells it. */
@Injectable({ providedIn: 'root' })
export class PartState {
  readonly part = signal('controls');
}
