import { MatButton } from '@angular/material/button';
import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import {
  senseCoilFields,
  senseFields,
  senseLeadFields,
  senseMagnetFields,
  senseSignalFields,
  type Sense,
  type SenseLead,
  type SenseSignal,
} from '../../../core/ground/job';
import { freshOf } from '../../../core/ground/field';
import { isBare, needsPin, SENSES } from '../../../core/build/lines';
import { Action } from '../../kit/action';
import { GroupFields } from '../../kit/group-fields';
import { FieldScope } from '../../kit/half-typed';
import { Bench } from '../../store/bench';
import { FindingList } from '../../ui/finding-list';
import { Settle } from '../../ui/settle';
import { TwoColumns } from '../../ui/two-columns';
import { SenseNav } from './sense-nav';
import { TapPanel } from './tap-panel';

/** What stands between what a sense reads and its pin: signal, joint, lead, magnet, place; with the proof of each tap. */
@Component({
  selector: 'gt-joints-part',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Action, FieldScope, FindingList, GroupFields, MatButton, SenseNav, Settle, TapPanel, TwoColumns],
  templateUrl: './joints-part.html',
  styles: `
    .thing {
      border-bottom: 1px solid var(--gt-hairline);
      padding: 10px 0;
      display: flex;
      flex-direction: column;
      gap: 14px;
    }
  `,
})
export class JointsPart {
  private readonly bench = inject(Bench);
  protected readonly fields = senseFields;
  protected readonly signalFields = senseSignalFields;
  protected readonly coilFields = senseCoilFields;
  protected readonly leadFields = senseLeadFields;
  protected readonly magnetFields = senseMagnetFields;
  /** What each group begins with. */
  protected readonly fresh = {
    signal: freshOf(senseSignalFields),
    coil: freshOf(senseCoilFields),
    lead: freshOf(senseLeadFields),
    magnet: freshOf(senseMagnetFields),
  };
  /** Senses that come over a wire, with what is asked of each. */
  protected readonly wired = computed(() =>
    this.bench
      .job()
      .senses.filter(needsPin)
      .map((sense) => ({ sense, signal: sense.signal ?? this.fresh.signal, asks: asksOf(sense) })),
  );
  protected readonly findings = computed(() => this.bench.findings('sense'));

  protected put(sense: Sense): void {
    this.bench.put('senses', sense);
  }
}

/** What is asked of a sense: a contact gives nothing, a thermometer and a coil are read otherwise. */
function asksOf(s: Sense) {
  const levels = s.kind !== 'contact' && s.kind !== 'temperature' && SENSES[s.kind].sort !== 'analogue';
  return {
    signal: levels ? signalKeys(s) : null,
    own: [
      ...(s.highVolts !== null && s.kind !== 'temperature' ? (['joint'] as const) : []),
      ...(s.kind === 'temperature' ? (['place'] as const) : []),
    ],
    coil: s.kind === 'current',
    lead: isBare(s) ? CONTACT_LEAD : s.kind === 'temperature' ? WIRE : null,
    magnet: s.kind === 'contact',
  };
}
const CONTACT_LEAD: readonly (keyof SenseLead)[] = ['metres', 'beside', 'pullUpOhms', 'filtered'];
const WIRE: readonly (keyof SenseLead)[] = ['metres', 'pullUpOhms', 'devices'];

/** What is read of a signal beside its nature, as far as that asks for it. */
function signalKeys({ signal, joint }: Sense): readonly (keyof SenseSignal)[] {
  const nature = signal?.nature ?? 'unknown';
  const turns = nature === 'alternating' || nature === 'flickering' || joint === 'pump';
  return [
    ...(nature === 'alternating' || nature === 'pulls-low' ? [] : (['lowVolts'] as const)),
    'sourceOhms',
    ...(turns ? (['hertz'] as const) : []),
    ...(nature === 'flickering' ? (['duty'] as const) : []),
    'shortestSeconds',
  ];
}
