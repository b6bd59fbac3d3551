import { effect, inject, Injectable, signal } from '@angular/core';
import { Store } from '@ngrx/store';
import { selectJobs } from './jobs.selectors';

/** Left in the browser's store: under this much it is said, bytes. */
const SHORT_BYTES = 100e6;

/** Whether this browser may clear its store of itself, and how much room is left there. */
@Injectable({ providedIn: 'root' })
export class StorageRoom {
  private readonly jobs = inject(Store).selectSignal(selectJobs);
  /** What the browser answered; empty before it was asked. */
  readonly words = signal('');
  /** What is left, where that gets short. */
  readonly short = signal('');
  private asked = false;

  constructor() {
    // Asked for at the first job of the maker's own; demo jobs can be fetched again.
    effect(() => {
      const own = Object.values(this.jobs().byId).some((o) => !o.job.id.startsWith('demo-'));
      if (own && !this.asked) void this.ask();
    });
  }

  private async ask(): Promise<void> {
    this.asked = true;
    const { storage } = navigator;
    if (!storage?.persist) return;
    const kept = (await storage.persisted().catch(() => false)) || (await storage.persist().catch(() => false));
    this.words.set(
      kept
        ? 'This browser keeps the jobs until you take them away.'
        : 'This browser may clear its store when the disk gets full: keep a backup file.',
    );
    await this.measure();
  }

  /** Looks again how much is left. */
  async measure(): Promise<void> {
    const told = await navigator.storage?.estimate?.().catch(() => null);
    if (!told?.quota) return;
    const left = told.quota - (told.usage ?? 0);
    this.short.set(
      left < SHORT_BYTES ? `${Math.max(0, Math.round(left / 1e6))} MB are left in the browser’s store.` : '',
    );
  }
}
