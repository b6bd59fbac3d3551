import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { scaleLinear, scaleSymlog } from 'd3-scale';
import { UNIT_OF, type ReadingKind } from '../../../core/ground/job';
import { KIND_WORDS, type Expectation } from '../../../core/rooms/probe';
import { formatQuantity } from '../../../core/ground/quantity';

/** Where the logarithmic part of a scale begins, base units. */
const SMALLEST: Partial<Record<ReadingKind, number>> = { ohms: 1, amps: 1e-4, hertz: 1 };

/** One scale with the band in which each candidate expects the answer; the number typed lands on it as a mark. */
@Component({
  selector: 'gt-reading-ruler',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg [attr.viewBox]="'0 0 690 ' + (axis() + 28)" width="100%" role="img" [attr.aria-label]="label()" class="rulers">
      @for (b of bands(); track b.kind; let i = $index) {
        <rect
          [attr.x]="b.x"
          [attr.y]="b.y"
          [attr.width]="b.width"
          height="18"
          [attr.fill]="i === 0 ? 'var(--gt-patina)' : 'var(--gt-patina-soft)'"
        />
        <text
          [attr.x]="b.textX"
          [attr.y]="b.y + 14"
          font-size="14"
          [attr.text-anchor]="b.anchor"
          [attr.font-weight]="i === 0 ? 650 : 400"
          [attr.fill]="b.ink"
        >
          {{ b.name }}
        </text>
      }
      <line x1="10" x2="680" [attr.y1]="axis()" [attr.y2]="axis()" stroke="currentColor" stroke-width="1.5" />
      @for (t of ticks(); track t.x) {
        <line [attr.x1]="t.x" [attr.x2]="t.x" [attr.y1]="axis()" [attr.y2]="axis() + 6" stroke="currentColor" />
        <text [attr.x]="t.x" [attr.y]="axis() + 22" text-anchor="middle" font-size="13" class="tick">{{ t.text }}</text>
      }
      @if (mark() !== null) {
        <path [attr.d]="'M' + mark() + ' 4V' + axis()" stroke="var(--gt-brick)" stroke-width="2.5" />
        <circle [attr.cx]="mark()" [attr.cy]="axis()" r="5" fill="var(--gt-brick)" />
      }
    </svg>
  `,
})
export class ReadingRuler {
  readonly kind = input.required<ReadingKind>();
  readonly expectations = input.required<readonly Expectation[]>();
  readonly typed = input<number | null>(null);

  private readonly shown = computed(() => this.expectations().slice(0, 4));
  private readonly scale = computed(() => {
    const ends = this.shown().flatMap((e) => [e.low, e.high]);
    const typed = this.typed();
    if (typed !== null) ends.push(typed);
    const low = Math.min(0, ...ends);
    const high = Math.max(...ends, 1e-3);
    const linear = this.kind().startsWith('volts') || this.kind() === 'duty';
    return (linear ? scaleLinear() : scaleSymlog().constant(SMALLEST[this.kind()] ?? 1))
      .domain([low, high])
      .range([10, 680]);
  });
  protected readonly axis = computed(() => 8 + this.shown().length * 24);
  protected readonly bands = computed(() =>
    this.shown().map((e, i) => {
      const s = this.scale();
      const x = s(e.low);
      const width = Math.max(4, s(e.high) - x);
      const right = x + width > 420;
      // A band that fills the scale has its name in it, for want of room beside it.
      const inside = right && x <= 140;
      return {
        kind: e.kind,
        name: KIND_WORDS[e.kind].name,
        x,
        width,
        y: 4 + i * 24,
        textX: inside ? x + 6 : right ? x - 6 : x + width + 6,
        anchor: right && !inside ? 'end' : 'start',
        ink: inside && i === 0 ? 'var(--gt-on-patina)' : 'currentColor',
      };
    }),
  );
  protected readonly ticks = computed(() => {
    const s = this.scale();
    if (this.kind() === 'duty') return s.ticks(5).map((v) => ({ x: s(v), text: `${Math.round(100 * v)} %` }));
    if (this.kind().startsWith('volts'))
      return s.ticks(7).map((v) => ({ x: s(v), text: formatQuantity(v, 'V').replace(/ V$/, '') }));
    const [, high] = s.domain() as [number, number];
    const first = SMALLEST[this.kind()] ?? 1;
    const all: number[] = [0];
    for (let v = first; v <= high * 1.01; v *= 10) all.push(v);
    return all
      .map((v) => ({ x: s(v), text: formatQuantity(v, UNIT_OF[this.kind()]) }))
      .filter((t, i, list) => i === 0 || t.x - list[i - 1]!.x > 40 || i === list.length - 1);
  });
  protected readonly mark = computed(() => {
    const v = this.typed();
    return v === null ? null : Math.min(684, Math.max(6, this.scale()(v)));
  });
  protected readonly label = computed(() =>
    this.shown()
      .map(
        (e) =>
          `${KIND_WORDS[e.kind].name} expects ` +
          `${formatQuantity(e.low, UNIT_OF[this.kind()])} to ` +
          `${formatQuantity(e.high, UNIT_OF[this.kind()])}`,
      )
      .join('; '),
  );
}
