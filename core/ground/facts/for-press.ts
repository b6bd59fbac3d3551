import { concerning, type Finding } from '../finding';

/** How a finding of a press is known: those of the first press by their own ids, those of another with whose they are. */
const ofPress = (first: boolean, press: string, id: string): string => (first ? id : `${id}@${press}`);

/**
 * Findings of one press as they stand among those of several: with whose they are in id and words; as they are where there is one.
 * @param at its place among `count` presses.
 */
export const forPress = (
  press: { readonly id: string; readonly name: string },
  at: number,
  count: number,
  findings: readonly Finding[],
): Finding[] =>
  concerning({ press: press.id }, findings).map((f) =>
    count < 2
      ? f
      : {
          ...f,
          id: ofPress(at === 0, press.id, f.id),
          title: `${press.name}: ${f.title}`,
          ...(f.sums ? { caption: `${press.name}: ${f.caption}` } : {}),
        },
  );
