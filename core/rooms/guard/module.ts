import { finding, type Finding } from '../../ground/finding';
import type { DriveFact, Facts } from '../../ground/facts';
import { tickedAt, type Job, type SwitchModule } from '../../ground/job';
import { tickEdit } from './gates';

/** What the tick of a casing that is whole again is called. */
const CLOSED_STEP = 'module-closed';
/** The way that moves the module's contact. */
const BY_PLAN = 'module-contact';

/** Whether some press moves the contact of the bought switch; where none does, the machine hangs behind it all the same. */
export const isContactPlanned = (facts: Facts): boolean => facts.presses.some((p) => p.applies && p.way === BY_PLAN);

/** What a bought switch asks for beside its load: its casing, its place, and what closes its contact where no press does. */
export function switchFindings(job: Job, facts: Facts): Finding[] {
  const { drive } = facts;
  if (!drive?.module) return [];
  return [
    casingFinding(job, drive.module),
    ...dampFinding(job, drive, drive.module),
    ...(isContactPlanned(facts) ? [] : [heldFinding(drive.module)]),
  ];
}

/** A casing is the insulation of what stands at mains in it: opened, it has none until it is whole again. */
function casingFinding(job: Job, { loads }: SwitchModule): Finding {
  if (loads !== 'lead-inside')
    return finding('guard', 'module.casing', {
      verdict: 'settled',
      title: 'Its program comes in without opening its casing, which stays the insulation that it is',
      caption: 'casing stays closed',
      source: ['cautions', 'iec-60664'],
    });
  const at = tickedAt(job, CLOSED_STEP);
  const what =
    'The casing of the switch is whole and closed again, with all its screws or clips, before it meets mains';
  return finding('guard', 'module.casing', {
    verdict: at ? 'settled' : 'unknown',
    title: at
      ? what
      : 'Its program comes in by a lead inside: open, everything in it may stand at mains, and a casing that was cut or ' +
        'broken insulates no more',
    caption: at ? 'casing closed' : 'casing closed again?',
    source: ['cautions', 'iec-60664'],
    remedy: at
      ? null
      : {
          text:
            'Open and program it unplugged, fed by the lead alone; close it as it came. One whose casing was cut or broken ' +
            'is replaced.',
          label: 'It is closed again',
          edit: tickEdit(CLOSED_STEP, what),
        },
  });
}

const dampFinding = (job: Job, { controller }: DriveFact, { splashProof }: SwitchModule): Finding[] =>
  splashProof || job.guard.place !== 'damp'
    ? []
    : [
        finding('guard', 'module.damp', {
          verdict: 'stop',
          title: `It stands where it is damp, and the ${controller} is not made for that`,
          caption: 'switch in the damp',
          source: ['iec-60664', 'cautions'],
          remedy: { text: 'Plug it in where it is dry, behind a lead, or take one that is made for damp places.' },
        }),
      ];

const heldFinding = ({ returns }: SwitchModule): Finding =>
  finding('guard', 'module.held', {
    verdict: 'tight',
    title:
      'The machine hangs behind its contact, and no press moves that: the program closes it at the start. ' +
      (returns === 'closed' || returns === 'as-before'
        ? 'While the program is loaded anew the machine may lose its power'
        : 'After each power cut, and while the program is loaded anew, the machine is without power until then'),
    caption: 'held by the program',
    source: ['restart-lock'],
    remedy: { text: 'Load a program only while the machine rests, and try what a power cut of a second does to it.' },
  });
