import { describe, expect, it } from 'vitest';
import type { ControlFact } from '../../ground/facts';
import { factsOf, judge, of, pot } from '../../testing/judge-way';
import { ledgerOfJob } from '../whole';

const known = Object.values(factsOf(pot).controls)[0]!;
const exactly = (value: number) => ({ low: value, nominal: value, high: value });
const asDry: ControlFact = {
  ...known,
  kind: 'dry-pair',
  leading: 'dry-pair',
  farSide: 'floats',
  parameters: { loopVolts: exactly(4.98), loopOhms: exactly(10e3), contactOhms: exactly(1) },
  read: { loopVolts: '2026-03-02T14:00:00Z', loopOhms: '2026-03-02T14:00:00Z', contactOhms: '2026-03-02T14:00:00Z' },
};
const tie = (...tied: ControlFact[]): Partial<ControlFact> => ({ kind: null, tied });

describe('a control of which no reading tells what it is', () => {
  it('has a way judged on each kind that it may be, and the gravest stands', () => {
    const one = judge('relay-contact', pot);
    const other = judge('relay-contact', pot, {}, asDry);
    const both = judge('relay-contact', pot, {}, tie(known, asDry));
    const graver = (id: string) => [one, other].map((r) => r.findings.find((f) => f.id === id)?.verdict);
    for (const f of both.findings) if (!f.id.endsWith('.tied')) expect(graver(f.id)).toContain(f.verdict);
    expect(of(both, 'tied').verdict).toBe('tight');
    expect(both.findings.some((f) => f.says === 'kind-unknown')).toBe(false);
    expect(both.verdict).toBe('tight');
    // While it could still be read, nothing of it is settled.
    expect(judge('relay-contact', pot, {}, { kind: null }).verdict).toBe('unknown');
  });

  it('is unknown for a way that suits one of the kinds alone, whichever is likelier', () => {
    const bus: ControlFact = { ...known, kind: 'serial-bus', leading: 'serial-bus' };
    for (const order of [tie(known, bus), tie(bus, known)]) {
      const r = judge('relay-contact', pot, {}, order);
      expect(r.verdict).toBe('unknown');
      expect(r.findings.find((f) => f.says === 'no-use')?.title).toContain('as serial bus');
    }
  });

  it('is unknown for a way whose wires hang on the kind', () => {
    const turned: ControlFact = {
      ...known,
      farSide: 'supply',
      kind: 'high-when-pressed',
      leading: 'high-when-pressed',
    };
    const r = judge('optocoupler', pot, {}, tie(known, turned));
    expect(of(r, 'tied-wires').verdict).toBe('unknown');
  });

  it('has its circuit solved as each kind, and the worst of each rating stands', () => {
    const facts = factsOf(pot);
    const id = Object.keys(facts.controls)[0]!;
    const strong: ControlFact = {
      ...known,
      parameters: { ...known.parameters, supplyVolts: exactly(24), pullUpOhms: exactly(100) },
    };
    const as = (fact: ControlFact) =>
      ledgerOfJob(pot, { ...facts, controls: { ...facts.controls, [id]: fact } }).ledger;
    const [weak, hard] = [as(known), as(strong)];
    const both = as({ ...known, kind: null, tied: [known, strong] });
    const of = (rows: typeof both, like: (typeof both)[number]): number =>
      rows.find((r) => r.part.id === like.part.id && r.rating.key === like.rating.key)?.share ?? 0;
    for (const row of both) expect(row.share ?? 0).toBe(Math.max(of(weak, row), of(hard, row)));
    expect(both.some((row) => of(hard, row) > of(weak, row))).toBe(true);
  });
});
