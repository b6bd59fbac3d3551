import { inject, Injectable, signal } from '@angular/core';
import { checkedDrawer, freshDrawer, type Drawer, type DrawerPart } from '../../core/engines/parts';
import { Database } from './database';
import { storeTrouble } from './store-trouble';

/** The maker's own drawer: parts and stock that are at hand for every job, kept in this browser. */
@Injectable({ providedIn: 'root' })
export class DrawerStore {
  private readonly database = inject(Database);
  readonly drawer = signal<Drawer>(freshDrawer());
  /** What went wrong in reading or keeping it; empty while nothing did. */
  readonly problem = signal('');
  private loading: Promise<void> | undefined;
  private readonly tabs = new BroadcastChannel('gentle-thumb-drawer');

  constructor() {
    this.tabs.onmessage = () => void this.read();
  }

  /** Reads it once; a drawer that cannot be read is left alone and said. */
  load(): Promise<void> {
    return (this.loading ??= this.read());
  }

  private async read(): Promise<void> {
    try {
      const kept = await this.database.drawer();
      if (kept === undefined) return;
      const checked = checkedDrawer(kept);
      if (checked.ok) this.drawer.set(checked.drawer);
      else
        this.problem.set(
          `The drawer in this browser could not be read: ${checked.message} It is left as it is until you change something.`,
        );
    } catch {
      this.problem.set('This browser does not let the drawer be kept; save it as a file before you close the page.');
    }
  }

  /** Changes the drawer from what stands in the store, which another tab may have changed since. */
  async change(f: (there: Drawer) => Partial<Drawer>): Promise<void> {
    this.drawer.update((d) => ({ ...d, ...f(d) }));
    try {
      const next = await this.database.changeDrawer((there) => {
        const checked = checkedDrawer(there);
        const base = checked.ok ? checked.drawer : freshDrawer();
        return { ...base, ...f(base) };
      });
      this.drawer.set(next);
      this.problem.set('');
      this.tabs.postMessage('drawer');
    } catch (error) {
      this.problem.set(
        `${storeTrouble(error)} The drawer is whole in this tab; save it as a file before you close the page.`,
      );
    }
  }

  /** Puts a part in, over one of the same id. */
  async put(part: DrawerPart): Promise<void> {
    await this.change(({ parts }) => ({ parts: [...parts.filter((p) => p.id !== part.id), part] }));
  }
}
