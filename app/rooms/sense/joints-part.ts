import { MatButton } from '@angular/material/button';
import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import {
  senseCoilFields,
  senseFields,
  senseLeadFields,
  senseMagnetFields,
  senseSignalFields,
  type Sense,
} from '../../../core/ground/job';
import { freshOf } from '../../../core/ground/field';
import { isBare, needsPin, SENSES } from '../../../core/build/lines';
import { Action } from '../../kit/action';
import { CheckField } from '../../kit/check-field';
import { ChoiceField, choicesOf } from '../../kit/choice-field';
import { FieldScope } from '../../kit/half-typed';
import { QuantityField } from '../../kit/quantity-field';
import { Bench } from '../../store/bench';
import { FindingList } from '../../ui/finding-list';
import { Settle } from '../../ui/settle';
import { TwoColumns } from '../../ui/two-columns';
import { SenseNav } from './sense-nav';
import { TapPanel } from './tap-panel';

type Signal = NonNullable<Sense['signal']>;
type Coil = NonNullable<Sense['coil']>;
type Lead = NonNullable<Sense['lead']>;
type Magnet = NonNullable<Sense['magnet']>;

/** What stands between what a sense reads and its pin: signal, joint, lead, magnet, place; with the proof of each tap. */
@Component({
  selector: 'gt-joints-part',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    Action,
    CheckField,
    ChoiceField,
    FieldScope,
    FindingList,
    MatButton,
    QuantityField,
    SenseNav,
    Settle,
    TapPanel,
    TwoColumns,
  ],
  templateUrl: './joints-part.html',
  styles: `
    .thing {
      border-bottom: 1px solid var(--gt-hairline);
      padding: 10px 0;
      display: flex;
      flex-direction: column;
      gap: 14px;
    }
    .long {
      grid-column: 1 / -1;
    }
  `,
})
export class JointsPart {
  protected readonly bench = inject(Bench);
  protected readonly fields = senseFields;
  protected readonly signalFields = senseSignalFields;
  protected readonly coilFields = senseCoilFields;
  protected readonly leadFields = senseLeadFields;
  protected readonly magnetFields = senseMagnetFields;
  protected readonly joints = choicesOf<Sense['joint']>(senseFields.joint);
  protected readonly places = choicesOf<Sense['place']>(senseFields.place);
  protected readonly natures = choicesOf<Signal['nature']>(senseSignalFields.nature);
  protected readonly rounds = choicesOf<Coil['round']>(senseCoilFields.round);
  protected readonly currents = choicesOf<Coil['current']>(senseCoilFields.current);
  protected readonly besides = choicesOf<Lead['beside']>(senseLeadFields.beside);
  /** Senses that come over a wire, with what is asked of each. */
  protected readonly wired = computed(() =>
    this.bench
      .job()
      .senses.filter(needsPin)
      .map((s) => ({
        sense: s,
        asks: {
          // A contact gives nothing; a thermometer and a coil are read otherwise.
          signal:
            s.kind !== 'contact' &&
            s.kind !== 'temperature' &&
            s.kind !== 'current' &&
            SENSES[s.kind].sort !== 'analogue',
          joint: s.highVolts !== null && s.kind !== 'temperature',
          coil: s.kind === 'current',
          lead: isBare(s) || s.kind === 'temperature',
          magnet: s.kind === 'contact',
          place: s.kind === 'temperature',
        },
      })),
  );
  protected readonly findings = computed(() => this.bench.findings('sense'));

  protected put(sense: Sense): void {
    this.bench.put('senses', sense);
  }
  protected signal(s: Sense, set: Partial<Signal>): void {
    this.put({ ...s, signal: { ...(s.signal ?? freshOf(senseSignalFields)), ...set } });
  }
  protected coil(s: Sense, set: Partial<Coil>): void {
    this.put({ ...s, coil: { ...(s.coil ?? freshOf(senseCoilFields)), ...set } });
  }
  protected lead(s: Sense, set: Partial<Lead>): void {
    this.put({ ...s, lead: { ...(s.lead ?? freshOf(senseLeadFields)), ...set } });
  }
  protected magnet(s: Sense, set: Partial<Magnet>): void {
    this.put({ ...s, magnet: { ...(s.magnet ?? freshOf(senseMagnetFields)), ...set } });
  }
}
