import { byHarm, finding, type Finding, summary } from '../finding';
import type { Facts } from '../facts';
import { applyEdit, WAYS, type Job } from '../job';
import { brokenPicks, takenPart } from '../parts';
import { evaluateWay, lineOf, WAY_WORDS, wayPhrase, type WayContext, type WayResult } from '../ways';
import { wishScore } from './wishes';

/** The context that every way is judged in, or null while there is no control to press or no controller to press it. */
export function wayContext(job: Job, facts: Facts): WayContext | null {
  const control = job.controls.find((c) => c.id === job.thumb.control) ?? job.controls[0];
  const fact = control && facts.controls[control.id];
  if (!control || !fact || !facts.drive) return null;
  return { job, control, fact, drive: facts.drive, line: lineOf(fact, control), others: facts.controls };
}

/** The maker's own resistor belongs to the chosen way; the others are judged with their computed value. */
export const contextOf = (context: WayContext, way: WayResult['way']): WayContext =>
  way === context.job.thumb.way
    ? context
    : { ...context, job: { ...context.job, thumb: { ...context.job.thumb, resistorOhms: null } } };

/** The chosen way with remedies that were tried out: one that spoils another margin says which it gives up. */
function honest(way: WayResult, c: WayContext): WayResult {
  const before = new Map(way.findings.map((f) => [f.id, f.verdict]));
  const findings = way.findings.map((f): Finding => {
    const edit = f.remedy?.edit;
    if (!f.remedy || edit?.do !== 'set' || !edit.at.startsWith('thumb')) return f;
    const tried = applyEdit(c.job, edit, c.job.touchedAt);
    if (!tried.ok) return { ...f, remedy: { text: f.remedy.text } };
    const after = evaluateWay(way.way, { ...c, job: tried.job });
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

/**
 * All ways of pressing, best first: those that have nothing to do with this control last, then gravest verdict, then
 * the maker's order of wishes. Each says why.
 */
export function rankWays(job: Job, facts: Facts): WayResult[] {
  const context = wayContext(job, facts);
  if (!context) return [];
  const others = contextOf(context, 'relay-contact');
  const score = new Map(WAYS.map((w) => [w, wishScore(w, job.thumb.wishes)]));
  return WAYS.map((way) =>
    way === job.thumb.way ? honest(evaluateWay(way, context), context) : evaluateWay(way, others),
  ).sort((a, b) => Number(b.applies) - Number(a.applies) || -byHarm(a, b) || score.get(b.way)! - score.get(a.way)!);
}

/** The chosen way, or null. */
export const chosenWay = (job: Job, ranked: readonly WayResult[]): WayResult | null =>
  ranked.find((w) => w.way === job.thumb.way) ?? null;

/** What Thumb judges: the choice itself and every margin of the chosen way. */
export function thumbFindings(job: Job, ranked: readonly WayResult[]): Finding[] {
  const way = chosenWay(job, ranked);
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
          at: 'thumb',
          set: { picks: Object.fromEntries(Object.entries(job.thumb.picks).filter(([kind]) => kind !== part.kind)) },
          say: `without the part ${part.name}`,
        },
      },
    }),
  );
  if (ranked.length === 0)
    return [
      finding('thumb', 'waits', { verdict: 'unknown', title: 'No control to press yet', caption: 'waits for Probe' }),
      ...broken,
    ];
  if (!way) {
    const best = ranked[0]!;
    return [
      summary('thumb', 'choice', {
        verdict: 'unknown',
        title: 'No way of pressing chosen yet',
        caption: 'not chosen yet',
        source: ['way-order'],
        remedy:
          best.verdict === 'stop'
            ? { text: 'None of the ways passes here as things are; each says why.' }
            : {
                text: `${WAY_WORDS[best.way].name} stands first: ${best.reason}.`,
                label: `Use ${wayPhrase(best.way)}`,
                edit: {
                  do: 'set',
                  at: 'thumb',
                  set: { way: best.way, resistorOhms: null },
                  say: `way of pressing: ${WAY_WORDS[best.way].name}`,
                },
              },
      }),
      ...broken,
    ];
  }
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
    ...broken,
    ...way.findings,
  ];
}
