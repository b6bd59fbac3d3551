import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { NgTemplateOutlet } from '@angular/common';
import { text } from '../../../core/ground/field';
import { TextField } from '../../kit/text-field';
import { Bench } from '../../store/bench';
import { Glyph } from '../../ui/glyph';
import { MarginRulers } from '../../ui/margin-rulers';

/** Every part with every rating: what stands open first, each as a small ruler; what is settled folded to one line. */
@Component({
  selector: 'gt-ledger-part',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Glyph, MarginRulers, NgTemplateOutlet, TextField],
  templateUrl: './ledger-part.html',
})
export class LedgerPartPanel {
  private readonly bench = inject(Bench);
  protected readonly wantedField = text('Find a part', { most: 80 });
  protected readonly wanted = signal('');
  private readonly all = computed(() => this.bench.assessment().ledger);
  protected readonly parts = computed(() => {
    const wanted = this.wanted().toLowerCase();
    return this.all()
      .filter((p) => p.name.toLowerCase().includes(wanted))
      .map((p) => ({
        ...p,
        held: p.ratings.filter((f) => f.value && f.limit),
        told: p.ratings.filter((f) => !f.value || !f.limit),
      }));
  });
  protected readonly open = computed(() => this.parts().filter((p) => p.verdict !== 'settled'));
  protected readonly settled = computed(() => this.parts().filter((p) => p.verdict === 'settled'));
  protected readonly any = computed(() => this.all().length > 0);
}
