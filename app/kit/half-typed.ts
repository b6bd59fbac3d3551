import { Directive, inject, Injectable, input } from '@angular/core';

/**
 * What was typed into a box and not kept yet: half a number, or one that was refused. It survives a change of room, since a hand that
 * goes to look something up comes back to the same box. Held in memory alone, by the place of the box.
 */
@Injectable({ providedIn: 'root' })
export class HalfTyped {
  private readonly texts = new Map<string, string>();

  keep(place: string, text: string): void {
    this.texts.set(place, text);
  }

  forget(place: string): void {
    this.texts.delete(place);
  }

  at(place: string): string | undefined {
    return this.texts.get(place);
  }
}

/** Names the row that fields stand in, where several rows hold the same fields: the fields' places are told apart by it. */
@Directive({ selector: '[gtScope]' })
export class FieldScope {
  readonly name = input.required<string>({ alias: 'gtScope' });
  private readonly outer = inject(FieldScope, { optional: true, skipSelf: true });

  path(): string {
    return this.outer ? `${this.outer.path()}/${this.name()}` : this.name();
  }
}
