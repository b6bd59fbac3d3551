import { MatButton } from '@angular/material/button';
import { ChangeDetectionStrategy, Component, computed, inject, signal, viewChild } from '@angular/core';
import { FormControl } from '@angular/forms';
import { ChoiceField, type Choice } from '../../kit/choice-field';
import { TextField } from '../../kit/text-field';
import { QuantityField } from '../../kit/quantity-field';
import { Action } from '../../kit/action';
import { quantity, text } from '../../../core/ground/field';
import { readAnswer, readNoteLine } from '../../../core/ground/notes';
import { sayPlace, sayValue, type Reading } from '../../../core/ground/job';
import { controlFromPair, stripState, type StripStep } from '../../../core/rooms/probe';
import { formatQuantity } from '../../../core/ground/quantity';
import { BenchField } from '../../kit/bench-field';
import { Bench } from '../../store/bench';
import { FindingList } from '../../ui/finding-list';
import { Settle } from '../../ui/settle';
import { TwoColumns } from '../../ui/two-columns';
import { MainsQuestions } from './mains-questions';
import { PairTable } from './pair-table';
import { PartsNav } from './parts-nav';
import { TakenList } from './taken-list';

/** Unlabelled strips: which two terminals listen, found by volts first and never by trying all pairs. */
@Component({
  selector: 'gt-strip-part',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    Action,
    BenchField,
    ChoiceField,
    FindingList,
    MainsQuestions,
    MatButton,
    PairTable,
    PartsNav,
    QuantityField,
    Settle,
    TakenList,
    TextField,
    TwoColumns,
  ],
  templateUrl: './strip-part.html',
})
export class StripPart {
  private readonly bench = inject(Bench);
  protected readonly chosen = signal('');
  protected readonly error = signal('');
  protected readonly typed = signal('');
  private readonly field = viewChild(BenchField);
  protected readonly nameField = text('name', { most: 40 });
  protected readonly wireField = text('wire', { most: 40 });
  protected readonly countField = quantity('Terminals', '1', 6, { least: 2, most: 12, whole: true });
  protected readonly name = new FormControl('', { nonNullable: true });
  protected readonly count = new FormControl(6, { nonNullable: true });
  protected readonly stripChoices = computed(() => this.strips().map((s): Choice => [s.id, s.name]));
  protected readonly strips = computed(() => this.bench.job().survey.strips);
  private readonly strip = computed(() => this.strips().find((s) => s.id === this.chosen()) ?? this.strips()[0]);
  protected readonly state = computed(() => {
    const strip = this.strip();
    return strip ? stripState(this.bench.job(), strip) : null;
  });
  protected readonly taken = computed(() => this.bench.job().readings.filter((r) => r.control === this.strip()?.id));
  protected readonly findings = computed(() =>
    this.bench.findings('probe').filter((f) => f.about?.strip !== undefined),
  );
  protected readonly volts = (v: number): string => formatQuantity(v, 'V');
  protected readonly open = (dc: number | null, ac: number | null): number => Math.max(Math.abs(dc ?? 0), ac ?? 0);
  protected readonly ohms = (v: number): string => formatQuantity(v, 'Ω');

  /** Nobody here has a tester of 500 V. */
  protected withoutTester(): void {
    this.enter('mains tester none');
  }

  /** A number answers the very question that was asked: its setting, its state and its place go with it. */
  protected answer(n: StripStep, text: string): void {
    const point = (p: number | 'mains' | 'earth'): Reading['from'] =>
      typeof p === 'number' ? { kind: 'contact', name: String(p) } : { kind: p, name: '' };
    const asked = { kind: n.kind, from: point(n.a), to: point(n.b), state: n.state };
    const read = readAnswer(asked, text, this.bench.job().survey.meter);
    if (!read.ok) {
      this.error.set(read.message);
      this.field()?.focus();
      return;
    }
    const reading: Reading = {
      id: this.bench.newId(),
      at: this.bench.now(),
      control: this.strip()!.id,
      ...asked,
      ...read.shown,
      by: 'hand',
      struck: false,
    };
    this.bench.edit({
      do: 'add-reading',
      reading,
      say: `${this.strip()!.name}, ${sayPlace(reading)}, ${sayValue(reading)}`,
    });
    this.field()?.done();
    this.field()?.focus();
  }

  /** Every answer in words goes in as a note line, so that the ways in are one. */
  protected enter(line: string): void {
    const u = readNoteLine(line, this.bench.job(), { id: this.bench.newId(), now: this.bench.now() });
    if (u.ok) this.bench.edit(u.edit);
  }

  protected make(): void {
    const line = `strip ${this.name.value || '?'} ${this.count.value}`;
    const u = readNoteLine(line, this.bench.job(), { id: this.bench.newId(), now: this.bench.now() });
    if (!u.ok) {
      this.name.setErrors({ name: u.message });
      this.name.markAsDirty();
      return;
    }
    this.bench.edit(u.edit);
    this.name.reset();
  }

  protected colour(index: number, text: string): void {
    const strip = this.strip()!;
    this.bench.put(
      'survey.strips',
      { ...strip, wires: strip.wires.map((w, i) => (i === index ? text.trim() : w)) },
      `${strip.name}, wire at terminal ${index + 1}: ${text.trim() || 'none'}`,
    );
  }

  protected wireWords(a: number, b: number): string {
    const { wires } = this.strip()!;
    return wires[a - 1] && wires[b - 1] ? `Wires ${wires[a - 1]} and ${wires[b - 1]}.` : '';
  }

  /** The found pair as a control of its own, with what the strip already read of it. */
  protected makeControl(): void {
    const { strip, found } = this.state()!;
    if (found) this.bench.edit(controlFromPair(this.bench.job(), strip, found, this.bench.newId));
  }
}
