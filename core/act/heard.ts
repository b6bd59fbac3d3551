import type { Job, ScriptStep } from '../job';

/**
 * The press that the machine's run follows: the first of the script, else the first of the job. The machine is told by what one
 * control does, so a script that presses others as well is followed for this one alone.
 */
export const heardPress = (job: Job): string =>
  job.act.script.find((s) => s.do === 'press')?.press ?? job.presses[0]?.id ?? '';

/** The script as that control meets it: presses of others are waits. */
export function heardScript(job: Job): readonly ScriptStep[] {
  const press = heardPress(job);
  return job.act.script.map((s) =>
    s.do === 'press' && (s.press !== press || s.other)
      ? { do: 'wait', press: '', other: false, seconds: s.seconds }
      : s,
  );
}

/** Presses of the script that the run does not follow, by name. */
export const unheard = (job: Job): readonly string[] => {
  const press = heardPress(job);
  return job.presses.flatMap((p) => [
    ...(p.id !== press && job.act.script.some((s) => s.press === p.id && !s.other) ? [p.name] : []),
    ...(job.act.script.some((s) => s.press === p.id && s.other) ? [`the other side of ${p.name}`] : []),
  ]);
};
