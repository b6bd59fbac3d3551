import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { readNoteLine, refuse } from '../../../core/notes';
import { sayPlace, sayValue, UNIT_OF, type Reading } from '../../../core/job';
import { stripState, type StripStep } from '../../../core/probe';
import { formatQuantity, parseQuantity } from '../../../core/quantity';
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
  imports: [FindingList, MainsQuestions, MatButton, PairTable, PartsNav, Settle, TakenList, TwoColumns],
  templateUrl: './strip-part.html',
})
export class StripPart {
  private readonly bench = inject(Bench);
  protected readonly chosen = signal('');
  protected readonly error = signal('');
  protected readonly made = signal('');
  protected readonly strips = computed(() => this.bench.job().survey.strips);
  private readonly strip = computed(() => this.strips().find((s) => s.id === this.chosen()) ?? this.strips()[0]);
  protected readonly state = computed(() => {
    const strip = this.strip();
    return strip ? stripState(this.bench.job(), strip) : null;
  });
  protected readonly taken = computed(() => this.bench.job().readings.filter((r) => r.control === this.strip()?.id));
  protected readonly findings = computed(() =>
    this.bench.findings('probe').filter((f) => f.id.startsWith('probe.strip.')),
  );
  protected readonly volts = (v: number): string => formatQuantity(v, 'V');
  protected readonly open = (dc: number | null, ac: number | null): number => Math.max(Math.abs(dc ?? 0), ac ?? 0);
  protected readonly ohms = (v: number): string => formatQuantity(v, 'Ω');

  /**
   * A number answers the very question that was asked: its setting, its state and its place go with it, and a unit of
   * another kind is refused.
   */
  protected answer(n: StripStep, text: string, box?: HTMLInputElement): void {
    const { meter } = this.bench.job().survey;
    const unit = UNIT_OF[n.kind];
    const parsed = parseQuantity(text, unit, unit === 'Ω' ? meter.mostOhms : undefined);
    if (!parsed.ok) return this.error.set(`Not understood at character ${parsed.at + 1}: ${parsed.message}.`);
    const { kind, value, relation, digit } = parsed.quantity;
    if (kind && `volts-${kind}` !== n.kind)
      return this.error.set(
        `The question is for ${n.kind === 'volts-ac' ? 'AC' : 'DC'} volts, and this ` +
          `says ${kind.toUpperCase()}: set the meter to the one that is asked.`,
      );
    const point = (p: number | 'mains' | 'earth'): Reading['from'] =>
      typeof p === 'number' ? { kind: 'contact', name: String(p) } : { kind: p, name: '' };
    const reading: Reading = {
      id: this.bench.newId(),
      at: this.bench.now(),
      control: this.strip()!.id,
      from: point(n.a),
      to: point(n.b),
      state: n.state,
      kind: n.kind,
      relation,
      value,
      digit,
      by: 'hand',
      said: '',
      struck: false,
    };
    const refusal = refuse(reading, meter);
    if (refusal) return this.error.set(`${refusal.charAt(0).toUpperCase()}${refusal.slice(1)}.`);
    this.error.set('');
    this.bench.edit({
      do: 'add-reading',
      reading,
      say: `${this.strip()!.name}, ${sayPlace(reading)}, ${sayValue(reading)}`,
    });
    if (!box) return;
    box.value = '';
    box.focus();
  }

  /** Every answer in words goes in as a note line, so that the ways in are one. */
  protected enter(line: string, box?: HTMLInputElement): void {
    const u = readNoteLine(line, this.bench.job(), { id: this.bench.newId(), now: this.bench.now() });
    if (!u.ok) return this.error.set(u.message);
    this.error.set('');
    this.bench.edit(u.edit);
    if (box) {
      box.value = '';
      box.focus();
    }
  }

  protected make(name: string, count: string): void {
    const u = readNoteLine(`strip ${name.trim() || '?'} ${count}`, this.bench.job(), {
      id: this.bench.newId(),
      now: this.bench.now(),
    });
    this.made.set(u.ok ? '' : u.message);
    if (u.ok) this.bench.edit(u.edit);
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

  /** The found pair as a control of its own, A the higher side, with what the strip already read of it. */
  protected makeControl(a: number, b: number): void {
    const strip = this.strip()!;
    const pair = this.state()!.found!;
    const [hi, lo] = (pair.dcVolts ?? 1) >= 0 ? [a, b] : [b, a];
    const name = `${strip.name}.${hi}.${lo}`;
    const u = readNoteLine(`control ${name}`, this.bench.job(), { id: this.bench.newId(), now: this.bench.now() });
    if (!u.ok) return this.error.set(u.message);
    const letter = (t: string): string => (Number(t) === hi ? 'A' : 'B');
    const control = u.edit.do === 'add-control' ? u.edit.id : '';
    const own = this.taken().filter(
      (r) =>
        !r.struck &&
        [r.from, r.to].every((p) => p.kind !== 'contact' || Number(p.name) === hi || Number(p.name) === lo) &&
        r.state !== 'loaded',
    );
    const copies = own.map(
      (r) =>
        ({
          do: 'add-reading',
          say: '',
          reading: {
            ...r,
            id: this.bench.newId(),
            control,
            from: r.from.kind === 'contact' ? { ...r.from, name: letter(r.from.name) } : r.from,
            to: r.to.kind === 'contact' ? { ...r.to, name: letter(r.to.name) } : r.to,
          },
        }) as const,
    );
    this.bench.edit({
      do: 'several',
      say: `control ${name}, with ${copies.length} readings from the strip`,
      edits: [u.edit, ...copies],
    });
  }
}
