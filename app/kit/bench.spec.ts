import { Component, signal, viewChild } from '@angular/core';
import { TestbedHarnessEnvironment } from '@angular/cdk/testing/testbed';
import { TestBed } from '@angular/core/testing';
import { MatFormFieldHarness } from '@angular/material/form-field/testing';
import { MatInputHarness } from '@angular/material/input/testing';
import { scaleLinear } from 'd3-scale';
import { describe, expect, it } from 'vitest';
import { axisTicks } from './axis';
import { BenchField } from './bench-field';
import { Ruler } from './ruler';

@Component({
  imports: [BenchField, Ruler],
  template: `
    <gt-bench label="Volts at A" unit="V" [question]="question()" [(text)]="text" [(error)]="error" />
    <gt-ruler
      unit="N"
      label="Force: 3 N are there, 2 N are wanted"
      [bands]="[{ name: 'rocker', from: 4, to: 10 }]"
      [mark]="3"
      [limit]="2"
      [met]="true"
    />
  `,
})
class Host {
  readonly question = signal('idle');
  readonly text = signal('');
  readonly error = signal('');
  readonly bench = viewChild.required(BenchField);
}

async function begun() {
  const fixture = TestBed.createComponent(Host);
  await fixture.whenStable();
  const loader = TestbedHarnessEnvironment.loader(fixture);
  return { fixture, host: fixture.componentInstance, box: await loader.getHarness(MatInputHarness), loader };
}

describe('the one field of a step', () => {
  it('tells every key, and forgets its complaint with the next', async () => {
    const { fixture, host, box, loader } = await begun();
    await box.setValue('4.9');
    expect(host.text()).toBe('4.9');
    host.error.set('Not understood.');
    await fixture.whenStable();
    const field = await loader.getHarness(MatFormFieldHarness);
    expect(await field.getTextErrors()).toEqual(['Not understood.']);
    await box.setValue('4.98');
    expect(host.error()).toBe('');
    expect(await field.hasErrors()).toBe(false);
  });

  it('keeps what is half typed with its question, and empties for the next one', async () => {
    const { fixture, host, box } = await begun();
    await box.setValue('12');
    host.question.set('pressed');
    await fixture.whenStable();
    expect(await box.getValue()).toBe('');
    host.question.set('idle');
    await fixture.whenStable();
    expect(await box.getValue()).toBe('12');
    host.bench().done();
    await fixture.whenStable();
    expect(await box.getValue()).toBe('');
    host.question.set('pressed');
    await fixture.whenStable();
    host.question.set('idle');
    await fixture.whenStable();
    expect(await box.getValue()).toBe('');
  });

  it('begins with a key that was pressed elsewhere, at once', async () => {
    const { host, box } = await begun();
    host.bench().begin('1');
    expect(await box.getValue()).toBe('1');
    expect(host.text()).toBe('1');
    expect(await box.isFocused()).toBe(true);
  });
});

describe('a ruler and its axis', () => {
  it('lays bands, stroke and dot on one scale, and says them', async () => {
    const { fixture } = await begun();
    const svg = (fixture.nativeElement as HTMLElement).querySelector('gt-ruler svg')!;
    expect(svg.getAttribute('aria-label')).toBe('Force: 3 N are there, 2 N are wanted');
    const x = (selector: string, name: string): number => Number(svg.querySelector(selector)!.getAttribute(name));
    expect(x('circle', 'cx')).toBeGreaterThan(x('rect[width="3"]', 'x'));
    expect(x('rect[height="12"]', 'x')).toBeGreaterThan(x('circle', 'cx'));
    expect(svg.textContent).toContain('rocker');
  });

  it('ticks in the unit’s own prefixes', () =>
    expect(axisTicks(scaleLinear([0, 0.004], [0, 100]), 's', 4)).toEqual([
      { value: 0, at: 0, text: '0 s' },
      { value: 0.001, at: 25, text: '1 ms' },
      { value: 0.002, at: 50, text: '2 ms' },
      { value: 0.003, at: 75, text: '3 ms' },
      { value: 0.004, at: 100, text: '4 ms' },
    ]));
});
