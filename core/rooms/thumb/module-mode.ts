import { finding, type Finding } from '../../ground/finding';
import type { ModuleMode, Press } from '../../ground/job';
import type { WayResult } from '../../build/ways';

/** What a module's own jumper makes of its input. */
export const MODE_WORDS: Readonly<Record<ModuleMode, string>> = {
  unknown: 'nobody looked',
  momentary: 'closed for as long as its input asks',
  latching: 'each pulse turns it over, and it stays',
  timed: 'it holds for a time of its own',
};

/** Whether the module's own jumper stands where this press wants it: momentary, so that the pin decides how long. */
export function modeFindings(press: Press, way: WayResult): Finding[] {
  if (way.way !== 'relay-module') return [];
  const mode = press.moduleMode;
  if (mode === 'momentary')
    return [
      finding('thumb', `${way.way}.mode`, {
        verdict: 'settled',
        title: `The module’s jumper stands on momentary: ${MODE_WORDS.momentary}`,
        caption: 'momentary',
        source: ['maker'],
      }),
    ];
  const known = mode !== 'unknown';
  return [
    finding('thumb', `${way.way}.mode`, {
      verdict: known ? 'stop' : 'tight',
      title: known
        ? `The module’s jumper stands on ${mode}: ${MODE_WORDS[mode]}, whatever the length of the press`
        : 'Many modules have a jumper for momentary, latching or timed, and nobody looked how it stands',
      caption: known ? `jumper on ${mode}` : 'jumper not looked at',
      source: ['module-mode'],
      remedy: {
        text: known
          ? 'Set it to momentary: the program says how long.'
          : 'Look at it; this press wants momentary, or no such jumper.',
        label: 'It stands on momentary',
        edit: {
          do: 'set',
          at: 'press',
          of: press.id,
          set: { moduleMode: 'momentary' },
          say: 'the module’s jumper stands on momentary, or it has none',
        },
      },
    }),
  ];
}
