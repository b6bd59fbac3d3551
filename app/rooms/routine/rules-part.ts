import { MatButton } from '@angular/material/button';
import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { freshOf, text } from '../../../core/ground/field';
import { ruleIfFields, sentenceAt, sentenceFields, type RuleIf, type Sentence } from '../../../core/ground/job';
import { WEEKDAYS } from '../../../core/ground/quantity';
import { namesIn, readSentence, saySentence } from '../../../core/rooms/routine';
import { Action } from '../../kit/action';
import { CheckField } from '../../kit/check-field';
import { ChoiceField, choicesOf, type Choice } from '../../kit/choice-field';
import { GroupFields } from '../../kit/group-fields';
import { FieldScope } from '../../kit/half-typed';
import { TextField } from '../../kit/text-field';
import { TimeField } from '../../kit/time-field';
import { ChoicesField } from '../../kit/toggles-field';
import { Bench } from '../../store/bench';
import { DropButton } from '../../ui/drop-button';
import { FindingList } from '../../ui/finding-list';
import { Settle } from '../../ui/settle';
import { TakeAway } from '../../ui/take-away';
import { TwoColumns } from '../../ui/two-columns';
import { RoutineNav } from './routine-nav';

const DAYS = [1, 2, 3, 4, 5, 6, 7].map((d): Choice<number> => [d, WEEKDAYS.short[d] ?? '']);
/** Edges of which the day of the week says when they count. */
const TIMED: readonly Sentence['when'][] = ['clock', 'sun', 'event'];

/** Slots of the edges that have more than one. */
const EDGE_KEYS: Readonly<Partial<Record<Sentence['when'], readonly (keyof Sentence)[]>>> = {
  sun: ['sun', 'offsetSeconds', 'notBefore', 'notAfter'],
  event: ['event', 'aheadSeconds'],
  sense: ['says', 'forSeconds'],
};

/** The rules: typed as they are said, or picked slot by slot. */
@Component({
  selector: 'gt-rules-part',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    Action,
    CheckField,
    ChoiceField,
    ChoicesField,
    DropButton,
    FieldScope,
    FindingList,
    GroupFields,
    MatButton,
    RoutineNav,
    Settle,
    TextField,
    TimeField,
    TwoColumns,
  ],
  templateUrl: './rules-part.html',
  styles: `
    .rule {
      border-top: 1px solid var(--gt-hairline);
      display: flex;
      flex-direction: column;
      gap: 10px;
      padding: 10px 0;
    }
    .rule p {
      margin: 0;
    }
    .rule .sentence {
      border: 0;
      padding: 0;
    }
  `,
})
export class RulesPart {
  protected readonly bench = inject(Bench);
  private readonly taker = inject(TakeAway);
  protected readonly days = DAYS;
  protected readonly fields = sentenceFields;
  protected readonly ifFields = ruleIfFields;
  protected readonly said = text('Say a rule', { most: 300 });
  protected readonly edges = choicesOf<Sentence['when']>(sentenceFields.when);
  protected readonly deeds = choicesOf<Sentence['does']>(sentenceFields.does);
  protected readonly kinds = choicesOf<RuleIf['kind']>(ruleIfFields.kind);
  /** The rule whose further slots are open, by id. */
  protected readonly open = signal('');
  private readonly typed = signal('');
  private readonly names = computed(() => namesIn(this.bench.job()));
  protected readonly words = (s: Sentence): string => saySentence(s, this.names());
  protected readonly sentences = computed(() => this.bench.job().routine.sentences);
  protected readonly findings = computed(() => this.bench.findings('routine'));
  protected readonly moves = computed((): readonly Choice[] => named(this.bench.job().act.moves));
  protected readonly senses = computed((): readonly Choice[] => named(this.bench.job().senses));
  protected readonly modes = computed((): readonly Choice[] => named(this.bench.job().routine.modes));

  /** How what is typed is understood, before Enter; empty while nothing is. */
  protected readonly understood = computed(() => {
    const said = this.typed().trim();
    if (said === '') return '';
    const read = readSentence(said, this.names(), 'x');
    return read.ok ? `Enter adds: ${this.words(read.sentence)}` : `Not understood yet: ${read.what}. ${read.todo}`;
  });

  protected typing(said: string): void {
    this.typed.set(said);
  }

  /** Takes a sentence that was typed; one that is not understood stays in its box. */
  protected say(said: string): void {
    const read = readSentence(said, this.names(), this.bench.newId());
    this.unread.set(read.ok ? '' : said);
    this.typed.set(read.ok ? '' : said);
    if (!read.ok) return;
    this.bench.put('routine.sentences', read.sentence, this.words(read.sentence));
  }
  /** What was typed and is not understood stays in its box, to be mended there. */
  protected readonly unread = signal('');

  /** The words of a rule that has more slots than its row shows; its row says all of a plain clock time. */
  protected readonly beyondItsRow = (s: Sentence): string => {
    const plain =
      s.when === 'clock' && s.does === 'move' && s.tier === 'comfort' && s.dates === 'any' && s.whenHeld === 'dropped';
    return plain && s.ifs.length === 0 && s.gapSeconds === 0 && s.aDay === null ? '' : this.words(s);
  };
  protected readonly isTimed = (s: Sentence): boolean => TIMED.includes(s.when);
  protected readonly edgeKeys = (s: Sentence): readonly (keyof Sentence & string)[] | undefined => EDGE_KEYS[s.when];
  protected readonly isOpen = (s: Sentence): boolean => this.open() === s.id;
  protected toggle(s: Sentence): void {
    this.open.set(this.isOpen(s) ? '' : s.id);
  }

  protected set(s: Sentence, set: Partial<Sentence>): void {
    const next = { ...s, ...set };
    next.days = [...next.days].sort((a, b) => a - b);
    this.bench.put('routine.sentences', next, this.words(next));
  }

  protected setIf(s: Sentence, index: number, set: Partial<RuleIf>): void {
    this.set(s, { ifs: s.ifs.map((x, i) => (i === index ? { ...x, ...set } : x)) });
  }
  protected addIf(s: Sentence): void {
    this.set(s, { ifs: [...s.ifs, freshOf(ruleIfFields)] });
  }
  protected dropIf(s: Sentence, index: number): void {
    this.set(s, { ifs: s.ifs.filter((_, i) => i !== index) });
  }

  protected add(): void {
    const ifArmed = this.bench.job().wish.hazards.includes('unattended-heat');
    const s = sentenceAt('12:00', { id: this.bench.newId(), ifArmed });
    this.bench.put('routine.sentences', s, this.words(s));
  }

  protected remove(s: Sentence): void {
    this.taker.drop('The sentence', 'routine.sentences', s.id, `no longer: ${this.words(s)}`);
  }
}

const named = (list: readonly { readonly id: string; readonly name: string }[]): readonly Choice[] =>
  list.map((x): Choice => [x.id, x.name]);
