import { choice, flag, group, list, maybeQuantity, name, quantity, text, type Fields } from '../../../field';
import type {
  BoardCut,
  BoardLayout,
  BoardNet,
  LaidPin,
  BoardSlot,
  BoardTrack,
  COPPERS,
  LaidPart,
  NET_SIDES,
} from './types';

/** Holes along one side of a board, at most. */
const MOST_HOLES = 80;
const hole = (label: string, usual = 1) => quantity(label, '1', usual, { least: 1, most: MOST_HOLES, whole: true });
/** A place between holes as well. */
const place = (label: string, usual = 1) => quantity(label, '1', usual, { least: 0, most: MOST_HOLES + 1 });
/** A row of places from a part's first hole on. */
const offset = (label: string) => quantity(label, '1', 0, { least: -MOST_HOLES, most: MOST_HOLES, whole: true });

/** Fields of a net of a board. */
export const boardNetFields: Fields<BoardNet> = {
  id: name('id'),
  name: name('Called', 'net'),
  side: choice(
    'It is',
    { unknown: 'not said', mains: 'at mains', touchable: 'on the side that can be touched' } satisfies Record<
      (typeof NET_SIDES)[number],
      string
    >,
    'unknown',
  ),
};

/** Fields of a pin of such a part, from its first hole on. */
export const laidPinFields: Fields<LaidPin> = {
  column: offset('column'),
  row: offset('row'),
  net: text('net', { most: 64 }),
};

/** Fields of a part that lies on a board. */
export const laidPartFields: Fields<LaidPart> = {
  id: name('id'),
  name: name('Called', 'part'),
  column: hole('First hole, column'),
  row: hole('row'),
  pins: list('pins', group('a pin', laidPinFields), 80),
  apart: maybeQuantity('Its own insulation keeps apart', 'm', { least: 1e-4, most: 0.1, hint: 'not read' }),
};

/** Fields of copper from hole to hole. */
export const boardTrackFields: Fields<BoardTrack> = {
  id: name('id'),
  net: text('Net', { most: 64 }),
  fromColumn: hole('From column'),
  fromRow: hole('row'),
  toColumn: hole('to column', 2),
  toRow: hole('row'),
  width: quantity('Width', 'm', 1.5e-3, { least: 1e-4, most: 0.02 }),
};

/** Fields of a slot. */
export const boardSlotFields: Fields<BoardSlot> = {
  id: name('id'),
  fromColumn: place('From column'),
  fromRow: place('row'),
  toColumn: place('to column'),
  toRow: place('row', 4),
  width: quantity('Width', 'm', 1.5e-3, { most: 0.02 }),
};

const cutFields: Fields<BoardCut> = { column: hole('column'), row: hole('row') };

/** Fields of a perforated board. */
export const boardLayoutFields: Fields<BoardLayout> = {
  id: name('id'),
  name: name('Called', 'board'),
  columns: hole('Columns', 24),
  rows: hole('Rows', 18),
  pitch: quantity('From hole to hole', 'm', 2.54e-3, { least: 5e-4, most: 0.02 }),
  pad: quantity('Across a ring or strip', 'm', 2e-3, { least: 1e-4, most: 0.02 }),
  copper: choice(
    'Its copper is',
    { none: 'none, bare holes', pads: 'a ring at each hole', strips: 'strips along its rows' } satisfies Record<
      (typeof COPPERS)[number],
      string
    >,
    'pads',
  ),
  measured: flag('pitch and rings were measured on it'),
  nets: list('nets', group('a net', boardNetFields), 60, { key: 'id' }),
  parts: list('parts', group('a part', laidPartFields), 60, { key: 'id' }),
  tracks: list('tracks', group('a track', boardTrackFields), 300, { key: 'id' }),
  cuts: list('cuts', group('a cut', cutFields), 300),
  slots: list('slots', group('a slot', boardSlotFields), 24, { key: 'id' }),
  cleared: list('areas without copper', group('an area', boardSlotFields), 40, { key: 'id' }),
};
