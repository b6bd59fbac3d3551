import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import type { AnyFields } from '../../../core/ground/field';
import { chainFields, type Chain } from '../../../core/ground/job';
import { carriersOf, chainOf, weakestLink, type Carrier } from '../../../core/rooms/guard';
import { formatQuantity } from '../../../core/ground/quantity';
import { GroupFields } from '../../kit/group-fields';
import { FieldScope } from '../../kit/half-typed';
import { Bench } from '../../store/bench';
import { Glyph } from '../../ui/glyph';
import { Num } from '../../ui/num';

type Key = keyof Chain & string;
const WALL: readonly Key[] = ['plug', 'outletAmps', 'plugFuse', 'breaker', 'cord'];
const INSIDE: readonly Key[] = ['wires', 'terminalAmps'];
const HELD: readonly Key[] = ['opens', 'earth', 'strainRelief', 'colours'];

/** Every link from the wall to the load that a contact switches, with the one that gives first. */
@Component({
  selector: 'gt-chain-part',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FieldScope, Glyph, GroupFields, Num],
  template: `
    <h3>From the wall to the load, link by link</h3>
    <p class="caution">
      Read each link where it stands, unplugged. Whether mains wiring may be changed, and by whom, the local electrical
      code and licensed practice decide.
    </p>
    @for (r of rows(); track r.chain.press) {
      <h3>{{ r.name }}</h3>
      <div [gtScope]="r.chain.press" [attr.data-chain]="r.chain.press">
        <gt-group [fields]="fields" [keys]="r.keys" [value]="r.chain" (changed)="put(r.chain, $event)" />
      </div>
    } @empty {
      <p class="muted">No contact of this plan carries a load itself: what it presses keeps its own mains lead.</p>
    }
    @if (links().length) {
      <table data-links>
        <tr>
          <th scope="col">link</th>
          <th scope="col">asked of it</th>
          <th scope="col">it bears</th>
          <th scope="col"><span class="visually-hidden">verdict</span></th>
        </tr>
        @for (l of links(); track l.id) {
          <tr [class.weakest]="l.id === weakest()?.id">
            <td>{{ l.caption }}{{ l.id === weakest()?.id ? ' (gives first)' : '' }}</td>
            <td class="mono"><gt-num [finding]="l" /></td>
            <td class="mono">{{ l.limit ? amount(l.limit) : '' }}</td>
            <td><gt-glyph [verdict]="l.verdict" /></td>
          </tr>
        }
      </table>
    }
  `,
  styles: ':host { display: flex; flex-direction: column; gap: 14px; } .weakest td:first-child { font-weight: 650; }',
})
export class ChainPart {
  private readonly bench = inject(Bench);
  protected readonly fields = chainFields as unknown as AnyFields;
  protected readonly rows = computed(() =>
    carriersOf(this.bench.job(), this.bench.assessment().facts).map((c) => ({
      name: c.press?.name ?? c.contact.name,
      chain: chainOf(this.bench.job(), c.press?.id ?? ''),
      keys: this.keysOf(c),
    })),
  );
  protected readonly links = computed(() =>
    this.bench
      .findings('guard')
      .filter((f) => f.id.includes('chain.') && (f.limit !== null || f.verdict !== 'settled')),
  );
  protected readonly weakest = computed(() => weakestLink(this.links()));
  protected readonly amount = (m: { value: number; unit: Parameters<typeof formatQuantity>[1] }): string =>
    formatQuantity(m.value, m.unit);

  /** What is asked of a contact: a load of its own hangs on no wall, and a bought switch holds its own wires. */
  private keysOf({ mains, bought }: Carrier): readonly Key[] {
    return [
      ...(mains ? WALL : []),
      ...(bought ? [] : INSIDE),
      'duty',
      'inrush',
      'suppressor',
      ...(mains && !bought ? HELD : []),
    ];
  }

  protected put(chain: Chain, set: Partial<Chain>): void {
    this.bench.put('guard.chains', { ...chain, ...set });
  }
}
