import { MatButton } from '@angular/material/button';
import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { Action, Row } from '../../kit/action';
import { ChoiceField, type Choice } from '../../kit/choice-field';
import { FieldScope } from '../../kit/half-typed';
import { pickFiles } from '../../kit/pick-files';
import { QuantityField } from '../../kit/quantity-field';
import { TextField } from '../../kit/text-field';
import { ChoicesField } from '../../kit/toggles-field';
import { boardText, profileOf, readBoard } from '../../../core/rooms/board';
import { freshOf, quantity, type Field } from '../../../core/ground/field';
import {
  LEVELS,
  PHASES,
  PIN_ABILITIES,
  pinFields,
  profileFields,
  TAGS,
  type BoardPin,
  type BoardProfile,
  type Level,
  type Phase,
  type PinAbility,
  type Tag,
} from '../../../core/ground/job';
import { Bench } from '../../store/bench';
import { DropButton } from '../../ui/drop-button';
import { saveFile } from '../../ui/save-file';
import { TakeAway } from '../../ui/take-away';
import { ModulePart } from './module-part';

/** Values of a board that are one number each. */
const NUMBERS = [
  'volts',
  'pinAmps',
  'allPinsAmps',
  'meanAmps',
  'peakAmps',
  'riseSeconds',
  'readySeconds',
  'resetSeconds',
  'programSeconds',
] as const;
type NumberKey = (typeof NUMBERS)[number];
const volts = quantity('volts', 'V', 0, { most: 1000 });
const ohms = quantity('ohms', 'Ω', 0, { most: 1e9 });
const plain = (s: string): string => s.replace('-', ' ');

/** Boards as data: copied into the job, changed there value by value, read from a file and saved as one. */
@Component({
  selector: 'gt-boards-part',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    Action,
    ChoiceField,
    ChoicesField,
    DropButton,
    FieldScope,
    MatButton,
    ModulePart,
    QuantityField,
    Row,
    TextField,
  ],
  templateUrl: './boards-part.html',
  styles:
    ':host, :host > div:not(.answers) { display: flex; flex-direction: column; gap: 14px; } ' +
    '.values { display: grid; grid-template-columns: repeat(auto-fill, minmax(320px, 1fr)); gap: 14px; } ' +
    '.pair { display: grid; grid-template-columns: 1fr 1fr; gap: 6px; } ' +
    '[data-pin-editor] { display: flex; flex-direction: column; gap: 14px; }',
})
export class BoardsPart {
  protected readonly bench = inject(Bench);
  private readonly taker = inject(TakeAway);
  protected readonly profile = computed(() => profileOf(this.bench.job()));
  protected readonly own = computed(() =>
    this.bench.job().board.profiles.find((p) => p.key === this.bench.job().board.profile),
  );
  protected readonly trouble = signal('');
  protected readonly fields = profileFields;
  protected readonly pinFields = pinFields;
  protected readonly numbers = NUMBERS.map((key) => ({
    key,
    field: profileFields[key] as unknown as Field<number | null>,
  }));
  protected readonly ranges = [
    { key: 'highVolts', label: 'A high pin gives', ends: ['lowest', 'usual', 'highest'], field: volts },
    { key: 'weakOhms', label: 'The pull inside', ends: ['least', 'most'], field: ohms },
    { key: 'supplyVolts', label: 'It is fed with', ends: ['lowest', 'usual', 'highest'], field: volts },
  ] as const;
  protected readonly pulses: readonly Choice<Level | null>[] = [
    [null, 'as it goes on'],
    ...LEVELS.map((l): Choice<Level> => [l, plain(l)]),
  ];
  protected readonly tags = TAGS.map((t): Choice<Tag> => [t, t === 'memory' ? 'from memory' : t]);
  protected readonly abilities = PIN_ABILITIES.map((a): Choice<PinAbility> => [a, plain(a)]);
  protected readonly levels = LEVELS.map((l): Choice<Level> => [l, plain(l)]);
  protected readonly straps: readonly Choice<BoardPin['strap']>[] = [
    [null, 'none'],
    ['high', 'high'],
    ['low', 'low'],
  ];
  protected readonly phases = PHASES.map((phase) => ({
    phase,
    words: (pinFields.levels as unknown as { fields: Record<Phase, { label: string }> }).fields[phase].label,
  }));
  private readonly picked = signal<number | null>(null);
  protected readonly pin = computed(
    () => this.own()?.pins.find((p) => p.gpio === this.picked()) ?? this.own()?.pins[0],
  );

