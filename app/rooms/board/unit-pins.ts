import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { ChoiceField, type Choice } from '../../kit/choice-field';
import { profileOf } from '../../../core/rooms/board';
import { pinOf, type Line } from '../../../core/build/lines';
import { Bench } from '../../store/bench';

/** Machines of their own name: on which pin each of their lines lies, where it is not that of the first machine. */
@Component({
  selector: 'gt-unit-pins',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ChoiceField],
  templateUrl: './unit-pins.html',
})
export class UnitPins {
  protected readonly bench = inject(Bench);
  private readonly picked = signal('');
  protected readonly units = computed(() => this.bench.job().bench.units);
  protected readonly unit = computed(() => this.units().find((u) => u.id === this.picked()) ?? this.units()[0]);
  protected readonly names = computed(() => this.units().map((u): Choice => [u.id, u.name]));
  protected readonly rows = computed(() => {
    const job = this.bench.job();
    const unit = this.unit();
    return this.bench.assessment().lines.map((line) => {
      const first = pinOf(job, line.id);
      const asDrawn: Choice = ['', first === null ? 'no pin, as the first' : `pin ${first}, as the first`];
      const own = unit?.pins[line.id];
      const pins = (profileOf(job)?.pins ?? []).map((p): Choice => [String(p.gpio), `pin ${p.gpio}, ${p.label}`]);
      const gone = own !== undefined && !pins.some(([gpio]) => gpio === String(own));
      const choices = [asDrawn, ...pins, ...(gone ? [[String(own), `pin ${own}, not here`] as Choice] : [])];
      return { line, own: own === undefined ? '' : String(own), choices };
    });
  });

  protected pick(id: string): void {
    this.picked.set(id);
  }

  protected put(line: Line, gpio: string): void {
    const unit = this.unit();
    if (!unit) return;
    const { [line.id]: _old, ...others } = unit.pins;
    const pins = gpio === '' ? others : { ...others, [line.id]: Number(gpio) };
    const where = gpio === '' ? 'the pin of the first machine' : `pin ${gpio}`;
    this.bench.put('bench.units', { ...unit, pins }, `${unit.name}: ${line.name} on ${where}`);
  }
}
