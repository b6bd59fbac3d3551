import { inject, Injectable, signal } from '@angular/core';
import type { NavigationError } from '@angular/router';

/** Whether a part of the program could not be fetched: a newer build stands on the server, or the server is away. */
@Injectable({ providedIn: 'root' })
export class StaleBuild {
  readonly missing = signal(false);
}

/** A room whose code is gone is told, and the address that was wanted is kept for the reload. */
export function tellStaleBuild(failed: NavigationError): void {
  const stale = inject(StaleBuild);
  if (/dynamically imported module|module script|Loading chunk|Failed to fetch/i.test(String(failed.error))) {
    stale.missing.set(true);
    sessionStorage.setItem('gt-wanted', failed.url);
  }
}
