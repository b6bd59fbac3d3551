import { Injectable, signal } from '@angular/core';

/** Which part of a room is open; the address tells it. Provided by the room. */
@Injectable()
export class PartState {
  readonly part = signal('');
}
