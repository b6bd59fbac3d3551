import type { AnyFields } from '../../field';
import type { Room } from './rooms';

/** Where fields can be set: what they are, what the log calls the place (empty where their labels say enough), and whose it is. */
export interface PlaceInfo {
  readonly fields: AnyFields;
  readonly words: string;
  readonly room: Room;
}
/** A keyed list: the field by which an item is known, and the one that names it in the log. */
export interface ListInfo extends PlaceInfo {
  readonly key: string;
  readonly called: string;
}
export type PlacesOf<P> = Readonly<Record<keyof P, PlaceInfo>>;
export type ListsOf<L> = Readonly<Record<keyof L, ListInfo>>;

export const place = (fields: object, words: string, room: Room): PlaceInfo => ({
  fields: fields as AnyFields,
  words,
  room,
});
export const listed = (fields: object, words: string, room: Room, key = 'id', called = 'name'): ListInfo => ({
  ...place(fields, words, room),
  key,
  called,
});
