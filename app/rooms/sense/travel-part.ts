import { MatButton } from '@angular/material/button';
import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { freshOf, maybeQuantity } from '../../../core/ground/field';
import {
  betweenFields,
  screwFields,
  senseCountFields,
  withTiming,
  type MachinePart,
  type ScrewTurn,
  type Sense,
  type Timing,
} from '../../../core/ground/job';
import { formatQuantity } from '../../../core/ground/quantity';
import { LEAST_TIMES, reserveOf, screwAdvice, type ScrewAdvice } from '../../../core/engines/trace';
import { Action } from '../../kit/action';
import { CheckField } from '../../kit/check-field';
import { GroupFields } from '../../kit/group-fields';
import { FieldScope } from '../../kit/half-typed';
import { QuantityField } from '../../kit/quantity-field';
import { Bench } from '../../store/bench';
import { DropButton } from '../../ui/drop-button';
import { FindingList } from '../../ui/finding-list';
import { Settle } from '../../ui/settle';
import { Stopwatch } from '../../ui/stopwatch';
import { TwoColumns } from '../../ui/two-columns';
import { SenseNav } from './sense-nav';

type Count = NonNullable<Sense['count']>;

/** Kinds that go from one end to another. */
const TRAVEL: readonly MachinePart['kind'][] = ['travels-while-held', 'opens-and-closes', 'open-stop-close-stop'];
/** An end of a motor is set well where it misses by no more than this, m. */
const ALLOW = 0.005;
const WAYS: readonly (readonly [Timing['of'], string])[] = [
  ['run', 'way there'],
  ['back', 'way back'],
];
const ENDS: readonly (readonly [ScrewTurn['end'], string])[] = [
  ['far', 'the far end'],
  ['rest', 'the rest'],
];

/** Travel and place by time, the end screws of a motor, and what senses count. */
@Component({
  selector: 'gt-travel-part',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    Action,
    CheckField,
    DropButton,
    FieldScope,
    FindingList,
    GroupFields,
    MatButton,
    QuantityField,
    SenseNav,
    Settle,
    Stopwatch,
    TwoColumns,
  ],
  templateUrl: './travel-part.html',
  styles: `
    .thing {
      border-bottom: 1px solid var(--gt-hairline);
      padding: 10px 0;
    }
    .thing,
    .screw {
      display: flex;
      flex-direction: column;
      gap: 14px;
    }
  `,
})
export class TravelPart {
  protected readonly bench = inject(Bench);
  protected readonly betweenFields = betweenFields;
  protected readonly screwFields = screwFields;
  protected readonly countFields = senseCountFields;
  protected readonly countKeys: readonly (keyof Count)[] = [
    'unit',
    'worth',
    'off',
    'budget',
    'budgetUnit',
    'perDay',
    'saveEvery',
    'endurance',
    'pages',
  ];
  /** The part whose end screws are being set, before the first pass is kept. */
  protected readonly screwing = signal('');
  protected readonly ways = WAYS;
  protected readonly ends = ENDS;
  protected readonly typed = maybeQuantity('Timed', 's', { least: 0.01, most: 86400, hint: 'as 21.4 s' });
  protected readonly findings = computed(() => [
    ...this.bench.findings('act').filter((f) => f.id.startsWith('act.part.')),
    ...this.bench.findings('sense').filter((f) => f.id.startsWith('sense.count.')),
  ]);
  protected readonly parts = computed(() =>
    this.bench
      .job()
      .act.parts.filter((p) => TRAVEL.includes(p.kind))
      .map((part) => ({
        part,
        rows: WAYS.map(([of, words]) => ({ of, words, ...told(part, of) })),
        screws: ENDS.map(([end, words]) => {
          const passes = part.screws.filter((s) => s.end === end);
          return { end, words, passes, advice: advised(screwAdvice(passes, ALLOW), words) };
        }),
      })),
  );

