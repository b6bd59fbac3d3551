import { ChangeDetectionStrategy, Component, computed, ElementRef, inject, input, output, signal } from '@angular/core';
import { scaleLinear } from 'd3-scale';
import { line } from 'd3-shape';
import { DISTURBANCES, lastParted, type RunTrace, type Span } from '../../../core/rooms/act';
import type { Fault, MoveStep } from '../../../core/ground/job';
import { formatQuantity } from '../../../core/ground/quantity';
import { cut } from '../../ui/cut';
import { isNarrow } from '../../ui/narrow';

/** Width of the drawing, where its names end and how long they may be, and how many times are named: on a screen and on a phone. */
const WIDE = { width: 750, left: 132, name: 17, ticks: 8 } as const;
const PHONE = { width: 356, left: 96, name: 12, ticks: 4 } as const;
const MARGIN = 10;
/** Height of a lane and of a lane with a way, of the heads, and of the band where belief and truth part. */
const LANE = 34;
const WAY = 64;
const HEAD = 26;
const TOP = 64;
const PARTED = 32;
const STEP = 28;
/** Steps whose length is their own; the others end when something is heard. */
const OWN_TIME: readonly MoveStep['do'][] = ['press', 'wait', 'warn'];

interface Box {
  readonly x: number;
  readonly width: number;
  readonly text: string;
  readonly active: boolean;
}
/** One lane: what it is called and what lies on it. */
interface Lane {
  readonly key: string;
  readonly y: number;
  readonly height: number;
  readonly name: string;
  readonly kind: 'head' | 'step' | 'output' | 'hand' | 'sense' | 'believes' | 'sees' | 'does' | 'parted';
  readonly boxes: readonly Box[];
  readonly marks: readonly { readonly x: number; readonly hand: boolean }[];
  readonly path: string | null;
}

