import { type ElementRef, ChangeDetectionStrategy, Component, signal, viewChild } from '@angular/core';
import { MatTabLink, MatTabNav, MatTabNavPanel } from '@angular/material/tabs';

/** Do on the left, Know on the right; on a phone two tabs that swipe. */
@Component({
  selector: 'gt-two-columns',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatTabLink, MatTabNav, MatTabNavPanel],
  template: `
    <nav mat-tab-nav-bar class="tabs" [tabPanel]="panel" aria-label="Do or Know">
      <button mat-tab-link type="button" [active]="tab() === 0" (click)="show(0)">Do</button>
      <button mat-tab-link type="button" [active]="tab() === 1" (click)="show(1)">Know</button>
    </nav>
    <mat-tab-nav-panel #panel class="panel">
      <div #swipe class="columns" (scroll)="follow()">
        <section class="do" aria-label="Do"><ng-content select="[do]" /></section>
        <section class="know" aria-label="Know" tabindex="0"><ng-content select="[know]" /></section>
      </div>
    </mat-tab-nav-panel>
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
