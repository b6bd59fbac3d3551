import { MatButton } from '@angular/material/button';
import { MatProgressBar } from '@angular/material/progress-bar';
import { ChangeDetectionStrategy, Component, computed, effect, inject, signal, untracked } from '@angular/core';
import { SENSES } from '../../../core/build/lines';
import { carries, type Band } from '../../../core/engines/trace';
import { freshOf, maybeQuantity } from '../../../core/ground/field';
import {
  freeId,
  freshSense,
  recordingFields,
  type JobEdit,
  type JobRecording,
  type Sense,
  type SenseKind,
  type TraceKind,
} from '../../../core/ground/job';
import { formatQuantity, type Unit } from '../../../core/ground/quantity';
import { recordedOf, learnersOf, recordingsOf, thresholdEdit } from '../../../core/rooms/sense';
import { Action, Row } from '../../kit/action';
import { CheckField } from '../../kit/check-field';
import { ChoiceField, choicesOf, type Choice } from '../../kit/choice-field';
import { FieldScope } from '../../kit/half-typed';
import { pickFiles } from '../../kit/pick-files';
import { QuantityField } from '../../kit/quantity-field';
import { Table } from '../../kit/table';
import { TextField } from '../../kit/text-field';
import { Bench } from '../../store/bench';
import { Recordings } from '../../store/recordings';
import { Unanswered } from '../../store/worker-client';
import { DropButton } from '../../ui/drop-button';
import { FindingList } from '../../ui/finding-list';
import { Settle } from '../../ui/settle';
import { TakeAway } from '../../ui/take-away';
import { TwoColumns } from '../../ui/two-columns';
import type { Drawn, FoundAll, Learned, ReadTrace, ShownRun, TraceSource } from '../../workers/trace.worker';
import { HoldChart } from './hold-chart';
import { bandWords, oddWords, runColumns } from './recording-words';
import { SenseNav } from './sense-nav';
import { TraceChart } from './trace-chart';
import { TraceMore } from './trace-more';

/** What is to be looked at, and with which threshold. */
interface LookAt {
  readonly of: readonly TraceSource[];
  readonly band: Band;
}

const NOTHING: FoundAll = { found: [], curve: [], leftOut: [] };

/** Columns of a drawing: more than it has pixels on a large screen would show nothing more. */
const COLUMNS = 720;
/** One step closer shows this share of what was shown. */
const CLOSER = 0.4;

/** What reads a number of each kind, where nothing does yet. */
const READS: Readonly<Record<TraceKind, SenseKind>> = {
  power: 'watts',
  current: 'current',
  temperature: 'temperature',
  light: 'light',
  flow: 'flow',
};

/** Recordings that are kept beside the job, and the threshold and hold that senses learn from them. */
@Component({
  selector: 'gt-recordings-part',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    Action,
    CheckField,
    ChoiceField,
    DropButton,
    FieldScope,
    FindingList,
    HoldChart,
    MatButton,
    MatProgressBar,
    QuantityField,
    Row,
    SenseNav,
    Settle,
    Table,
    TextField,
    TraceChart,
    TraceMore,
    TwoColumns,
  ],
  host: { '(dragover)': '$event.preventDefault()', '(drop)': 'drop($event)' },
  templateUrl: './recordings-part.html',
  styles: '.recording { display: flex; flex-direction: column; gap: 10px; }',
})
export class RecordingsPart {
  protected readonly bench = inject(Bench);
  protected readonly recordings = inject(Recordings);
  private readonly taker = inject(TakeAway);
  protected readonly fields = recordingFields;
  protected readonly units = choicesOf<JobRecording['said']>(recordingFields.said);
  protected readonly tariff = maybeQuantity('Price of a kilowatt hour', '1', { least: 0, most: 1e6, hint: 'none' });
  protected readonly price = signal<number | null>(null);
  protected readonly troubles = signal<readonly string[]>([]);
  protected readonly notes = signal<readonly string[]>([]);
  private readonly picked = signal('');
  private readonly window = signal<{ readonly id: string; readonly from: number; readonly to: number } | null>(null);
  protected readonly drawn = signal<Drawn | null>(null);
  private readonly seen = signal<FoundAll>(NOTHING);
  /** Thresholds that were found last, where there is more than one to choose from. */
  protected readonly learned = signal<(Learned & { readonly sense: string }) | null>(null);
  private looking = false;
  private wanted: LookAt | null = null;

  protected readonly list = computed(() => this.bench.job().recordings);
  protected readonly shown = computed(
    (): JobRecording | undefined => this.list().find((r) => r.id === this.picked()) ?? this.list()[0],
  );
  protected readonly sense = computed((): Sense | undefined => {
    const id = this.shown()?.sense;
    return this.bench.job().senses.find((s) => s.id === id);
  });
  private readonly own = computed(() => recordingsOf(this.bench.job(), this.sense()?.id ?? ''));
  protected readonly evidence = computed(() => {
    const sense = this.sense();
    return sense && recordedOf(this.bench.job(), sense);
  });
  protected readonly findings = computed(() => {
    const id = `sense.limit.${this.sense()?.id ?? ''}`;
    return this.bench.findings('sense').filter((f) => f.id === id || f.id.startsWith(`${id}.`));
  });
  protected readonly found = computed(() => this.seen().found.find((f) => f.id === this.shown()?.id));
  protected readonly curve = computed(() => this.seen().curve);
  protected readonly leftOut = computed(() => this.seen().leftOut);
  protected readonly count = computed(() => this.evidence()?.learned.filter((r) => r.looked.runs > 0).length ?? 0);
  protected readonly carries = computed(() => Math.round(100 * carries(this.count())));