/** Lanes over time: the faults, what the plan does, hears and believes, what each part of the machine does; where they part is named. */
@Component({
  selector: 'gt-lanes',
  changeDetection: ChangeDetectionStrategy.OnPush,
  host: {
    '(pointermove)': 'drag($event)',
    '(pointerup)': 'drop()',
    '(pointercancel)': 'dragged.set(null); stretched.set(null)',
  },
  templateUrl: './lanes.html',
  // What is dragged by a thumb does not scroll the page.
  styles: '.lanes text.brick { fill: var(--gt-brick); } .fault-pin, .step-end { touch-action: none; }',
})
export class Lanes {
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef);
  readonly trace = input.required<RunTrace>();
  readonly faults = input.required<readonly Fault[]>();
  readonly cursor = input<number | null>(null);
  /** Steps of the move that is run: those that take a time of their own are made longer and shorter here. */
  readonly steps = input<readonly MoveStep[]>([]);
  /** Number of the move that is run. */
  readonly move = input(0);
  readonly timed = output<{ step: number; seconds: number }>();
  protected readonly stretched = signal<{ step: number; seconds: number } | null>(null);
  readonly moved = output<{ id: string; atSeconds: number }>();
  protected readonly cut = cut;
  protected readonly dragged = signal<{ id: string; at: number } | null>(null);
  private readonly narrow = isNarrow();
  protected readonly size = computed(() => (this.narrow() ? PHONE : WIDE));
  protected readonly x = computed(() =>
    scaleLinear([0, this.trace().end], [this.size().left, this.size().width - MARGIN]).clamp(true),
  );

  private box(s: Span, text: string, active: boolean, least = 1): Box {
    const x = this.x()(s.from);
    const width = Math.max(least, this.x()(s.to) - x);
    return { x, width, text: width > text.length * 6.5 ? text : '', active };
  }

  protected readonly ticks = computed(() =>
    this.x()
      .ticks(this.size().ticks)
      .map((t) => ({ x: this.x()(t), text: t >= 120 ? `${Math.round(t / 6) / 10} min` : `${t} s` })),
  );

  protected readonly lanes = computed((): readonly Lane[] => {
    const t = this.trace();
    const out: Lane[] = [];
    let y = TOP;
    const add = (kind: Lane['kind'], name: string, set: Partial<Lane> = {}, height = LANE): void => {
      out.push({ key: `${out.length} ${kind}`, y, height, name, kind, boxes: [], marks: [], path: null, ...set });
      y += height;
    };
    add('head', 'your plan', {}, HEAD);
    if (t.steps.length > 1)
      add('step', 'step', { boxes: t.steps.map((s) => this.box(s, String(s.step + 1), false)) }, STEP);
    for (const o of t.outputs) add('output', o.name, { boxes: o.spans.map((s) => this.box(s, '', true, 5)) });
    if (t.warns.length > 0) add('output', 'warning', { boxes: t.warns.map((s) => this.box(s, 'warns', true, 5)) });
    for (const h of t.hands.filter((x) => x.spans.length > 0))
      add(
        'hand',
        h.name,
        // A message has an instant and no length.
        h.byMessage
          ? { marks: h.spans.map((s) => ({ x: this.x()(s.from), hand: false })) }
          : { boxes: h.spans.map((s) => this.box(s, 'by hand', true, 5)) },
      );
    if (t.armed.length > 0) add('sense', 'armed', { boxes: t.armed.map((s) => this.box(s, 'yes', true)) });
    for (const s of t.senses.filter((x) => x.lacks === ''))
      add('sense', s.name, { boxes: s.spans.map((x) => this.box(x, x.word, !x.still)) });
    const several = t.parts.length > 1;
    for (const p of t.parts) {
      const whose = (words: string): string => (several ? `${words} ${p.name}` : words);
      add('believes', whose('believes'), { boxes: p.believes.map((s) => this.box(s, s.word, true)) });
      add('head', several ? p.name : 'the machine', {}, HEAD);
      add('sees', 'sees press', { marks: p.seen.map((m) => ({ x: this.x()(m.at), hand: m.by === 'hand' })) });
      const floor = y + WAY - 18;
      const path =
        p.travel.length > 0
          ? line<(typeof p.travel)[number]>(
              (q) => this.x()(q.at),
              (q) => floor - 40 * q.position,
            )([...p.travel])
          : null;
      const boxes = p.machine.map((s) => this.box(s, s.word, !s.still));
      add('does', 'does', { boxes, path }, path ? WAY : LANE + 6);
      if (p.parted.length > 0)
        add('parted', this.partedWords(p)!, { boxes: p.parted.map((s) => this.box(s, '', true)) }, PARTED);
    }
    return out;
  });
  protected readonly height = computed(() => {
    const last = this.lanes().at(-1)!;
    return last.y + last.height + 6;
  });

  private partedWords(p: RunTrace['parts'][number]): string | null {
    const last = lastParted(p);
    return last && `${last.true} for ${formatQuantity(last.seconds, 's')} while the plan believes ${last.believed}`;
  }

  /** Ends of the steps that can be pulled. */
  protected readonly ends = computed(() => {
    const lane = this.lanes().find((l) => l.kind === 'step');
    if (!lane) return [];
    return this.trace().steps.flatMap((s) => {
      const step = this.steps()[s.step];
      if (!step || !OWN_TIME.includes(step.do) || s.move !== this.move()) return [];
      const held = this.stretched();
      const seconds = held?.step === s.step ? held.seconds : step.seconds;
      const when = formatQuantity(seconds, 's');
      return [{ step: s.step, from: s.from, seconds, when, x: this.x()(s.from + seconds), y: lane.y }];
    });
  });

  protected readonly calls = computed(() => this.trace().calls.map((at) => this.x()(at)));
  protected readonly pins = computed(() =>
    this.faults().map((f) => {
      const held = this.dragged();
      const at = held?.id === f.id ? held.at : f.atSeconds;
      const x = this.x()(at);
      const words = DISTURBANCES[f.kind].words;
      return { id: f.id, kind: f.kind, at, x, left: x > 0.7 * this.size().width, words, when: formatQuantity(at, 's') };
    }),
  );
  protected readonly label = computed(() => {
    const t = this.trace();
    const parts = t.parts.map((p) => {
      const whose = t.parts.length > 1 ? `The ${p.name}` : 'The machine';
      return (
        `${whose} goes ${p.machine.map((s) => s.word).join(', ')}. The plan believes ` +
        `${p.believes.map((s) => s.word).join(', ')}. ${this.partedWords(p) ?? 'Belief and truth agree.'}`
      );
    });
    const calls = t.calls.map((at) => `The plan calls for help at ${formatQuantity(at, 's')}.`);
    const broken = t.broken.map((b) => `Broken at ${formatQuantity(b.at, 's')}: never ${b.words}.`);
    return [...parts, ...calls, ...broken].join(' ');
  });

  protected grab(event: PointerEvent, id: string): void {
    event.preventDefault();
    this.host.nativeElement.setPointerCapture(event.pointerId);
    const fault = this.faults().find((f) => f.id === id);
    if (fault) this.dragged.set({ id, at: fault.atSeconds });
  }

  protected pull(event: PointerEvent, e: { step: number; seconds: number }): void {
    event.preventDefault();
    this.host.nativeElement.setPointerCapture(event.pointerId);
    this.stretched.set({ step: e.step, seconds: e.seconds });
  }

  protected stretch(event: KeyboardEvent, e: { step: number; seconds: number }): void {
    const grain = e.seconds < 2 ? 0.05 : e.seconds < 60 ? 0.5 : 5;
    const by = { ArrowRight: grain, ArrowLeft: -grain }[event.key];
    if (by === undefined) return;
    event.preventDefault();
    event.stopPropagation();
    this.timed.emit({ step: e.step, seconds: Number(Math.max(grain, e.seconds + by).toFixed(2)) });
  }

  private pulled(event: PointerEvent, step: number): void {
    const from = this.ends().find((e) => e.step === step)?.from ?? 0;
    const svg = this.host.nativeElement.querySelector('svg')!.getBoundingClientRect();
    const at = this.x().invert(((event.clientX - svg.left) / svg.width) * this.size().width);
    this.stretched.set({ step, seconds: Math.max(0.02, this.rounded(at - from)) });
  }

  protected drag(event: PointerEvent): void {
    const pulled = this.stretched();
    if (pulled) return this.pulled(event, pulled.step);
    const held = this.dragged();
    if (!held) return;
    const svg = this.host.nativeElement.querySelector('svg')!.getBoundingClientRect();
    this.dragged.set({
      ...held,
      at: this.rounded(this.x().invert(((event.clientX - svg.left) / svg.width) * this.size().width)),
    });
  }

  protected drop(): void {
    const held = this.dragged();
    if (held) this.moved.emit({ id: held.id, atSeconds: held.at });
    this.dragged.set(null);
    const pulled = this.stretched();
    if (pulled && this.steps()[pulled.step]?.seconds !== pulled.seconds) this.timed.emit(pulled);
    this.stretched.set(null);
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
