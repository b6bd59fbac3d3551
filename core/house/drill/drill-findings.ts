import { finding, type Finding, type StudyVerdict, type Verdict } from '../../ground/finding';
import { HARM_WORDS, type DrillRecord, type Job } from '../../ground/job';
import { hashOf } from '../../ground/quantity';
import { POWER_WORDS, type Drilled, type DrillStory } from './drill';
import type { SmallestSet } from './smallest';

/**
 * How a story is known where somebody accepts it: by the condition that it breaks and by what goes wrong. One in which nothing goes
 * wrong is of the plan itself, and known by what nobody can accept.
 */
export const acceptedId = (s: DrillStory): string =>
  `${isOfPlan(s) ? 'plan-' : ''}${hashOf(JSON.stringify([s.story.never.never.id, s.key]))}`;

/** How grave a story is that nobody accepted: one thing that hurts stops, two are tight; a nuisance never stops. */
function gravity({ story }: DrillStory): Verdict {
  const { harm } = story.never.never;
  const few = story.told.length <= 1;
  // Of what nobody said, the worst is taken.
  if (harm === 'nuisance') return few ? 'tight' : 'settled';
  return few ? 'stop' : 'tight';
}

/** A story in which nothing goes wrong is of the plan itself: nobody can accept that. */
const isOfPlan = ({ story }: Pick<DrillStory, 'story'>): boolean => story.told.length === 0;

const howMany = (s: DrillStory): string =>
  s.story.told.length === 0 ? 'broken by the plan' : s.story.told.length === 1 ? 'one thing breaks it' : 'two break it';

/** What answers a story, as far as sets of answers were looked at. */
function remedyFor(s: DrillStory, set: SmallestSet): string {
  if (set.answers && !set.left.some((l) => acceptedId(l) === acceptedId(s)))
    return `Take the answers below: ${set.answers.map((a) => a.words).join('; ')}.`;
  if (set.ended)
    return 'Not all sets of answers were looked at: answer one story after the other in Act, and drill again.';
  return isOfPlan(s)
    ? 'No ready change answers it: change the plan, or the condition in Wish.'
    : 'No ready change answers it: change the machine or the plan, or have somebody accept it by name, below.';
}

function storyFinding(s: DrillStory, set: SmallestSet): Finding {
  const { harm, whom } = s.story.never.never;
  return finding('guard', `story.${acceptedId(s)}`, {
    verdict: gravity(s),
    title:
      `Never ${s.story.never.words}, which would hurt ${harm === 'unsaid' ? 'nobody said whom' : whom || HARM_WORDS[harm]}: ` +
      `${s.power === 'both' ? '' : `${POWER_WORDS[s.power]}. `}${s.story.sentences.join(' ')}`,
    caption: howMany(s),
    source: ['simulation', 'story-lengths'],
    remedy: { text: remedyFor(s, set) },
  });
}

/** What a drill comes to as a whole: with one failure alone, or a condition that no run can tell of, nothing is settled. */
function worstOf(found: Drilled, whole: boolean): Verdict {
  if (found.stopped) return 'unknown';
  if (found.stories.some((s) => gravity(s) === 'stop')) return 'stop';
  return found.stories.length > 0 || !whole || found.unheld.length > 0 ? 'tight' : 'settled';
}

/** What a drill says, as findings: one for each story, one for each condition that none breaks, and one for all. */
export function drillFindings(found: Drilled, set: SmallestSet): readonly Finding[] {
  const whole = !found.stopped && found.most >= 2;
  const verdict = worstOf(found, whole);
  const told = `${found.told.toLocaleString('en')} stories in four states of power, with up to ${
    found.most === 1 ? 'one thing' : 'two things'
  } going wrong`;
  return [
    finding('guard', 'drill', {
      verdict: found.kept.length + found.stories.length === 0 ? 'unknown' : verdict,
      title: found.stopped
        ? `The failure drill came to no end: ${told}`
        : `${told}: ${found.stories.length === 0 ? 'none breaks a condition' : `${found.stories.length} that break one`}`,
      caption: found.stopped ? 'drill not whole' : found.stories.length > 0 ? 'stories unanswered' : 'drill passed',
      source: ['simulation', 'story-lengths'],
      remedy:
        verdict === 'settled'
          ? null
          : {
              text: found.stopped
                ? 'Drill again and let it end; fewer moves and conditions at once take less.'
                : found.stories.length > 0
                  ? 'Answer each story, or have somebody accept what is left, by name.'
                  : found.unheld.length > 0
                    ? 'Conditions that no run can tell of are tried in Try, or said in other words in Wish.'
                    : 'Drill with two things going wrong as well.',
            },
    }),
    ...found.stories.map((s) => storyFinding(s, set)),
  ];
}

/** What is kept in the job of a drill, so that whoever opens it elsewhere knows of it. */
export const drillRecord = (found: Drilled, findings: readonly Finding[], basis: string, at: string): DrillRecord => ({
  at,
  most: found.most,
  stories: found.told,
  broken: found.stories.length,
  stops: found.stories.filter((s) => gravity(s) === 'stop').map(acceptedId),
  verdict: findings.find((f) => f.id === SUMMARY)?.verdict ?? 'unknown',
  basis,
});

/** What a drill that still stands says now, with what was accepted since. */
export function drilledNow(
  job: Job,
  { findings, basis }: Pick<StudyVerdict, 'findings' | 'basis'>,
): readonly Finding[] {
  const now = findings.map((f) => withAcceptance(job, f, basis));
  const stories = now.filter((f) => f.id !== SUMMARY);
  return now.map((f) =>
    f.id === SUMMARY && f.verdict === 'stop' && !stories.some((s) => s.verdict === 'stop')
      ? { ...f, verdict: 'tight', title: `${f.title}; somebody accepted what would stop it` }
      : f,
  );
}
const SUMMARY = 'guard.drill';

/**
 * A finding of a story as it stands with what was accepted since: somebody answers for it by name, and it is settled by that no more than
 * tight. @param basis of the drill that told it: an acceptance of another plan counts for nothing.
 */
function withAcceptance(job: Job, f: Finding, basis: string): Finding {
  const at = f.id.startsWith('guard.story.') ? f.id.slice('guard.story.'.length) : '';
  const accepted = at === '' ? undefined : job.guard.accepted.find((x) => x.id === at);
  if (!accepted) return f;
  const old = accepted.basis !== basis;
  const words = old
    ? `${accepted.by} accepted it on ${accepted.at.slice(0, 10)} in a plan that was changed since: that counts no more`
    : `accepted by ${accepted.by} on ${accepted.at.slice(0, 10)}${accepted.why ? `, ${accepted.why}` : ''}`;
  return {
    ...f,
    verdict: old ? f.verdict : 'tight',
    caption: old ? f.caption : `accepted by ${accepted.by}`,
    title: `${f.title} (${words})`,
  };
}
