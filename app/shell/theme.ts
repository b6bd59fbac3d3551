import { Injectable, signal } from '@angular/core';

export type Light = 'system' | 'light' | 'dark';
const KEY = 'gentle-thumb-light';

/** Day paper or evening bench; the system's choice unless the maker says otherwise. */
@Injectable({ providedIn: 'root' })
export class Theme {
  readonly light = signal<Light>(this.read());

  set(light: Light): void {
    this.light.set(light);
    try {
      localStorage.setItem(KEY, light);
    } catch {
      // A browser that forbids its store still shows the chosen light until the tab closes.
    }
    this.apply();
  }

  apply(): void {
    document.documentElement.style.colorScheme = this.light() === 'system' ? 'light dark' : this.light();
  }

  private read(): Light {
    try {
      const kept = localStorage.getItem(KEY);
      return kept === 'light' || kept === 'dark' ? kept : 'system';
    } catch {
      return 'system';
    }
  }
}
