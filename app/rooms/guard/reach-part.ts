import { MatButton } from '@angular/material/button';
import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { freshOf, type AnyFields } from '../../../core/ground/field';
import { freeIn, reachLinkFields, type ReachLink } from '../../../core/ground/job';
import { formatQuantity } from '../../../core/ground/quantity';
import { overWay, SHOWN, wayOf, withoutLink } from '../../../core/rooms/guard';
import { Action } from '../../kit/action';
import { ChoiceField, type Choice } from '../../kit/choice-field';
import { GroupFields } from '../../kit/group-fields';
import { FieldScope } from '../../kit/half-typed';
import { Bench } from '../../store/bench';
import { DropButton } from '../../ui/drop-button';
import { TakeAway } from '../../ui/take-away';

/** Who can press from where, over which links, what each shows to whom, and what still works with one of them down. */
@Component({
  selector: 'gt-reach-part',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Action, ChoiceField, DropButton, FieldScope, GroupFields, MatButton],
  template: `
    <h2>Who can press from where</h2>
    <p>Each link from a hand to the contact: the network of the house, a broker, whatever leads in from outside.</p>
    @for (l of links(); track l.id) {
      <div [gtScope]="l.id" [attr.data-link]="l.id">
        <gt-group [fields]="fields" [keys]="keys" [value]="l" (changed)="put(l, $event)" />
        <div class="fields">
          <gt-choice
            label="It comes over"
            [value]="l.over"
            [choices]="before(l)"
            (changed)="put(l, { over: $event })"
          />
        </div>
        <p class="muted">It shows it to {{ shown(l) }}.</p>
        <div class="answers"><gt-drop [of]="l.name" (dropped)="drop(l)" /></div>
      </div>
    }
    <div class="answers">
      <button matButton gtAction="key" type="button" (click)="add()">a link</button>
    </div>
    @if (links().length) {
      <table data-reach>
        <tr>
          <th scope="col">way</th>
          <th scope="col">a command takes</th>
          <th scope="col">arrive</th>
        </tr>
        @for (w of ways(); track w.id) {
          <tr>
            <td>{{ w.words }}</td>
            <td class="mono">{{ w.seconds }}</td>
            <td class="mono">{{ w.arrive }}</td>
          </tr>
        }
      </table>
      <table data-down>
        <tr>
          <th scope="col">with this down</th>
          <th scope="col">what still presses</th>
        </tr>
        @for (d of down(); track d.id) {
          <tr>
            <td>{{ d.name }}</td>
            <td>{{ d.left }}</td>
          </tr>
        }
      </table>
    }
  `,
  styles:
    ':host, [data-link] { display: flex; flex-direction: column; gap: 14px; } ' +
    '[data-link] { border-bottom: 1px solid var(--gt-hairline); padding-bottom: 8px; }',
})
export class ReachPart {
  private readonly bench = inject(Bench);
  private readonly taker = inject(TakeAway);
  protected readonly fields = reachLinkFields as unknown as AnyFields;
  protected readonly keys: readonly (keyof ReachLink & string)[] = ['name', 'kind', 'seconds', 'lost', 'ownPassword'];
  protected readonly links = computed(() => this.bench.job().guard.links);
  protected readonly shown = (l: ReachLink): string => SHOWN[l.kind];
  protected readonly before = (l: ReachLink): readonly Choice[] => [
    ['', 'nothing before it'],
    ...this.links().flatMap((x): Choice[] => (x.id === l.id ? [] : [[x.id, x.name]])),
  ];
  protected readonly ways = computed(() =>
    this.links().map((l) => {
      const way = wayOf(this.links(), l);
      const over = way && overWay(way);
      return {
        id: l.id,
        words: way ? way.map((x) => x.name).join(', then ') : `${l.name}: goes round, or leads from nowhere`,
        seconds: told(
          way?.map((x) => x.seconds),
          ' + ',
          over?.seconds,
          (x) => formatQuantity(x, 's'),
          'not measured',
        ),
        arrive: told(
          way?.map((x) => (x.lost === null ? null : 1 - x.lost)),
          ' · ',
          over?.arrive,
          (x) => `${Number((100 * x).toPrecision(3))} %`,
          'not counted',
        ),
      };
    }),
  );
  protected readonly down = computed(() =>
    this.links().map((l) => ({
      id: l.id,
      name: l.name,
      left:
        withoutLink(this.links(), l.id)
          .map((x) => x.name)
          .join(', ') || 'nothing but a hand at the machine',
    })),
  );

  protected add(): void {
    const fresh = { ...freshOf(reachLinkFields), id: freeIn(this.links(), 'link') };
    const taken = this.links().some((l) => l.name === fresh.name);
    this.bench.put('guard.links', taken ? { ...fresh, name: `link ${this.links().length + 1}` } : fresh);
  }

  protected put(l: ReachLink, set: Partial<ReachLink>): void {
    this.bench.put('guard.links', { ...l, ...set });
  }

  protected drop(l: ReachLink): void {
    this.taker.drop(l.name, 'guard.links', l.id);
  }
}

/** A sum or a product with what goes into it, so that it shows where it comes from. */
function told(
  parts: readonly (number | null)[] | undefined,
  by: string,
  comes: number | null | undefined,
  say: (x: number) => string,
  none: string,
): string {
  if (!parts || comes === null || comes === undefined) return none;
  return parts.length > 1 ? `${parts.map((x) => say(x ?? 0)).join(by)} = ${say(comes)}` : say(comes);
}
