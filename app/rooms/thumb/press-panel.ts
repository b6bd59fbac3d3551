import { MatButton } from '@angular/material/button';
import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { Action } from '../../kit/action';
import { CheckField } from '../../kit/check-field';
import { ChoiceField, type Choice } from '../../kit/choice-field';
import { TextField } from '../../kit/text-field';
import { MODULE_MODES, pressFields, type ModuleMode } from '../../../core/ground/job';
import { MODE_WORDS } from '../../../core/rooms/thumb';
import { mayBeInSeries, type WayResult } from '../../../core/build/ways';
import { Bench } from '../../store/bench';
import { TakeAway } from '../../ui/take-away';
import { Draft } from './draft';

/** What a press is called, which control it presses, and what is chosen beside its way: a second contact, the jumper of a module. */
@Component({
  selector: 'gt-press-panel',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Action, CheckField, ChoiceField, MatButton, TextField],
  templateUrl: './press-panel.html',
  styles: ':host { display: flex; flex-direction: column; gap: 14px; }',
})
export class PressPanel {
  protected readonly bench = inject(Bench);
  protected readonly draft = inject(Draft);
  private readonly taker = inject(TakeAway);
  readonly way = input<WayResult>();
  protected readonly fields = pressFields;
  protected readonly press = computed(() => this.draft.press()!);
  protected readonly controls = computed((): readonly Choice[] => [
    ...this.bench.job().controls.map((c): Choice => [c.id, c.name]),
    ['', 'no button'],
  ]);
  protected readonly modes = MODULE_MODES.map((m): Choice<ModuleMode> => [
    m,
    m === 'unknown' ? MODE_WORDS[m] : `${m}: ${MODE_WORDS[m]}`,
  ]);
  protected readonly series = computed(() => mayBeInSeries(this.way()?.way ?? null));
  protected readonly module = computed(() => this.way()?.way === 'relay-module');

  protected rename(name: string): void {
    if (name.trim()) this.draft.set('press', { name: name.trim() }, `called ${name.trim()}`);
  }

  /** Another control: its way is chosen anew, since the ways of the one before were judged on that one. */
  protected control(id: string): void {
    const name = this.bench.job().controls.find((c) => c.id === id)?.name ?? 'no button';
    this.draft.set('press', { control: id, way: null, resistorOhms: null }, `to be pressed: ${name}`);
  }

  protected remove(): void {
    const { id, name } = this.press();
    this.taker.drop(name, 'presses', id);
  }
}
