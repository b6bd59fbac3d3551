import { ChangeDetectionStrategy, Component, computed, ElementRef, inject, input, output, signal } from '@angular/core';
import { scaleLinear } from 'd3-scale';
import { line } from 'd3-shape';
import { FAULT_WORDS, lastParted, type Trace } from '../../../core/act';
import type { Fault } from '../../../core/job';
import { formatQuantity } from '../../../core/quantity';

const LEFT = 112;
const RIGHT = 740;

/** Lanes over time: the faults, your plan, the machine; where belief and truth part is named in words. */
@Component({
  selector: 'gt-lanes',
  changeDetection: ChangeDetectionStrategy.OnPush,
  host: { '(pointermove)': 'drag($event)', '(pointerup)': 'drop()', '(pointercancel)': 'dragged.set(null)' },
  templateUrl: './lanes.html',
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

  protected readonly ticks = computed(() =>
    this.x()
      .ticks(8)
      .map((t) => ({ x: this.x()(t), text: t >= 120 ? `${Math.round(t / 6) / 10} min` : `${t} s` })),
  );
  protected readonly contact = computed(() => this.trace().contact.map((c) => this.span(c, 5)));
  private worded(spans: Trace['machine']): { x: number; width: number; text: string; active: boolean }[] {
    return spans.map((s) => {
      const box = this.span(s);
      return {
        ...box,
        text: box.width > s.word.length * 6.5 ? s.word : '',
        active: ['running', 'on', 'opening', 'closing', 'open'].includes(s.word),
      };
    });
  }
  protected readonly believes = computed(() => this.worded(this.trace().believes));
  protected readonly machine = computed(() => this.worded(this.trace().machine));
  protected readonly seen = computed(() =>
    this.trace().seen.map((p) => ({ x: this.x()(p.at), hand: p.by === 'hand' })),
  );
  protected readonly travel = computed(() =>
    this.door()
      ? line<Trace['travel'][number]>(
          (p) => this.x()(p.at),
          (p) => 304 - 46 * p.position,
        )([...this.trace().travel])
      : null,
  );
  protected readonly parted = computed(() => this.trace().parted.map((p) => this.span(p)));
  protected readonly partedWords = computed(() => {
    const last = lastParted(this.trace());
    if (!last) return null;
    const x = this.x()(last.from);
    return {
      x: x > 430 ? RIGHT - 4 : x + 8,
      anchor: x > 430 ? 'end' : 'start',
      text: `${last.true} for ${formatQuantity(last.seconds, 's')} while the plan believes ${last.believed}`,
    };
  });
  protected readonly pins = computed(() =>
    this.faults().map((f) => {
      const held = this.dragged();
      const at = held?.id === f.id ? held.at : f.atSeconds;
      const x = this.x()(at);
      return {
        id: f.id,
        kind: f.kind,
        at,
        x,
        left: x > 520,
        words: FAULT_WORDS[f.kind],
        when: formatQuantity(at, 's'),
      };
    }),
  );
  protected readonly label = computed(() => {
    const t = this.trace();
    const words = this.partedWords();
    return (
      `The machine goes ${t.machine.map((s) => s.word).join(', ')}. The plan believes ` +
      `${t.believes.map((s) => s.word).join(', ')}. ${words ? words.text : 'Belief and truth agree.'}`
    );
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
