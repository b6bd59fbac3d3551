import type { Asked, Reply } from '../workers/serve';

/** A question that a worker did not answer: `late` where it took longer than it may, `broken` where the worker itself broke off. */
export class Unanswered extends Error {
  constructor(
    message: string,
    readonly because: 'refused' | 'late' | 'broken' | 'stopped',
  ) {
    super(message);
  }
}

interface Waiting<A, N> {
  readonly resolve: (answer: A) => void;
  readonly reject: (why: Unanswered) => void;
  readonly onNews: ((news: N) => void) | undefined;
  limitMs: number;
}

/**
 * The page's side of a worker: `ask` gives a promise, a throw in the worker comes back as a rejection with its words, and a worker
 * that does not answer in time is ended and made anew for the next question. The one client of all workers.
 */
export class WorkerClient<Q, A, N = never> {
  private worker: Worker | undefined;
  private count = 0;
  private readonly waiting = new Map<number, Waiting<A, N>>();
  private watchdog: ReturnType<typeof setTimeout> | undefined;

  /** @param make starts the worker; it may throw where there are none. */
  constructor(private readonly make: () => Worker) {}

  /** True once a worker was started and has not been ended. */
  get running(): boolean {
    return this.worker !== undefined;
  }

  /** True while a question waits for its answer. */
  get busy(): boolean {
    return this.waiting.size > 0;
  }

  /** @param limitMs longest silence before it is given up; news begin it anew. */
  ask(question: Q, { limitMs, onNews }: { limitMs: number; onNews?: (news: N) => void }): Promise<A> {
    return new Promise<A>((resolve, reject) => {
      const id = ++this.count;
      this.waiting.set(id, { resolve, reject, onNews, limitMs });
      try {
        this.start().postMessage({ id, question } satisfies Asked<Q>);
        this.watch();
      } catch {
        this.fail(new Unanswered('A worker could not be started here.', 'broken'));
      }
    });
  }

  /** Gives a question more or less time from now on. */
  allow(limitMs: number): void {
    for (const w of this.waiting.values()) w.limitMs = limitMs;
    this.watch();
  }

  /** Ends whatever is under way; its questions are rejected. */
  stop(): void {
    this.fail(new Unanswered('It was stopped.', 'stopped'));
  }

  private start(): Worker {
    if (this.worker) return this.worker;
    const worker = (this.worker = this.make());
    worker.addEventListener('message', ({ data }: MessageEvent<Reply<A, N>>) => this.hear(data));
    worker.addEventListener('error', () => {
      if (this.worker === worker) this.fail(new Unanswered('The worker broke off.', 'broken'));
    });
    return worker;
  }

  private hear(reply: Reply<A, N>): void {
    const asked = this.waiting.get(reply.id);
    if (!asked) return;
    if (reply.is === 'news') {
      this.watch();
      return asked.onNews?.(reply.news);
    }
    this.waiting.delete(reply.id);
    this.watch();
    if (reply.is === 'answer') asked.resolve(reply.answer);
    else asked.reject(new Unanswered(reply.problem, 'refused'));
  }

  private watch(): void {
    clearTimeout(this.watchdog);
    const first = this.waiting.values().next();
    if (first.done) return;
    const { limitMs } = first.value;
    this.watchdog = setTimeout(
      () => this.fail(new Unanswered(`No answer came within ${limitMs / 1000} s.`, 'late')),
      limitMs,
    );
  }

  private fail(why: Unanswered): void {
    clearTimeout(this.watchdog);
    this.worker?.terminate();
    this.worker = undefined;
    const all = [...this.waiting.values()];
    this.waiting.clear();
    for (const { reject } of all) reject(why);
  }
}
