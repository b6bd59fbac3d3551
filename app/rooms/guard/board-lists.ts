import { MatButton } from '@angular/material/button';
import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { freshOf, type AnyFields } from '../../../core/ground/field';
import {
  boardNetFields,
  boardSlotFields,
  boardTrackFields,
  freeIn,
  laidPartFields,
  laidPinFields,
  type BoardLayout,
  type BoardNet,
  type BoardSlot,
  type BoardTrack,
  type LaidPart,
  type LaidPin,
} from '../../../core/ground/job';
import { Action } from '../../kit/action';
import { ChoiceField, type Choice } from '../../kit/choice-field';
import { GroupFields } from '../../kit/group-fields';
import { FieldScope } from '../../kit/half-typed';
import { QuantityField } from '../../kit/quantity-field';
import { DropButton } from '../../ui/drop-button';

/** What lies on a board, as lists: nets, parts with their pins, tracks, slots, areas without copper. */
@Component({
  selector: 'gt-board-lists',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Action, ChoiceField, DropButton, FieldScope, GroupFields, MatButton, QuantityField],
  templateUrl: './board-lists.html',
  styles:
    ':host, :host > div, .laid-pins { display: flex; flex-direction: column; gap: 14px; } .laid-pins { margin-left: 16px; } ' +
    ':host > div:not(.answers) { border-bottom: 1px solid var(--gt-hairline); padding-bottom: 8px; }',
})
export class BoardLists {
  readonly board = input.required<BoardLayout>();
  readonly changed = output<Partial<BoardLayout>>();
  protected readonly netFields = boardNetFields as unknown as AnyFields;
  protected readonly netKeys: readonly (keyof BoardNet & string)[] = ['name', 'side'];
  protected readonly partFields = laidPartFields as unknown as AnyFields;
  protected readonly partKeys: readonly (keyof LaidPart & string)[] = ['name', 'column', 'row', 'apart'];
  protected readonly pinFields = laidPinFields;
  protected readonly trackFields = boardTrackFields as unknown as AnyFields;
  protected readonly trackKeys: readonly (keyof BoardTrack & string)[] = [
    'fromColumn',
    'fromRow',
    'toColumn',
    'toRow',
    'width',
  ];
  protected readonly slotFields = boardSlotFields as unknown as AnyFields;
  protected readonly slotKeys: readonly (keyof BoardSlot & string)[] = [
    'fromColumn',
    'fromRow',
    'toColumn',
    'toRow',
    'width',
  ];
  protected readonly areaKeys = this.slotKeys.filter((k) => k !== 'width');
  protected readonly nets = computed((): readonly Choice[] => [
    ['', 'joined to nothing'],
    ...this.board().nets.map((n): Choice => [n.id, n.name]),
  ]);

  protected addNet(): void {
    const { nets } = this.board();
    const item = { ...freshOf(boardNetFields), id: freeIn(nets, 'net'), name: `net ${nets.length + 1}` };
    this.changed.emit({ nets: [...nets, item] });
  }
  protected putNet(net: BoardNet, set: Partial<BoardNet>): void {
    this.changed.emit({ nets: this.board().nets.map((n) => (n.id === net.id ? { ...n, ...set } : n)) });
  }
  /** A net goes with what lies on it: pins and tracks are joined to nothing then. */
  protected dropNet(net: BoardNet): void {
    const { nets, parts, tracks } = this.board();
    this.changed.emit({
      nets: nets.filter((n) => n.id !== net.id),
      parts: parts.map((p) => ({ ...p, pins: p.pins.map((x) => (x.net === net.id ? { ...x, net: '' } : x)) })),
      tracks: tracks.filter((t) => t.net !== net.id),
    });
  }

  protected addPart(): void {
    const { parts } = this.board();
    const item: LaidPart = {
      ...freshOf(laidPartFields),
      id: freeIn(parts, 'part'),
      name: `part ${parts.length + 1}`,
      pins: [{ column: 0, row: 0, net: '' }],
    };
    this.changed.emit({ parts: [...parts, item] });
  }
  protected putPart(part: LaidPart, set: Partial<LaidPart>): void {
    this.changed.emit({ parts: this.board().parts.map((p) => (p.id === part.id ? { ...p, ...set } : p)) });
  }
  protected dropPart(part: LaidPart): void {
    this.changed.emit({ parts: this.board().parts.filter((p) => p.id !== part.id) });
  }
  protected addPin(part: LaidPart): void {
    const { column = 0, row = -1 } = part.pins.at(-1) ?? {};
    this.putPart(part, { pins: [...part.pins, { column, row: row + 1, net: '' }] });
  }
  protected putPin(part: LaidPart, at: number, set: Partial<LaidPin>): void {
    this.putPart(part, { pins: part.pins.map((p, i) => (i === at ? { ...p, ...set } : p)) });
  }
  protected dropPin(part: LaidPart, at: number): void {
    this.putPart(part, { pins: part.pins.filter((_, i) => i !== at) });
  }

  protected addTrack(): void {
    const { tracks, nets } = this.board();
    const item = { ...freshOf(boardTrackFields), id: freeIn(tracks, 'track'), net: nets[0]?.id ?? '' };
    this.changed.emit({ tracks: [...tracks, item] });
  }
  protected putTrack(track: BoardTrack, set: Partial<BoardTrack>): void {
    this.changed.emit({ tracks: this.board().tracks.map((t) => (t.id === track.id ? { ...t, ...set } : t)) });
  }
  protected dropTrack(track: BoardTrack): void {
    this.changed.emit({ tracks: this.board().tracks.filter((t) => t.id !== track.id) });
  }

  protected addSlot(list: 'slots' | 'cleared'): void {
    const all = this.board()[list];
    const fresh = { ...freshOf(boardSlotFields), id: freeIn(all, list === 'slots' ? 'slot' : 'area') };
    this.changed.emit({ [list]: [...all, list === 'slots' ? fresh : { ...fresh, width: 0 }] });
  }
  protected putSlot(list: 'slots' | 'cleared', slot: BoardSlot, set: Partial<BoardSlot>): void {
    this.changed.emit({ [list]: this.board()[list].map((s) => (s.id === slot.id ? { ...s, ...set } : s)) });
  }
  protected dropSlot(list: 'slots' | 'cleared', slot: BoardSlot): void {
    this.changed.emit({ [list]: this.board()[list].filter((s) => s.id !== slot.id) });
  }
}
