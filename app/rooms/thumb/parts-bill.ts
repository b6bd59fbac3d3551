import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { billOf, stockName, type BillLine } from '../../../core/parts';
import type { WayResult } from '../../../core/ways';
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
  imports: [PartsPick],
  templateUrl: './parts-bill.html',
  styles: '.tiny { width: 76px; min-height: 32px; } .bill td, .bill th { font-size: 15px; }',
})
export class PartsBill {
  protected readonly bench = inject(Bench);
  private readonly store = inject(DrawerStore);
  readonly way = input.required<WayResult>();
  protected readonly plan = computed(() => this.bench.job().thumb);
  protected readonly currencies = computed(() =>
    CURRENCIES.some((c) => c === this.plan().currency) ? CURRENCIES : [this.plan().currency, ...CURRENCIES],
  );
  protected readonly bill = computed(() => billOf(this.way().parts, this.plan().stock, this.plan().machines));
  /** A row is the first, second … of its name: its boxes stay, with what is half typed in them, when another value comes into it. */
  protected readonly place = (index: number): string => {
    const { name } = this.bill().lines[index]!;
    return `${name} ${
      this.bill()
        .lines.slice(0, index)
        .filter((l) => l.name === name).length
    }`;
  };
  private readonly format = computed(
    () => new Intl.NumberFormat('en', { style: 'currency', currency: this.plan().currency }),
  );
  protected readonly money = (x: number): string => this.format().format(x);
  /** Lines of the drawer that this list can use; its prices only where the currency is the same. */
  private readonly known = computed(() => {
    const { parts, stock } = this.store.drawer();
    const all = [...stock, ...parts.map((p) => ({ name: p.name, price: p.price, have: p.have }))];
    return this.bill().lines.flatMap((l) => {
      const hit = all.find((s) => s.name === stockName(l) || s.name === l.value);
      return hit ? [{ line: l, hit }] : [];
    });
  });
  protected readonly fillable = computed(() =>
    this.known().some(({ line, hit }) => line.have !== hit.have || (hit.price !== null && line.price !== hit.price)),
  );

  protected machines(box: HTMLInputElement): void {
    const n = Math.round(box.valueAsNumber);
    if (n >= 1 && n <= 1000) this.bench.set('thumb', { machines: n }, `${n} ${n === 1 ? 'machine' : 'machines alike'}`);
    else box.value = String(this.plan().machines);
  }

  private stock(line: BillLine, set: { have?: number; price?: number | null }, say: string): void {
    const name = stockName(line);
    // What was typed a moment ago stands in the job already, though the table may not show it yet.
    const { have, price } = this.plan().stock.find((s) => s.name === name) ?? line;
    this.bench.put('thumb.stock', { name, have, price, ...set }, say);
  }

  protected have(line: BillLine, box: HTMLInputElement): void {
    const have = Math.round(box.valueAsNumber);
    if (have >= 0 && have <= 1e6) this.stock(line, { have }, `${have} at hand: ${line.name}`);
    else box.value = String(line.have);
  }

  protected price(line: BillLine, box: HTMLInputElement): void {
    const price = box.value === '' ? null : box.valueAsNumber;
    if (price === null || (price >= 0 && price <= 1e6))
      this.stock(
        line,
        { price },
        price === null ? `no price: ${line.name}` : `${this.money(price)} each: ${line.name}`,
      );
    else box.value = line.price === null ? '' : String(line.price);
  }

  protected fill(): void {
    const same = this.store.drawer().currency === this.plan().currency;
    const lines = this.known().map(({ line, hit }) => ({
      name: stockName(line),
      have: hit.have,
      price: same ? (hit.price ?? line.price) : line.price,
    }));
    this.bench.edit({
      do: 'several',
      edits: lines.map((item) => ({ do: 'put', list: 'thumb.stock', item })),
      say: 'counts and prices from the drawer',
    });
  }
}
