import { NgTemplateOutlet } from '@angular/common';
import {
  booleanAttribute,
  ChangeDetectionStrategy,
  Component,
  computed,
  contentChildren,
  Directive,
  inject,
  input,
  signal,
  TemplateRef,
} from '@angular/core';
import { MatSort, MatSortHeader, type Sort } from '@angular/material/sort';
import {
  MatCell,
  MatCellDef,
  MatColumnDef,
  MatFooterCell,
  MatFooterCellDef,
  MatFooterRow,
  MatFooterRowDef,
  MatHeaderCell,
  MatHeaderCellDef,
  MatHeaderRow,
  MatHeaderRowDef,
  MatNoDataRow,
  MatRow,
  MatRowDef,
  MatTable,
} from '@angular/material/table';

/** A column of a table: its head, what it shows, and how it is sorted where that helps. */
export interface Column<R> {
  readonly key: string;
  readonly head: string;
  /** What stands in a cell that has no template of its own. */
  readonly text?: (row: R) => string;
  readonly number?: boolean;
  readonly sort?: (row: R) => string | number;
  readonly foot?: string;
}

/** The cells of one column: `<ng-template gtCell="price" let-row>`. */
@Directive({ selector: 'ng-template[gtCell]' })
export class Cell {
  readonly key = input.required<string>({ alias: 'gtCell' });
  readonly template = inject<TemplateRef<unknown>>(TemplateRef);
}

/** Rows by columns that are data; cells may be fields, numbers that open or buttons. Rows keep what is typed in them by their key. */
@Component({
  selector: 'gt-table',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    MatCell,
    MatCellDef,
    MatColumnDef,
    MatFooterCell,
    MatFooterCellDef,
    MatFooterRow,
    MatFooterRowDef,
    MatHeaderCell,
    MatHeaderCellDef,
    MatHeaderRow,
    MatHeaderRowDef,
    MatNoDataRow,
    MatRow,
    MatRowDef,
    MatSort,
    MatSortHeader,
    MatTable,
    NgTemplateOutlet,
  ],
  host: { class: 'wide' },
  template: `
    <table mat-table [dataSource]="sorted()" [trackBy]="track()" matSort (matSortChange)="sort.set($event)">
      <caption class="sr">
        {{
          caption()
        }}
      </caption>
      @for (c of columns(); track c.key) {
        <ng-container [matColumnDef]="c.key">
          <th
            mat-header-cell
            *matHeaderCellDef
            scope="col"
            [class.right]="c.number"
            [mat-sort-header]="c.key"
            [disabled]="!c.sort"
          >
            {{ c.head }}
          </th>
          <td mat-cell *matCellDef="let row; let i = index" [class.right]="c.number" [class.mono]="c.number">
            @if (cells()[c.key]; as t) {
              <ng-container [ngTemplateOutlet]="t" [ngTemplateOutletContext]="{ $implicit: row, index: i }" />
            } @else {
              {{ c.text?.(row) }}
            }
          </td>
          <td mat-footer-cell *matFooterCellDef [class.right]="c.number" [class.mono]="c.number">{{ c.foot }}</td>
        </ng-container>
      }
      <tr mat-header-row *matHeaderRowDef="keys()" [hidden]="headless()"></tr>
      <tr mat-row *matRowDef="let row; columns: keys()" [class.struck]="struck()(row)"></tr>
      @if (footed()) {
        <tr mat-footer-row *matFooterRowDef="keys()"></tr>
      }
      <tr *matNoDataRow>
        <td class="muted" [attr.colspan]="keys().length">{{ none() }}</td>
      </tr>
    </table>
  `,
})
export class Table<R> {
  readonly rows = input.required<readonly R[]>();
  readonly columns = input.required<readonly Column<R>[]>();
  readonly caption = input.required<string>();
  /** What a row is known by. */
  readonly key = input<(row: R, index: number) => unknown>((_, i) => i);
  readonly none = input('nothing yet');
  /** Heads that say nothing new are for the screen reader only. */
  readonly headless = input(false, { transform: booleanAttribute });
  readonly struck = input<(row: R) => boolean>(() => false);
  private readonly templates = contentChildren(Cell);
  protected readonly cells = computed((): Readonly<Record<string, TemplateRef<unknown> | undefined>> =>
    Object.fromEntries(this.templates().map((c) => [c.key(), c.template])),
  );
  protected readonly keys = computed(() => this.columns().map((c) => c.key));
  protected readonly footed = computed(() => this.columns().some((c) => c.foot !== undefined));
  protected readonly sort = signal<Sort>({ active: '', direction: '' });
  protected readonly track = computed(
    () =>
      (i: number, row: R): unknown =>
        this.key()(row, i),
  );
  protected readonly sorted = computed(() => {
    const { active, direction } = this.sort();
    const by = this.columns().find((c) => c.key === active)?.sort;
    if (!by || !direction) return [...this.rows()];
    const sign = direction === 'asc' ? 1 : -1;
    return [...this.rows()].sort((a, b) => {
      const [x, y] = [by(a), by(b)];
      return sign * (typeof x === 'string' ? x.localeCompare(String(y)) : x - Number(y));
    });
  });
}
