import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { freshRail, type Rail, railFields } from '../../../core/job';
import { sourceOhms, testLoad } from '../../../core/rails';
import { formatQuantity } from '../../../core/quantity';
import { Bench } from '../../store/bench';
import { FindingList } from '../../ui/finding-list';
import { QuantityField } from '../../ui/quantity-field';
import { Settle } from '../../ui/settle';
import { TwoColumns } from '../../ui/two-columns';
import { PartsNav } from './parts-nav';

/** Supply rails: when each is there, what it can spare, and how long to wait before touching. */
@Component({
  selector: 'gt-supplies-part',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FindingList, MatButton, PartsNav, QuantityField, Settle, TwoColumns],
  templateUrl: './supplies-part.html',
})
export class SuppliesPart {
  protected readonly fields = railFields;
  private readonly bench = inject(Bench);
  protected readonly rails = computed(() => this.bench.job().survey.rails);
  protected readonly findings = computed(() =>
    this.bench.findings('probe').filter((f) => f.id.startsWith('probe.rail.')),
  );
  protected readonly sources = computed(() =>
    this.rails().flatMap((r) => {
      const s = sourceOhms(r);
      return s ? [{ name: r.name, ohms: formatQuantity(s.result.value, 'Ω') }] : [];
    }),
  );
  protected readonly tri = (v: boolean | null): string => (v === null ? '' : v ? 'yes' : 'no');
  protected readonly back = (v: string): boolean | null => (v === '' ? null : v === 'yes');

  /** A load of 50 mA, or a tenth of a strong rail's volts: enough to see the sag, little enough to harm nothing. */
  protected load(r: Rail): string {
    if (!r.openVolts || r.loadedVolts !== null) return '';
    const [ohms, watts] = testLoad(r.openVolts, 0.05);
    return `${formatQuantity(ohms!.result.value, 'Ω')} draws 50 mA and turns ${formatQuantity(watts!.result.value, 'W')} to heat`;
  }

  protected set(r: Rail, part: Partial<Rail>): void {
    this.bench.put('survey.rails', { ...r, ...part });
  }

  protected add(box: HTMLInputElement): void {
    const name = box.value.trim();
    if (!name) return;
    this.bench.put('survey.rails', freshRail(this.bench.newId(), name));
    box.value = '';
  }

  protected remove(r: Rail): void {
    this.bench.drop('survey.rails', r.id);
  }
}