  protected pick(gpio: number): void {
    this.picked.set(gpio);
  }

  /** The board that is taken, as one of the job's own: a shipped board stays as it is. */
  protected copy(): void {
    const from = this.profile();
    if (!from) return;
    const taken = new Set(this.bench.job().board.profiles.map((p) => p.key));
    let key = `${from.key}-mine`;
    for (let n = 2; taken.has(key); n++) key = `${from.key}-mine-${n}`;
    this.bench.edit({
      do: 'several',
      edits: [
        { do: 'put', list: 'board.profiles', item: { ...from, key, name: `${from.name}, mine` } },
        { do: 'set', at: 'board', set: { profile: key } },
      ],
      say: `own board: ${from.name}, mine`,
    });
  }

  /** A value that somebody typed was not remembered but read: its tag says measured until it is set otherwise. */
  protected set(set: Partial<BoardProfile>): void {
    const own = this.own();
    if (!own) return;
    const tags = { ...own.tags, ...Object.fromEntries(Object.keys(set).map((k) => [k, 'measured' as Tag])) };
    this.put({ ...own, tags, ...set });
  }

  protected number(key: NumberKey, value: number | null): void {
    this.set({ [key]: value });
  }

  protected range(key: 'highVolts' | 'weakOhms' | 'supplyVolts', i: number, value: number): void {
    const own = this.own();
    if (own) this.set({ [key]: own[key].map((v, j) => (j === i ? value : v)) });
  }

  /** One more pin, quiet and able to do what most can, with the next free number. */
  protected addPin(): void {
    const own = this.own();
    if (!own) return;
    const taken = new Set(own.pins.map((p) => p.gpio));
    let gpio = 0;
    while (taken.has(gpio)) gpio++;
    const pin: BoardPin = { ...freshOf(pinFields), gpio, label: `P${gpio}`, can: ['output', 'input'] };
    this.put({ ...own, pins: [...own.pins, pin] }, `pin ${gpio} added to ${own.name}`);
    this.picked.set(gpio);
  }

  protected removePin(): void {
    const [own, pin] = [this.own(), this.pin()];
    if (!own || !pin) return;
    this.taker.edit(`Pin ${pin.gpio}`, {
      do: 'put',
      list: 'board.profiles',
      item: { ...own, pins: own.pins.filter((p) => p !== pin) },
      say: `pin ${pin.gpio} of ${own.name} taken away`,
    });
  }

  protected tagOf(key: string): Tag {
    return this.own()?.tags[key] ?? 'memory';
  }

  protected tag(key: string, tag: Tag): void {
    const own = this.own();
    if (own) this.put({ ...own, tags: { ...own.tags, [key]: tag } });
  }

  protected setPin(set: Partial<BoardPin>): void {
    const [own, pin] = [this.own(), this.pin()];
    if (!own || !pin) return;
    const next = { ...pin, ...('tag' in set ? {} : { tag: 'measured' as const }), ...set };
    this.put({ ...own, pins: own.pins.map((p) => (p === pin ? next : p)) }, `pin ${pin.gpio} of ${own.name} changed`);
  }

  protected level(phase: Phase, level: Level): void {
    this.setPin({ levels: { ...this.pin()!.levels, [phase]: level } });
  }

  private put(item: BoardProfile, say?: string): void {
    this.bench.put('board.profiles', item, say);
  }

  protected save(): void {
    const p = this.profile();
    if (p) saveFile(`${p.key}.board.json`, boardText(p), 'application/json');
  }

  protected async read(): Promise<void> {
    const [file] = await pickFiles('.json,application/json');
    if (!file) return;
    const read = readBoard(await file.text());
    if (!read.ok) {
      this.trouble.set(`${file.name}: ${read.message} Nothing was changed.`);
      return;
    }
    this.trouble.set('');
    this.bench.edit({
      do: 'several',
      edits: [
        { do: 'put', list: 'board.profiles', item: read.profile },
        { do: 'set', at: 'board', set: { profile: read.profile.key } },
      ],
      say: `own board from a file: ${read.profile.name}`,
    });
  }

  /** The board goes, and the job falls back on the one that ships first. */
  protected remove(): void {
    const own = this.own();
    if (!own) return;
    this.taker.edit(own.name, {
      do: 'several',
      edits: [
        { do: 'set', at: 'board', set: { profile: 'wifi-17' } },
        { do: 'drop', list: 'board.profiles', key: own.key },
      ],
      say: `own board taken away: ${own.name}`,
    });
  }
}
