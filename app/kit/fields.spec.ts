import { Component, signal } from '@angular/core';
import { TestbedHarnessEnvironment } from '@angular/cdk/testing/testbed';
import { TestBed } from '@angular/core/testing';
import { FormControl } from '@angular/forms';
import { MatAutocompleteHarness } from '@angular/material/autocomplete/testing';
import { MatButtonToggleGroupHarness } from '@angular/material/button-toggle/testing';
import { MatCheckboxHarness } from '@angular/material/checkbox/testing';
import { MatFormFieldHarness } from '@angular/material/form-field/testing';
import { MatInputHarness } from '@angular/material/input/testing';
import { MatSelectHarness } from '@angular/material/select/testing';
import { MatSliderHarness } from '@angular/material/slider/testing';
import { MatTimepickerInputHarness } from '@angular/material/timepicker/testing';
import { beforeEach, describe, expect, it } from 'vitest';
import { maybeQuantity, quantity, text } from '../../core/ground/field';
import { CheckField } from './check-field';
import { ChoiceField, type Choice } from './choice-field';
import { FieldScope } from './half-typed';
import { QuantityField } from './quantity-field';
import { SliderField } from './slider-field';
import { TextField } from './text-field';
import { TimeField } from './time-field';
import { ChoicesField, TogglesField } from './toggles-field';
import { fieldValidator } from './validator';

const turns = quantity('Turns', '1', 20, { least: 1e-3, most: 1e5 });
const wait = maybeQuantity('Wait', 's', { most: 1e6, hint: '1 min' });

@Component({
  imports: [
    CheckField,
    ChoiceField,
    ChoicesField,
    FieldScope,
    QuantityField,
    SliderField,
    TextField,
    TimeField,
    TogglesField,
  ],
  template: `
    @if (there()) {
      <gt-quantity [field]="turns" [value]="n()" (changed)="take($event)" />
      <section gtScope="second">
        <gt-quantity [field]="turns" label="Other turns" [value]="m()" (changed)="m.set($event)" />
      </section>
      <gt-quantity [field]="wait" [value]="w()" [preferred]="['10 s', '1 min']" (changed)="w.set($event)" />
      <gt-quantity [field]="turns" label="Turns of the next" [value]="m()" (changed)="m.set($event)" />
      <gt-text label="Name" [field]="name" [control]="typed" />
      <gt-text label="Place" [value]="place()" [offered]="['yard', 'larder']" (changed)="place.set($event)" />
      <gt-choice label="Front" [value]="front()" [choices]="fronts()" (changed)="front.set($event)" />
      <gt-check [value]="on()" [disabled]="off()" (changed)="on.set($event)">armed</gt-check>
      <gt-toggles label="Role" [value]="role()" [choices]="roles" (changed)="role.set($event)" />
      <gt-choices label="Days" [value]="days()" [choices]="dayNames" (changed)="days.set($event)" />
      <gt-slider
        [field]="turns"
        [value]="n()"
        [least]="1"
        [most]="100"
        [step]="1"
        (held)="held.set($event)"
        (changed)="n.set($event)"
      />
      <gt-time label="At" [value]="at()" (changed)="at.set($event)" />
    }
  `,
})
class Host {
  readonly there = signal(true);
  readonly turns = turns;
  readonly wait = wait;
  readonly name = text('name', { least: 1, most: 5, empty: 'give it a name' });
  readonly typed = new FormControl('', { nonNullable: true, validators: fieldValidator(this.name) });
  readonly n = signal(20);
  readonly m = signal(7);
  readonly w = signal<number | null>(null);
  readonly place = signal('yard');
  readonly front = signal<'flat' | 'dome'>('dome');
  readonly fronts = signal<readonly Choice<'flat' | 'dome'>[]>([
    ['flat', 'flat'],
    ['dome', 'a dome'],
  ]);
  readonly on = signal(false);
  readonly off = signal(false);
  readonly role = signal('press');
  readonly roles: readonly Choice[] = [
    ['press', 'press'],
    ['arm', 'arm switch'],
  ];
  readonly days = signal([1]);
  readonly dayNames: readonly Choice<number>[] = [
    [1, 'Mon'],
    [2, 'Tue'],
  ];
  readonly held = signal(0);
  readonly at = signal('07:00');
  /** What the job refuses stays as it was. */
  refuse = false;
  readonly told: number[] = [];
  take(n: number): void {
    this.told.push(n);
    if (!this.refuse) this.n.set(n);
  }
}

