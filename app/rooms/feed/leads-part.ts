import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { FieldScope } from '../../kit/half-typed';
import { QuantityField } from '../../kit/quantity-field';
import { Table, type Column } from '../../kit/table';
import { maybeQuantity } from '../../../core/ground/field';
import { cutList, joinsOf, type CutRow } from '../../../core/rooms/feed';
import { formatQuantity } from '../../../core/ground/quantity';
import { Bench } from '../../store/bench';
import { FeedRehearsal } from './rehearsal';

const said = (value: number | null, unit: 'm' | 'm²'): string =>
  value === null ? 'not said' : formatQuantity(value, unit);

/** Leads as they are cut, and the grounds that are joined with the reading before. */
@Component({
  selector: 'gt-leads-part',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FieldScope, QuantityField, Table],
  templateUrl: './leads-part.html',
  styles: ':host { display: flex; flex-direction: column; gap: 14px; }',
})
export class LeadsPart {
  private readonly bench = inject(Bench);
  private readonly feed = inject(FeedRehearsal);
  protected readonly shift = maybeQuantity('Between them across 1 kΩ', 'V', { most: 1000, hint: 'not read' });
  protected readonly cuts = computed(() => cutList(this.feed.rehearsal()));
  protected readonly idOf = (r: CutRow): string => r.id;
  protected readonly columns: readonly Column<CutRow>[] = [
    { key: 'name', head: 'lead', text: (r) => r.name },
    { key: 'from', head: 'from', text: (r) => r.from },
    { key: 'to', head: 'to', text: (r) => r.to },
    { key: 'metres', head: 'length', text: (r) => said(r.metres, 'm'), number: true },
    {
      key: 'size',
      head: 'conductor',
      text: (r) => `${said(r.squareMetres, 'm²')}${r.gauge === null ? '' : `, AWG ${r.gauge}`}`,
      number: true,
    },
    {
      key: 'amps',
      head: 'lasts / bears',
      text: (r) => `${formatQuantity(r.lastingAmps, 'A')} / ${formatQuantity(r.bearsAmps, 'A')}`,
      number: true,
    },
    { key: 'drop', head: 'drops', text: (r) => formatQuantity(r.dropVolts, 'V'), number: true },
  ];
  protected readonly joins = computed(() =>
    joinsOf(this.feed.job(), this.bench.assessment().facts, this.feed.rehearsal()),
  );
  protected readonly colours = computed(
    () => 'Red or marked for plus, black for minus; mains colours are for mains alone.',
  );
  protected readonly voltsOf = (id: string): number | null =>
    this.bench.job().feed.shifts.find((s) => s.id === id)?.volts ?? null;

  protected read(id: string, volts: number | null): void {
    if (volts !== null)
      this.bench.put('feed.shifts', { id, volts }, `between the grounds: ${formatQuantity(volts, 'V')}`);
    else if (this.voltsOf(id) !== null) this.bench.drop('feed.shifts', id);
  }
}
