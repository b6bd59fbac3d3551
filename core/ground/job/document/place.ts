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
/** What is known of each place of a section. */
export type PlacesOf<P> = Readonly<Record<keyof P, PlaceInfo>>;
/** What is known of each keyed list of a section. */
export type ListsOf<L> = Readonly<Record<keyof L, ListInfo>>;

/** A place by its fields, what the log calls it, and its room. */
export const place = (fields: object, words: string, room: Room): PlaceInfo => ({
  fields: fields as AnyFields,
  words,
  room,
});
/** A keyed list in the same way. @param key the field by which an item is known; @param called the one that names it. */
export const listed = (fields: object, words: string, room: Room, key = 'id', called = 'name'): ListInfo => ({
  ...place(fields, words, room),
  key,
  called,
});
