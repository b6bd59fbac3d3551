import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { arc } from 'd3-shape';

const [RIM, INNER, TICK] = [84, 60, 12];
const DAY_MINUTES = 1440;
const HOURS = [0, 3, 6, 9, 12, 15, 18, 21] as const;

/** A rule that comes true at a time of the day. */
export interface DialMark {
  readonly key: string;
  readonly minutes: number;
  readonly as: 'acts' | 'lost' | 'rests';
  readonly words: string;
}

/** A day as a dial of 24 hours, midnight below: night as a dark stretch of the rim, what rules come to as marks across it. */
@Component({
  selector: 'gt-day-dial',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg viewBox="0 0 220 220" role="img" [attr.aria-label]="said()">
      <g transform="translate(110 110)">
        <path class="rim" [attr.d]="rim" />
        @for (n of night(); track $index) {
          <path class="night" [attr.d]="n" />
        }
        @for (h of hours; track h) {
          <text [attr.x]="x(h * 60, 98)" [attr.y]="y(h * 60, 98) + 4" text-anchor="middle">{{ h }}</text>
        }
        @for (m of marks(); track m.key) {
          @if (m.as === 'lost') {
            <path class="lost" [attr.d]="cross(m.minutes)" />
          } @else {
            <path [attr.class]="m.as" [attr.d]="tick(m.minutes)" />
          }
        }
      </g>
    </svg>
  `,
  styles: `
    :host {
      display: block;
      flex: none;
      width: 220px;
    }
    .rim {
      fill: none;
      stroke: var(--gt-hairline);
    }
    .night {
      fill: var(--gt-hairline);
    }
    text {
      fill: var(--gt-muted);
      font-size: 12px;
    }
    .acts,
    .rests,
    .lost {
      fill: none;
      stroke-width: 2.5;
    }
    .acts {
      stroke: var(--gt-ink);
    }
    .rests {
      stroke: var(--gt-muted);
      stroke-dasharray: 2 2;
    }
    .lost {
      stroke: var(--gt-brick);
    }
  `,
})
export class DayDial {
  readonly marks = input.required<readonly DialMark[]>();
  /** Minutes at which the sun rises and sets; null where it does not, or where the place is not known. */
  readonly sun = input.required<readonly [rise: number, set: number] | null>();
  protected readonly hours = HOURS;
  private readonly drawn = arc<readonly [number, number]>()
    .innerRadius(INNER)
    .outerRadius(RIM)
    .startAngle(([from]) => turn(from))
    .endAngle(([, to]) => turn(to));
  protected readonly rim = this.drawn([0, DAY_MINUTES]) ?? '';
  protected readonly night = computed(() => {
    const sun = this.sun();
    if (!sun) return [];
    return [this.drawn([0, sun[0]]) ?? '', this.drawn([sun[1], DAY_MINUTES]) ?? ''];
  });
  protected readonly x = (minutes: number, r: number): number => r * Math.sin(turn(minutes));
  protected readonly y = (minutes: number, r: number): number => -r * Math.cos(turn(minutes));
  protected readonly tick = (m: number): string => `M${this.at(m, INNER - 4)}L${this.at(m, RIM + 4)}`;
  protected readonly cross = (m: number): string => {
    const wide = (TICK / RIM) * (DAY_MINUTES / (4 * Math.PI));
    return `M${this.at(m - wide, INNER)}L${this.at(m + wide, RIM)}M${this.at(m + wide, INNER)}L${this.at(m - wide, RIM)}`;
  };
  private readonly at = (m: number, r: number): string => `${this.x(m, r).toFixed(1)} ${this.y(m, r).toFixed(1)}`;
  protected readonly said = computed(() => {
    const n = this.marks().length;
    return n === 0
      ? 'A dial of the day: no rule comes true'
      : `A dial of the day: ${this.marks()
          .map((m) => m.words)
          .join('; ')}`;
  });
}

/** Where a time stands on the dial: midnight below, noon above, as the sun goes. */
const turn = (minutes: number): number => Math.PI + (2 * Math.PI * minutes) / DAY_MINUTES;
