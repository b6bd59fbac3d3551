import type { ElementRef } from '@angular/core';
import { ChangeDetectionStrategy, Component, signal, viewChild } from '@angular/core';

/** Do on the left, Know on the right; on a phone two tabs that swipe. */
@Component({
  selector: 'gt-two-columns',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="tabs" role="group" aria-label="Do or Know">
      <button type="button" [class.on]="tab() === 0" [attr.aria-pressed]="tab() === 0" (click)="show(0)">Do</button>
      <button type="button" [class.on]="tab() === 1" [attr.aria-pressed]="tab() === 1" (click)="show(1)">Know</button>
    </div>
    <div #swipe class="columns" (scroll)="follow()">
      <section class="do" aria-label="Do"><ng-content select="[do]" /></section>
      <section class="know" aria-label="Know" tabindex="0"><ng-content select="[know]" /></section>
    </div>
  `,
})
export class TwoColumns {
  private readonly swipe = viewChild.required<ElementRef<HTMLElement>>('swipe');
  protected readonly tab = signal(0);

  protected show(tab: number): void {
    const el = this.swipe().nativeElement;
    el.scrollTo({
      left: tab * el.clientWidth,
      behavior: matchMedia('(prefers-reduced-motion: reduce)').matches ? 'auto' : 'smooth',
    });
    this.tab.set(tab);
  }

  protected follow(): void {
    const el = this.swipe().nativeElement;
    if (el.scrollWidth > el.clientWidth + 10) this.tab.set(Math.round(el.scrollLeft / el.clientWidth));
  }
}
