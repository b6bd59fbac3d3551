import { ChangeDetectionStrategy, Component, inject, input } from '@angular/core';
import type { Wire } from '../../../core/ways';
import { Bench } from '../../store/bench';

/** Every wire of the joint with its ends and the colour that the maker has at hand, of those that its function allows. */
@Component({
  selector: 'gt-wire-table',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="wide"><table>
      <tr><th scope="col">wire</th><th scope="col">from</th><th scope="col">to</th><th scope="col">colour</th></tr>
      @for (x of wires(); track x.number) {
        <tr>
          <td class="mono">{{ x.number }}</td><td>{{ x.from }}</td><td>{{ x.to }}{{ x.crosses ? ' (crosses)' : '' }}</td>
          <td><select #c [value]="x.colour" [attr.aria-label]="'Colour of wire ' + x.number" (change)="colour(x.number, c.value)">
            @for (k of coloursOf(x); track k) {
              <option [value]="k" [selected]="k === x.colour">{{ k }}</option>
            }
          </select></td>
        </tr>
      } @empty {
        <tr><td colspan="4" class="muted">This way has no wires yet.</td></tr>
      }
    </table></div>
  `,
})
export class WireTable {
  private readonly bench = inject(Bench);
  readonly wires = input.required<readonly Wire[]>();
  /** A mains conductor has its colours by function; the one it has stands among them in any case. */
  protected readonly coloursOf = (w: Wire): readonly string[] => (w.colours.includes(w.colour) ? w.colours : [w.colour, ...w.colours]);

  protected colour(number: number, name: string): void {
    this.bench.change('thumb', { colours: { ...this.bench.job().thumb.colours, [number]: name } }, `wire ${number} is ${name}`);
  }
}
