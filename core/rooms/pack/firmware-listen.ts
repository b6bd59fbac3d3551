import type { ProgramHeld } from '../../build/program';

/** The function that hears of each change, as the header declares it. @param names of the senses, as they stand in a comment. */
export const changedText = (names: readonly string[]): string =>
  `void gt_changed(int sense, int is);      /* 1 so, 0 not so, -1 nobody knows; the first call tells how it stands at the start:
${names.map((name, i) => `       sense ${i + 1} is ${name}`).join(',\n')} */
`;

/** Tells each change that is heard. */
export const TELL_CHANGES = `
/* What was told last; neither 0, 1 nor UNHEARD before anything was. */
static int told[SENSES + 1];

static void tell_changes(void)
{
    int i;
    for (i = 1; i <= SENSES; i++) {
        if (told[i] != heard[i]) {
            told[i] = heard[i];
            gt_changed(i, heard[i] == UNHEARD ? -1 : heard[i]);
        }
    }
}
`;

/** What setting up does first: nothing was told, and what is held closed is closed before anything else. */
export const setupText = (held: readonly ProgramHeld[], listens: boolean, comment: (text: string) => string): string =>
  [
    ...held.map(
      (h) => `    gt_write_pin(${h.pin}, ${h.closesOn === 'high' ? 1 : 0});   /* ${comment(h.name)} stays closed */\n`,
    ),
    listens ? '    for (i = 1; i <= SENSES; i++) {\n        told[i] = -1;\n    }\n' : '',
  ].join('');
