import { inject, Injectable, signal } from '@angular/core';
import type { Photo } from '../../core/ground/job';
import type { Beside } from '../../core/house/zip';
import { Database } from './database';

/** Longest side kept, pixels, and the quality of the picture. */
const LONGEST = 1600;
const QUALITY = 0.85;
/** Files above this are not even tried. */
const LARGEST_BYTES = 60e6;

/** Photographs of jobs: drawn anew on import, which makes them small and leaves out where and when they were taken. */
@Injectable({ providedIn: 'root' })
export class Photos {
  private readonly database = inject(Database);
  /** Addresses of pictures that were fetched, by photo id; null where the store has none. */
  readonly urls = signal<Readonly<Record<string, string | null>>>({});

  /** Reads a file as a photograph. Throws Error with what to do where it is none. */
  async take(file: File, id: string): Promise<Photo> {
    if (file.size > LARGEST_BYTES)
      throw new Error(
        `${file.name} is ${Math.round(file.size / 1e6)} MB; a photograph is at most ${LARGEST_BYTES / 1e6} MB.`,
      );
    const drawn = await this.drawnAnew(file).catch(() => null);
    if (!drawn)
      throw new Error(`${file.name} is not a picture that this browser reads. Save it as JPEG or PNG and try again.`);
    await this.keep(id, drawn.picture);
    const { width, height } = drawn;
    return { id, name: file.name.replace(/\.\w+$/, '').slice(0, 200) || 'photograph', width, height, pins: [] };
  }

  /** The picture drawn into a canvas and out again: small, and with nothing in it but what is seen. Rejects where it is none. */
  private async drawnAnew(file: Blob): Promise<{ picture: Blob; width: number; height: number }> {
    const bitmap = await createImageBitmap(file);
    const scale = Math.min(1, LONGEST / Math.max(bitmap.width, bitmap.height));
    const width = Math.max(1, Math.round(bitmap.width * scale));
    const height = Math.max(1, Math.round(bitmap.height * scale));
    const canvas = new OffscreenCanvas(width, height);
    canvas.getContext('2d')!.drawImage(bitmap, 0, 0, width, height);
    bitmap.close();
    return { picture: await canvas.convertToBlob({ type: 'image/jpeg', quality: QUALITY }), width, height };
  }

  /**
   * Takes a picture that came with a file: as it is where this browser has the very same one, else drawn anew; gives the id that it is
   * kept under, a fresh one where another picture has that id here. Null where it is no picture.
   */
  async bring(id: string, bytes: Uint8Array): Promise<string | null> {
    const there = await this.bytes(id);
    if (there && there.length === bytes.length && there.every((b, i) => b === bytes[i])) return id;
    const drawn = await this.drawnAnew(new Blob([bytes as BlobPart], { type: 'image/jpeg' })).catch(() => null);
    if (!drawn) return null;
    const free = there ? crypto.randomUUID() : id;
    await this.keep(free, drawn.picture);
    return free;
  }

  /** The pictures of these photographs that this browser has. */
  async all(photos: readonly Photo[]): Promise<Beside[]> {
    const found: Beside[] = [];
    for (const { id } of photos) {
      const bytes = await this.bytes(id);
      if (bytes) found.push({ id, bytes });
    }
    return found;
  }

  async keep(id: string, picture: Blob): Promise<void> {
    await this.database.putPhoto(id, picture);
    const before = Object.hasOwn(this.urls(), id) ? this.urls()[id] : null;
    if (before) URL.revokeObjectURL(before);
    this.urls.update((u) => ({ ...u, [id]: URL.createObjectURL(picture) }));
  }

  /** Fetches the pictures that are not there yet, and lets go of those that are not shown any more. */
  async show(photos: readonly Photo[]): Promise<void> {
    const shown = new Set(photos.map((p) => p.id));
    for (const [id, url] of Object.entries(this.urls())) {
      if (shown.has(id)) continue;
      if (url !== null) URL.revokeObjectURL(url);
      this.urls.update(({ [id]: _gone, ...rest }) => rest);
    }
    for (const { id } of photos) {
      if (Object.hasOwn(this.urls(), id)) continue;
      const picture = await this.database.photo(id).catch(() => undefined);
      this.urls.update((u) => ({ ...u, [id]: picture ? URL.createObjectURL(picture) : null }));
    }
  }

  /** The bytes of a picture, or undefined where this browser has none. */
  async bytes(id: string): Promise<Uint8Array | undefined> {
    const picture = await this.database.photo(id).catch(() => undefined);
    return picture && new Uint8Array(await picture.arrayBuffer());
  }
}
