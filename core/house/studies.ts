import { itemAt } from '../ground/lists';
import type { Assessment } from './assess';
import { forPress } from '../ground/facts';
import { finding, type Finding, type StudyVerdict } from '../ground/finding';
import type { Job } from '../ground/job';
import { tapBasis } from '../rooms/sense';
import { drillOf } from './drill/drill';
import { drilledNow } from './drill/drill-findings';
import { provable } from './provable';
import { searchOf } from './stories';
import { WorldProblem } from '../engines/world';

type Known = Pick<Assessment, 'plans' | 'facts' | 'lines'>;

/** A study as it stands now: whether it still rests on what the job says. */
export interface StudyNow {
  readonly study: StudyVerdict;
  readonly fresh: boolean;
}

/** What a study is about, by the list that it stands in. */
const ABOUT = { proof: 'presses', scatter: 'presses', tap: 'senses', 'tap-scatter': 'senses' } as const;

/** Each study with whether it is still of what the job says; one of a press or a sense that is gone is left out. */
export const studiesNow = (job: Job, a: Known, studies: readonly StudyVerdict[]): readonly StudyNow[] =>
  studies
    .filter((s) => s.kind === 'stories' || s.kind === 'drill' || job[ABOUT[s.kind]].some((x) => x.id === s.of))
    .map((study) => ({ study, fresh: basisNow(job, a, study) === study.basis }));

function basisNow(job: Job, a: Known, study: StudyVerdict): string | undefined {
  if (study.kind === 'tap' || study.kind === 'tap-scatter') {
    const sense = job.senses.find((s) => s.id === study.of);
    return sense && a.facts.drive ? tapBasis(sense, a.facts.drive) : undefined;
  }
  if (study.kind !== 'stories' && study.kind !== 'drill') return provable(job, a, study.of)?.basis;
  try {
    return (study.kind === 'stories' ? searchOf(job, a) : drillOf(job, a))?.basis;
  } catch (error) {
    // What cannot be run at all has a finding of its own.
    if (error instanceof WorldProblem) return undefined;
    throw error;
  }
}

const WORDS = {
  proof: 'proof',
  scatter: 'ten thousand joints',
  tap: 'proof of the tap',
  'tap-scatter': 'ten thousand taps',
} as const;
const OLD_STORIES = finding('act', 'stories', {
  verdict: 'unknown',
  title: 'The stories were searched in a plan that was changed since',
  caption: 'search out of date',
  source: ['simulation'],
  remedy: { text: 'Search again in Act; undo brings the old plan back, and what was found with it.' },
});

const OLD_DRILL = finding('guard', 'drill', {
  verdict: 'unknown',
  title: 'The failure drill was run on a plan that was changed since',
  caption: 'drill out of date',
  source: ['simulation'],
  remedy: { text: 'Run it again below; undo brings the old plan back, and its drill with it.' },
});

/** What studies add to the findings: theirs, where they are fresh; that they are out of date, where something changed since. */
export const studyFindings = (job: Job, now: readonly StudyNow[]): readonly Finding[] =>
  now.flatMap(({ study, fresh }): readonly Finding[] => {
    if (study.kind === 'stories') return fresh ? study.findings : [OLD_STORIES];
    if (study.kind === 'drill') return fresh ? drilledNow(job, study) : [OLD_DRILL];
    const ofSense = ABOUT[study.kind] === 'senses';
    const room = ofSense ? 'sense' : 'thumb';
    const old = finding(room, ofSense ? `study.${study.kind}.${study.of}` : `study.${study.kind}`, {
      verdict: 'unknown',
      title: `The ${WORDS[study.kind]} of ${study.at.slice(0, 10)} rests on a joint that was changed since`,
      caption: 'proof out of date',
      source: ['simulation'],
      remedy: {
        text: `Prove it again in ${ofSense ? 'Sense' : 'Thumb'}; undo brings the old joint back, and its proof with it.`,
      },
    });
    if (ofSense) return fresh ? study.findings : [old];
    const at = job.presses.findIndex((p) => p.id === study.of);
    return forPress(itemAt(job.presses, at), at, job.presses.length, fresh ? study.findings : [old]);
  });
