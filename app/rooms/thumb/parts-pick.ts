import { MatButton } from '@angular/material/button';
import { ChangeDetectionStrategy, Component, computed, effect, inject, input } from '@angular/core';
import { DropButton } from '../../ui/drop-button';
import { ChoiceField, type Choice } from '../../kit/choice-field';
import { Action } from '../../kit/action';
import type { OwnPart, PartKind, JobEdit } from '../../../core/ground/job';
import { PART_FIELDS, PART_KIND_WORDS, partsOf, takenPart, type TakenPart } from '../../../core/engines/parts';
import { sourceOf, TAG_WORDS } from '../../../core/ground/sources';
import { formatQuantity } from '../../../core/ground/quantity';
import { TakeAway } from '../../ui/take-away';
import { Bench } from '../../store/bench';
import { DrawerStore } from '../../store/drawer';
import { PartDialog } from '../../ui/part-dialog';
import { Draft } from './draft';

/** Marks a choice that comes from the drawer. */
const DRAWER = 'drawer:';

/** For each kind of part that a way takes: which one is taken, its values with their source, and own ones. */
@Component({
  selector: 'gt-parts-pick',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Action, ChoiceField, DropButton, MatButton],
  templateUrl: './parts-pick.html',
  styles:
    '.pick { border-bottom: 1px solid var(--gt-hairline); padding: 10px 0; display: flex; flex-direction: column; gap: 8px; }',
})
export class PartsPick {
  private readonly bench = inject(Bench);
  private readonly draft = inject(Draft);
  private readonly taker = inject(TakeAway);
  private readonly store = inject(DrawerStore);
  private readonly dialog = inject(PartDialog);
  readonly kinds = input.required<readonly PartKind[]>();
  protected readonly rows = computed(() =>
    this.kinds().map((kind) => {
      const job = this.bench.job();
      const taken = takenPart(job, kind);
      const all = partsOf(job, kind);
      const { origin } = taken;
      return {
        kind,
        word: PART_KIND_WORDS[kind],
        taken,
        choices: [
          ...all.map((p): Choice => [p.id, `${p.name}${p.origin.from === 'maker' ? ' (own)' : ''}`]),
          ...this.store
            .drawer()
            .parts.filter((p) => p.kind === kind && !all.some((a) => a.id === p.id))
            .map((p): Choice => [DRAWER + p.id, `${p.name} (from the drawer, ${p.have} there)`]),
        ],
        own: origin.from === 'maker',
        values: PART_FIELDS[kind].map((f) => ({
          name: f.name,
          text: spread(taken.values[f.key] ?? [], (v) => formatQuantity(v, f.unit)),
        })),
        source:
          origin.from === 'class'
            ? `${sourceOf(origin.key).text} (${TAG_WORDS[sourceOf(origin.key).tag]}).`
            : 'Your own values.',
      };
    }),
  );

  constructor() {
    effect(() => void this.store.load());
  }

  protected pick(kind: PartKind, id: string): void {
    const { picks } = this.bench.job().bench;
    const drawn = id.startsWith(DRAWER)
      ? this.store.drawer().parts.find((p) => p.id === id.slice(DRAWER.length))
      : undefined;
    const name = drawn?.name ?? partsOf(this.bench.job(), kind).find((p) => p.id === id)?.name ?? id;
    const pick: JobEdit = { do: 'set', at: 'bench', set: { picks: { ...picks, [kind]: drawn?.id ?? id } } };
    this.bench.edit({
      do: 'several',
      edits: [...(drawn ? [putPart(drawn)] : []), pick, ...this.anew()],
      say: `part: ${name}`,
    });
  }

  /** The resistor of the press that is open is computed anew for another part. */
  private anew(): JobEdit[] {
    const press = this.draft.press();
    return press && press.resistorOhms !== null
      ? [{ do: 'set', at: 'press', of: press.id, set: { resistorOhms: null } }]
      : [];
  }

  /** Own values begin as those of the part that is taken; a shipped class stays as it is and gets a copy. */
  protected async edit(part: TakenPart): Promise<void> {
    const own = part.origin.from === 'maker';
    const kept = await this.dialog.edit({
      id: own ? part.id : this.bench.newId(),
      kind: part.kind,
      name: own ? part.name : `${part.name}, mine`,
      values: { ...part.values },
    });
    if (!kept) return;
    const picks = { ...this.bench.job().bench.picks, [kept.kind]: kept.id };
    this.bench.edit({
      do: 'several',
      edits: [putPart(kept), { do: 'set', at: 'bench', set: { picks } }, ...this.anew()],
      say: `own part: ${kept.name}`,
    });
  }

  protected async stash(part: TakenPart): Promise<void> {
    const there = this.store.drawer().parts.find((p) => p.id === part.id);
    await this.store.put({
      id: part.id,
      kind: part.kind,
      name: part.name,
      values: { ...part.values },
      have: there?.have ?? 1,
      price: there?.price ?? null,
    });
    this.bench.edit({ do: 'note', text: `${part.name} is in the drawer now` });
  }

  protected remove(part: TakenPart): void {
    const { [part.kind]: _gone, ...picks } = this.bench.job().bench.picks;
    this.taker.edit(part.name, {
      do: 'several',
      edits: [
        { do: 'drop', list: 'bench.parts', key: part.id },
        { do: 'set', at: 'bench', set: { picks } },
      ],
      say: `own part taken away: ${part.name}`,
    });
  }
}

const putPart = ({ id, kind, name, values }: OwnPart): JobEdit => ({
  do: 'put',
  list: 'bench.parts',
  item: { id, kind, name, values },
});

const spread = (v: readonly number[], show: (x: number) => string): string =>
  v[0] === v[2]
    ? show(v[1] ?? Number.NaN)
    : `${show(v[0] ?? Number.NaN)} to ${show(v[2] ?? Number.NaN)}, usually ${show(v[1] ?? Number.NaN)}`;
