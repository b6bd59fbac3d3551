import { present } from '../../ground/lists';
import { byHarm, finding, type Finding, summary } from '../../ground/finding';
import { forPress, type Facts } from '../../ground/facts';
import {
  applyEdit,
  isPressPlace,
  onlyListens,
  WAYS,
  type Job,
  type JobEdit,
  type Press,
  type Way,
} from '../../ground/job';
import { brokenPicks, takenPart } from '../../engines/parts';
import {
  bareControl,
  bareFact,
  evaluateWay,
  lineOf,
  WAY_WORDS,
  wayPhrase,
  type WayContext,
  type WayResult,
} from '../../build/ways';
import { modeFindings } from './module-mode';
import { seriesFindings } from './series';
import { wishScore } from './wishes';

/** What Thumb rests on: what Probe knows of the controls, and what the controller's pins give. */
export type ThumbFacts = Pick<Facts, 'controls' | 'drive'>;

/**
 * The context that every way of a press is judged in, or null while there is no controller for it. One that presses no control
 * is judged by what its way moves.
 * @param wiresBefore wires of the job that are numbered before those of this press.
 */
export function wayContext(job: Job, facts: ThumbFacts, press: Press, wiresBefore = 0): WayContext | null {
  const bare = press.control === '';
  const control = bare ? bareControl(press) : job.controls.find((c) => c.id === press.control);
  const fact = bare ? bareFact(job, press, press.way) : control && facts.controls[control.id];
  if (!control || !fact || !facts.drive) return null;
  return {
    job,
    press,
    wiresBefore,
    control,
    fact,
    drive: facts.drive,
    line: lineOf(fact, control),
    others: facts.controls,
  };
}

/** The maker's own resistor belongs to the chosen way; the others are judged with their computed value. */
export const contextOf = (context: WayContext, way: WayResult['way']): WayContext =>
  way === context.press.way ? context : { ...context, press: { ...context.press, resistorOhms: null } };

/** Whether an edit changes what a way is judged by, in Thumb itself. */
const ofThumb = (edit: JobEdit): boolean =>
  edit.do === 'several'
    ? edit.edits.every(ofThumb)
    : edit.do === 'set' && (edit.at === 'bench' || isPressPlace(edit.at));

/** The chosen way with remedies that were tried out: one that spoils another margin says which it gives up. */
function honest(way: WayResult, c: WayContext): WayResult {
  const before = new Map(way.findings.map((f) => [f.id, f.verdict]));
  const findings = way.findings.map((f): Finding => {
    const edit = f.remedy?.edit;
    if (!f.remedy || !edit || !ofThumb(edit)) return f;
    const tried = applyEdit(c.job, edit, c.job.touchedAt);
    if (!tried.ok) return { ...f, remedy: { text: f.remedy.text } };
    const press = present(tried.job.presses.find((p) => p.id === c.press.id));
    const after = evaluateWay(way.way, { ...c, job: tried.job, press });
    const spoilt = after.findings.filter(
      (x) => byHarm({ verdict: before.get(x.id) ?? 'settled' }, x) > 0 && x.id !== f.id,
    );
    const still = after.findings.find((x) => x.id === f.id);
    const unmet = still !== undefined && still.verdict === 'stop' ? ' It does not settle this alone.' : '';
    return spoilt.length || unmet
      ? {
          ...f,
          remedy: {
            ...f.remedy,
            text: `${f.remedy.text}${spoilt.length ? ` It gives up: ${spoilt.map((x) => x.caption).join(', ')}.` : ''}${unmet}`,
          },
        }
      : f;
  });
  return { ...way, findings };
}

/** One way as it is planned: chosen, and its remedies tried out. */
const planned = (way: Way, context: WayContext): WayResult => honest(evaluateWay(way, context), context);

/**
 * All ways of pressing, best first: those that have nothing to do with this control last, then gravest verdict, then
 * the maker's order of wishes. Each says why.
 */
export function rankWays(context: WayContext | null): WayResult[] {
  if (!context) return [];
  const { job, press } = context;
  const score = new Map(WAYS.map((w) => [w, wishScore(w, job.bench.wishes)]));
  return WAYS.map((way) =>
    way === press.way ? planned(way, context) : evaluateWay(way, contextOf(context, way)),
  ).sort(
    (a, b) =>
      Number(b.applies) - Number(a.applies) || -byHarm(a, b) || present(score.get(b.way)) - present(score.get(a.way)),
  );
}

/** A press of the job with the way that is chosen for it. */
export interface PlannedPress {
  readonly press: Press;
  /** Null where none is chosen yet, or where it presses no control. */
  readonly way: WayResult | null;
  /** The way that stands first, of the first press that has none chosen. */
  readonly best: WayResult | null;
  /** It could be pressed, and no way is chosen for it. */
  readonly open: boolean;
  /** Wires of the job that are numbered before those of this press. */
  readonly wiresBefore: number;
}

