import { finding, type Finding, summary } from '../../ground/finding';
import type { PressFact } from '../../ground/facts';
import { onlyListens, pressedIn, scriptOf, type Job } from '../../ground/job';
import { needsPin, pinOf } from '../../build/lines';
import { lacksInPython, lacksOf, runsPython } from './lacks';

/** What has to be done before a program and its papers can leave. */
function missingIn(job: Job, presses: readonly PressFact[]): string[] {
  if (onlyListens(job)) {
    const unheard = job.senses.some((s) => needsPin(s) && pinOf(job, s.id) === null);
    return [
      job.senses.length === 0 ? 'anything to listen to (Sense)' : '',
      unheard ? 'firmware (choose a pin in Board for each sense)' : '',
    ].filter(Boolean);
  }
  // What the script presses, or the first press while there is no script.
  const pressed = pressedIn(job);
  const unplaced = (pressed.length > 0 ? pressed : job.presses.slice(0, 1).map((p) => p.id)).some(
    (id) => pinOf(job, presses.find((p) => p.id === id)?.select?.of ?? id) === null,
  );
  return [
    presses.length > 0 ? '' : 'wiring, parts (choose a way in Thumb)',
    unplaced ? 'firmware (choose a pin in Board)' : '',
    scriptOf(job).length === 0 ? 'a press script (Act)' : '',
  ].filter(Boolean);
}

/** What Pack judges: whether anything beyond the job file can leave yet, and as what. @param others findings of all other rooms. */
export function packFindings(job: Job, presses: readonly PressFact[], others: readonly Finding[]): Finding[] {
  const missing = missingIn(job, presses);
  const lacks = lacksOf(job, presses);
  const program: Finding[] = lacks.length
    ? [
        finding('pack', 'program', {
          verdict: 'tight',
          title: `The packed program lacks ${lacks.join('; ')}`,
          caption: `program lacks ${lacks.length}`,
          remedy: { text: 'Write that into your own program; the file says so at its top.' },
        }),
      ]
    : [];
  // What both lack is said once.
  const inPython = runsPython(job) ? lacksInPython(job, presses).filter((l) => !lacks.includes(l)) : [];
  if (inPython.length > 0)
    program.push(
      finding('pack', 'python', {
        verdict: 'tight',
        title: `main.py lacks ${inPython.join('; ')}`,
        caption: `main.py lacks ${inPython.length}`,
        remedy: { text: 'See to that before it goes onto the board; the file says so at its top.' },
      }),
    );
  const files = (verdict: Finding['verdict'], title: string, caption: string, text?: string): Finding[] => [
    summary('pack', 'files', { verdict, title, caption, remedy: text === undefined ? null : { text } }),
    ...program,
  ];
  const stops = others.filter((f) => f.verdict === 'stop' && !(f.room === 'try' && f.sums));
  if (stops.length > 0) {
    const carried =
      stops.length === 1 ? 'a stop, and every sheet names it' : `${stops.length} stops, and every sheet names them`;
    const named = stops.slice(0, 3).map((f) => f.title);
    return files(
      'stop',
      `What leaves now carries ${carried}: ${named.join('; ')}`,
      'leaves with stops',
      'Mend what says stop before anybody builds from these sheets.',
    );
  }
  if (missing.length > 0)
    return files(
      'unknown',
      `Not in the pack yet: ${missing.join('; ')}`,
      missing.length === 3 ? 'nothing to pack' : 'not complete yet',
    );
  const open = others.filter((f) => f.verdict === 'unknown').length;
  if (open > 0)
    return files(
      'unknown',
      `Files can leave, but ${open} ${open === 1 ? 'thing is' : 'things are'} still open`,
      `${open} still open`,
      'Settle what the thread shows as open.',
    );
  return lacks.length
    ? files(
        'tight',
        'Job, wiring, parts, test sheet and log can leave; the program is not the whole of it',
        'program not whole',
      )
    : files('settled', 'Everything can leave: job, wiring, parts, firmware, test sheet, log', 'ready to leave');
}