  constructor() {
    effect(() => {
      const list = this.list();
      untracked(() => void this.recordings.find(list));
    });
    effect(() => {
      const r = this.shown();
      const source = r && this.recordings.sourceOf(r);
      const w = this.window();
      const seconds = r?.seconds ?? 0;
      untracked(() => void this.draw(source ?? null, w?.id === r?.id ? w : null, seconds));
    });
    effect(() => {
      const limit = this.sense()?.limit;
      const sources = this.sourcesOf(this.own());
      untracked(() => (limit ? void this.look(sources, limit) : this.seen.set(NOTHING)));
    });
  }

  protected readonly unit = (r: JobRecording): Unit => r.unit as Unit;
  protected readonly learners = (r: JobRecording): Choice[] => [
    ['', 'nothing yet'],
    ...learnersOf(this.bench.job(), r).map((s): Choice => [s.id, s.name]),
  ];
  protected readonly lengthOf = (r: JobRecording): string =>
    `${formatQuantity(r.seconds, 's')}, ${r.samples.toLocaleString('en')} samples, one each ${formatQuantity(r.stepSeconds, 's')}`;

  /** Recordings of the sense that its hold is learned from, by id: what is kept back only tries it. */
  private learnedFrom(): readonly string[] {
    return this.own().flatMap((r) => (r.heldOut || r.shared ? [] : [r.id]));
  }

  private sourcesOf(list: readonly JobRecording[]): TraceSource[] {
    return list.flatMap((r) => this.recordings.sourceOf(r) ?? []);
  }

  private async draw(
    of: TraceSource | null,
    w: { readonly from: number; readonly to: number } | null,
    seconds: number,
  ): Promise<void> {
    if (!of) return this.drawn.set(null);
    const drawn = await this.recordings
      .ask({ do: 'draw', of, from: w?.from ?? 0, to: w?.to ?? seconds, columns: COLUMNS }, of.file.size)
      .catch(() => null);
    if (this.shown()?.id === of.id) this.drawn.set(drawn);
  }

  /** One look at a time; of those that are asked for meanwhile the last one counts. */
  private async look(of: readonly TraceSource[], band: Band): Promise<void> {
    this.wanted = { of, band };
    if (this.looking) return;
    this.looking = true;
    for (let w: LookAt | null = this.wanted; w; w = this.wanted) {
      this.wanted = null;
      const found = await this.recordings.ask({ do: 'look', ...w, learned: this.learnedFrom() }).catch(() => null);
      if (found) this.seen.set(found);
    }
    this.looking = false;
  }

  protected pick(r: JobRecording): void {
    this.picked.set(r.id);
    this.learned.set(null);
  }

  protected async add(): Promise<void> {
    await this.take(await pickFiles('.csv,.txt,.tsv,.log,text/*', true));
  }

  protected drop(event: DragEvent): void {
    event.preventDefault();
    void this.take([...(event.dataTransfer?.files ?? [])]);
  }

  /** Reads files one after the other: one that is none is told, and the others come all the same. */
  private async take(files: readonly File[]): Promise<void> {
    const added: JobRecording[] = [];
    const troubles: string[] = [];
    const notes: string[] = [];
    for (const file of files) {
      try {
        const read = await this.recordings.take(file);
        if ([...this.list(), ...added].some((r) => r.id === read.facts.id))
          notes.push(`${file.name} is here already: the very same bytes.`);
        else added.push(this.entryOf(file.name, read));
        notes.push(...oddWords(file.name, read));
      } catch (error) {
        if (error instanceof Unanswered && error.because === 'stopped') break;
        troubles.push(error instanceof Error ? error.message : `${file.name} could not be read.`);
      }
    }
    this.troubles.set(troubles);
    this.notes.set(notes);
    if (added.length === 0) return;
    const looked = await this.lookedAt(added);
    this.bench.edit({
      do: 'several',
      edits: looked.map((item): JobEdit => ({ do: 'put', list: 'recordings', item })),
      say: `${added.length} ${added.length === 1 ? 'recording' : 'recordings'}: ${added.map((r) => r.name).join(', ')}`,
    });
    this.picked.set(added[0]!.id);
  }

  private entryOf(name: string, { facts }: ReadTrace): JobRecording {
    const learners = learnersOf(this.bench.job(), facts);
    return {
      ...freshOf(recordingFields),
      ...facts,
      name: name.slice(0, 200),
      sense: learners.length === 1 ? learners[0]!.id : '',
    };
  }