const moment = (): Promise<void> => new Promise((done) => setTimeout(done, 5));

async function begun() {
  const fixture = TestBed.createComponent(Host);
  const loader = TestbedHarnessEnvironment.loader(fixture);
  await fixture.whenStable();
  const box = (label: string) => loader.getHarness(MatInputHarness.with({ label }));
  const field = (label: string) => loader.getHarness(MatFormFieldHarness.with({ floatingLabelText: label }));
  /** Types and leaves, as a hand does. */
  const enter = async (label: string, typed: string): Promise<void> => {
    const input = await box(label);
    await input.setValue(typed);
    await (await input.host()).dispatchEvent('change');
    await input.blur();
    await fixture.whenStable();
  };
  return { fixture, host: fixture.componentInstance, loader, box, field, enter };
}

beforeEach(() => TestBed.resetTestingModule());

describe('a number as a form control', () => {
  it('is read as typed at a bench and shown so that it reads back', async () => {
    const { host, enter, box } = await begun();
    expect(await (await box('Turns')).getValue()).toBe('20');
    await enter('Turns', '183.7');
    expect(host.n()).toBe(183.7);
    await enter('Wait', '1 h 20 min');
    expect(host.w()).toBe(4800);
    await enter('Wait', '');
    expect(host.w()).toBeNull();
  });

  it('keeps what cannot be kept in the box, with the words of the schema, and tells nobody', async () => {
    const { host, enter, box, field } = await begun();
    await enter('Turns', '0');
    expect(await (await field('Turns')).getTextErrors()).toEqual(['not below 0.001']);
    expect(await (await box('Turns')).getValue()).toBe('0');
    await enter('Turns', 'many');
    expect((await (await field('Turns')).getTextErrors())[0]).toMatch(/not understood at character 1/);
    await enter('Turns', '');
    expect(await (await field('Turns')).getTextErrors()).toEqual(['a number is wanted here; 20 is usual']);
    expect(host.told).toEqual([]);
    expect(await (await (await box('Turns')).host()).getAttribute('aria-invalid')).toBe('true');
  });

  it('shows a value from elsewhere in the place of what was refused, and the same number is no edit', async () => {
    const { fixture, host, enter, box, field } = await begun();
    await enter('Turns', 'many');
    host.n.set(33);
    await fixture.whenStable();
    expect(await (await box('Turns')).getValue()).toBe('33');
    expect(await (await field('Turns')).hasErrors()).toBe(false);
    await enter('Turns', '33.0');
    expect(host.told).toEqual([]);
  });

  it('does not run over what is being typed: the news stands beside it, Esc takes it', async () => {
    const { fixture, host, box, field } = await begun();
    const input = await box('Turns');
    await input.focus();
    await input.setValue('4');
    host.n.set(50);
    await fixture.whenStable();
    expect(await input.getValue()).toBe('4');
    expect((await (await field('Turns')).getTextHints()).join()).toContain('meanwhile it became 50');
    await (await input.host()).dispatchEvent('keydown', { key: 'Escape' });
    expect(await input.getValue()).toBe('50');
    expect(host.told).toEqual([]);
  });

  it('goes back to what stands where the job refuses the edit', async () => {
    const { fixture, host, enter, box } = await begun();
    host.refuse = true;
    await enter('Turns', '99');
    await moment();
    await fixture.whenStable();
    expect(host.told).toEqual([99]);
    expect(await (await box('Turns')).getValue()).toBe('20');
  });

  it('is found half typed after a visit elsewhere, marked, and by its own row', async () => {
    const { fixture, host, box, field } = await begun();
    await (await box('Other turns')).setValue('12x');
    host.there.set(false);
    await fixture.whenStable();
    host.there.set(true);
    await fixture.whenStable();
    await moment();
    await fixture.whenStable();
    expect(await (await box('Other turns')).getValue()).toBe('12x');
    expect((await (await field('Other turns')).getTextErrors())[0]).toMatch(/not understood at character/);
    expect(await (await box('Turns')).getValue()).toBe('20');
    expect(host.m()).toBe(7);
    await (await (await box('Other turns')).host()).dispatchEvent('keydown', { key: 'Escape' });
    expect(await (await box('Other turns')).getValue()).toBe('7');
  });

  it('is kept when it is left after it was made anew under the hand, though nothing was typed since', async () => {
    const { fixture, host, box } = await begun();
    await (await box('Other turns')).setValue('12');
    // The harness leaves no box by itself: what was typed is not kept yet.
    expect(host.m()).toBe(7);
    host.there.set(false);
    await fixture.whenStable();
    host.there.set(true);
    await fixture.whenStable();
    await moment();
    const anew = await box('Other turns');
    expect(await anew.getValue()).toBe('12');
    await anew.focus();
    await anew.blur();
    await fixture.whenStable();
    expect(host.m()).toBe(12);
  });

  it('is found half typed by its label, where one description stands in several rows', async () => {
    const { fixture, host, box } = await begun();
    await (await box('Turns of the next')).setValue('12x');
    host.there.set(false);
    await fixture.whenStable();
    host.there.set(true);
    await fixture.whenStable();
    await moment();
    expect(await (await box('Turns of the next')).getValue()).toBe('12x');
    expect(await (await box('Turns')).getValue()).toBe('20');
  });

  it('offers what can be bought', async () => {
    const { host, loader, fixture } = await begun();
    const list = await loader.getHarness(MatAutocompleteHarness.with({ ancestor: 'gt-quantity:nth-of-type(2)' }));
    await list.focus();
    await list.selectOption({ text: '1 min' });
    await fixture.whenStable();
    expect(host.w()).toBe(60);
  });
});

