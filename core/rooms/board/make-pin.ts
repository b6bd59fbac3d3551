import type { BoardPin, Level, Phase } from '../../ground/job';

/** What a pin is unless its board says otherwise: an input and output that floats until the program sets it. */
const QUIET: Readonly<Record<Phase, Level>> = {
  rising: 'float',
  boot: 'float',
  programming: 'float',
  running: 'program',
  reset: 'float',
  sleep: 'float',
};

type Given = Partial<Omit<BoardPin, 'levels'>> & { readonly levels?: Partial<BoardPin['levels']> };

/** A pin of a shipped board: its number, its printed label, its place, and what differs from a quiet one. */
export const boardPin = (gpio: number, label: string, header: string, given: Given = {}): BoardPin => ({
  gpio,
  label,
  header,
  can: ['output', 'input', 'pull-up', 'interrupt', 'pulse-width'],
  strap: null,
  pulse: null,
  pulseSeconds: 0,
  nature: 'keeps still',
  tag: 'memory',
  ...given,
  levels: { ...QUIET, ...given.levels },
});

/** The same level from power rising until the program has set it. */
export const starting = (level: Level): Partial<BoardPin['levels']> => ({
  rising: level,
  boot: level,
  programming: level,
  reset: level,
});

/** A pin that the board keeps for itself. */
export const taken = (gpio: number, label: string): BoardPin =>
  boardPin(gpio, label, '', {
    can: [],
    nature: 'taken by the memory',
    levels: { rising: 'toggles', boot: 'toggles', programming: 'toggles', running: 'toggles', reset: 'toggles' },
  });
