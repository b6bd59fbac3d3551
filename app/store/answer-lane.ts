import type { Answered, Question } from '../../core/house/answer';
import type { Job } from '../../core/ground/job';
import type { Bead } from '../../core/house/thread';
import type { AnswerNews } from '../workers/answer.worker';
import { Unanswered, WorkerClient } from './worker-client';

/** How long one job may take, ms: far above the slowest honest one on a slow machine. The first answer also loads the tables. */
const LIMIT_MS = 20_000;
/** The first try of a job that others wait behind, ms. */
const FIRST_TRY_MS = 4_000;
/** A job that nobody looks at any more may go on for so long before it makes room for the one that is looked at, ms. */
const LEFT_MS = 1_500;

/**
 * How long a row that is under way may go on before the job that is opened gets a worker of its own, ms: a cold one takes about as long.
 */
const WARM_MS = 2_000;

const NO_WORKER = 'The worker that does the arithmetic could not be started, or broke off twice.';

/** What a lane tells. */
export interface Heard {
  /** The verdicts, a moment before the rest. */
  verdicts(job: Job, thread: readonly Bead[]): void;
  answered(job: Job, answered: Answered): void;
  failed(job: Job, why: string): void;
}

/**
 * Questions about jobs, answered one after the other by one worker. Of several versions of one job only the newest is asked about. Nothing
 * is ever worked out on the page: a worker that breaks is made anew once, and then it is said.
 * @param patient whether each job is given its whole time at once; else one that takes long is put behind all others and tried again.
 */
export class AnswerLane {
  private readonly waiting = new Map<string, Question>();
  private readonly long = new Set<string>();
  private client = new WorkerClient<Question, Answered, AnswerNews>(
    () => new Worker(new URL('../workers/answer.worker', import.meta.url), { type: 'module' }),
  );
  private under: { readonly id: string; readonly since: number } | null = null;
  private ahead = '';
  private tryMs = FIRST_TRY_MS;
  /** How often nobody waited any more. */
  private rests = 0;
  /** It waits for another lane's worker. */
  private held = false;
  /** Told once nothing is under way. */
  private onIdle: (() => void) | null = null;

  constructor(
    private readonly heard: Heard,
    private readonly patient: boolean,
  ) {}

  /** The job that is looked at goes before all that wait; one that was left and takes long makes room for it. */
  first(id: string): void {
    this.ahead = id;
    const { under } = this;
    if (!under || under.id === id || !this.waiting.has(id)) return;
    setTimeout(
      () => {
        if (this.under === under && this.ahead === id) this.client.stop();
      },
      Math.max(0, LEFT_MS - (performance.now() - under.since)),
    );
  }

  /** Asks; an older question about the same job is dropped. */
  request(question: Question): void {
    this.waiting.set(question.job.id, question);
    if (question.job.id === this.ahead) this.first(this.ahead);
    void this.pump();
  }

  /** Nobody waits any more for what was not begun. */
  rest(): void {
    this.waiting.clear();
    this.rests++;
  }

  /**
   * Takes the worker of another lane, which is warm and has its tables, where this lane has none yet: at once where nothing is under way
   * there, else when that is done, and after a while one of its own all the same. The other lane starts a new one when it is asked again.
   */
  takeOver(other: AnswerLane): void {
    if (this.held || this.client.running || !other.client.running) return;
    this.held = true;
    const go = (): void => {
      if (!this.held) return;
      this.held = false;
      other.onIdle = null;
      if (!other.client.busy && !this.client.running) [this.client, other.client] = [other.client, this.client];
      void this.pump();
    };
    if (!other.under) return go();
    other.onIdle = go;
    setTimeout(go, Math.max(0, WARM_MS - (performance.now() - other.under.since)));
  }

  /** Asks out of turn. Rejects with why where there is no answer. */
  async ask(question: Question, limitMs = LIMIT_MS): Promise<Answered> {
    const onNews = ({ thread }: AnswerNews): void => this.heard.verdicts(question.job, thread);
    try {
      return await this.client.ask(question, { limitMs, onNews });
    } catch (error) {
      if (!(error instanceof Unanswered && error.because === 'broken')) throw error;
    }
    try {
      return await this.client.ask(question, { limitMs, onNews });
    } catch (error) {
      throw error instanceof Unanswered && error.because === 'broken' ? new Error(NO_WORKER) : error;
    }
  }

  private async pump(): Promise<void> {
    if (this.under || this.held) return;
    const wanted = this.waiting.get(this.ahead) ?? this.waiting.values().next().value;
    if (!wanted) return;
    const { job } = wanted;
    const { rests } = this;
    this.waiting.delete(job.id);
    this.under = { id: job.id, since: performance.now() };
    const hurried = !this.patient && !this.long.has(job.id) && this.tryMs < LIMIT_MS;
    try {
      this.heard.answered(job, await this.ask(wanted, hurried ? this.tryMs : LIMIT_MS));
      this.long.delete(job.id);
    } catch (error) {
      const because = error instanceof Unanswered ? error.because : '';
      if (hurried && because === 'late') this.later(wanted, rests);
      else if (because !== 'stopped') this.heard.failed(job, error instanceof Error ? error.message : String(error));
    } finally {
      this.under = null;
      this.onIdle?.();
      void this.pump();
    }
  }

  /** Asks again once all others had their turn; on a slow machine the next one is given more time at once. */
  private later(wanted: Question, rests: number): void {
    const { id } = wanted.job;
    this.tryMs *= 2;
    this.long.add(id);
    if (!this.waiting.has(id) && rests === this.rests) this.waiting.set(id, wanted);
  }
}
