import { MatButton } from '@angular/material/button';
import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { FormControl } from '@angular/forms';
import { DropButton } from '../../ui/drop-button';
import { FieldScope } from '../../kit/half-typed';
import { ChoiceField, type Choice } from '../../kit/choice-field';
import { TextField } from '../../kit/text-field';
import { QuantityField } from '../../kit/quantity-field';
import { Action } from '../../kit/action';
import { text, type Field } from '../../../core/ground/field';
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
} from '../../../core/ground/job';
import { sizeOf } from '../../../core/engines/mechanics';
import { formatQuantity } from '../../../core/ground/quantity';
import { TakeAway } from '../../ui/take-away';
import { Bench } from '../../store/bench';
import { FindingList } from '../../ui/finding-list';
import { Settle } from '../../ui/settle';
import { TwoColumns } from '../../ui/two-columns';
import { PartsNav } from './parts-nav';

const inWords = <V extends string>(list: readonly V[]): readonly Choice<V>[] =>
  list.map((v): Choice<V> => [v, v.replaceAll('-', ' ')]);

/** The hand's side: force, travel and room of each control, and parts measured with a caliper. */
@Component({
  selector: 'gt-sizes-part',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    Action,
    ChoiceField,
    DropButton,
    FieldScope,
    FindingList,
    MatButton,
    PartsNav,
    QuantityField,
    Settle,
    TextField,
    TwoColumns,
  ],
  templateUrl: './sizes-part.html',
})
export class SizesPart {
  protected readonly faceFields = faceFields;
  private readonly bench = inject(Bench);
  private readonly taker = inject(TakeAway);
  protected readonly fields = pieceFields;
  protected readonly shapes = inWords(FACE_SHAPES);
  protected readonly access = inWords(ACCESS);
  protected readonly kinds = inWords(PIECES);
  protected readonly one: Field<number | null> = { ...caliperReading, usual: null, empty: true } as Field<
    number | null
  >;
  protected readonly nameField = text('name', { most: 60 });
  protected readonly name = new FormControl('', { nonNullable: true });
  protected readonly kind = new FormControl<Piece['kind']>(PIECES[0], { nonNullable: true });
  protected readonly caliper = new FormControl(pieceFields.caliperMetres.usual, { nonNullable: true });
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

  protected more(piece: Piece, metres: number | null): void {
    if (metres === null) return;
    this.bench.put(
      'survey.pieces',
      { ...piece, readings: [...piece.readings, metres] },
      `${piece.name}: ${formatQuantity(metres, 'm')}`,
    );
  }

  protected fewer(piece: Piece): void {
    this.bench.put(
      'survey.pieces',
      { ...piece, readings: piece.readings.slice(0, -1) },
      `${piece.name}: last reading dropped`,
    );
  }

  protected add(): void {
    const name = this.name.value;
    if (!name || this.caliper.invalid) return;
    this.bench.put('survey.pieces', {
      id: this.bench.newId(),
      name,
      kind: this.kind.value,
      readings: [],
      caliperMetres: this.caliper.value,
    });
    this.name.reset();
  }

  protected remove(piece: Piece): void {
    this.taker.drop(piece.name, 'survey.pieces', piece.id);
  }
}
