/// <reference lib="webworker" />
import { JOB_TEXT_LIMIT, loadJob, tooLarge, type Job, type Loaded } from '../../core/ground/job';
import type { PackFile } from '../../core/rooms/pack';
import { packShelf, packZip, unpackZip, type KeptBeside, type Unpacked, type Unread } from '../../core/house/zip';
import type { Drawer } from '../../core/engines/parts';
import { serve } from './serve';

/** Files that are read or written: too much for a frame, all of them. */
export type FileOrder =
  | { readonly do: 'unpack'; readonly file: File }
  | { readonly do: 'read'; readonly file: File }
  | {
      readonly do: 'pack-shelf';
      readonly jobs: readonly Job[];
      readonly drawer: Drawer;
      readonly beside: KeptBeside;
      readonly unread: readonly Unread[];
      readonly now: string;
    }
  | {
      readonly do: 'pack-job';
      readonly files: readonly PackFile[];
      readonly touchedAt: string;
      readonly beside: KeptBeside;
    };

export interface FileResults {
  readonly unpack: Unpacked;
  readonly read: Loaded;
  readonly 'pack-shelf': Uint8Array;
  readonly 'pack-job': Uint8Array;
}

serve<FileOrder, FileResults[keyof FileResults]>(async (order) => {
  switch (order.do) {
    case 'unpack':
      return unpackZip(new Uint8Array(await order.file.arrayBuffer()));
    case 'read':
      // The size is checked before a byte is read, so that a huge file cannot fill the memory.
      return order.file.size > 3 * JOB_TEXT_LIMIT ? tooLarge(order.file.size) : loadJob(await order.file.text());
    case 'pack-shelf':
      return packShelf(order.jobs, order.drawer, order.beside, order.now, order.unread);
    case 'pack-job':
      return packZip(order.files, order.touchedAt, order.beside);
  }
});
