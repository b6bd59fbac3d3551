import { itemAt } from '../../ground/lists';
import { finding, type Finding } from '../../ground/finding';
import { isOfTheWorld, type Job, type Sense, type SenseLimit } from '../../ground/job';
import { formatQuantity } from '../../ground/quantity';
import { sceneOf, type Scene } from './scene';

/** A part of two states is borne out by its recordings: one level is the one, one the other. */
const TWO = 2;

/** A lit state of a part with what it draws and what its sense is to say in it. */
interface Drawn {
  readonly word: string;
  readonly watts: number | null;
  readonly so: boolean;
}

/** Whether what each state draws lets a threshold of watts tell what the sense is to tell. */
export function wattsFindings(job: Job): Finding[] {
  const scene = sceneOf(job);
  if (!scene) return [];
  return job.senses.flatMap((s, i) => {
    const draws = s.kind === 'watts' || s.kind === 'current';
    if (!draws || s.limit === null || isOfTheWorld(s) || itemAt(scene.world.plan.senses, i).part < 0) return [];
    const recorded = job.recordings.some(
      (r) => r.sense === s.id && !r.shared && r.looked?.over === s.limit?.over && (r.looked?.runs ?? 0) > 0,
    );
    return [wattsFinding({ ...s, limit: s.limit }, drawnIn(scene, i), recorded)];
  });
}

function drawnIn(scene: Scene, i: number): Drawn[] {
  const wire = itemAt(scene.world.plan.senses, i);
  const part = itemAt(scene.parts, wire.part);
  return itemAt(scene.tables, wire.part)
    .states.filter((x) => x.role !== 'dark')
    .map((x) => ({
      word: x.word,
      watts: part.shows.find((w) => w.state === x.key)?.watts ?? null,
      so: wire.yes.includes(x.key),
    }));
}

/**
 * What a sense says of each state by what it draws: so, not so, or what it said before (null). Amperes are not watts, but no threshold of
 * amperes parts a state that is to be over from one that is to be under and draws as many watts or more.
 */
function saying(
  s: Sense & { readonly limit: SenseLimit },
  told: readonly { readonly watts: number; readonly so: boolean }[],
): (d: { readonly watts: number; readonly so: boolean }) => boolean | null {
  const { over, under } = s.limit;
  if (s.kind === 'watts') return ({ watts }) => (watts > over ? s.closedThen : watts < under ? !s.closedThen : null);
  const rests = Math.max(...told.filter((d) => d.so !== s.closedThen).map((d) => d.watts));
  return (d) => (d.so === s.closedThen && d.watts <= rests ? !d.so : d.so);
}

function wattsFinding(s: Sense & { readonly limit: SenseLimit }, states: readonly Drawn[], recorded: boolean): Finding {
  const told = states.flatMap((d) => (d.watts === null ? [] : [{ ...d, watts: d.watts }]));
  const says = saying(s, told);
  const wrong = told.filter((d) => says(d) === !d.so);
  const between = told.filter((d) => says(d) === null);
  const unsaid = states.filter((d) => d.watts === null);
  const words = (list: readonly { readonly word: string; readonly watts?: number | null }[]): string =>
    list
      .map((d) => (d.watts === null || d.watts === undefined ? d.word : `${d.word} (${formatQuantity(d.watts, 'W')})`))
      .join(', ');
  const id = `watts.${s.id}`;
  const remedy = {
    text: 'Say in Act, under “The machine”, what each state draws; or take a sense that tells them apart.',
  };
  if (wrong.length > 0)
    return finding('act', id, {
      verdict: 'stop',
      title: `By what it draws ${s.name} says ${wrong[0]?.so ? 'not so' : 'so'} while it is ${words(wrong)}, and it is to say the opposite`,
      caption: 'watts say otherwise',
      source: ['maker'],
      remedy,
    });
  if (between.length > 0)
    return finding('act', id, {
      verdict: 'unknown',
      title: `${words(between)} lies within the band of ${s.name}: what it says then is what it said before`,
      caption: 'within the band',
      source: ['maker'],
      remedy: { text: 'Set the threshold and its band between what the states draw.' },
    });
  if (unsaid.length > 0 && !(states.length === TWO && recorded))
    return finding('act', id, {
      verdict: 'unknown',
      title: `What it draws while it is ${words(unsaid)} is not said: whether ${s.name} can tell it is not known`,
      caption: 'watts not said',
      source: ['maker'],
      remedy,
    });
  return finding('act', id, {
    verdict: 'settled',
    title:
      `${s.name} tells apart by what is drawn what it is to tell apart: ` +
      (unsaid.length > 0 ? 'the two levels of its recordings' : words(told)),
    caption: 'watts tell',
    source: ['maker'],
  });
}
