import { MatButton } from '@angular/material/button';
import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { FormControl } from '@angular/forms';
import { DropButton } from '../../ui/drop-button';
import { FieldScope } from '../../kit/half-typed';
import { ChoiceField, type Choice } from '../../kit/choice-field';
import { TextField } from '../../kit/text-field';
import { QuantityField } from '../../kit/quantity-field';
import { Action } from '../../kit/action';
import { text } from '../../../core/ground/field';
import { freshRail, type Rail, railFields } from '../../../core/ground/job';
import { loadToTry, sourcesTold } from '../../../core/engines/electrics';
import { TakeAway } from '../../ui/take-away';
import { Bench } from '../../store/bench';
import { FindingList } from '../../ui/finding-list';
import { Num } from '../../ui/num';
import { Settle } from '../../ui/settle';
import { TwoColumns } from '../../ui/two-columns';
import { PartsNav } from './parts-nav';

/** Supply rails: when each is there, what it can spare, and how long to wait before touching. */
@Component({
  selector: 'gt-supplies-part',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    Action,
    ChoiceField,
    DropButton,
    FieldScope,
    FindingList,
    MatButton,
    Num,
    PartsNav,
    QuantityField,
    Settle,
    TextField,
    TwoColumns,
  ],
  templateUrl: './supplies-part.html',
})
export class SuppliesPart {
  protected readonly fields = railFields;
  private readonly bench = inject(Bench);
  private readonly taker = inject(TakeAway);
  protected readonly rails = computed(() => this.bench.job().survey.rails);
  protected readonly findings = computed(() => this.bench.findings('probe').filter((f) => f.about?.rail !== undefined));
  protected readonly sources = computed(() => sourcesTold(this.rails()));
  protected readonly load = loadToTry;
  protected readonly there: readonly Choice<boolean | null>[] = [
    [null, 'not read'],
    [true, 'yes'],
    [false, 'no'],
  ];
  protected readonly nameField = text('name', { most: 60 });
  protected readonly name = new FormControl('', { nonNullable: true });

  protected set(r: Rail, part: Partial<Rail>): void {
    this.bench.put('survey.rails', { ...r, ...part });
  }

  protected add(): void {
    const name = this.name.value;
    if (!name) return;
    this.bench.put('survey.rails', freshRail(this.bench.newId(), name));
    this.name.reset();
  }

  protected remove(r: Rail): void {
    this.taker.drop(`The rail ${r.name}`, 'survey.rails', r.id);
  }
}
