import { MatButton } from '@angular/material/button';
import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { FormControl } from '@angular/forms';
import { RouterLink } from '@angular/router';
import { StockCell } from '../ui/stock-cell';
import { DropButton } from '../ui/drop-button';
import { Cell, Table, type Column } from '../kit/table';
import { ChoiceField, type Choice } from '../kit/choice-field';
import { FieldScope } from '../kit/half-typed';
import { TextField } from '../kit/text-field';
import { Action } from '../kit/action';
import { PART_KINDS, stockFields, benchFields, type PartKind, type StockLine } from '../../core/ground/job';
import {
  drawerText,
  PART_KIND_WORDS,
  readDrawer,
  SHIPPED_PARTS,
  type Drawer,
  type DrawerPart,
} from '../../core/engines/parts';
import { pickFiles } from '../kit/pick-files';
import { UndoBar } from '../kit/undo-bar';
import { DrawerStore } from '../store/drawer';
import { Brand } from '../ui/brand';
import { PartDialog } from '../ui/part-dialog';
import { saveFile } from '../ui/save-file';

/** The drawer: what the maker has, for every job; parts with their own values, and anything else by name. */
@Component({
  selector: 'gt-drawer-page',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    Action,
    Brand,
    Cell,
    ChoiceField,
    DropButton,
    FieldScope,
    MatButton,
    RouterLink,
    StockCell,
    Table,
    TextField,
  ],
  templateUrl: './drawer-page.html',
  styles:
    '.drawer { display: flex; flex-direction: column; gap: 14px; padding-top: 18px; } ' +
    '.narrow { max-width: 260px; } .name { min-width: 320px; }',
})
export class DrawerPage {
  protected readonly store = inject(DrawerStore);
  private readonly dialog = inject(PartDialog);
  protected readonly drawer = this.store.drawer;
  private readonly bar = inject(UndoBar);
  protected readonly fields = stockFields;
  protected readonly currencyField = benchFields.currency;
  protected readonly kinds = PART_KINDS.map((k): Choice<PartKind> => [k, PART_KIND_WORDS[k]]);
  protected readonly kind = new FormControl<PartKind>(PART_KINDS[0], { nonNullable: true });
  protected readonly another = new FormControl('', { nonNullable: true });
  protected readonly idOf = (p: DrawerPart): string => p.id;
  protected readonly nameOf = (s: StockLine): string => s.name;
  private readonly counted = computed((): readonly Column<StockLine>[] => [
    { key: 'have', head: 'have', sort: (s) => s.have },
    { key: 'price', head: `price, ${this.drawer().currency}`, sort: (s) => s.price ?? -1 },
    { key: 'do', head: '' },
  ]);
  protected readonly partColumns = computed((): readonly Column<DrawerPart>[] => [
    { key: 'name', head: 'part', text: (p) => p.name, sort: (p) => p.name },
    { key: 'kind', head: 'kind', text: (p) => PART_KIND_WORDS[p.kind], sort: (p) => PART_KIND_WORDS[p.kind] },
    ...this.counted(),
  ]);
  protected readonly lineColumns = computed((): readonly Column<StockLine>[] => [
    { key: 'name', head: 'name', text: (s) => s.name, sort: (s) => s.name },
    ...this.counted(),
  ]);
  protected readonly problem = signal('');
  /** The drawer before the last change, for undo. */
  protected readonly before = signal<ReturnType<typeof this.drawer> | null>(null);
  protected readonly summary = computed(
    () => `${this.drawer().parts.length} kinds of parts, ${this.drawer().stock.length} other lines`,
  );

  constructor() {
    void this.store.load();
  }

  private change(f: (d: Drawer) => Partial<Drawer>): void {
    this.before.set(this.drawer());
    void this.store.change(f);
  }

  protected undo(): void {
    const there = this.before();
    if (there) this.change(() => there);
  }

  protected part(p: DrawerPart, set: Partial<DrawerPart>): void {
    this.change(({ parts }) => ({ parts: parts.map((x) => (x.id === p.id ? { ...x, ...set } : x)) }));
  }

  protected async edit(p: DrawerPart): Promise<void> {
    const kept = await this.dialog.edit({ id: p.id, kind: p.kind, name: p.name, values: { ...p.values } });
    if (kept) this.part(p, kept);
  }

  protected async add(): Promise<void> {
    const kind = this.kind.value;
    const base = SHIPPED_PARTS.find((s) => s.kind === kind)!;
    const kept = await this.dialog.edit({
      id: crypto.randomUUID(),
      kind,
      name: '',
      values: { ...base.values },
    });
    if (kept) this.change(({ parts }) => ({ parts: [...parts, { ...kept, have: 1, price: null }] }));
  }

  protected remove(p: DrawerPart): void {
    this.change(({ parts }) => ({ parts: parts.filter((x) => x.id !== p.id) }));
    this.bar.say(`${p.name} taken out`, () => this.undo());
  }

  protected line(s: StockLine, set: Partial<StockLine>): void {
    this.change(({ stock }) => ({ stock: stock.map((x) => (x.name === s.name ? { ...x, ...set } : x)) }));
  }

  protected drop(s: StockLine): void {
    this.change(({ stock }) => ({ stock: stock.filter((x) => x.name !== s.name) }));
    this.bar.say(`${s.name} taken out`, () => this.undo());
  }

  protected addLine(): void {
    const name = this.another.value;
    if (this.drawer().stock.some((s) => s.name === name)) {
      this.another.setErrors({ name: 'it stands in the list already' });
      this.another.markAsDirty();
      return;
    }
    if (!name) return;
    this.change(({ stock }) => ({ stock: [...stock, { name, have: 1, price: null }] }));
    this.another.reset();
  }

  protected currency(currency: string): void {
    this.change(() => ({ currency }));
  }

  protected save(): void {
    saveFile('parts.drawer.json', drawerText(this.drawer()), 'application/json');
  }

  protected async pickFile(): Promise<void> {
    await this.read((await pickFiles('.json,application/json'))[0]);
  }

  private async read(file: File | undefined): Promise<void> {
    if (!file) return;
    const loaded =
      file.size > 4_000_000
        ? { ok: false as const, message: `This file is ${Math.round(file.size / 1e6)} MB; a drawer is far smaller.` }
        : readDrawer(await file.text());
    if (loaded.ok) {
      this.problem.set('');
      this.change(() => loaded.drawer);
    } else this.problem.set(`${file.name}: ${loaded.message}`);
  }
}
