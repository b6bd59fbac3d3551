import { Component, signal } from '@angular/core';
import { TestbedHarnessEnvironment } from '@angular/cdk/testing/testbed';
import { TestBed } from '@angular/core/testing';
import { MatButton } from '@angular/material/button';
import { MatButtonHarness } from '@angular/material/button/testing';
import { MatSnackBarHarness } from '@angular/material/snack-bar/testing';
import { MatSortHarness } from '@angular/material/sort/testing';
import { MatTableHarness } from '@angular/material/table/testing';
import { MatTabNavBarHarness } from '@angular/material/tabs/testing';
import { provideRouter, Router } from '@angular/router';
import { describe, expect, it, vi } from 'vitest';
import { Action, type Dress } from './action';
import { Cell, Table, type Column } from './table';
import { Tabs } from './tabs';
import { UndoBar } from './undo-bar';

interface Part {
  readonly name: string;
  readonly have: number;
}

@Component({
  imports: [Action, Cell, MatButton, Table, Tabs],
  template: `
    <button matButton [gtAction]="dress()">go</button>
    <gt-tabs label="Views" param="view" [tabs]="tabs" here="wires" />
    <gt-table caption="Parts" none="none yet" [rows]="rows()" [columns]="columns" [key]="nameOf">
      <ng-template gtCell="have" let-p let-i="index"
        ><b>{{ i }}: {{ p.have }}</b></ng-template
      >
    </gt-table>
  `,
})
class Host {
  readonly dress = signal<Dress>('do');
  readonly tabs = [
    { key: 'drawing', words: 'drawing' },
    { key: 'wires', words: 'wire table', count: 3 },
  ];
  readonly rows = signal<readonly Part[]>([
    { name: 'relay', have: 2 },
    { name: 'diode', have: 10 },
  ]);
  readonly columns: readonly Column<Part>[] = [
    { key: 'name', head: 'part', text: (p) => p.name, sort: (p) => p.name, foot: 'sum' },
    { key: 'have', head: 'have', number: true, sort: (p) => p.have, foot: '12' },
  ];
  readonly nameOf = (p: Part): string => p.name;
}

async function begun() {
  TestBed.configureTestingModule({ providers: [provideRouter([{ path: '**', component: Host }])] });
  const fixture = TestBed.createComponent(Host);
  await fixture.whenStable();
  return {
    fixture,
    loader: TestbedHarnessEnvironment.loader(fixture),
    outside: TestbedHarnessEnvironment.documentRootLoader(fixture),
  };
}

describe('the frame of the kit', () => {
  it('dresses Material’s own button', async () => {
    const { fixture, loader } = await begun();
    const button = await loader.getHarness(MatButtonHarness.with({ text: 'go' }));
    expect(await button.getAppearance()).toBe('filled');
    fixture.componentInstance.dress.set('away');
    await fixture.whenStable();
    expect(await button.getAppearance()).toBe('text');
    expect(await (await button.host()).hasClass('gt-away')).toBe(true);
  });

  it('tabs are links: the address tells which is open, the first needs no word', async () => {
    const { loader, fixture } = await begun();
    const nav = await loader.getHarness(MatTabNavBarHarness);
    expect(await (await nav.getActiveLink()).getLabel()).toContain('wire table');
    const links = (fixture.nativeElement as HTMLElement).querySelectorAll('a');
    expect([...links].map((a) => a.getAttribute('href'))).toEqual(['/', '/?view=wires']);
    await (await nav.getLinks({ label: 'drawing' }))[0]!.click();
    expect(TestBed.inject(Router).url).toBe('/');
  });

  it('a table shows columns as data, sorts, and says that it is empty', async () => {
    const { loader, fixture } = await begun();
    const table = await loader.getHarness(MatTableHarness);
    expect(await table.getCellTextByIndex()).toEqual([
      ['relay', '0: 2'],
      ['diode', '1: 10'],
    ]);
    const [, have] = await (await loader.getHarness(MatSortHarness)).getSortHeaders();
    await have!.click();
    await have!.click();
    expect((await table.getCellTextByIndex()).map((r) => r[0])).toEqual(['diode', 'relay']);
    expect((await (await table.getFooterRows())[0]!.getCellTextByIndex()).join()).toBe('sum,12');
    fixture.componentInstance.rows.set([]);
    await fixture.whenStable();
    expect((fixture.nativeElement as HTMLElement).textContent).toContain('none yet');
  });

  it('says what was taken away, and gives it back', async () => {
    const { outside } = await begun();
    const undo = vi.fn();
    TestBed.inject(UndoBar).say('The relay taken away', undo);
    const bar = await outside.getHarness(MatSnackBarHarness);
    expect(await bar.getMessage()).toBe('The relay taken away');
    await bar.dismissWithAction();
    expect(undo).toHaveBeenCalledOnce();
  });
});
