import { inject, Injectable, signal } from '@angular/core';
import { checkedDrawer, freshDrawer, type Drawer, type DrawerPart } from '../../core/parts';
import { Database } from './database';

/** The maker's own drawer: parts and stock that are at hand for every job, kept in this browser. */
@Injectable({ providedIn: 'root' })
export class DrawerStore {
  private readonly database = inject(Database);
  readonly drawer = signal<Drawer>(freshDrawer());
  /** What went wrong in reading or keeping it; empty while nothing did. */
  readonly problem = signal('');
  private loading: Promise<void> | undefined;

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

  async change(set: Partial<Drawer>): Promise<void> {
    const next = { ...this.drawer(), ...set };
    this.drawer.set(next);
    try {
      await this.database.putDrawer(next);
      this.problem.set('');
    } catch {
      this.problem.set('The drawer could not be written here; save it as a file before you close the page.');
    }
  }

  /** Puts a part in, over one of the same id. */
  async put(part: DrawerPart): Promise<void> {
    const rest = this.drawer().parts.filter((p) => p.id !== part.id);
    await this.change({ parts: [...rest, part] });
  }
}
