import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { Tabs, type Tab } from '../../kit/tabs';
import { Bench } from '../../store/bench';
import { PartState } from '../../ui/part-state';

export const PARTS = ['controls', 'strip', 'keypad', 'supplies', 'sizes', 'photographs', 'meter'] as const;
export type ProbePart = (typeof PARTS)[number];

/** What Probe can survey, as tabs; the address tells which is open. */
@Component({
  selector: 'gt-parts-nav',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Tabs],
  template: `<gt-tabs label="What to survey" param="part" [tabs]="parts()" [here]="here()" />`,
})
export class PartsNav {
  private readonly bench = inject(Bench);
  protected readonly here = inject(PartState).part;
  protected readonly parts = computed(() => {
    const { survey, controls } = this.bench.job();
    const count: Record<ProbePart, number> = {
      controls: controls.length,
      strip: survey.strips.length,
      keypad: survey.keypads.length,
      supplies: survey.rails.length,
      sizes: survey.pieces.length,
      photographs: survey.photos.length,
      meter: 0,
    };
    return PARTS.map((part): Tab => ({ key: part, words: part, count: count[part] }));
  });
}
