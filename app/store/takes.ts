import { computed, inject, Injectable, signal } from '@angular/core';
import { moveFromTakes, takeOfRecording, type LedEvent, type Take } from '../../core/rooms/act';
import { Bench } from './bench';
import { Captures } from './captures';

/** Recordings of led runs: apart from the captures of a keypad, whose labels are keys. */
@Injectable({ providedIn: 'root' })
class LedCaptures extends Captures {}

/** Runs that are led by hand, and recordings of such runs; they stay with their job while the page is open. */
@Injectable({ providedIn: 'root' })
export class Takes {
  private readonly bench = inject(Bench);
  readonly captures = inject(LedCaptures);
  private readonly byJob = signal<Readonly<Record<string, readonly Take[]>>>({});
  /** What happened in the run that is led now; null while none is. */
  private readonly now = signal<readonly LedEvent[] | null>(null);
  private began = 0;

  private readonly recorded = computed(() => {
    const job = this.bench.job();
    return this.captures.list().map((c) => takeOfRecording(job, c.label, c.timing.lines, c.timing.excerpt));
  });
  readonly list = computed((): readonly Take[] => [
    ...(this.byJob()[this.bench.job().id] ?? []),
    ...this.recorded().flatMap((t) => (typeof t === 'string' ? [] : [t])),
  ]);
  /** What recordings lack to be read as led runs. */
  readonly problems = computed(() => this.recorded().filter((t) => typeof t === 'string'));
  readonly led = computed(() => moveFromTakes(this.bench.job(), this.list()));
  readonly leading = computed(() => this.now() !== null);
  readonly events = computed(() => this.now() ?? []);

  begin(): void {
    this.began = performance.now();
    this.now.set([]);
  }

  /** Something happens in the run that is led now. */
  tell(what: LedEvent['what'], of: string): void {
    const at = (performance.now() - this.began) / 1000;
    this.now.update((events) => events && [...events, { at, what, of }]);
  }

  /** The run is over; one in which nothing happened is no take. */
  end(): void {
    const events = this.now();
    this.now.set(null);
    if (!events || events.length === 0) return;
    const { id } = this.bench.job();
    this.byJob.update((all) => {
      const before = all[id] ?? [];
      const number = 1 + Math.max(0, ...before.map((t) => Number(/\d+$/.exec(t.name)?.[0] ?? 0)));
      return { ...all, [id]: [...before, { name: `take ${number}`, events }] };
    });
  }

  drop(take: Take): void {
    const { id } = this.bench.job();
    this.byJob.update((all) => ({ ...all, [id]: (all[id] ?? []).filter((t) => t !== take) }));
    this.captures.drop(take.name);
  }
}
