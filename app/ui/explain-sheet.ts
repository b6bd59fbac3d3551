import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MAT_DIALOG_DATA, MatDialogClose } from '@angular/material/dialog';
import { flips, sourceOf, TAG_WORDS, type Finding, type Input } from '../../core/finding';
import { formatQuantity, type Unit } from '../../core/quantity';
import { Glyph } from './glyph';
import { originWords } from './origin-words';
import { StepSheet } from './step-sheet';

/** Where a number comes from: formula, numbers, inputs with their origins, the limit, and what would turn the verdict. */
@Component({
  selector: 'gt-explain-sheet',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Glyph, MatButton, MatDialogClose, StepSheet],
  template: `
    <article class="explain">
      <h2 id="explain-title" tabindex="-1"><gt-glyph [verdict]="finding.verdict" /> {{ finding.title }}</h2>
      @for (step of finding.steps; track $index) {
        <section class="step"><gt-step-sheet [step]="step" /></section>
      } @empty {
        @if (finding.value; as v) {
          <p class="filled mono">{{ say(v.value, v.unit) }}</p>
        }
      }
      @if (finding.limit; as l) {
        <section class="step">
          @for (step of l.steps ?? []; track $index) { <gt-step-sheet [step]="step" /> }
          <p>Compared with: {{ l.sense }} <span class="mono">{{ say(l.value, l.unit) }}</span>, {{ l.name }}. <span class="muted">{{ origin(l.origin) }}</span></p>
          @if (turns().length) {
            <p class="muted">What would turn it</p>
            <ul>
              @for (t of turns(); track t.input.symbol) {
                <li>{{ base(t.input) }} of <span class="mono">{{ say(t.to, t.input.unit) }}</span> instead of <span class="mono">{{ say(t.now, t.input.unit) }}</span></li>
              }
            </ul>
          }
        </section>
      }
      @if (finding.source.length) {
        <section class="step">
          <p class="muted">Sources</p>
          <ul>
            @for (key of finding.source; track key) {
              <li>{{ source(key).text }} <span class="tag">{{ tag(source(key).tag) }}</span></li>
            }
          </ul>
        </section>
      }
      @if (finding.remedy; as r) {
        <p class="step"><strong>What would settle it.</strong> {{ r.text }}</p>
      }
      <p class="actions"><button mat-stroked-button mat-dialog-close>Close</button></p>
    </article>
  `,
})
export class ExplainSheet {
  protected readonly finding = inject<Finding>(MAT_DIALOG_DATA);
  protected readonly turns = computed(() => flips(this.finding).slice(0, 5));
  protected readonly source = sourceOf;
  protected readonly say = (value: number, unit: Unit): string => formatQuantity(value, unit);
  protected readonly tag = (t: keyof typeof TAG_WORDS): string => TAG_WORDS[t];
  protected readonly origin = originWords;
  protected readonly base = (i: Input): string => i.name.replace(/, (lowest|highest)$/, '');
}
