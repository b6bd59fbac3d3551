import { MatButton } from '@angular/material/button';
import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { formatQuantity } from '../../../core/ground/quantity';
import { partsTold, takeSenses, whichSense, type SenseSet } from '../../../core/house/which-sense';
import { Action } from '../../kit/action';
import { ChoiceField, type Choice } from '../../kit/choice-field';
import { Bench } from '../../store/bench';
import { FindingList } from '../../ui/finding-list';
import { Settle } from '../../ui/settle';
import { TwoColumns } from '../../ui/two-columns';
import { SenseNav } from './sense-nav';

/** More pairs than these are counted, not named. */
const MOST_NAMED = 3;

/** Which senses would tell what: every set of up to three more, with the states that it leaves confused. */
@Component({
  selector: 'gt-which-part',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Action, ChoiceField, FindingList, MatButton, SenseNav, Settle, TwoColumns],
  templateUrl: './which-part.html',
  styles:
    '.set { border-bottom: 1px solid var(--gt-hairline); padding: 10px 0; display: flex; flex-direction: column; gap: 6px; }',
})
export class WhichPart {
  private readonly bench = inject(Bench);
  protected readonly parts = computed(() => partsTold(this.bench.seen().job).map((p): Choice => [p.id, p.name]));
  private readonly picked = signal('');
  protected readonly part = computed(
    () => this.parts().find(([id]) => id === this.picked())?.[0] ?? this.parts()[0]?.[0] ?? '',
  );
  protected readonly which = computed(() => whichSense(this.bench.seen().job, this.part()));
  protected readonly choosePart = (id: string): void => this.picked.set(id);
  protected readonly findings = computed(() => this.bench.findings('sense'));

  protected readonly named = (s: SenseSet, first: boolean): string =>
    s.added.length > 0
      ? s.added.map((x) => x.name).join(' and ')
      : first && this.bench.seen().job.senses.length > 0
        ? 'As it is now'
        : 'No sense';
  protected readonly alike = (s: SenseSet): string =>
    s.alike.length === 0
      ? 'No two states look alike for good.'
      : `Look alike for good: ${s.alike.map((set) => set.join(', ')).join('; and ')}.`;
  protected readonly forNow = (s: SenseSet): string => {
    const named = s.forNow
      .slice(0, MOST_NAMED)
      .map((p) => `${p.a} and ${p.b} for ${formatQuantity(p.seconds, 's')} at most`);
    const more = s.forNow.length - named.length;
    return named.length === 0 ? '' : `Only for a while: ${named.join('; ')}${more > 0 ? `; ${more} more` : ''}.`;
  };
  protected readonly work = (s: SenseSet): string =>
    s.work.length === 0
      ? ''
      : `${s.work.join('; ')}; ${s.pins === 0 ? 'no pin' : s.pins === 1 ? 'one pin' : `${s.pins} pins`}.`;

  protected take(s: SenseSet): void {
    this.bench.mend(takeSenses(s));
  }
}
