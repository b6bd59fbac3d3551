import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { RouterLink } from '@angular/router';
import { PART_KINDS, type PartKind, type StockLine } from '../../core/job';
import { drawerText, PART_KIND_WORDS, readDrawer, SHIPPED_PARTS, type Drawer, type DrawerPart } from '../../core/parts';
import { DrawerStore } from '../store/drawer';
import { Brand } from '../ui/brand';
import { PartDialog } from '../ui/part-dialog';
import { saveFile } from '../ui/save-file';

/** The drawer: what the maker has, for every job; parts with their own values, and anything else by name. */
@Component({
  selector: 'gt-drawer-page',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Brand, MatButton, RouterLink],
  templateUrl: './drawer-page.html',
  styles:
    '.drawer { display: flex; flex-direction: column; gap: 14px; padding-top: 18px; } .tiny { width: 90px; } .narrow { max-width: 220px; }',
})
export class DrawerPage {
  protected readonly store = inject(DrawerStore);
  private readonly dialog = inject(PartDialog);
  protected readonly drawer = this.store.drawer;
  protected readonly words = PART_KIND_WORDS;
  protected readonly kinds = PART_KINDS;
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

  protected readonly count = (n: number, old: number): number => (Number.isInteger(n) && n >= 0 ? n : old);
  protected readonly money = (n: number, old: number | null): number | null => (Number.isFinite(n) && n >= 0 ? n : old);

  protected part(p: DrawerPart, set: Partial<DrawerPart>): void {
    this.change(({ parts }) => ({ parts: parts.map((x) => (x.id === p.id ? { ...x, ...set } : x)) }));
  }

  protected async edit(p: DrawerPart): Promise<void> {
    const kept = await this.dialog.edit({ id: p.id, kind: p.kind, name: p.name, values: { ...p.values } });
    if (kept) this.part(p, kept);
  }

  protected async add(kind: string): Promise<void> {
    const base = SHIPPED_PARTS.find((s) => s.kind === kind)!;
    const kept = await this.dialog.edit({
      id: crypto.randomUUID(),
      kind: kind as PartKind,
      name: '',
      values: { ...base.values },
    });
    if (kept) this.change(({ parts }) => ({ parts: [...parts, { ...kept, have: 1, price: null }] }));
  }

  protected remove(p: DrawerPart): void {
    this.change(({ parts }) => ({ parts: parts.filter((x) => x.id !== p.id) }));
  }

  protected line(s: StockLine, set: Partial<StockLine>): void {
    this.change(({ stock }) => ({ stock: stock.map((x) => (x.name === s.name ? { ...x, ...set } : x)) }));
  }

  protected drop(s: StockLine): void {
    this.change(({ stock }) => ({ stock: stock.filter((x) => x.name !== s.name) }));
  }

  protected addLine(box: HTMLInputElement): void {
    const name = box.value.trim();
    if (!name || this.drawer().stock.some((s) => s.name === name)) return;
    this.change(({ stock }) => ({ stock: [...stock.filter((x) => x.name !== name), { name, have: 1, price: null }] }));
    box.value = '';
  }

  protected currency(box: HTMLInputElement): void {
    const text = box.value.trim().toUpperCase();
    if (/^[A-Z]{3}$/.test(text)) this.change(() => ({ currency: text }));
    else box.value = this.drawer().currency;
  }

  protected save(): void {
    saveFile('parts.drawer.json', drawerText(this.drawer()), 'application/json');
  }

  protected pickFile(): void {
    const input = document.createElement('input');
    input.type = 'file';
    input.accept = '.json,application/json';
    input.addEventListener('change', () => void this.read(input.files?.[0]));
    input.click();
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
