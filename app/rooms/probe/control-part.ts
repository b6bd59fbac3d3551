import { MatButton } from '@angular/material/button';
import { ChangeDetectionStrategy, Component, computed, DestroyRef, effect, inject, signal } from '@angular/core';
import { FormControl } from '@angular/forms';
import { ChoiceField, type Choice } from '../../kit/choice-field';
import { QuantityField } from '../../kit/quantity-field';
import { TextField } from '../../kit/text-field';
import { Action } from '../../kit/action';
import { quantity, text } from '../../../core/ground/field';
import { likeOf, moreLike } from '../../../core/ground/job';
import { readNoteLine } from '../../../core/ground/notes';
import { controlQuestionsOf, KIND_WORDS, STRANGER_CALLED, tellMore } from '../../../core/rooms/probe';
import { isPractice } from '../../../core/engines/standin';
import { Bench } from '../../store/bench';
import { FindingList } from '../../ui/finding-list';
import { Settle } from '../../ui/settle';
import { TwoColumns } from '../../ui/two-columns';
import { BoardPlan } from './board-plan';
import { Candidates } from './candidates';
import { MainsQuestions } from './mains-questions';
import { NextSheet } from './next-sheet';
import { PartsNav } from './parts-nav';
import { PracticeGuess } from './practice-guess';
import { TakenList } from './taken-list';

/** How many more like one may be added at once: a job holds forty presses. */
const COUNT = quantity('How many more', '1', 1, { least: 1, most: 39, whole: true });

/** The controls of the machine: the one next reading, large; beside it what the control may be. */
@Component({
  selector: 'gt-control-part',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    Action,
    BoardPlan,
    Candidates,
    ChoiceField,
    FindingList,
    MainsQuestions,
    MatButton,
    NextSheet,
    PartsNav,
    PracticeGuess,
    QuantityField,
    Settle,
    TakenList,
    TextField,
    TwoColumns,
  ],
  styles: `
    details .answers {
      padding-top: 10px;
    }
    [data-remainder] {
      list-style: disc;
      padding-left: 1.2rem;
    }
    [data-remainder] li {
      margin: 0.4rem 0;
    }
  `,
  templateUrl: './control-part.html',
})
export class ControlPart {
  protected readonly bench = inject(Bench);
  protected readonly chosen = signal('');
  /** The control that was named a moment ago: its first question takes the caret. */
  protected readonly named = signal('');
  protected readonly fresh = new FormControl('', { nonNullable: true });
  protected readonly another = new FormControl('', { nonNullable: true });
  protected readonly nameField = text('name', { most: 40 });
  protected readonly controls = computed(() => this.bench.job().controls.map((c): Choice => [c.id, c.name]));
  protected readonly control = computed(
    () => this.bench.job().controls.find((c) => c.id === this.chosen()) ?? this.bench.job().controls[0],
  );
  protected readonly survey = computed(() =>
    this.bench.assessment().surveys.find((s) => s.control === this.control()?.id),
  );
  protected readonly next = computed(() => {
    const c = this.control();
    return c ? (this.bench.answer().next[c.id] ?? null) : null;
  });
  protected readonly taken = computed(() =>
    this.bench.job().readings.filter((r) => r.control === '' || r.control === this.control()?.id),
  );
  /** Findings of this control alone; those of strips, pads and rails stand in their own parts. */
  protected readonly findings = computed(() => {
    const id = this.control()?.id;
    return this.bench
      .findings('probe')
      .filter((f) => (id === undefined ? f.id === 'probe.none' : f.about?.control === id));
  });
  /** While the mains side is being asked, no reading is. */
  protected readonly asking = computed(() => controlQuestionsOf(this.bench.job().survey.mains).length > 0);
  protected readonly practice = computed(() => isPractice(this.bench.job().standin.model));
  protected readonly skipped = computed(() => this.bench.skipped()[this.control()?.id ?? '']?.length ?? 0);
  /** What the control is taken to be like, and whether nothing was read of it. */
  private readonly like = computed(() => {
    const c = this.control();
    const root = c && likeOf(this.bench.job(), c.id);
    return root && root !== c.id ? this.bench.job().controls.find((x) => x.id === root) : undefined;
  });
  protected readonly likeName = computed(() => this.like()?.name ?? '');
  protected readonly borrowed = computed(() => {
    const c = this.control();
    return c !== undefined && this.bench.assessment().facts.controls[c.id]?.borrowed === true;
  });
  protected readonly count = new FormControl(1, { nonNullable: true });
  protected readonly countField = COUNT;
  protected readonly more = computed(() => (this.survey() ? tellMore(this.survey()!) : []));
  protected readonly ending = computed(() => {
    const s = this.survey()!;
    const name = this.control()!.name;
    const tie = this.bench.answer().ties[s.control] ?? [];
    if (s.remainder.as)
      return {
        title: `${name} goes together as ${STRANGER_CALLED[s.remainder.as]}, which is none of the kinds`,
        text: `That is: ${KIND_WORDS[s.remainder.as].means}. No way of pressing is ranked for it. What to do, and what would tell more:`,
      };
    if (s.remainder.leads)
      return {
        title: `${name} is not one of the kinds that Probe knows`,
        text:
          'What was read does not go together in any of them. That is a finding, not a ' +
          'failure: it is not called by the nearest name. What would tell more:',
      };
    if (this.borrowed())
      return {
        title: `${name} is taken to be like ${this.likeName()}`,
        text: `Nothing was read of it. Read one value that was read of ${this.likeName()} in the note line: one that fits settles it.`,
      };
    if (s.known)
      return {
        title: `${name} is known; no reading is worth another touch`,
        text: 'Thumb now ranks the ways to press it.',
      };
    if (tie.length > 1)
      return {
        title: `${name} stays a tie`,
        text: `No reading can tell ${tie.map((k) => KIND_WORDS[k].name).join(' from ')}. Choose a way of pressing that suits both.`,
      };
    if (this.skipped())
      return { title: 'What is left was put off', text: 'Offer the readings again, or go on with what is known.' };
    return {
      title: 'No reading may be taken here by you',
      text: 'The control is on the dangerous side. Press it from outside, or hand the inside to licensed work.',
    };
  });

  constructor() {
    effect(() => this.bench.asked.set(this.control()?.id ?? ''));
    inject(DestroyRef).onDestroy(() => this.bench.asked.set(''));
  }

  /** So many more controls like this one, with all that was chosen for it. */
  protected alike(): void {
    const count = this.count.value;
    if (this.count.invalid) return;
    this.bench.edit(moreLike(this.bench.job(), this.control()!.id, count, this.bench.now()));
    this.count.reset(1);
  }

  protected byItself(): void {
    const c = this.control()!;
    this.bench.edit({ do: 'change-control', id: c.id, set: { like: '' }, say: `${c.name} is read by itself` });
  }

  protected unskip(): void {
    this.bench.unskip(this.control()!.id);
  }

  /** A new control is the one that is looked at from then on. */
  protected name(box: FormControl<string>): void {
    const u = readNoteLine(`control ${box.value}`, this.bench.job(), { id: this.bench.newId(), now: this.bench.now() });
    if (!u.ok || u.edit.do !== 'add-control') {
      box.setErrors({ name: u.ok ? 'a name is wanted' : u.message });
      box.markAsDirty();
      return;
    }
    this.bench.edit(u.edit);
    this.chosen.set(u.edit.id);
    this.named.set(u.edit.id);
    box.reset();
  }
}
