import { Directive, ElementRef, inject } from '@angular/core';

/** Which way the arrow keys move what is held. */
const WAYS: Readonly<Record<string, 1 | -1>> = { ArrowUp: 1, ArrowRight: 1, ArrowDown: -1, ArrowLeft: -1 };

/** A drawing in which something is dragged or moved by key: the pointer is held until it is let go. */
@Directive({ host: { '(pointermove)': 'move($event)', '(pointerup)': 'drop()', '(pointercancel)': 'giveUp()' } })
export abstract class DraggedChart {
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef);

  /** What is held follows the pointer. */
  protected abstract move(event: PointerEvent): void;
  /** What is held stays where it is. */
  protected abstract drop(): void;
  /** What is held goes back to where it was. */
  protected abstract giveUp(): void;

  protected hold(event: PointerEvent): void {
    event.preventDefault();
    (event.currentTarget as SVGElement).focus();
    this.host.nativeElement.setPointerCapture(event.pointerId);
  }

  /** Where the pointer is in the drawing's own units; null where there is no drawing. */
  protected at(
    event: PointerEvent,
    size: { readonly width: number; readonly height: number },
  ): { readonly x: number; readonly y: number } | null {
    const box = this.host.nativeElement.querySelector('svg')?.getBoundingClientRect();
    return box
      ? {
          x: ((event.clientX - box.left) / box.width) * size.width,
          y: ((event.clientY - box.top) / box.height) * size.height,
        }
      : null;
  }

  /** Which way a key moves it, and whether by the larger step; null for any other key, which goes on to the page. */
  protected wayOf(event: KeyboardEvent): { readonly way: 1 | -1; readonly far: boolean } | null {
    const way = WAYS[event.key];
    if (way === undefined) return null;
    event.preventDefault();
    return { way, far: event.shiftKey };
  }
}
