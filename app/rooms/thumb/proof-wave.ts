import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { scaleLinear } from 'd3-scale';
import { line } from 'd3-shape';
import { PRESS_TIMES } from '../../../core/circuit';
import type { ProofResult } from '../../../core/thumb';
import { formatQuantity } from '../../../core/quantity';

/** A simulated press: the line at nominal values and at the worst corner against what the machine takes for low and high, the pin below. */
@Component({
  selector: 'gt-proof-wave',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg viewBox="0 0 720 262" width="100%" role="img" [attr.aria-label]="label()" class="rulers proof-wave">
      <rect x="52" [attr.y]="y()(levels().lowBelow)" width="624" [attr.height]="y()(0) - y()(levels().lowBelow)" fill="var(--gt-patina-soft)" opacity="0.6" />
      <rect x="52" [attr.y]="y()(top())" width="624" [attr.height]="y()(levels().highAbove) - y()(top())" fill="var(--gt-band)" />
      <text x="682" [attr.y]="y()(levels().lowBelow) + 4" font-size="13">low</text>
      <text x="682" [attr.y]="y()(levels().highAbove) + 4" font-size="13">high</text>
      @for (t of yTicks(); track t.y) {
        <text x="46" [attr.y]="t.y + 4" font-size="13" text-anchor="end" class="muted">{{ t.text }}</text>
      }
      @for (p of paths(); track p.corner) {
        <path [attr.d]="p.d" fill="none" [attr.stroke]="p.corner === 'nominal' ? 'currentColor' : 'var(--gt-brass)'" [attr.stroke-width]="p.corner === 'nominal' ? 2.4 : 1.6" [attr.stroke-dasharray]="p.corner === 'worst' ? '6 4' : p.corner === 'idle' ? '2 4' : null" />
      }
      <path [attr.d]="pin()" fill="none" stroke="var(--gt-slate)" stroke-width="1.6" />
      <text x="46" y="222" font-size="13" text-anchor="end" class="muted">pin</text>
      @for (m of marks; track m.at) {
        <line [attr.x1]="x(m.at)" [attr.x2]="x(m.at)" y1="8" y2="236" stroke="var(--gt-hairline)" />
        <text [attr.x]="x(m.at) + 4" y="252" font-size="13" class="muted">{{ m.text }}</text>
      }
    </svg>
    <p class="muted">Shaded: what the machine takes for low and for high. Thick: nominal values. Broken: strong supply, weak drive, tired parts at once. Dotted: weak supply and pull, everything leaking warm.</p>
  `,
})
export class ProofWave {
  readonly results = input.required<readonly ProofResult[]>();
  readonly levels = input.required<{ low: boolean; lowBelow: number; highAbove: number }>();
  protected readonly x = scaleLinear().domain([0, PRESS_TIMES.end]).range([52, 676]);
  protected readonly marks = [{ at: 0, text: 'pin floats' }, { at: PRESS_TIMES.driven, text: '' }, { at: PRESS_TIMES.press, text: 'press' }, { at: PRESS_TIMES.release, text: 'release' }];
  protected readonly top = computed(() => Math.max(...this.results().map((r) => Math.max(...r.wave.line)), this.levels().highAbove) * 1.05);
  protected readonly y = computed(() => scaleLinear().domain([0, this.top()]).range([190, 10]));
  protected readonly yTicks = computed(() => this.y().ticks(4).map((v) => ({ y: this.y()(v), text: formatQuantity(v, 'V') })));
  protected readonly paths = computed(() => this.results().map((r) => ({ corner: r.corner, d: line<number>().x((_, i) => this.x(r.wave.seconds[i]!)).y((v) => this.y()(v))([...r.wave.line]) ?? '' })));
  protected readonly pin = computed(() => {
    const w = this.results()[0]?.wave;
    if (!w) return '';
    const y = scaleLinear().domain([0, Math.max(...w.pin)]).range([232, 206]);
    return line<number>().x((_, i) => this.x(w.seconds[i]!)).y((v) => y(v))([...w.pin]) ?? '';
  });
  protected readonly label = computed(() => this.results().map((r) => `${r.corner}: idle ${formatQuantity(r.read.idleVolts, 'V')}, pressed ${formatQuantity(r.read.pressedVolts, 'V')}`).join('; '));
}
