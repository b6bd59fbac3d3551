import { ChangeDetectionStrategy, Component, computed, ElementRef, inject, input, output, signal } from '@angular/core';
import { scaleLinear } from 'd3-scale';
import { line } from 'd3-shape';
import type { Trace } from '../../../core/act';
import type { Fault } from '../../../core/job';
import { formatQuantity } from '../../../core/quantity';

export const FAULT_WORDS: Record<Fault['kind'], string> = { 'missed-press': 'this press is missed', 'power-cut': 'power cut', 'hand-press': 'someone presses by hand' };
const LEFT = 112;
const RIGHT = 740;

/** Lanes over time: the faults, your plan, the machine; where belief and truth part is named in words. */
@Component({
  selector: 'gt-lanes',
  changeDetection: ChangeDetectionStrategy.OnPush,
  host: { '(pointermove)': 'drag($event)', '(pointerup)': 'drop()', '(pointercancel)': 'dragged.set(null)' },
  template: `
    <svg viewBox="0 0 750 372" class="lanes" role="img" [attr.aria-label]="label()">
      @for (t of ticks(); track t.x) {
        <line [attr.x1]="t.x" [attr.x2]="t.x" y1="24" y2="330" stroke="var(--gt-hairline)" />
        <text [attr.x]="t.x" y="16" text-anchor="middle" font-size="13" class="muted">{{ t.text }}</text>
      }
      @for (y of [64, 148, 186, 248, 326]; track y) {
        <line x1="0" x2="750" [attr.y1]="y" [attr.y2]="y" stroke="var(--gt-hairline)" />
      }
      <text x="0" y="48" font-size="15">faults</text>
      <text x="0" y="86" font-size="13" class="muted">your plan</text>
      <text x="0" y="124" font-size="15">contact</text>
      <text x="0" y="173" font-size="15">believes</text>
      <text x="0" y="208" font-size="13" class="muted">the machine</text>
      <text x="0" y="234" font-size="15">sees press</text>
      <text x="0" y="296" font-size="15">does</text>
      @for (c of contact(); track c.x) {
        <rect [attr.x]="c.x" y="104" [attr.width]="c.width" height="30" fill="var(--gt-patina)" />
      }
      @for (s of believes(); track s.x) {
        <rect [attr.x]="s.x" y="154" [attr.width]="s.width" height="26" fill="var(--gt-patina-soft)" stroke="var(--gt-paper)" />
        <text [attr.x]="s.x + s.width / 2" y="172" text-anchor="middle" font-size="14">{{ s.text }}</text>
      }
      @for (p of seen(); track $index) {
        <rect [attr.x]="p.x" y="216" width="6" height="26" [attr.fill]="p.hand ? 'var(--gt-slate)' : 'currentColor'" />
        @if (p.hand) {
          <text [attr.x]="p.x + 10" y="234" font-size="13" class="muted">by hand</text>
        }
      }
      @if (travel(); as d) {
        <path [attr.d]="d" fill="none" stroke="currentColor" stroke-width="2.5" />
      }
      @for (s of machine(); track s.x) {
        @if (!travel()) {
          <rect [attr.x]="s.x" y="272" [attr.width]="s.width" height="34" [attr.fill]="s.active ? 'var(--gt-land-far)' : 'none'" stroke="currentColor" stroke-width="1.5" />
        }
        <text [attr.x]="s.x + s.width / 2" [attr.y]="travel() ? 322 : 294" text-anchor="middle" font-size="14">{{ s.text }}</text>
      }
      @for (p of parted(); track p.x) {
        <rect [attr.x]="p.x" y="332" [attr.width]="p.width" height="30" fill="var(--gt-brick-soft)" />
      }
      @if (partedWords(); as w) {
        <text [attr.x]="w.x" y="352" font-size="14" font-weight="650" [attr.text-anchor]="w.anchor" class="brick">{{ w.text }}</text>
      }
      @for (f of pins(); track f.id) {
        <g class="fault-pin" tabindex="0" role="slider" [attr.aria-label]="f.words" [attr.aria-valuenow]="f.at" [attr.aria-valuetext]="f.when" (pointerdown)="grab($event, f.id)" (keydown)="nudge($event, f)">
          <path [attr.d]="'M' + f.x + ' 32l9 9l-9 9l-9 -9z'" [attr.fill]="f.kind === 'hand-press' ? 'var(--gt-paper)' : 'var(--gt-brick)'" stroke="var(--gt-brick)" stroke-width="2" />
          <text [attr.x]="f.x + (f.left ? -16 : 16)" y="46" font-size="14" [attr.text-anchor]="f.left ? 'end' : 'start'" class="brick">{{ f.words }}</text>
        </g>
      }
      @if (cursor() !== null) {
        <line [attr.x1]="x()(cursor()!)" [attr.x2]="x()(cursor()!)" y1="24" y2="362" stroke="var(--gt-brass)" stroke-width="2" />
      }
    </svg>
  `,
  styles: '.lanes text.brick { fill: var(--gt-brick); }',
})
export class Lanes {
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef);
  readonly trace = input.required<Trace>();
  readonly faults = input.required<readonly Fault[]>();
  readonly door = input(false);
  readonly cursor = input<number | null>(null);
  readonly moved = output<{ id: string; atSeconds: number }>();
  protected readonly dragged = signal<{ id: string; at: number } | null>(null);
  protected readonly x = computed(() => scaleLinear([0, this.trace().end], [LEFT, RIGHT]).clamp(true));

  private span(s: { from: number; to: number }, least = 1): { x: number; width: number } {
    const x = this.x()(s.from);
    return { x, width: Math.max(least, this.x()(s.to) - x) };
  }

  protected readonly ticks = computed(() => this.x().ticks(8).map((t) => ({ x: this.x()(t), text: t >= 120 ? `${Math.round(t / 6) / 10} min` : `${t} s` })));
  protected readonly contact = computed(() => this.trace().contact.map((c) => this.span(c, 5)));
  private worded(spans: Trace['machine']): { x: number; width: number; text: string; active: boolean }[] {
    return spans.map((s) => {
      const box = this.span(s);
      return { ...box, text: box.width > s.word.length * 6.5 ? s.word : '', active: ['running', 'on', 'opening', 'closing', 'open'].includes(s.word) };
    });
  }
  protected readonly believes = computed(() => this.worded(this.trace().believes));
  protected readonly machine = computed(() => this.worded(this.trace().machine));
  protected readonly seen = computed(() => this.trace().seen.map((p) => ({ x: this.x()(p.at), hand: p.by === 'hand' })));
  protected readonly travel = computed(() => (this.door() ? line<Trace['travel'][number]>((p) => this.x()(p.at), (p) => 304 - 46 * p.position)([...this.trace().travel]) : null));
  protected readonly parted = computed(() => this.trace().parted.map((p) => this.span(p)));
  protected readonly partedWords = computed(() => {
    const list = this.trace().parted;
    const last = list[list.length - 1];
    if (!last) return null;
    const seconds = list.filter((p) => p.true === last.true && p.believed === last.believed).reduce((s, p) => s + p.to - p.from, 0);
    const x = this.x()(last.from);
    return { x: x > 430 ? RIGHT - 4 : x + 8, anchor: x > 430 ? 'end' : 'start', text: `${last.true} for ${formatQuantity(seconds, 's')} while the plan believes ${last.believed}` };
  });
  protected readonly pins = computed(() =>
    this.faults().map((f) => {
      const held = this.dragged();
      const at = held?.id === f.id ? held.at : f.atSeconds;
      const x = this.x()(at);
      return { id: f.id, kind: f.kind, at, x, left: x > 520, words: FAULT_WORDS[f.kind], when: formatQuantity(at, 's') };
    }));
  protected readonly label = computed(() => {
    const t = this.trace();
    const words = this.partedWords();
    return `The machine goes ${t.machine.map((s) => s.word).join(', ')}. The plan believes ${t.believes.map((s) => s.word).join(', ')}. ${words ? words.text : 'Belief and truth agree.'}`;
  });

  protected grab(event: PointerEvent, id: string): void {
    event.preventDefault();
    this.host.nativeElement.setPointerCapture(event.pointerId);
    const fault = this.faults().find((f) => f.id === id);
    if (fault) this.dragged.set({ id, at: fault.atSeconds });
  }

  protected drag(event: PointerEvent): void {
    const held = this.dragged();
    if (!held) return;
    const svg = this.host.nativeElement.querySelector('svg')!.getBoundingClientRect();
    this.dragged.set({ ...held, at: this.rounded(this.x().invert(((event.clientX - svg.left) / svg.width) * 750)) });
  }

  protected drop(): void {
    const held = this.dragged();
    if (held) this.moved.emit({ id: held.id, atSeconds: held.at });
    this.dragged.set(null);
  }

  protected nudge(event: KeyboardEvent, f: { id: string; at: number }): void {
    const step = this.trace().end / 100;
    const by = { ArrowRight: step, ArrowLeft: -step }[event.key];
    if (by === undefined) return;
    event.preventDefault();
    event.stopPropagation();
    this.moved.emit({ id: f.id, atSeconds: this.rounded(Math.min(this.trace().end, Math.max(0, f.at + by))) });
  }

  private rounded(seconds: number): number {
    const grain = this.trace().end > 120 ? 1 : 0.05;
    return Number((Math.round(seconds / grain) * grain).toFixed(2));
  }
}
