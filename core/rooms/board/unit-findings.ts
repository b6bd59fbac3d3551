import { asUnit, isBuiltOtherwise } from '../../build/units';
import type { Line } from '../../build/lines';
import type { PressFact } from '../../ground/facts';
import { finding, gravest, type Finding } from '../../ground/finding';
import type { AlikeUnit, Job } from '../../ground/job';
import { planFindings } from './findings';
import { pinAt, profileOf } from './profile';

/** What Board judges: the first machine on its pins, and every other that has pins of its own on those. */
export function boardFindings(job: Job, lines: readonly Line[], presses: readonly PressFact[]): Finding[] {
  const first = planFindings(job, lines, presses);
  const differ = job.bench.units.filter((u) => Object.keys(u.pins).length > 0 && isBuiltOtherwise(job, u));
  const known = new Map(first.map((f) => [f.id, f.verdict]));
  return [
    ...first,
    ...differ.map((unit) => {
      const lacks = missing(job, unit, lines);
      if (lacks !== null) return said(unit, 'stop', lacks);
      // On another pin even the same verdict has another reason; a line that stays says what it says of the first.
      const moved = (f: Finding): boolean => unit.pins[f.about?.line ?? ''] !== undefined;
      const worse = planFindings(asUnit(job, unit), lines, presses).filter(
        (f) => f.verdict !== 'settled' && (moved(f) || known.get(f.id) !== f.verdict),
      );
      const verdict = worse.length > 0 ? gravest(worse.map((f) => f.verdict)) : 'settled';
      return said(unit, verdict, worse.find((f) => f.verdict === verdict)?.title ?? '');
    }),
  ];
}

/** What a machine asks for that there is not: a pin that the board does not have, a line that is no more. Null where there is all. */
function missing(job: Job, unit: AlikeUnit, lines: readonly Line[]): string | null {
  for (const [line, gpio] of Object.entries(unit.pins)) {
    const known = lines.find((l) => l.id === line);
    if (!known) return `it names a line, ${line}, that the job does not have`;
    if (!pinAt(profileOf(job), gpio)) return `${known.name} is to lie on pin ${gpio}, which this board does not have`;
  }
  return null;
}

function said(unit: AlikeUnit, verdict: Finding['verdict'], worst: string): Finding {
  return finding('board', `unit.${unit.id}`, {
    verdict,
    title: verdict === 'settled' ? `${unit.name}: its own pins suit their lines` : `${unit.name}: ${worst}`,
    caption: verdict === 'settled' ? 'other pins suit' : 'pins of another machine',
    source: ['maker'],
    remedy:
      verdict === 'settled'
        ? null
        : {
            text: 'Give it other pins below the strip, or those of the first machine.',
            label: 'The pins of the first machine',
            edit: {
              do: 'put',
              list: 'bench.units',
              item: { ...unit, pins: {} },
              say: `${unit.name}: the pins of the first machine`,
            },
          },
  });
}
