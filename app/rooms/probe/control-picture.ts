import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { sayPoint, type Point } from '../../../core/job';

const PLACE: Record<Point['kind'], readonly [number, number]> = {
  contact: [0, 0], ground: [196, 168], live: [222, 42], neutral: [222, 42], mains: [222, 42], earth: [222, 42], rail: [222, 42],
};

/** A plain drawing of the control with the two probe tips placed. */
@Component({
  selector: 'gt-control-picture',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg viewBox="0 0 260 220" width="100%" role="img" [attr.aria-label]="'Red tip on ' + say(red()) + ', black tip on ' + say(black())">
      <rect x="86" y="62" width="96" height="96" rx="10" fill="var(--gt-sheet)" stroke="currentColor" stroke-width="2" />
      <circle cx="134" cy="110" r="33" [attr.fill]="pressed() ? 'var(--gt-patina-soft)' : 'var(--gt-band)'" stroke="currentColor" stroke-width="2" />
      <text x="134" y="115" text-anchor="middle" font-size="14" font-weight="650" fill="currentColor">{{ name() }}</text>
      @if (pressed()) {
        <text x="134" y="152" text-anchor="middle" font-size="13" fill="var(--gt-muted)">held down</text>
      }
      <path d="M58 86h28M58 134h28" stroke="currentColor" stroke-width="3" />
      <text x="78" y="78" text-anchor="end" font-size="15" font-weight="650" fill="currentColor">A</text>
      <text x="78" y="153" text-anchor="end" font-size="15" font-weight="650" fill="currentColor">B</text>
      @if (showsGround()) {
        <path d="M196 168v14M176 182h40M183 189h26M190 196h12" stroke="currentColor" stroke-width="2.5" fill="none" />
        <text x="196" y="215" text-anchor="middle" font-size="13" fill="var(--gt-muted)">its ground</text>
      }
      @if (pin(); as p) {
        <circle [attr.cx]="p[0]" [attr.cy]="p[1]" r="6" fill="none" stroke="currentColor" stroke-width="2" />
        <text [attr.x]="252" [attr.y]="p[1] - 16" text-anchor="end" font-size="13" fill="var(--gt-muted)">{{ pinName() }}</text>
      }
      <path [attr.d]="'M14 206C6 130 ' + (at(red())[0] - 40) + ' ' + (at(red())[1] + 30) + ' ' + at(red())[0] + ' ' + at(red())[1]" fill="none" stroke="var(--gt-brick)" stroke-width="5" stroke-linecap="round" />
      <circle [attr.cx]="at(red())[0]" [attr.cy]="at(red())[1]" r="6" fill="var(--gt-brick)" />
      <path [attr.d]="'M250 206C256 150 ' + (at(black())[0] + 40) + ' ' + (at(black())[1] + 24) + ' ' + at(black())[0] + ' ' + at(black())[1]" fill="none" stroke="currentColor" stroke-width="5" stroke-linecap="round" />
      <circle [attr.cx]="at(black())[0]" [attr.cy]="at(black())[1]" r="6" fill="currentColor" />
    </svg>
    <p class="muted small">red tip on {{ say(red()) }}, black tip on {{ say(black()) }}</p>
  `,
  styles: '.small { font-size: 15px; }',
})
export class ControlPicture {
  readonly name = input.required<string>();
  readonly red = input.required<Point>();
  readonly black = input.required<Point>();
  readonly pressed = input(false);
  protected readonly say = sayPoint;
  protected readonly showsGround = computed(() => this.red().kind === 'ground' || this.black().kind === 'ground');
  private readonly pinPoint = computed(() => [this.red(), this.black()].find((p) => p.kind !== 'contact' && p.kind !== 'ground'));
  protected readonly pin = computed(() => {
    const p = this.pinPoint();
    return p && PLACE[p.kind];
  });
  protected readonly pinName = computed(() => {
    const p = this.pinPoint();
    return p ? (p.kind === 'mains' ? 'live and neutral of the plug' : p.kind === 'earth' ? 'earth' : `${p.kind} pin`) : '';
  });
  protected readonly at = (p: Point): readonly [number, number] => (p.kind === 'contact' ? (p.name === 'A' ? [60, 86] : [60, 134]) : PLACE[p.kind]);
}
