import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { Mark, Sheet } from '../../core/drawing';
import { wireColour } from '../../core/pack';

const INK: Record<string, string> = {
  ink: 'currentColor', muted: 'var(--gt-muted)', part: 'currentColor', 'shore-left': 'var(--gt-land)', 'shore-right': 'var(--gt-land-far)', hatch: 'var(--gt-slate)', stop: 'var(--gt-brick)', paper: 'var(--gt-paper)',
};

/** A drawing of the core: the joint as two shores and the water between, or whatever else a way of pressing looks like. */
@Component({
  selector: 'gt-joint-drawing',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg [attr.viewBox]="box()" class="drawing" role="img" tabindex="0" [attr.aria-label]="label()">
      @for (m of sheet().marks; track $index) {
        @switch (m.kind) {
          @case ('path') {
            <path [attr.d]="m.d" [attr.fill]="m.fill ? ink(m) : 'none'" [attr.stroke]="m.fill ? 'none' : ink(m)" [attr.stroke-width]="m.strong ? 4 : m.wire ? 2.8 : 2" [attr.stroke-dasharray]="m.dashed ? '6 4' : null" [attr.opacity]="m.ink === 'hatch' ? 0.7 : 1" />
          }
          @case ('text') {
            <text [attr.x]="m.x" [attr.y]="m.y" [attr.text-anchor]="m.anchor" [attr.font-size]="m.size" [attr.fill]="ink(m)">{{ m.text }}</text>
          }
          @case ('tag') {
            <circle [attr.cx]="m.x" [attr.cy]="m.y" r="12" fill="var(--gt-sheet)" [attr.stroke]="wire(m.colour)" stroke-width="2.2" />
            <text [attr.x]="m.x" [attr.y]="m.y + 5" text-anchor="middle" font-size="14" fill="currentColor">{{ m.number }}</text>
          }
        }
      }
    </svg>
  `,
})
export class JointDrawing {
  readonly sheet = input.required<Sheet>();
  protected readonly box = computed(() => `0 0 ${this.sheet().width} ${this.sheet().height}`);
  protected readonly label = computed(() => `Drawing of the joint: ${this.sheet().marks.flatMap((m) => (m.kind === 'text' ? [m.text] : [])).join(', ')}`);
  protected readonly wire = (colour: string): string => (colour === 'black' ? 'currentColor' : wireColour(colour));
  protected readonly ink = (m: Mark): string => (m.kind === 'path' && m.colour ? this.wire(m.colour) : m.kind === 'tag' ? '' : INK[m.ink]!);
}
