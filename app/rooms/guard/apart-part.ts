import { MatButton } from '@angular/material/button';
import { ChangeDetectionStrategy, Component, computed, effect, inject, signal, untracked } from '@angular/core';
import { graver, type Finding } from '../../../core/ground/finding';
import { freshOf, type AnyFields } from '../../../core/ground/field';
import {
  apartFields,
  boardLayoutFields,
  freeIn,
  type ApartPlan,
  type BoardLayout,
  type LaidPart,
} from '../../../core/ground/job';
import type { WorkResult } from '../../../core/house/long-work';
import { formatQuantity } from '../../../core/ground/quantity';
import { apartReserve, pairFinding, standsOf, type BoardCure } from '../../../core/rooms/guard';
import { Action } from '../../kit/action';
import { ChoiceField, type Choice } from '../../kit/choice-field';
import { GroupFields } from '../../kit/group-fields';
import { FieldScope } from '../../kit/half-typed';
import { Bench } from '../../store/bench';
import { LongWork } from '../../store/long-work';
import { Glyph } from '../../ui/glyph';
import { Num } from '../../ui/num';
import { TakeAway } from '../../ui/take-away';
import { BoardLists } from './board-lists';
import { BoardPicture } from './board-picture';

/** Perforated boards: nets, parts, cuts and slots, with the shortest way between the two sides drawn and what cures it tried. */
@Component({
  selector: 'gt-apart-part',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Action, BoardLists, BoardPicture, ChoiceField, FieldScope, Glyph, GroupFields, MatButton, Num],
  templateUrl: './apart-part.html',
  styles: ':host { display: flex; flex-direction: column; gap: 14px; } gt-board-picture { flex: none; }',
})
export class ApartPart {
  private readonly bench = inject(Bench);
  private readonly work = inject(LongWork);
  private readonly taker = inject(TakeAway);
  protected readonly placeFields = apartFields as unknown as AnyFields;
  protected readonly placeKeys: readonly (keyof ApartPlan & string)[] = ['category', 'altitude', 'group'];
  protected readonly fields = boardLayoutFields as unknown as AnyFields;
  protected readonly keys: readonly (keyof BoardLayout & string)[] = [
    'name',
    'copper',
    'columns',
    'rows',
    'pitch',
    'pad',
    'measured',
  ];
  protected readonly plan = computed(() => this.bench.job().guard.apart);
  protected readonly boards = computed(() => this.bench.job().guard.boards);
  private readonly asked = signal('');
  protected readonly board = computed(() => this.boards().find((b) => b.id === this.asked()) ?? this.boards()[0]);
  protected readonly choices = computed(() => this.boards().map((b): Choice => [b.id, b.name]));
  /** What was worked out last, and of which board. */
  protected readonly came = signal<(WorkResult<'apart'> & { readonly of: BoardLayout }) | null>(null);
  protected readonly on = computed(() => this.came()?.on ?? null);
  protected readonly worst = computed(() => this.on()?.pairs[0] ?? null);
  /** The shortest ways that are too short, drawn; the nearest pair where none is. */
  protected readonly ways = computed(() => {
    const pairs = this.on()?.pairs ?? [];
    const bad = pairs.filter((p) => apartReserve(p) < 0);
    return (bad.length > 0 ? bad : pairs.slice(0, 1)).map((p) => ({ legs: p.surface.legs, bad: apartReserve(p) < 0 }));
  });
  protected readonly shown = computed(() => {
    const came = this.came();
    const volts = this.bench.job().region.mainsVolts;
    return (came?.on.pairs ?? []).slice(0, SHOWN).map((pair) => ({
      pair,
      surface: pairFinding(came!.of, pair, 'surface', volts),
      air: pairFinding(came!.of, pair, 'air', volts),
    }));
  });
  protected readonly cures = computed((): readonly BoardCure[] => {
    const came = this.came();
    if (!came || came.of !== this.board()) return [];
    const all = came.all;
    return all ? [all, ...came.cures.filter((c) => c.words !== all.words)] : came.cures;
  });

  constructor() {
    effect(() => {
      const board = this.board();
      const stands = standsOf(this.bench.job());
      untracked(() => void this.workOut(board, stands));
    });
  }

  private async workOut(board: BoardLayout | undefined, stands: ReturnType<typeof standsOf>): Promise<void> {
    if (!board) return this.came.set(null);
    const result = await this.work.do(this.bench.id(), { do: 'apart', board, stands, cures: true }, board.id);
    if (result && this.board() === board) this.came.set({ ...result, of: board });
  }

  protected readonly graver = graver;
  protected readonly bound = (f: Finding): string => (f.limit ? formatQuantity(f.limit.value, f.limit.unit) : '');

  protected choose(id: string): void {
    this.asked.set(id);
  }

  protected setPlace(set: Partial<ApartPlan>): void {
    this.bench.set('guard.apart', set);
  }

  protected add(): void {
    const id = freeIn(this.boards(), 'board');
    this.bench.put('guard.boards', { ...freshOf(boardLayoutFields), id }, 'a board');
    this.asked.set(id);
  }

  protected put(board: BoardLayout, set: Partial<BoardLayout>): void {
    this.bench.put('guard.boards', { ...board, ...set });
  }

  protected move(board: BoardLayout, part: LaidPart, column: number, row: number): void {
    const parts = board.parts.map((p) => (p.id === part.id ? { ...p, column, row } : p));
    this.bench.put('guard.boards', { ...board, parts }, `${part.name} moved to column ${column}, row ${row}`);
  }

  protected cure(cure: BoardCure): void {
    this.bench.put('guard.boards', cure.board, cure.words);
  }

  protected drop(board: BoardLayout): void {
    this.taker.drop(board.name, 'guard.boards', board.id);
  }
}

/** Pairs that are shown, the nearest ones. */
const SHOWN = 8;
