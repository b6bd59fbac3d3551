import type { Program } from '../../../build/program';
import { PY_HANDS } from './py-hands';
import { PY_MAIN } from './py-main';
import { PY_MOVES } from './py-moves';
import { PY_OUTPUTS } from './py-outputs';
import { PY_RULES } from './py-rules';
import { PY_SENSES } from './py-senses';
import { PY_TALK } from './py-talk';
import { PY_TICK } from './py-tick';
import { tablesText } from './tables';
import { remark } from './text';

/** The program itself, and the file of network and secrets beside it. */
export const PROGRAM_FILE = 'main.py';
export const SETTINGS_FILE = 'settings.py';

/** The file that names network and broker: empty names mean that it works alone. */
export const SETTINGS_TEXT = `# Network and secrets of this controller; nothing here leaves it. Empty: it works alone.
NETWORK = ""
# A word of its own for each of several machines that are alike: all of its topics have it then.
UNIT = ""
PASSWORD = ""
# Number of the broker in your network, as 192.168.1.10: a name would have to be asked for, and everything else would wait.
BROKER = ""
PORT = 1883
USER = ""
SECRET = ""
`;

/**
 * The program in MicroPython, whole: nothing to fill in but network and secrets, in a file of their own.
 * @param lacks what the plan has and this program does not do. @param stops what stops the plan.
 */
export function pythonText(p: Program, lacks: readonly string[], stops: readonly string[]): string {
  const heading = [
    `${p.title}: ${p.outcome || 'press script'}`,
    `Never: ${p.never || 'not said'}${p.never ? `; held by ${p.heldBy || 'nothing'}` : ''}`,
    ...stops.map((t) => `STOP: ${t}`),
    ...lacks.map((t) => `This program lacks ${t}.`),
    'It runs by itself as main.py. A watchdog resets the controller where the program hangs: every contact opens then.',
  ];
  return [
    heading.map((h) => `${remark(h)}\n`).join(''),
    'import asyncio\nimport machine\nimport time\n\ntry:\n    import settings\nexcept ImportError:\n    settings = None\n',
    tablesText(p),
    PY_OUTPUTS,
    PY_SENSES,
    PY_MOVES,
    PY_HANDS,
    PY_RULES,
    PY_TICK,
    PY_TALK,
    PY_MAIN,
  ].join('');
}
