import type { StockLine } from '../../ground/job';
import { stockName, type Bill } from './bill';
import type { Drawer } from './drawer';

/**
 * The stock lines of a bill as the drawer has them, where they differ from what the bill has: a part by its name with its value, or
 * by its value alone. Prices come along only where the drawer's currency is the bill's; a price that the drawer lacks stays.
 */
export function stockFromDrawer(bill: Bill, drawer: Drawer, currency: string): readonly StockLine[] {
  const all = [...drawer.stock, ...drawer.parts];
  return bill.lines.flatMap((l) => {
    const hit = all.find((s) => s.name === stockName(l) || s.name === l.value);
    if (!hit) return [];
    const price = drawer.currency === currency ? (hit.price ?? l.price) : l.price;
    return hit.have === l.have && price === l.price ? [] : [{ name: stockName(l), have: hit.have, price }];
  });
}
