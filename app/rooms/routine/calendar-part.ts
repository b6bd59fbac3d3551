import { MatButton } from '@angular/material/button';
import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { text } from '../../../core/ground/field';
import { calendarEventFields, regionFields, type CalendarEvent } from '../../../core/ground/job';
import { ZONE_PLACES } from '../../../core/engines/sky';
import { Action } from '../../kit/action';
import { ChoiceField, type Choice } from '../../kit/choice-field';
import { GroupFields } from '../../kit/group-fields';
import { pickFiles } from '../../kit/pick-files';
import { TextField } from '../../kit/text-field';
import { Bench } from '../../store/bench';
import { LongWork } from '../../store/long-work';
import { DropButton } from '../../ui/drop-button';
import { FindingList } from '../../ui/finding-list';
import { TwoColumns } from '../../ui/two-columns';
import { UnderWay } from '../../ui/under-way';
import { RoutineNav } from './routine-nav';

/** Events that are shown one by one. */
const SHOWN = 20;

/** Where the machine stands, the calendar that rules keep to, and its holidays. */
@Component({
  selector: 'gt-calendar-part',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    Action,
    ChoiceField,
    DropButton,
    FindingList,
    GroupFields,
    MatButton,
    RoutineNav,
    TextField,
    TwoColumns,
    UnderWay,
  ],
  host: { '(dragover)': '$event.preventDefault()', '(drop)': 'drop($event)' },
  templateUrl: './calendar-part.html',
})
export class CalendarPart {
  protected readonly bench = inject(Bench);
  private readonly work = inject(LongWork);
  protected readonly regionFields = regionFields;
  protected readonly eventFields = calendarEventFields;
  protected readonly date = text('a date', {
    most: 10,
    pattern: /^(\d{4}-\d{2}-\d{2})?$/,
    words: 'a date such as 2026-12-25',
  });
  protected readonly trouble = signal('');
  protected readonly routine = computed(() => this.bench.job().routine);
  protected readonly shown = computed(() => this.routine().events.slice(0, SHOWN));
  protected readonly zones: readonly Choice[] = Object.keys(ZONE_PLACES).map((z): Choice => [z, z]);
  protected readonly zone = computed(() => this.bench.job().region.timeZone);
  protected readonly findings = computed(() =>
    this.bench.findings('routine').filter((f) => /^routine\.(place|sun|never|clock-change)/.test(f.id)),
  );

  protected setRegion(set: object): void {
    this.bench.edit({ do: 'set', at: 'region', set, say: 'where the machine stands' });
  }

  /** The place of a time zone, and that zone. */
  protected atZone(zone: string): void {
    const place = ZONE_PLACES[zone];
    if (place) this.setRegion({ timeZone: zone, latitude: place[0], longitude: place[1] });
  }

  protected holiday(date: string): void {
    const { holidays } = this.routine();
    if (date === '' || holidays.includes(date)) return;
    this.set({ holidays: [...holidays, date].sort() }, `holiday ${date}`);
  }
  protected noHoliday(date: string): void {
    this.set({ holidays: this.routine().holidays.filter((d) => d !== date) }, `no holiday ${date}`);
  }

  protected async pick(): Promise<void> {
    const [file] = await pickFiles('.ics,text/calendar');
    if (file) await this.take(file);
  }
  protected drop(event: DragEvent): void {
    event.preventDefault();
    const file = event.dataTransfer?.files[0];
    if (file) void this.take(file);
  }

  private async take(file: File): Promise<void> {
    const job = this.bench.job();
    this.trouble.set('');
    const read = await this.work.do(job.id, {
      do: 'calendar',
      text: await file.text(),
      from: this.bench.now(),
      zone: job.region.timeZone,
    });
    if (!read)
      this.trouble.set(
        `${file.name}: ${this.work.problem(job.id, 'calendar') || 'reading it was stopped'}. Nothing was changed.`,
      );
    else if (!read.ok) this.trouble.set(`${file.name}: ${read.what} ${read.todo} Nothing was changed.`);
    else if (read.events.length === 0)
      this.trouble.set(`${file.name}: no event lies within the coming year. Nothing was changed.`);
    else {
      if (read.cut) this.trouble.set(`${file.name}: the first ${read.events.length} events are kept.`);
      this.set({ events: [...read.events] }, `${read.events.length} events of ${file.name}`);
    }
  }
  protected none(): void {
    this.set({ events: [] }, 'no calendar');
  }
  protected readonly when = (e: CalendarEvent): string =>
    new Date(e.at).toLocaleString('en-GB', { timeZone: this.zone(), dateStyle: 'medium', timeStyle: 'short' });

  private set(set: { readonly holidays?: string[]; readonly events?: CalendarEvent[] }, say: string): void {
    this.bench.edit({ do: 'set', at: 'routine', set, say });
  }
}
