import { firstItem } from '../../ground/lists';
import { finding, isGraver, type Finding } from '../../ground/finding';
import type { ControlFact } from '../../ground/facts';
import type { WayContext, WayResult } from './context';
import { lineOf } from './line';
import { withVerdict } from './result';

/** What a control may be, in words. */
const kindsInWords = (kinds: readonly string[]): string => kinds.map((k) => k.replace(/-/g, ' ')).join(' or ');

/** A control of which no reading left tells what it is: as each kind that it may be. */
export const asEach = (c: WayContext): readonly WayContext[] =>
  c.fact.tied.map((fact) => ({ ...c, fact, line: lineOf(fact, c.control) }));

/**
 * A finding that is worse, or there at all, for one of the kinds alone says for which; what is a stop on one of them alone is not known to
 * be one here.
 */
function ofKind(f: Finding, fact: ControlFact, others: readonly WayResult[]): Finding {
  if (others.every((r) => r.findings.some((o) => o.id === f.id && o.verdict === f.verdict))) return f;
  return {
    ...f,
    verdict: f.verdict === 'stop' ? 'unknown' : f.verdict,
    title: `${f.title} (as ${kindsInWords([fact.leading])})`,
  };
}

/**
 * A way on a control that may be one of several kinds for ever, from what came of it on each: of each judgement the gravest stands, and
 * wires that hang on which of them it is cannot be drawn.
 * @param results of each kind, in the order of `c.fact.tied`; at least two.
 */
export function ofAll(c: WayContext, results: readonly WayResult[]): WayResult {
  const likeliest = firstItem(results);
  const findings = new Map<string, Finding>();
  results.forEach((r, i) => {
    const fact = c.fact.tied[i];
    if (!fact) return;
    const others = results.filter((o) => o !== r);
    for (const f of r.findings) {
      const there = findings.get(f.id);
      if (!there || isGraver(f.verdict, there.verdict)) findings.set(f.id, ofKind(f, fact, others));
    }
  });
  const wired = (r: WayResult): string => JSON.stringify(r.wires.map((w) => w.ends));
  const differ = results.some((r) => wired(r) !== wired(likeliest));
  const kinds = c.fact.tied.map((f) => f.leading);
  return withVerdict({
    ...likeliest,
    applies: results.every((r) => r.applies),
    findings: [
      ...findings.values(),
      finding('thumb', `${likeliest.way}.tied`, {
        verdict: 'tight',
        title: `${c.control.name} is ${kindsInWords(kinds)}: this way was judged on each, and what is neither looks so as well`,
        caption: 'a tie',
        source: ['bayes'],
        remedy: { text: 'Try one press on the machine before anything is built on it.' },
      }),
      ...(differ
        ? [
            finding('thumb', `${likeliest.way}.tied-wires`, {
              verdict: 'unknown',
              title: `${c.control.name} is ${kindsInWords(kinds)}, and this way is wired differently on each`,
              caption: 'wired by its kind',
              remedy: {
                text: 'Choose a way that is wired alike on both, such as an isolated contact across the terminals.',
              },
            }),
          ]
        : []),
    ],
  });
}