  protected put(part: MachinePart, say: string): void {
    this.bench.put('act.parts', part, say);
  }
  protected took(part: MachinePart, of: Timing['of'], seconds: number | null): void {
    if (seconds !== null)
      this.put(
        withTiming(part, of, seconds),
        `${of === 'back' ? 'way back' : 'way there'} timed: ${formatQuantity(seconds, 's')}`,
      );
  }
  protected between(part: MachinePart, on: boolean): void {
    this.put(
      { ...part, between: on ? freshOf(betweenFields) : null },
      on ? 'it stands between its ends' : 'it goes from end to end',
    );
  }
  /** What is typed of a pass that is not kept yet, by part and end. */
  private readonly half = signal<Readonly<Record<string, Partial<ScrewTurn>>>>({});
  protected readonly begun = (part: string, end: ScrewTurn['end']): Partial<ScrewTurn> =>
    this.half()[`${part} ${end}`] ?? {};
  protected type(part: string, end: ScrewTurn['end'], set: Partial<ScrewTurn>): void {
    this.half.update((all) => ({ ...all, [`${part} ${end}`]: { ...all[`${part} ${end}`], ...set } }));
  }
  protected pass(part: MachinePart, end: ScrewTurn['end']): void {
    const { turns = 0, missMetres = 0 } = this.begun(part.id, end);
    this.half.update(({ [`${part.id} ${end}`]: _kept, ...rest }) => rest);
    this.put(
      { ...part, screws: [...part.screws, { end, turns, missMetres }] },
      `a pass at the screw of ${end === 'far' ? 'the far end' : 'the rest'}`,
    );
  }
  protected dropPass(part: MachinePart, pass: ScrewTurn): void {
    this.put({ ...part, screws: part.screws.filter((s) => s !== pass) }, 'a pass taken away');
  }
  protected readonly said = (pass: ScrewTurn): string =>
    `${pass.turns === 0 ? 'looked' : `turned ${turnsOf(pass.turns)}`}: ${missOf(pass.missMetres)}`;

  protected count(s: Sense, set: Partial<Count> | null): void {
    this.bench.put('senses', { ...s, count: set && { ...(s.count ?? freshOf(senseCountFields)), ...set } });
  }
}

/** What the timings of a way come to, in words. */
function told(
  part: MachinePart,
  of: Timing['of'],
): { readonly n: number; readonly mean: string; readonly allow: string } {
  const own = part.timings.filter((t) => t.of === of).map((t) => t.seconds);
  if (own.length < LEAST_TIMES)
    return { n: own.length, mean: own.map((t) => formatQuantity(t, 's')).join(', '), allow: '' };
  const r = reserveOf(own);
  const say = (s: number): string => formatQuantity(Number(s.toPrecision(4)), 's');
  return { n: r.n, mean: `${say(r.mean)} ± ${say(r.spread)}`, allow: say(r.allow) };
}

const turnsOf = (turns: number): string =>
  `${Number(Math.abs(turns).toPrecision(2))} ${Math.abs(turns) === 1 ? 'turn' : 'turns'} to ${turns > 0 ? 'plus' : 'minus'}`;
const missOf = (m: number): string =>
  m === 0 ? 'stops where it should' : `${formatQuantity(Math.abs(m), 'm')} ${m > 0 ? 'too far' : 'short'}`;

/** What to do next at an end screw, in words. */
function advised(a: ScrewAdvice, end: string): string {
  switch (a.do) {
    case 'look':
      return `Lead it to ${end}, and measure by how much it misses where it should stop.`;
    case 'try':
      return `Turn its screw ${turnsOf(a.turns)}, lead it there again, and measure: that tells which way is which.`;
    case 'turn':
      return (
        `One turn to plus is ${formatQuantity(Math.abs(a.metresATurn), 'm')} ${a.metresATurn > 0 ? 'further' : 'shorter'}. ` +
        `Turn it ${turnsOf(a.turns)}, lead it there again, and measure.`
      );
    case 'other-screw':
      return 'That screw does not move this end: turn it back, and take the other one.';
    case 'done':
      return 'It stops where it should. Look at the other end once more.';
  }
}
