import { asQuantity, readField, type QuantityField as NumberField } from '../../../core/field';
import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import {
  ACCESS,
  FACE_SHAPES,
  freshFace,
  PIECES,
  type FaceSurvey,
  type Piece,
  caliperReading,
  faceFields,
  pieceFields,
} from '../../../core/job';
import { sizeOf } from '../../../core/mechanics';
import { formatQuantity } from '../../../core/quantity';
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
  protected readonly faceFields = faceFields;
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

  protected face(f: FaceSurvey & { name: string }, part: Partial<FaceSurvey>): void {
    const { name: _name, ...own } = f;
    this.bench.put('survey.faces', { ...own, ...part });
  }

  private length(field: NumberField, text: string): number | null {
    const read = readField(field, text);
    this.trouble.set(
      read.ok && text.trim() ? '' : `${text.trim() || 'nothing'}: ${read.ok ? 'a size is wanted' : read.message}`,
    );
    return read.ok && text.trim() ? read.value : null;
  }

  protected more(piece: Piece, box: HTMLInputElement): void {
    const metres = this.length(asQuantity(caliperReading), box.value);
    if (metres === null) return;
    this.bench.put(
      'survey.pieces',
      { ...piece, readings: [...piece.readings, metres] },
      `${piece.name}: ${formatQuantity(metres, 'm')}`,
    );
    box.value = '';
  }

  protected fewer(piece: Piece): void {
    this.bench.put(
      'survey.pieces',
      { ...piece, readings: piece.readings.slice(0, -1) },
      `${piece.name}: last reading dropped`,
    );
  }

  protected add(box: HTMLInputElement, kind: string, error: string): void {
    const name = box.value.trim();
    const caliperMetres = this.length(asQuantity(pieceFields.caliperMetres), error);
    if (!name || caliperMetres === null) return;
    this.bench.put('survey.pieces', {
      id: this.bench.newId(),
      name,
      kind: kind as Piece['kind'],
      readings: [],
      caliperMetres,
    });
    box.value = '';
  }

  protected remove(piece: Piece): void {
    this.bench.drop('survey.pieces', piece.id);
  }
}
