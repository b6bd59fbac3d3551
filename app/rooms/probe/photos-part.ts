import { MatButton } from '@angular/material/button';
import { ChangeDetectionStrategy, Component, computed, effect, inject, signal } from '@angular/core';
import { FormControl } from '@angular/forms';
import { DropButton } from '../../ui/drop-button';
import { TextField } from '../../kit/text-field';
import { Action, Row } from '../../kit/action';
import { text } from '../../../core/ground/field';
import type { Photo } from '../../../core/ground/job';
import { pickFiles } from '../../kit/pick-files';
import { TakeAway } from '../../ui/take-away';
import { Bench } from '../../store/bench';
import { Photos } from '../../store/photos';
import { TwoColumns } from '../../ui/two-columns';
import { PartsNav } from './parts-nav';

/** Photographs of boards and fronts, with points pinned on them that name controls and terminals. */
@Component({
  selector: 'gt-photos-part',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Action, DropButton, MatButton, PartsNav, Row, TextField, TwoColumns],
  host: { '(dragover)': '$event.preventDefault()', '(drop)': 'drop($event)' },
  templateUrl: './photos-part.html',
})
export class PhotosPart {
  private readonly bench = inject(Bench);
  protected readonly photos = inject(Photos);
  private readonly taker = inject(TakeAway);
  protected readonly here = new FormControl('', { nonNullable: true });
  protected readonly pinField = text('name', { most: 100 });
  protected readonly chosen = signal('');
  protected readonly troubles = signal<readonly string[]>([]);
  protected readonly at = signal<{ x: number; y: number } | null>(null);
  protected readonly list = computed(() => this.bench.job().survey.photos);
  protected readonly shown = computed(
    (): Photo | undefined => this.list().find((p) => p.id === this.chosen()) ?? this.list()[0],
  );
  protected readonly names = computed(() => this.bench.job().controls.flatMap((c) => [`${c.name} A`, `${c.name} B`]));

  constructor() {
    effect(() => void this.photos.show(this.list()));
  }

  protected async add(): Promise<void> {
    await this.take(await pickFiles('image/*', true));
  }

  protected drop(event: DragEvent): void {
    event.preventDefault();
    void this.take([...(event.dataTransfer?.files ?? [])]);
  }

  private async take(files: readonly File[]): Promise<void> {
    const added: Photo[] = [];
    const troubles: string[] = [];
    for (const file of files) {
      try {
        added.push(await this.photos.take(file, this.bench.newId()));
      } catch (error) {
        troubles.push(error instanceof Error ? error.message : `${file.name} could not be read.`);
      }
    }
    this.troubles.set(troubles);
    if (added.length === 0) return;
    this.bench.edit({
      do: 'several',
      edits: added.map((item) => ({ do: 'put', list: 'survey.photos', item })),
      say: `${added.length} ${added.length === 1 ? 'photograph' : 'photographs'}: ${added.map((p) => p.name).join(', ')}`,
    });
    this.chosen.set(added[0]!.id);
  }

  private change(photo: Photo, say: string): void {
    this.bench.put('survey.photos', photo, say);
  }

  protected place(event: MouseEvent): void {
    const box = (event.currentTarget as HTMLElement).getBoundingClientRect();
    // Pressed by a key there is no point; the middle is one to begin with.
    if (event.detail === 0) this.at.set({ x: 0.5, y: 0.5 });
    else
      this.at.set({
        x: Math.min(1, Math.max(0, (event.clientX - box.left) / box.width)),
        y: Math.min(1, Math.max(0, (event.clientY - box.top) / box.height)),
      });
  }

  protected pin(photo: Photo): void {
    const label = this.here.value;
    const at = this.at();
    if (!label || !at) return;
    this.change({ ...photo, pins: [...photo.pins, { ...at, label }] }, `${photo.name}: ${label} pinned`);
    this.at.set(null);
    this.here.reset();
  }

  protected unpin(photo: Photo, index: number): void {
    this.change(
      { ...photo, pins: photo.pins.filter((_, i) => i !== index) },
      `${photo.name}: ${photo.pins[index]!.label} taken off`,
    );
  }

  protected nudge(event: KeyboardEvent, photo: Photo, index: number): void {
    const step: Record<string, readonly [number, number]> = {
      ArrowLeft: [-0.01, 0],
      ArrowRight: [0.01, 0],
      ArrowUp: [0, -0.01],
      ArrowDown: [0, 0.01],
    };
    const by = step[event.key];
    if (!by) return;
    event.preventDefault();
    const clamp = (v: number): number => Math.min(1, Math.max(0, v));
    this.change(
      {
        ...photo,
        pins: photo.pins.map((p, i) => (i === index ? { ...p, x: clamp(p.x + by[0]), y: clamp(p.y + by[1]) } : p)),
      },
      `${photo.name}: ${photo.pins[index]!.label} moved`,
    );
  }

  protected remove(photo: Photo): void {
    this.taker.drop(photo.name, 'survey.photos', photo.id);
  }
}
