import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { Mark, Sheet } from '../../core/build/drawing';
import { wireColour } from '../../core/rooms/pack';

const INK: Record<string, string> = {
  ink: 'currentColor',
  muted: 'var(--gt-muted)',
  part: 'currentColor',
  'shore-left': 'var(--gt-land)',
  'shore-right': 'var(--gt-land-far)',
  hatch: 'var(--gt-slate)',
  stop: 'var(--gt-brick)',
  paper: 'var(--gt-paper)',
};

/** A drawing of the core: the joint as two shores and the water between, or whatever else a way of pressing looks like. */
@Component({
  selector: 'gt-joint-drawing',
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './joint-drawing.html',
})
export class JointDrawing {
  readonly sheet = input.required<Sheet>();
  protected readonly box = computed(() => `0 0 ${this.sheet().width} ${this.sheet().height}`);
  protected readonly label = computed(
    () =>
      `Drawing of the joint: ${this.sheet()
        .marks.flatMap((m) => (m.kind === 'text' ? [m.text] : []))
        .join(', ')}`,
  );
  protected readonly wire = (colour: string): string => (colour === 'black' ? 'currentColor' : wireColour(colour));
  protected readonly ink = (m: Mark): string =>
    m.kind === 'path' && m.colour ? this.wire(m.colour) : m.kind === 'tag' ? '' : INK[m.ink]!;
}
