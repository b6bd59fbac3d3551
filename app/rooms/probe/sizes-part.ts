import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { ACCESS, FACE_SHAPES, freshFace, PIECES, type FaceSurvey, type Piece } from '../../../core/job';
import { sizeOf } from '../../../core/mechanics';
import { formatQuantity, parseQuantity } from '../../../core/quantity';
import { Bench } from '../../store/bench';
import { FindingList } from '../../ui/finding-list';
import { QuantityField } from '../../ui/quantity-field';
import { Settle } from '../../ui/settle';
import { TwoColumns } from '../../ui/two-columns';
import { PartsNav } from './parts-nav';

/** The hand's side: force, travel and room of each control, and parts measured with a caliper. */
@Component({
  selector: 'gt-sizes-part',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FindingList, MatButton, PartsNav, QuantityField, Settle, TwoColumns],
  templateUrl: './sizes-part.html',
})
export class SizesPart {
  private readonly bench = inject(Bench);
  protected readonly shapes = FACE_SHAPES;
  protected readonly access = ACCESS;
  protected readonly kinds = PIECES;
  protected readonly trouble = signal('');
  protected readonly words = (s: string): string => s.replace(/-/g, ' ');
  protected readonly faces = computed(() =>
    this.bench.job().controls.map((c) => ({
      ...(this.bench.job().survey.faces.find((f) => f.control === c.id) ?? freshFace(c.id)),
      name: c.name,
    })),
  );
  protected readonly pieces = computed(() =>
    this.bench.job().survey.pieces.map((piece) => {
      const size = sizeOf(piece);
      const mm = (m: number, digits: number): string => (m * 1000).toFixed(digits);
      return {
        piece,
        size: size ? `${mm(size.metres, 3)} ± ${mm(size.uncertainty, 3)} mm` : 'no reading yet',
        readings: piece.readings.map((r) => mm(r, 2)).join(', ') || 'nothing',
      };
    }),
  );
  protected readonly findings = computed(() =>
    this.bench.findings('probe').filter((f) => /^probe\.(piece|face)\./.test(f.id)),
  );

  protected face(f: FaceSurvey & { name: string }, part: Partial<FaceSurvey>, what: string): void {
    const { name, ...own } = f;
    const next = { ...own, ...part };
    const { faces } = this.bench.job().survey;
    this.bench.change(
      'survey',
      {
        faces: faces.some((x) => x.control === f.control)
          ? faces.map((x) => (x.control === f.control ? next : x))
          : [...faces, next],
      },
      `${name}: ${what}`,
    );
  }

  private length(text: string): number | null {
    const parsed = parseQuantity(/^[\s\d.,]+$/.test(text) ? `${text.trim()} mm` : text, 'm');
    if (parsed.ok && parsed.quantity.value > 0 && parsed.quantity.value < 100) {
      this.trouble.set('');
      return parsed.quantity.value;
    }
    this.trouble.set(
      parsed.ok
        ? `${text}: a size is more than nothing and less than 100 m.`
        : `${text || 'nothing'}: not understood at character ${parsed.at + 1}, ${parsed.message}.`,
    );
    return null;
  }

  private keep(pieces: Piece[], say: string): void {
    this.bench.change('survey', { pieces }, say);
  }

  protected more(piece: Piece, box: HTMLInputElement): void {
    const metres = this.length(box.value);
    if (metres === null) return;
    this.keep(
      this.bench.job().survey.pieces.map((p) => (p.id === piece.id ? { ...p, readings: [...p.readings, metres] } : p)),
      `${piece.name}: ${formatQuantity(metres, 'm')}`,
    );
    box.value = '';
  }

  protected fewer(piece: Piece): void {
    this.keep(
      this.bench.job().survey.pieces.map((p) => (p.id === piece.id ? { ...p, readings: p.readings.slice(0, -1) } : p)),
      `${piece.name}: last reading dropped`,
    );
  }

  protected add(box: HTMLInputElement, kind: string, error: string): void {
    const name = box.value.trim();
    const caliperMetres = this.length(error);
    if (!name || caliperMetres === null) return;
    this.keep(
      [
        ...this.bench.job().survey.pieces,
        { id: this.bench.newId(), name, kind: kind as Piece['kind'], readings: [], caliperMetres },
      ],
      `part ${name}`,
    );
    box.value = '';
  }

  protected remove(piece: Piece): void {
    this.keep(
      this.bench.job().survey.pieces.filter((p) => p.id !== piece.id),
      `part ${piece.name} taken away`,
    );
  }
}
