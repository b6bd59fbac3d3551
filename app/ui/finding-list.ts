import { MatButton } from '@angular/material/button';
import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { Action } from '../kit/action';
import { byHarm, type Finding } from '../../core/ground/finding';
import { marked } from '../../core/glossary';
import { Bench } from '../store/bench';
import { Explain } from './explain';
import { firstRemedy } from './first-remedy';
import { Glyph } from './glyph';
import { Num } from './num';
import { Prose } from './prose';

/** The findings of a room, gravest first, each with its value, its why and its remedy. */
@Component({
  selector: 'gt-finding-list',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Action, Glyph, MatButton, Num, Prose],
  templateUrl: './finding-list.html',
})
export class FindingList {
  protected readonly bench = inject(Bench);
  protected readonly explain = inject(Explain);
  readonly findings = input.required<readonly Finding[]>();
  /** The gravest remedy stands at the foot of Know and is not said twice. */
  protected readonly footed = computed(() => firstRemedy(this.findings())?.id);
  /** Each term of the trade is marked once in the whole list. */
  protected readonly sorted = computed(() => {
    const seen = new Set<string>();
    return [...this.findings()].sort(byHarm).map((f) => ({
      f,
      title: marked(f.title, seen),
      remedy: f.remedy && f.id !== this.footed() ? marked(f.remedy.text, seen) : null,
    }));
  });

  /** Remedies are edits as plain data, made by the core. */
  protected apply(f: Finding): void {
    if (f.remedy?.edit) this.bench.mend(f.remedy.edit);
  }
}
