import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import type { YearSeen } from '../../../core/house/year-seen';
import { drawnAs, YEAR_PICTURE } from '../../../core/house/year-drawing';

const { width: WIDTH, height: HEIGHT, left: LEFT, top: TOP } = YEAR_PICTURE;
const DAY_MINUTES = 1440;
const HOURS = [0, 6, 12, 18, 24] as const;
const WEEK = 7;

/** A year as 365 columns of 24 hours: what acts, what comes to nothing, night and day; a day is picked by pointer or keys. */
@Component({
  selector: 'gt-year-chart',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg
      [attr.viewBox]="view"
      role="slider"
      tabindex="0"
      aria-label="Day of the year"
      aria-valuemin="1"
      [attr.aria-valuemax]="days().length"
      [attr.aria-valuenow]="day() + 1"
      [attr.aria-valuetext]="said()"
      [class.old]="old()"
      (pointermove)="point($event)"
      (click)="point($event)"
      (keydown)="key($event)"
    >
      @if (paths().night; as n) {
        <path class="night" [attr.d]="n" />
      }
      @for (h of hours; track h) {
        <line [attr.x1]="left" [attr.x2]="right" [attr.y1]="y(h * 60)" [attr.y2]="y(h * 60)" class="grid" />
        <text [attr.x]="left - 4" [attr.y]="y(h * 60) + 4" text-anchor="end">{{ h }}</text>
      }
      @for (m of months(); track m.at) {
        <text [attr.x]="x(m.at)" y="12">{{ m.words }}</text>
      }
      <path class="rests" [attr.d]="paths().rests" />
      <path class="acts" [attr.d]="paths().acts" />
      <path class="lost" [attr.d]="paths().lost" />
      <rect class="here" [attr.x]="x(day())" [attr.y]="top" [attr.width]="step()" [attr.height]="height" />
    </svg>
    <p class="muted">
      <svg viewBox="0 0 10 10" class="sign" aria-hidden="true"><path class="acts" d="M1 5h8" /></svg> acts
      <svg viewBox="0 0 10 10" class="sign" aria-hidden="true"><path class="lost" d="M2 2l6 6M8 2l-6 6" /></svg> comes
      to nothing <svg viewBox="0 0 10 10" class="sign" aria-hidden="true"><path class="rests" d="M1 5h8" /></svg> not
      asked to
    </p>
  `,
  styles: `
    :host {
      display: block;
      flex: none;
      min-width: 0;
      overflow-x: auto;
    }
    svg[role='slider'] {
      cursor: crosshair;
      display: block;
      min-width: 560px;
      touch-action: pan-x pan-y;
      width: 100%;
    }
    .old {
      opacity: 0.55;
    }
    text {
      fill: var(--gt-muted);
      font-size: 12px;
    }
    .grid {
      stroke: var(--gt-hairline);
    }
    .night {
      fill: var(--gt-hairline);
      opacity: 0.55;
    }
    .acts,
    .rests,
    .lost {
      fill: none;
      stroke-width: 2;
    }
    .acts {
      stroke: var(--gt-ink);
    }
    .rests {
      stroke: var(--gt-muted);
      stroke-dasharray: 1 1;
    }
    .lost {
      stroke: var(--gt-brick);
    }
    .here {
      fill: none;
      stroke: var(--gt-patina);
      stroke-width: 1.5;
    }
    .sign {
      height: 10px;
      width: 10px;
    }
  `,
})
export class YearChart {
  readonly seen = input.required<YearSeen>();
  readonly day = input.required<number>();
  readonly old = input(false);
  readonly dayed = output<number>();
  protected readonly view = `0 0 ${WIDTH + LEFT + 4} ${HEIGHT + TOP + 8}`;
  protected readonly hours = HOURS;
  protected readonly left = LEFT;
  protected readonly right = LEFT + WIDTH;
  protected readonly top = TOP;
  protected readonly height = HEIGHT;
  protected readonly days = computed(() => this.seen().year.days);
  protected readonly step = computed(() => WIDTH / Math.max(1, this.days().length));
  protected readonly x = (day: number): number => LEFT + day * this.step();
  protected readonly y = (minutes: number): number => TOP + HEIGHT * (minutes / DAY_MINUTES);
  protected readonly said = computed(() => {
    const d = this.days()[this.day()];
    return d ? `${d.date}, ${this.counts().acts} act, ${this.counts().lost} come to nothing` : '';
  });
  private readonly counts = computed(() => {
    const { marks } = this.seen().year;
    let [acts, lost] = [0, 0];
    marks.day.forEach((d, i) => {
      if (d !== this.day()) return;
      const as = drawnAs(marks.fate[i] ?? 0);
      if (as === 'acts') acts++;
      else if (as === 'lost') lost++;
    });
    return { acts, lost };
  });

  /** Beginnings of months. */
  protected readonly months = computed(() =>
    this.days().flatMap((d, at) =>
      d.date.endsWith('-01') && this.x(at) < WIDTH
        ? [
            {
              at,
              words: new Date(`${d.date}T12:00:00Z`).toLocaleDateString('en-GB', { month: 'short', timeZone: 'UTC' }),
            },
          ]
        : [],
    ),
  );

  protected readonly paths = computed(() => this.seen().drawing);

  protected point(event: MouseEvent): void {
    const box = (event.currentTarget as SVGSVGElement).getBoundingClientRect();
    const share = ((event.clientX - box.left) / box.width) * (WIDTH + LEFT + 4);
    this.to(Math.floor((share - LEFT) / this.step()));
  }
  protected key(event: KeyboardEvent): void {
    const by = { ArrowLeft: -1, ArrowRight: 1, ArrowUp: -WEEK, ArrowDown: WEEK, PageUp: -30, PageDown: 30 }[event.key];
    const ends = { Home: 0, End: this.days().length - 1 }[event.key];
    if (by === undefined && ends === undefined) return;
    event.preventDefault();
    this.to(ends ?? this.day() + (by ?? 0));
  }
  private to(day: number): void {
    const next = Math.max(0, Math.min(this.days().length - 1, day));
    if (next !== this.day()) this.dayed.emit(next);
  }
}
