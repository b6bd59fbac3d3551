import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import { MatTabLink, MatTabNav, MatTabNavPanel } from '@angular/material/tabs';
import { RouterLink, type Params } from '@angular/router';

/** A view behind a tab: the word of the address, the words of the tab, and how many things are in it. */
export interface Tab {
  readonly key: string;
  readonly words: string;
  readonly count?: number;
}

/** Tabs that are links: the address tells which is open, so that it can be gone back to and sent on. The first needs no word. */
@Component({
  selector: 'gt-tabs',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatTabLink, MatTabNav, MatTabNavPanel, RouterLink],
  template: `
    <nav mat-tab-nav-bar [tabPanel]="panel" [attr.aria-label]="label()" mat-stretch-tabs="false">
      @for (t of tabs(); track t.key; let first = $first) {
        <a
          mat-tab-link
          routerLink="."
          [queryParams]="address(first ? null : t.key)"
          queryParamsHandling="merge"
          [active]="t.key === here()"
          >{{ t.words }}
          @if (t.count) {
            &ngsp;<span class="muted">{{ t.count }}</span>
          }
        </a>
      }
    </nav>
    <mat-tab-nav-panel #panel><ng-content /></mat-tab-nav-panel>
  `,
})
export class Tabs {
  readonly label = input.required<string>();
  readonly tabs = input.required<readonly Tab[]>();
  readonly here = input.required<string>();
  /** The word of the address that tells the tab. */
  readonly param = input.required<string>();
  protected readonly address = (key: string | null): Params => ({ [this.param()]: key });
}
