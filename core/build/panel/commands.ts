import { firstItem, itemAt } from '../../ground/lists';
import { freeId, freshHand, type Hand, type Job, type JobEdit } from '../../ground/job';

/** Letters of the job's title and of a command's name that its first topic takes. */
const MOST_LETTERS = 60;

/** The topic that a command is first given: the job's own words, as topics are written, and the command's name. */
const topicOf = (job: Job, name: string): string =>
  [job.title, name]
    .map((words) =>
      words
        .toLowerCase()
        .replace(/[^\p{L}\p{N}]+/gu, '-')
        .slice(0, MOST_LETTERS)
        .replace(/^-+|-+$/g, ''),
    )
    .filter((part) => part !== '')
    .join('/');

/**
 * A command for each move that none begins alone yet, called as the move; and one that begins the first two in turn, where there are
 * two and none does so yet.
 */
export function commandsFor(job: Job): JobEdit[] {
  const there = job.hands.filter((h) => h.kind === 'command').map((h) => h.begins.filter((id) => id !== '').join());
  const { moves } = job.act;
  const wanted = [
    ...moves.map((m) => ({ name: m.name, begins: [m.id] })),
    ...(moves.length > 1 ? [{ name: 'in turn', begins: [firstItem(moves).id, itemAt(moves, 1).id] }] : []),
  ].filter(({ begins }) => !there.includes(begins.join()));
  let known = job;
  return wanted.map(({ name, begins }): JobEdit => {
    const item: Hand = {
      ...freshHand(freeId(known, `command ${name}`), name),
      kind: 'command',
      begins,
      topic: topicOf(job, name),
    };
    known = { ...known, hands: [...known.hands, item] };
    return { do: 'put', list: 'hands', item };
  });
}