  /** Recordings with what the threshold of their sense finds in them, where it has one. */
  private async lookedAt(list: readonly JobRecording[]): Promise<JobRecording[]> {
    const out: JobRecording[] = [];
    for (const r of list) {
      const limit = this.bench.job().senses.find((s) => s.id === r.sense)?.limit;
      const of = this.sourcesOf([r]);
      const seen = limit
        ? await this.recordings.ask({ do: 'look', of, band: limit, learned: [] }).catch(() => NOTHING)
        : NOTHING;
      out.push({ ...r, looked: seen.found[0]?.looked ?? null });
    }
    return out;
  }

  protected put(r: JobRecording, say?: string): void {
    this.bench.put('recordings', r, say);
  }

  /** What changes what is found in it is looked at anew in the same step. */
  protected async putLooked(r: JobRecording, say?: string): Promise<void> {
    const [looked] = await this.lookedAt([r]);
    if (looked) this.put(looked, say);
  }

  /** Reads it anew with its numbers in the unit that was said. */
  protected async say(r: JobRecording, said: JobRecording['said']): Promise<void> {
    const source = this.recordings.sourceOf(r);
    if (!source) return;
    try {
      const { facts } = await this.recordings.ask({ do: 'read', file: source.file, said }, source.file.size);
      const fits = learnersOf(this.bench.job(), facts).some((s) => s.id === r.sense);
      await this.putLooked(
        { ...r, ...facts, said, sense: fits ? r.sense : '' },
        `${r.name}: its numbers are ${said || 'as the file says'}`,
      );
    } catch (error) {
      this.troubles.set([error instanceof Error ? error.message : `${r.name} could not be read.`]);
    }
  }

  protected remove(r: JobRecording): void {
    this.taker.drop(r.name, 'recordings', r.id);
  }

  /** A sense that reads what a recording is of, and learns from it. */
  protected newLearner(r: JobRecording): void {
    const kind = READS[r.kind];
    const name = SENSES[kind].part;
    const id = freeId(this.bench.job(), name);
    const sense: Sense = { ...freshSense(id, name), kind, tells: 'at-work' };
    this.bench.edit({
      do: 'several',
      edits: [
        { do: 'put', list: 'senses', item: sense },
        { do: 'put', list: 'recordings', item: { ...r, sense: id } },
      ],
      say: `${name}, which learns from ${r.name}`,
    });
  }

  /** Finds the threshold in all recordings of the sense that are not kept back, and tries it on those that are. */
  protected async learn(sense: Sense): Promise<void> {
    const own = this.own();
    const from = own.filter((r) => !r.heldOut && !r.shared);
    const sources = this.sourcesOf(from);
    if (sources.length === 0)
      return this.troubles.set(['None of the recordings that it may learn from is in this browser.']);
    const bytes = sources.reduce((n, s) => n + s.file.size, 0);
    const learned = await this.recordings.ask({ do: 'learn', of: sources }, bytes).catch(() => null);
    if (!learned) return;
    const band = learned.bands[learned.best];
    if (!band)
      return this.troubles.set([
        'All of them stand at one level alone: nothing begins or ends in them. Record with what comes before and after a run.',
      ]);
    this.troubles.set([]);
    this.learned.set({ ...learned, sense: sense.id });
    await this.takeBand(sense, band);
  }

  /** Takes a threshold: each recording is looked at with it, and all of that is one step. @param hold as it stands, or found anew. */
  protected async takeBand(sense: Sense, band: Band, hold?: number): Promise<void> {
    const of = this.sourcesOf(this.own());
    const seen = await this.recordings.ask({ do: 'look', of, band, learned: this.learnedFrom() }).catch(() => null);
    if (!seen) return;
    this.seen.set(seen);
    const now = this.bench.job().senses.find((s) => s.id === sense.id);
    if (now)
      this.bench.edit(
        thresholdEdit(this.bench.job(), now, band, new Map(seen.found.map((f) => [f.id, f.looked])), hold),
      );
  }

  protected holdTo(sense: Sense, holdSeconds: number): void {
    if (!sense.limit) return;
    this.bench.put('senses', { ...sense, limit: { ...sense.limit, holdSeconds } });
  }

  /** While a line is dragged, what it would find is shown as fast as the worker tells. */
  protected follow(band: Band): void {
    void this.look(this.sourcesOf(this.own()), band);
  }

  protected readonly bandWords = bandWords;

  protected zoom(r: JobRecording, by: 'closer' | 'further' | 'earlier' | 'later' | 'whole'): void {
    const d = this.drawn();
    if (!d || by === 'whole') return this.window.set(null);
    const [span, middle] = [d.to - d.from, (d.to + d.from) / 2];
    const width = by === 'closer' ? span * CLOSER : by === 'further' ? Math.min(d.whole, span / CLOSER) : span;
    const centre = by === 'earlier' ? middle - span / 2 : by === 'later' ? middle + span / 2 : middle;
    const from = Math.max(0, Math.min(d.whole - width, centre - width / 2));
    this.window.set({ id: r.id, from, to: from + width });
  }

  protected readonly runColumns = computed(() => runColumns(this.price()));
  protected readonly runKey = (r: ShownRun): string => String(r.from);
  protected readonly time = (s: number): string => formatQuantity(s, 's');
}
