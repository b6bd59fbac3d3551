import { ChangeDetectionStrategy, Component, computed, effect, inject, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import type { Photo } from '../../../core/job';
import { Bench } from '../../store/bench';
import { Photos } from '../../store/photos';
import { TwoColumns } from '../../ui/two-columns';
import { PartsNav } from './parts-nav';

/** Photographs of boards and fronts, with points pinned on them that name controls and terminals. */
@Component({
  selector: 'gt-photos-part',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButton, PartsNav, TwoColumns],
  host: { '(dragover)': '$event.preventDefault()', '(drop)': 'drop($event)' },
  template: `
    <gt-two-columns>
      <div do>
        <gt-parts-nav />
        <div class="head-row">
          <h2>{{ shown()?.name ?? 'Photographs' }}</h2>
          <button mat-flat-button type="button" (click)="chooser.click()">Add photographs</button>
          <input #chooser type="file" hidden multiple accept="image/*" aria-label="Photograph files" (change)="add(chooser)" />
        </div>
        @for (t of troubles(); track t) { <p class="parted-words" role="alert">{{ t }}</p> }
        @if (shown(); as p) {
          @if (photos.urls()[p.id]; as url) {
            <div class="photo" data-photo>
              <button type="button" class="photo-face" [attr.aria-label]="'Pin a name to a point of ' + p.name" (click)="place($event)"><img [src]="url" [alt]="'Photograph ' + p.name" [width]="p.width" [height]="p.height" /></button>
              @for (pin of p.pins; track $index) {
                <span class="pin" [style.left.%]="100 * pin.x" [style.top.%]="100 * pin.y"><b>{{ $index + 1 }}</b></span>
              }
              @if (at(); as a) { <span class="pin new" [style.left.%]="100 * a.x" [style.top.%]="100 * a.y"></span> }
            </div>
          } @else if (photos.urls()[p.id] === null) {
            <p class="muted">This picture is not in this browser. Open the zip that Pack wrote where it was taken; it carries the pictures.</p>
          }
          @if (at()) {
            <form class="answers" (submit)="$event.preventDefault(); pin(p, name)">
              <label class="field"><span>What is here?</span><input #name type="text" maxlength="100" list="names" placeholder="start A" /></label>
              <datalist id="names">@for (n of names(); track n) { <option [value]="n"></option> }</datalist>
              <button mat-stroked-button type="submit">Pin it</button>
              <button type="button" class="link" (click)="at.set(null)">not here</button>
            </form>
          } @else {
            <p class="muted">Press on the picture to pin a name to a point; by keyboard it is the middle, and the arrow keys move a pin from its name.</p>
          }
        } @else {
          <p>Photograph the board and the front before anything is unscrewed. Pictures are drawn anew and made smaller on the way in; where and when they were taken is left out.</p>
        }
      </div>
      <div know>
        @if (shown(); as p) {
          <h3>Pinned on it</h3>
          @for (pin of p.pins; track $index) {
            <p class="pinned"><span class="mono">{{ $index + 1 }}</span>&ngsp;<button type="button" class="link" (keydown)="nudge($event, p, $index)" [attr.aria-label]="pin.label + ': arrow keys move it'">{{ pin.label }}</button>&ngsp;<button type="button" class="link quiet" (click)="unpin(p, $index)">take it off</button></p>
          } @empty { <p class="muted">Nothing yet.</p> }
          <h3>All photographs</h3>
          @for (o of list(); track o.id) {
            <p class="pinned"><button type="button" class="link" [attr.aria-pressed]="o.id === p.id" (click)="chosen.set(o.id)">{{ o.name }}</button>&ngsp;<span class="muted">{{ o.width }} × {{ o.height }}</span>&ngsp;<button type="button" class="link quiet" (click)="remove(o)">take it away</button></p>
          }
        } @else { <p class="muted">No photograph yet.</p> }
        <p class="muted">They stay in this browser and travel in the zip that Pack writes.</p>
      </div>
    </gt-two-columns>
  `,
})
export class PhotosPart {
  private readonly bench = inject(Bench);
  protected readonly photos = inject(Photos);
  protected readonly chosen = signal('');
  protected readonly troubles = signal<readonly string[]>([]);
  protected readonly at = signal<{ x: number; y: number } | null>(null);
  protected readonly list = computed(() => this.bench.job().survey.photos);
  protected readonly shown = computed((): Photo | undefined => this.list().find((p) => p.id === this.chosen()) ?? this.list()[0]);
  protected readonly names = computed(() => this.bench.job().controls.flatMap((c) => [`${c.name} A`, `${c.name} B`]));

  constructor() {
    effect(() => void this.photos.show(this.list()));
  }

  protected async add(chooser: HTMLInputElement): Promise<void> {
    const files = [...(chooser.files ?? [])];
    chooser.value = '';
    await this.take(files);
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
    this.bench.change('survey', { photos: [...this.list(), ...added] }, `${added.length} ${added.length === 1 ? 'photograph' : 'photographs'}: ${added.map((p) => p.name).join(', ')}`);
    this.chosen.set(added[0]!.id);
  }

  private change(photo: Photo, say: string): void {
    this.bench.change('survey', { photos: this.list().map((p) => (p.id === photo.id ? photo : p)) }, say);
  }

  protected place(event: MouseEvent): void {
    const box = (event.currentTarget as HTMLElement).getBoundingClientRect();
    // Pressed by a key there is no point; the middle is one to begin with.
    if (event.detail === 0) this.at.set({ x: 0.5, y: 0.5 });
    else this.at.set({ x: Math.min(1, Math.max(0, (event.clientX - box.left) / box.width)), y: Math.min(1, Math.max(0, (event.clientY - box.top) / box.height)) });
  }

  protected pin(photo: Photo, box: HTMLInputElement): void {
    const label = box.value.trim();
    const at = this.at();
    if (!label || !at) return;
    this.change({ ...photo, pins: [...photo.pins, { ...at, label }] }, `${photo.name}: ${label} pinned`);
    this.at.set(null);
  }

  protected unpin(photo: Photo, index: number): void {
    this.change({ ...photo, pins: photo.pins.filter((_, i) => i !== index) }, `${photo.name}: ${photo.pins[index]!.label} taken off`);
  }

  protected nudge(event: KeyboardEvent, photo: Photo, index: number): void {
    const step: Record<string, readonly [number, number]> = { ArrowLeft: [-0.01, 0], ArrowRight: [0.01, 0], ArrowUp: [0, -0.01], ArrowDown: [0, 0.01] };
    const by = step[event.key];
    if (!by) return;
    event.preventDefault();
    const clamp = (v: number): number => Math.min(1, Math.max(0, v));
    this.change({ ...photo, pins: photo.pins.map((p, i) => (i === index ? { ...p, x: clamp(p.x + by[0]), y: clamp(p.y + by[1]) } : p)) }, `${photo.name}: ${photo.pins[index]!.label} moved`);
  }

  protected remove(photo: Photo): void {
    this.bench.change('survey', { photos: this.list().filter((p) => p.id !== photo.id) }, `photograph ${photo.name} taken away`);
  }
}
