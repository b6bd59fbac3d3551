import { MatButton } from '@angular/material/button';
import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { StockCell } from '../../ui/stock-cell';
import { Cell, Table, type Column } from '../../kit/table';
import { ChoiceField, type Choice } from '../../kit/choice-field';
import { FieldScope } from '../../kit/half-typed';
import { QuantityField } from '../../kit/quantity-field';
import { Action } from '../../kit/action';
import { benchFields } from '../../../core/ground/job';
import { stockFromDrawer, stockName, type BillLine } from '../../../core/engines/parts';
import type { WayResult } from '../../../core/build/ways';
import { wholeBill } from '../../../core/house/job-wiring';
import type { Wiring } from '../../../core/build/wiring';
import { Bench } from '../../store/bench';
import { DrawerStore } from '../../store/drawer';
import { PartsPick } from './parts-pick';

const CURRENCIES = [
  'EUR',
  'GBP',
  'USD',
  'CHF',
  'SEK',
  'NOK',
  'DKK',
  'PLN',
  'CZK',
  'CAD',
  'AUD',
  'NZD',
  'JPY',
  'INR',
  'BRL',
  'ZAR',
] as const;

/** What has to be bought for so many machines alike: quantities, what is at hand, prices. */
@Component({
  selector: 'gt-parts-bill',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Action, Cell, ChoiceField, FieldScope, MatButton, PartsPick, QuantityField, StockCell, Table],
  templateUrl: './parts-bill.html',
})
export class PartsBill {
  protected readonly bench = inject(Bench);
  private readonly store = inject(DrawerStore);
  readonly way = input.required<WayResult>();
  readonly wiring = input.required<Wiring>();
  protected readonly plan = computed(() => this.bench.job().bench);
  protected readonly fields = benchFields;
  protected readonly currencies = computed(() =>
    [...new Set([this.plan().currency, ...CURRENCIES])].sort().map((c): Choice => [c, c]),
  );
  protected readonly bill = computed(() => wholeBill(this.bench.seen().job, this.wiring()));
  /** A row is the first, second … of its name: its boxes stay, with what is half typed in them, when another value comes into it. */
  protected readonly place = (line: BillLine): string => {
    const alike = this.bill().lines.filter((l) => l.name === line.name);
    return `${line.name} ${alike.indexOf(line)}`;
  };
  protected readonly columns = computed((): readonly Column<BillLine>[] => [
    {
      key: 'part',
      head: 'part',
      foot: this.bill().unpriced ? `Sum of what has a price; ${this.bill().unpriced} without` : 'Sum',
    },
    { key: 'quantity', head: 'quantity', number: true, text: (l) => String(l.quantity) },
    { key: 'have', head: 'have' },
    { key: 'buy', head: 'buy', number: true, text: (l) => String(l.buy) },
    { key: 'price', head: 'price each' },
    {
      key: 'cost',
      head: 'cost',
      number: true,
      text: (l) => (l.cost === null ? '?' : this.money(l.cost)),
      foot: this.money(this.bill().sum),
    },
  ]);
  private readonly format = computed(
    () => new Intl.NumberFormat('en', { style: 'currency', currency: this.plan().currency }),
  );
  protected readonly money = (x: number): string => this.format().format(x);
  /** What the drawer knows of this list. */
  private readonly known = computed(() => stockFromDrawer(this.bill(), this.store.drawer(), this.plan().currency));
  protected readonly fillable = computed(() => this.known().length > 0);

  protected machines(n: number): void {
    this.bench.set('bench', { machines: n }, `${n} ${n === 1 ? 'machine' : 'machines alike'}`);
  }

  private stock(line: BillLine, set: { have?: number; price?: number | null }, say: string): void {
    const name = stockName(line);
    // What was typed a moment ago stands in the job already, though the table may not show it yet.
    const { have, price } = this.plan().stock.find((s) => s.name === name) ?? line;
    this.bench.put('bench.stock', { name, have, price, ...set }, say);
  }

  protected counted(line: BillLine, { have, price }: { have?: number; price?: number | null }): void {
    if (have !== undefined) this.stock(line, { have }, `${have} at hand: ${line.name}`);
    if (price !== undefined)
      this.stock(
        line,
        { price },
        price === null ? `no price: ${line.name}` : `${this.money(price)} each: ${line.name}`,
      );
  }

  protected fill(): void {
    this.bench.edit({
      do: 'several',
      edits: this.known().map((item) => ({ do: 'put', list: 'bench.stock', item })),
      say: 'counts and prices from the drawer',
    });
  }
}