/**
 * Every press of a job with its chosen way, wires numbered through. Ways that are not chosen are ranked for whoever looks at a
 * press, and here only where something has to be proposed.
 */
export function planPresses(job: Job, facts: ThumbFacts): readonly PlannedPress[] {
  let wiresBefore = 0;
  let proposed = false;
  let rider: string | null = null;
  // eslint-disable-next-line complexity -- half of what is counted is a value that may be missing
  return job.presses.map((press): PlannedPress => {
    const context = wayContext(job, facts, press, wiresBefore);
    const own = context && press.way ? planned(press.way, context) : null;
    // Keys of one pad are pressed by one injector: it is wired and bought once.
    const way = own && own.press.select && rider !== null ? shared(own, rider) : own;
    if (own?.press.select) rider ??= press.id;
    // One proposal at a time: whoever looks at another press has its ways ranked then.
    const open = context !== null && way === null;
    const best = open && !proposed ? (rankWays(context)[0] ?? null) : null;
    proposed ||= open;
    const at = { press, way, best, open, wiresBefore };
    wiresBefore += way?.wires.length ?? 0;
    return at;
  });
}

/** A way that uses what is wired for another press. */
const shared = (way: WayResult, of: string): WayResult => ({
  ...way,
  parts: [],
  wires: [],
  press: { ...way.press, draws: [], pins: [], select: way.press.select && { ...way.press.select, of } },
});

/** What Thumb judges: of each press the choice itself and every margin of the chosen way. */
export function thumbFindings(job: Job, plans: readonly PlannedPress[]): Finding[] {
  const broken = brokenPicks(job).map(({ part, problem }, i) =>
    finding('thumb', `part-${i}`, {
      verdict: 'stop',
      title: `The part ${part.name} cannot be: ${problem.text}. ${takenPart(job, part.kind).name} is reckoned with meanwhile`,
      caption: 'impossible part',
      remedy: {
        text: 'Change its values under parts, or do without it.',
        label: 'Do without it',
        edit: {
          do: 'set',
          at: 'bench',
          set: { picks: Object.fromEntries(Object.entries(job.bench.picks).filter(([kind]) => kind !== part.kind)) },
          say: `without the part ${part.name}`,
        },
      },
    }),
  );
  if (plans.length === 0)
    return [
      onlyListens(job)
        ? finding('thumb', 'waits', {
            verdict: 'settled',
            title: 'Nothing is pressed: it only listens',
            caption: 'nothing to press',
            source: ['maker'],
          })
        : finding('thumb', 'waits', {
            verdict: 'unknown',
            title: 'No control to press yet',
            caption: 'waits for Probe',
          }),
      ...broken,
    ];
  const [first, ...others] = plans.map((plan, i) => forPress(plan.press, i, plans.length, pressFindings(plan)));
  return [...present(first).slice(0, 1), ...broken, ...present(first).slice(1), ...others.flat()];
}

/** The choice of one press, and every margin of its way. */
function pressFindings({ press, way, best, open }: PlannedPress): Finding[] {
  if (way)
    return [
      summary('thumb', 'choice', {
        verdict: way.verdict,
        title: `${WAY_WORDS[way.way].name}: ${way.reason}`,
        caption:
          way.verdict === 'settled'
            ? wayPhrase(way.way)
            : (way.findings.find((f) => f.verdict === way.verdict)?.caption ?? ''),
        source: ['way-order'],
      }),
      ...way.findings,
      ...seriesFindings(press, way),
      ...modeFindings(press, way),
    ];
  if (!open)
    return [
      finding('thumb', 'waits', {
        verdict: 'unknown',
        title: 'No controller to press it with yet',
        caption: 'waits for Board',
        remedy: { text: 'Choose a controller in Board.' },
      }),
    ];
  return [
    summary('thumb', 'choice', {
      verdict: 'unknown',
      title: 'No way of pressing chosen yet',
      caption: 'not chosen yet',
      source: ['way-order'],
      remedy:
        best === null
          ? { text: 'Choose one of its ways in Thumb.' }
          : best.verdict === 'stop'
            ? { text: 'None of the ways passes here as things are; each says why.' }
            : {
                text: `${WAY_WORDS[best.way].name} stands first: ${best.reason}.`,
                label: `Use ${wayPhrase(best.way)}`,
                edit: {
                  do: 'set',
                  at: 'press',
                  of: press.id,
                  set: { way: best.way, resistorOhms: null },
                  say: `way of pressing: ${WAY_WORDS[best.way].name}`,
                },
              },
    }),
  ];
}