describe('the other fields', () => {
  it('a text is trimmed, held to its field, and offers likely answers', async () => {
    const { host, enter, field } = await begun();
    await enter('Name', '');
    expect(host.typed.errors).toEqual({ field: 'give it a name' });
    await enter('Name', 'far too long');
    expect(await (await field('Name')).getTextErrors()).toEqual(['at most 5 characters']);
    await enter('Name', '  pot ');
    expect(host.typed.value).toBe('pot');
    await enter('Place', 'larder');
    expect(host.place()).toBe('larder');
  });

  it('a choice shows what is stored, also where its list comes later', async () => {
    const { fixture, host, loader } = await begun();
    const select = await loader.getHarness(MatSelectHarness);
    expect(await select.getValueText()).toBe('a dome');
    host.fronts.set([]);
    await fixture.whenStable();
    host.fronts.set([
      ['flat', 'flat'],
      ['dome', 'round'],
    ]);
    await fixture.whenStable();
    expect(await select.getValueText()).toBe('round');
    await select.open();
    await select.clickOptions({ text: 'flat' });
    expect(host.front()).toBe('flat');
  });

  it('a check, toggles and days tell what was pressed; a check can rest', async () => {
    const { fixture, host, loader } = await begun();
    const check = await loader.getHarness(MatCheckboxHarness.with({ label: 'armed' }));
    await check.check();
    expect(host.on()).toBe(true);
    host.off.set(true);
    await fixture.whenStable();
    expect(await check.isDisabled()).toBe(true);
    const [role, days] = await loader.getAllHarnesses(MatButtonToggleGroupHarness);
    const arm = (await role!.getToggles({ text: 'arm switch' }))[0]!;
    await arm.check();
    expect(host.role()).toBe('arm');
    await (await days!.getToggles({ text: 'Tue' }))[0]!.toggle();
    expect([...host.days()].sort()).toEqual([1, 2]);
  });

  it('a slider tells while it moves and when it is let go', async () => {
    const { host, loader } = await begun();
    const thumb = await (await loader.getHarness(MatSliderHarness)).getEndThumb();
    await thumb.setValue(42);
    expect(host.held()).toBe(42);
    expect(host.n()).toBe(42);
  });

  it('a time is typed; what is none is not taken', async () => {
    const { host, loader } = await begun();
    const input = await loader.getHarness(MatTimepickerInputHarness);
    expect(await input.getValue()).toBe('07:00');
    await input.setValue('18:20');
    expect(host.at()).toBe('18:20');
    await input.setValue('25:99');
    expect(host.at()).toBe('18:20');
  });
});
