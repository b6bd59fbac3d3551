import { describe, expect, it } from 'vitest';
import { billOf, freshDrawer, stockFromDrawer } from '.';

const bill = billOf(
  [
    { name: 'relay', value: '5 V', quantity: 1 },
    { name: 'resistor', value: '330 Ω', quantity: 2 },
    { name: 'wire', value: '', quantity: 1 },
  ],
  [{ name: 'wire', have: 4, price: 0.5 }],
  1,
);
const drawer = {
  ...freshDrawer(),
  currency: 'EUR',
  stock: [
    { name: 'relay, 5 V', have: 3, price: 1.2 },
    { name: 'wire', have: 4, price: 0.5 },
    { name: '330 Ω', have: 9, price: null },
  ],
};

describe('a bill filled from the drawer', () => {
  it('takes what differs, by name with value or by value alone, and nothing twice', () =>
    expect(stockFromDrawer(bill, drawer, 'EUR')).toEqual([
      { name: 'relay, 5 V', have: 3, price: 1.2 },
      { name: 'resistor, 330 Ω', have: 9, price: null },
    ]));

  it('leaves prices of another currency in the drawer', () =>
    expect(stockFromDrawer(bill, drawer, 'GBP')).toEqual([
      { name: 'relay, 5 V', have: 3, price: null },
      { name: 'resistor, 330 Ω', have: 9, price: null },
    ]));
});
