import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { ChoiceField, choicesOf, type Choice } from '../../kit/choice-field';
import { FieldScope } from '../../kit/half-typed';
import { QuantityField } from '../../kit/quantity-field';
import { LOAD_KINDS, loadFieldsOf, loadOf, type JobEdit, type Load } from '../../../core/ground/job';
import { isOwnLoad } from '../../../core/rooms/guard';
import { Bench } from '../../store/bench';

/** What hangs on each contact that carries a load: one load where there is one, one for each press where there are several. */
@Component({
  selector: 'gt-load-part',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ChoiceField, FieldScope, QuantityField],
  template: `
    @for (c of carriers(); track c.press) {
      <h3>{{ carriers().length > 1 ? c.owner + ': ' : '' }}{{ c.name }} carries the load itself</h3>
      <div class="fields" [gtScope]="c.press" [attr.data-load]="c.press">
        <gt-quantity
          [field]="fields.watts"
          label="Load, from its rating plate"
          [value]="c.load.watts"
          (changed)="put(c.press, { watts: $event })"
        />
        <gt-choice
          label="Kind of load"
          [value]="c.load.kind"
          [choices]="kinds"
          (changed)="put(c.press, { kind: $event })"
        />
        @if (c.own) {
          <gt-quantity
            [field]="fields.volts"
            label="It runs on"
            [value]="c.load.volts"
            (changed)="put(c.press, { volts: $event })"
          />
          @if (c.load.volts !== null) {
            <gt-choice
              label="of"
              [value]="c.load.current"
              [choices]="currents"
              (changed)="put(c.press, { current: $event })"
            />
          }
        }
      </div>
    }
  `,
  styles: ':host { display: flex; flex-direction: column; gap: 14px; }',
})
export class LoadPart {
  private readonly bench = inject(Bench);
  protected readonly fields = loadFieldsOf;
  protected readonly currents = choicesOf<Load['current']>(loadFieldsOf.current);
  protected readonly kinds = LOAD_KINDS.map((k): Choice<Load['kind']> => [
    k,
    k === 'unknown' ? 'not said yet' : k.replace('-', ' '),
  ]);
  /** Each contact that carries a load, with what was said of it; that of a bought switch that no press moves by itself. */
  protected readonly carriers = computed(() => {
    const { presses, drive } = this.bench.assessment().facts;
    const job = this.bench.job();
    const carrying = presses.flatMap((p) =>
      p.contact
        ? [{ press: p.id, owner: p.name, name: p.contact.name, own: isOwnLoad(p), load: loadOf(job, p.id) }]
        : [],
    );
    if (carrying.length > 0 || !drive?.moduleContact) return carrying;
    return [{ press: '', owner: '', name: drive.moduleContact.name, own: false, load: loadOf(job, '') }];
  });

  /** Of one contact what is said holds for the job, of several for that press. */
  protected put(press: string, set: Partial<Load>): void {
    const [first, second] = this.carriers();
    if (second || this.bench.job().guard.loads.some((l) => l.press === press)) {
      this.bench.put('guard.loads', { ...loadOf(this.bench.job(), press), ...set });
      return;
    }
    const { watts, kind, volts, current } = { ...first!.load, ...set };
    const edit: JobEdit = {
      do: 'set',
      at: 'guard',
      set: { loadWatts: watts, loadKind: kind, loadVolts: volts, loadCurrent: current },
    };
    this.bench.edit(edit);
  }
}
