import { MatButton } from '@angular/material/button';
import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { Action } from '../../kit/action';
import { ChoiceField, type Choice } from '../../kit/choice-field';
import { QuantityField } from '../../kit/quantity-field';
import { Cell, Table, type Column } from '../../kit/table';
import { TextField } from '../../kit/text-field';
import { benchFields, UNIT_SIDES, unitFields, type AlikeUnit } from '../../../core/ground/job';
import { Bench } from '../../store/bench';
import { DropButton } from '../../ui/drop-button';
import { TakeAway } from '../../ui/take-away';

/** Machines that are fitted alike and are not equal: what each is called, which way round it is, in which order it comes. */
@Component({
  selector: 'gt-units-part',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Action, Cell, ChoiceField, DropButton, MatButton, QuantityField, Table, TextField],
  templateUrl: './units-part.html',
  styles: ':host { display: flex; flex-direction: column; gap: 14px; }',
})
export class UnitsPart {
  protected readonly bench = inject(Bench);
  private readonly taker = inject(TakeAway);
  protected readonly fields = unitFields;
  protected readonly machinesField = benchFields.machines;
  protected readonly plan = computed(() => this.bench.job().bench);
  protected readonly units = computed(() => [...this.plan().units].sort((a, b) => a.order - b.order));
  protected readonly sides = UNIT_SIDES.map((s): Choice<AlikeUnit['side']> => [s, s]);
  protected readonly key = (u: AlikeUnit): string => u.id;
  protected readonly columns: readonly Column<AlikeUnit>[] = [
    { key: 'order', head: 'order', number: true },
    { key: 'name', head: 'called' },
    { key: 'side', head: 'side' },
    { key: 'differs', head: 'what else differs' },
    { key: 'away', head: '' },
  ];

  /** One more machine of its own; where all that are fitted have one, one more is fitted. */
  protected add(): void {
    const { units, machines } = this.plan();
    const order = units.length + 1;
    const taken = new Set(units.map((u) => u.id));
    let id = `unit-${order}`;
    for (let n = order + 1; taken.has(id); n++) id = `unit-${n}`;
    const item: AlikeUnit = { id, name: `machine ${order}`, side: 'as drawn', order, differs: '', pins: {} };
    this.bench.edit({
      do: 'several',
      edits: [
        ...(order > machines ? [{ do: 'set' as const, at: 'bench' as const, set: { machines: order } }] : []),
        { do: 'put', list: 'bench.units', item },
      ],
      say: `one of the machines by its own name: ${item.name}`,
    });
  }

  protected put(unit: AlikeUnit): void {
    this.bench.put('bench.units', unit);
  }

  protected drop(unit: AlikeUnit): void {
    this.taker.drop(unit.name, 'bench.units', unit.id);
  }
}
