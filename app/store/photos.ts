import { inject, Injectable, signal } from '@angular/core';
import type { Photo } from '../../core/job';
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
    let bitmap: ImageBitmap;
    try {
      bitmap = await createImageBitmap(file);
    } catch {
      throw new Error(`${file.name} is not a picture that this browser reads. Save it as JPEG or PNG and try again.`);
    }
    const scale = Math.min(1, LONGEST / Math.max(bitmap.width, bitmap.height));
    const width = Math.max(1, Math.round(bitmap.width * scale));
    const height = Math.max(1, Math.round(bitmap.height * scale));
    const canvas = new OffscreenCanvas(width, height);
    canvas.getContext('2d')!.drawImage(bitmap, 0, 0, width, height);
    bitmap.close();
    await this.keep(id, await canvas.convertToBlob({ type: 'image/jpeg', quality: QUALITY }));
    return { id, name: file.name.replace(/\.\w+$/, '').slice(0, 200) || 'photograph', width, height, pins: [] };
  }

  async keep(id: string, picture: Blob): Promise<void> {
    await this.database.putPhoto(id, picture);
    this.urls.update((u) => ({ ...u, [id]: URL.createObjectURL(picture) }));
  }

  /** Fetches the pictures that are not there yet. */
  async show(photos: readonly Photo[]): Promise<void> {
    for (const { id } of photos) {
      if (id in this.urls()) continue;
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
