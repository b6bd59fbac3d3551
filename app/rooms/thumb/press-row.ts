import { MatButton } from '@angular/material/button';
import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { Router } from '@angular/router';
import { Action, Row } from '../../kit/action';
import { ChoiceField, type Choice } from '../../kit/choice-field';
import { gravest } from '../../../core/ground/finding';
import { freeId, freshPress, pressOf } from '../../../core/ground/job';
import { wayPhrase } from '../../../core/build/ways';
import { Bench } from '../../store/bench';
import { Glyph } from '../../ui/glyph';

/** A press that no button belongs to. */
const BARE = '-';

/** The job's presses in a row, each with its verdict; and one more of any control. */
@Component({
  selector: 'gt-press-row',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Action, ChoiceField, Glyph, MatButton, Row],
  templateUrl: './press-row.html',
})
export class PressRow {
  protected readonly bench = inject(Bench);
  private readonly router = inject(Router);
  /** Id of the press that is open. */
  readonly here = input.required<string>();
  protected readonly rows = computed(() => {
    const first = this.bench.job().presses[0]?.id;
    return this.bench.job().presses.map((p) => {
      const own = this.bench
        .findings('thumb')
        .filter((f) => f.about?.press === p.id || (p.id === first && f.about?.press === undefined));
      return {
        id: p.id,
        name: p.name,
        way: p.way ? wayPhrase(p.way) : 'no way yet',
        verdict: gravest(own.map((f) => f.verdict)),
      };
    });
  });
  /** Controls that no press presses yet. */
  protected readonly free = computed(() =>
    this.bench.job().controls.filter((c) => !this.bench.job().presses.some((p) => p.control === c.id)),
  );
  protected readonly more = computed((): readonly Choice[] => [
    ...this.bench.job().controls.map((c): Choice => [c.id, c.name]),
    [BARE, 'something without a button'],
  ]);

  protected open(id: string): void {
    void this.router.navigate([], { queryParams: { press: id }, queryParamsHandling: 'merge' });
  }

  /** One more press of a control, called as it is; the second of one control gets a number. */
  protected add(id: string): void {
    const job = this.bench.job();
    const control = job.controls.find((c) => c.id === id);
    const plain = control ? pressOf(job, control) : freshPress(freeId(job, 'press'), 'press', '');
    const same = job.presses.filter((p) => p.name === plain.name).length;
    const press = same > 0 ? { ...plain, name: `${plain.name} ${same + 1}` } : plain;
    this.bench.put('presses', press, `one more press: ${press.name}`);
    this.open(press.id);
  }
}
