import type { StockLine } from '../../ground/job';

/** A line of what has to be bought. */
export interface BillLine {
  readonly name: string;
  readonly value: string;
  /** For all machines. */
  readonly quantity: number;
  readonly price: number | null;
  readonly have: number;
  readonly buy: number;
  /** Null while no price is known; zero where nothing is to be bought. */
  readonly cost: number | null;
}

/** What is bought for all machines, and what it costs where prices are known. */
export interface Bill {
  readonly lines: readonly BillLine[];
  /** Sum of the lines with a price. */
  readonly sum: number;
  /** Lines that are to be bought and have no price. */
  readonly unpriced: number;
}

/** How a line of the parts list is known in the stock: by its name with its value. */
export const stockName = (part: { readonly name: string; readonly value: string }): string =>
  (part.value ? `${part.name}, ${part.value}` : part.name).slice(0, 200);

/** The parts of one machine times the machines, less what is at hand, with what the rest costs. */
export function billOf(
  parts: readonly { readonly name: string; readonly value: string; readonly quantity: number }[],
  stock: readonly StockLine[],
  machines: number,
): Bill {
  const lines = parts.map((p): BillLine => {
    const known = stock.find((s) => s.name === stockName(p));
    const quantity = p.quantity * machines;
    const have = known?.have ?? 0;
    const price = known?.price ?? null;
    const buy = Math.max(0, quantity - have);
    return {
      name: p.name,
      value: p.value,
      quantity,
      price,
      have,
      buy,
      cost: buy === 0 ? 0 : price === null ? null : buy * price,
    };
  });
  return {
    lines,
    sum: lines.reduce((s, l) => s + (l.cost ?? 0), 0),
    unpriced: lines.filter((l) => l.cost === null).length,
  };
}
