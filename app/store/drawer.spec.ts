import '@angular/compiler';
import { Injector, runInInjectionContext } from '@angular/core';
import { describe, expect, it, vi } from 'vitest';
import { freshDrawer, SHIPPED_PARTS, type Drawer, type DrawerPart } from '../../core/engines/parts';
import { Database } from './database';
import { DrawerStore } from './drawer';

const relay = SHIPPED_PARTS.find((p) => p.id === 'relay-signal')!;
const part = (set: Partial<DrawerPart> = {}): DrawerPart => ({
  id: 'mine',
  kind: 'relay',
  name: 'from the tin',
  values: { ...relay.values },
  have: 3,
  price: null,
  ...set,
});

/** A store over a database that holds what it is given, or refuses. */
function storeOver(kept: unknown, refuse = false) {
  const database = {
    drawer: vi.fn(async () => {
      if (refuse) throw new Error('forbidden');
      return kept;
    }),
    changeDrawer: vi.fn(async (f: (there: unknown) => Drawer) => {
      if (refuse) throw new Error('forbidden');
      return (kept = f(kept) as unknown) as Drawer;
    }),
  };
  const injector = Injector.create({ providers: [{ provide: Database, useValue: database }] });
  return { database, store: runInInjectionContext(injector, () => new DrawerStore()) };
}

describe('the drawer in this browser', () => {
  it('is read once and offered as it was kept', async () => {
    const { store, database } = storeOver({ ...freshDrawer(), currency: 'GBP', parts: [part()] });
    await Promise.all([store.load(), store.load()]);
    expect(database.drawer).toHaveBeenCalledOnce();
    expect(store.drawer()).toMatchObject({ currency: 'GBP', parts: [{ name: 'from the tin' }] });
    expect(store.problem()).toBe('');
  });

  it('begins empty where there is none', async () => {
    const { store } = storeOver(undefined);
    await store.load();
    expect(store.drawer()).toEqual(freshDrawer());
  });

  it('that cannot be read is left alone and said', async () => {
    const { store, database } = storeOver({ ...freshDrawer(), version: 7 });
    await store.load();
    expect(store.problem()).toMatch(/version 7.*left as it is/);
    expect(store.drawer()).toEqual(freshDrawer());
    expect(database.changeDrawer).not.toHaveBeenCalled();
  });

  it('puts a part over the one of the same id, and writes what it shows', async () => {
    const { store, database } = storeOver(undefined);
    await store.put(part());
    await store.put(part({ have: 5 }));
    expect(store.drawer().parts).toEqual([part({ have: 5 })]);
    // What another tab wrote meanwhile stays.
    await database.changeDrawer((there) => ({ ...(there as Drawer), currency: 'CHF' }));
    await store.put(part({ id: 'second' }));
    expect(store.drawer()).toMatchObject({ currency: 'CHF', parts: [{ id: 'mine', have: 5 }, { id: 'second' }] });
  });

  it('keeps what was changed on the screen where the browser refuses to write, and says so', async () => {
    const { store } = storeOver(undefined, true);
    await store.load();
    expect(store.problem()).toMatch(/save it as a file/);
    await store.put(part());
    expect(store.drawer().parts).toHaveLength(1);
    expect(store.problem()).toMatch(/whole in this tab/);
  });
});
