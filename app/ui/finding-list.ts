import { NgTemplateOutlet } from '@angular/common';
import { MatButton } from '@angular/material/button';
import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { Action } from '../kit/action';
import { byHarm, type Finding } from '../../core/ground/finding';
import { marked } from '../../core/glossary';
import { Explain } from './explain';
import { firstRemedy } from './first-remedy';
import { Glyph } from './glyph';
import { Num } from './num';
import { Prose } from './prose';
import { RemedyAnswers } from './remedy-answers';
import { partSettled, SettledLine } from './settled-line';

/** How many that differ in nothing but what they are about become one line. */
const ALIKE = 4;
/** Findings of one sort, verdict and sort of answer are alike; empty for one that has no answer to press. */
function likeness({ id, verdict, remedy }: Finding): string {
  if (!remedy?.edit) return '';
  const { edit } = remedy;
  const where = 'at' in edit ? edit.at : 'list' in edit ? edit.list : '';
  return [verdict, ...id.split('.').slice(0, 2), edit.do, where].join('/');
}

/** The findings of a room, gravest first, each with its value, its why and its remedy; those that are settled folded to one line. */
@Component({
  selector: 'gt-finding-list',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Action, Glyph, MatButton, NgTemplateOutlet, Num, Prose, RemedyAnswers, SettledLine],
  templateUrl: './finding-list.html',
})
export class FindingList {
  protected readonly explain = inject(Explain);
  readonly findings = input.required<readonly Finding[]>();
  /** Whether those that are settled are folded to one line: where they are the answer that was asked for they stand open. */
  readonly folds = input(true);
  /** The gravest remedy stands at the foot of Know and is not said twice. */
  protected readonly footed = computed(() => firstRemedy(this.findings())?.id);
  /** Each term of the trade is marked once in the whole list. */
  private readonly sorted = computed(() => {
    const seen = new Set<string>();
    return [...this.findings()].sort(byHarm).map((f) => ({
      f,
      title: marked(f.title, seen),
      remedy: f.remedy && f.id !== this.footed() ? marked(f.remedy.text, seen) : null,
    }));
  });

  /** What is settled is folded to one line; a single one is a line by itself. */
  private readonly parted = computed(() =>
    this.folds() ? partSettled(this.sorted(), (x) => x.f) : { open: this.sorted(), settled: [] },
  );
  /** What stands open, with those that are like an earlier one under it. */
  protected readonly open = computed(() => {
    const rows = this.parted().open.map((x) => ({ x, key: likeness(x.f) }));
    const many = (key: string): boolean => key !== '' && rows.filter((r) => r.key === key).length >= ALIKE;
    return rows.flatMap(({ x, key }, i) => {
      const first = many(key) ? rows.findIndex((r) => r.key === key) : i;
      return first === i
        ? [{ x, more: many(key) ? rows.filter((r, n) => r.key === key && n > i).map((r) => r.x) : [] }]
        : [];
    });
  });
  protected readonly settled = computed(() => this.parted().settled);
  protected readonly folded = computed(() => this.settled().map((x) => x.f));
}
