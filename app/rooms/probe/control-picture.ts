import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { sayPoint, type Point } from '../../../core/ground/job';

const PLACE: Record<Point['kind'], readonly [number, number]> = {
  contact: [0, 0],
  ground: [196, 168],
  live: [222, 42],
  neutral: [222, 42],
  mains: [222, 42],
  earth: [222, 42],
  rail: [222, 42],
};

/** A plain drawing of the control with the two probe tips placed. */
@Component({
  selector: 'gt-control-picture',
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './control-picture.html',
  styles: '.small { font-size: 15px; }',
})
export class ControlPicture {
  readonly name = input.required<string>();
  readonly red = input.required<Point>();
  readonly black = input.required<Point>();
  readonly pressed = input(false);
  protected readonly say = sayPoint;
  protected readonly showsGround = computed(() => this.red().kind === 'ground' || this.black().kind === 'ground');
  private readonly pinPoint = computed(() =>
    [this.red(), this.black()].find((p) => p.kind !== 'contact' && p.kind !== 'ground'),
  );
  protected readonly pin = computed(() => {
    const p = this.pinPoint();
    return p && PLACE[p.kind];
  });
  protected readonly pinName = computed(() => {
    const p = this.pinPoint();
    return p
      ? p.kind === 'mains'
        ? 'live and neutral of the plug'
        : p.kind === 'earth'
          ? 'earth'
          : `${p.kind} pin`
      : '';
  });
  protected readonly at = (p: Point): readonly [number, number] =>
    p.kind === 'contact' ? (p.name === 'A' ? [60, 86] : [60, 134]) : PLACE[p.kind];
}
