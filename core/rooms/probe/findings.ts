import { firstItem, itemAt, present } from '../../ground/lists';
import { concerning, atLeast, finding, type Finding } from '../../ground/finding';
import {
  isAllBare,
  isUntouched,
  likeOf,
  onlyListens,
  reachOf,
  sayPlace,
  sayValue,
  type ControlKind,
  type Job,
  type Reading,
} from '../../ground/job';
import { keypadFindings, stripFindings } from './strip/findings';
import { dcOnAc } from './inference/dc-on-ac';
import { isolationFindings } from './isolation/findings';
import { kindReadings } from './isolation/relevant';
import { KIND_WORDS, PARAMETER_WORDS, STILL_POSSIBLE, STRANGER_CALLED } from './kind-words';
import { KNOWN_AT } from './next/next';
import { railFindings } from '../../engines/electrics';
import { sizeFindings } from './sizes';
import { chanceWords, misfitWords, tellMore } from './standing';
import { isBorrowed, tieOf, unlike, type ControlSurvey } from './survey';

/** What Probe judges about the job: per control its kind, its values and its isolation; and readings that disagree. */
export function probeFindings(job: Job, surveys: readonly ControlSurvey[]): Finding[] {
  const { rails, pieces, faces } = job.survey;
  const beside = [
    ...stripFindings(job),
    ...keypadFindings(job),
    ...railFindings(rails),
    ...sizeFindings(pieces, faces, job.controls),
  ];
  if (job.controls.length === 0 && job.survey.strips.length === 0 && job.survey.keypads.length === 0) {
    if (onlyListens(job) || isAllBare(job)) return [...beside, nothingRead(job)];
    return [
      ...beside,
      finding('probe', 'none', {
        verdict: 'unknown',
        title: 'No control has been named yet',
        caption: 'no control yet',
        remedy: { text: 'Give it a name under Do.' },
      }),
    ];
  }
  return [
    ...surveys.flatMap((s) => {
      const name = present(job.controls.find((c) => c.id === s.control)).name;
      if (isUntouched(job, s.control)) return concerning({ control: s.control }, [untouchedFinding(s.control, name)]);
      if (onlyListens(job))
        return concerning({ control: s.control }, [
          heardFinding(s.control, name),
          ...isolationFindings(job, s.control, name),
        ]);
      const tie = tieOf(job, s);
      return concerning({ control: s.control }, [
        ...(s.remainder.leads
          ? [remainderFinding(job, s, name)]
          : tie.length > 1
            ? [tieFinding(s, name, tie)]
            : kindFinding(s, name).map((f) => asAlike(job, s, name, f))),
        ...dcOnAc(kindReadings(job, s.control)).map((r) => dcOnAcFinding(s.control, name, r)),
        ...(isBorrowed(job, s.control) ? [] : valueFindings(s, name)),
        ...isolationFindings(job, s.control, name),
      ]);
    }),
    ...beside,
  ];
}

/** Of a machine that is only listened to nothing has to be read, but where a wire goes into it. */
function nothingRead(job: Job): Finding {
  const wired = job.senses.filter((s) => !['apart', 'guessed'].includes(reachOf(s))).map((s) => s.name);
  const said = onlyListens(job)
    ? 'Nothing is pressed, and no wire goes into the machine: nothing of it has to be read'
    : 'What it moves has no control that could be read: its plate says what it is';
  return finding('probe', 'none', {
    verdict: wired.length === 0 ? 'settled' : 'unknown',
    title:
      wired.length === 0
        ? said
        : `${wired.join(', ')} ${wired.length === 1 ? 'goes' : 'go'} into the machine, and nothing was read where`,
    caption: wired.length === 0 ? 'nothing to read' : 'where it is tapped?',
    source: ['way-order'],
    remedy:
      wired.length === 0
        ? null
        : { text: 'Name the two terminals that are tapped under Do: whether they are apart from mains is read there.' },
  });
}

/** A cheap AC setting that shows the DC beside it. */
const dcOnAcFinding = (control: string, name: string, r: Reading): Finding =>
  finding('probe', `${control}.dc-on-ac.${r.id}`, {
    verdict: 'tight',
    title: `${name}, ${sayPlace(r)}: ${sayValue(r)} is the DC that stands there, 2.2 times: this meter’s AC setting shows DC`,
    caption: 'DC on an AC setting',
    source: ['dc-on-ac'],
    remedy: {
      text: 'It is left out of what the control may be. Take AC with a meter that blocks DC, or with 100 nF in series with a tip.',
    },
  });

/** Two terminals that are tapped: what kind of control they would make is of no account. */
const heardFinding = (control: string, name: string): Finding =>
  finding('probe', `${control}.kind`, {
    verdict: 'settled',
    title: `${name} is only listened to: what presses it does not matter, whether it is apart from mains does`,
    caption: 'listened to',
    source: ['way-order'],
  });

/** Nothing goes to the inside of a control, and nothing of it was read. */
const untouchedFinding = (control: string, name: string): Finding =>
  finding('probe', `${control}.kind`, {
    verdict: 'settled',
    title: `${name} is pressed from outside, its machine stays closed: nothing of it has to be read`,
    caption: 'pressed from outside',
    source: ['way-order'],
  });

/** What rests on another control is tight: nothing of it was read at this one. */
function asAlike(job: Job, s: ControlSurvey, name: string, f: Finding): Finding {
  const { control } = s;
  const other = job.controls.find((c) => c.id === likeOf(job, control))?.name ?? '';
  const [odd] = unlike(job, s);
  if (odd)
    return {
      ...f,
      verdict: 'unknown',
      title: `${name} is not like ${other}: ${sayPlace(odd)} reads ${sayValue(odd)}`,
      caption: 'not alike',
      source: ['alike-share'],
      value: null,
      limit: null,
      remedy: {
        text: 'Read it again, or read this one by itself.',
        label: 'Read it by itself',
        edit: { do: 'change-control', id: control, set: { like: '' }, say: `${name} is read by itself` },
      },
    };
  if (!isBorrowed(job, control) || f.verdict !== 'settled') return f;
  return {
    ...f,
    verdict: 'tight',
    title: `${name} is taken to be like ${other}; nothing was read of it`,
    caption: 'taken as alike',
    value: null,
    limit: null,
    remedy: { text: `Read one value of ${name} that was read of ${other}: one that fits settles it.` },
  };
}

/** A control that fits none of the kinds: said so, with the readings that fit nothing, and never called by the nearest name. */
function remainderFinding(job: Job, s: ControlSurvey, name: string): Finding {
  const misfits = misfitWords(job, s);
  const { as, probability } = s.remainder;
  return finding('probe', `${s.control}.kind`, {
    verdict: 'unknown',
    title: as
      ? `${name} is none of the kinds that Probe knows; what was read goes together as ${STRANGER_CALLED[as]}`
      : `${name} is none of the kinds that Probe knows, or built in a way not ` +
        `foreseen${misfits.length ? `; what fits nothing: ${misfits.join('; ')}` : ''}`,
    caption: as ? STRANGER_CALLED[as] : 'not one of these',
    source: ['bayes', 'remainder', 'strangers'],
    value: { value: 100 * probability, unit: '%' },
    remedy: { text: firstItem(tellMore(s)) },
  });
}

/** Kinds that no reading left could tell apart; both are named, with what that means for the press. */
function tieFinding(s: ControlSurvey, name: string, tie: readonly ControlKind[]): Finding {
  const names = tie.map((k) => KIND_WORDS[k].name).join(' or ');
  return finding('probe', `${s.control}.kind`, {
    verdict: 'tight',
    title: `${name} is ${names}; no reading left can tell them apart`,
    caption: 'a tie',
    source: ['bayes', 'kind-priors'],
    value: { value: 100 * tie.reduce((sum, k) => sum + s.posterior.kinds[k], 0), unit: '%' },
    remedy: { text: 'Choose a way that suits both, such as an isolated contact across the terminals.' },
  });
}

function kindFinding(s: ControlSurvey, name: string): Finding[] {
  const best = firstItem(s.candidates);
  const words = KIND_WORDS[best.kind].name;
  const still = STILL_POSSIBLE[best.kind];
  const limit = atLeast(100 * KNOWN_AT, '%', 'counts as known', { from: 'source', key: 'known-at' });
  const value = { value: 100 * best.probability, unit: '%' as const };
  return [
    finding('probe', `${s.control}.kind`, {
      verdict: s.known ? 'settled' : 'unknown',
      value,
      limit,
      source: [
        'bayes',
        'kind-priors',
        'builds-met',
        'kernel',
        'supply-filter',
        'remainder',
        'look-shares',
        'siblings',
        'outliers',
        'meter-hand',
      ],
      title: s.known
        ? `${name} is ${words}, ${chanceWords(best.probability)}`
        : `${name} may be ${words}: ${chanceWords(best.probability)}, not certain yet`,
      caption: s.known ? words : 'more readings wanted',
      remedy: s.known ? (still ? { text: still } : null) : { text: 'Take the next reading that Probe proposes.' },
    }),
  ];
}

/** Values that levels and currents of any joint across such a control are worked out from. */
const RESTS_ON: Partial<Record<ControlKind, readonly string[]>> = {
  'low-when-pressed': ['supplyVolts', 'pullUpOhms'],
  'high-when-pressed': ['supplyVolts', 'pullDownOhms'],
  'latching-switch': ['supplyVolts', 'pullUpOhms'],
  ladder: ['supplyVolts', 'pullUpOhms'],
  'scanned-matrix': ['supplyVolts', 'pullUpOhms'],
  'dry-pair': ['loopVolts', 'loopOhms'],
};

function valueFindings(s: ControlSurvey, name: string): Finding[] {
  const best = firstItem(s.candidates);
  const words = KIND_WORDS[best.kind].name;
  const out: Finding[] = [];
  for (const [key, estimate] of Object.entries(best.estimates)) {
    if (estimate.steps.length === 0) {
      // What every joint rests on is asked for by name; the rest may stay unread.
      if (s.known && RESTS_ON[best.kind]?.includes(key))
        out.push(
          finding('probe', `${s.control}.${key}`, {
            verdict: 'unknown',
            title: `${PARAMETER_WORDS[key] ?? key} of ${name} was not read`,
            caption: 'more readings wanted',
            source: ['meter-hand'],
            remedy: { text: 'Take the next reading that Probe proposes.' },
          }),
        );
      continue;
    }
    const last = itemAt(estimate.steps, estimate.steps.length - 1);
    out.push(
      finding('probe', `${s.control}.${key}`, {
        // A value of what is not yet known to be there is no settled value.
        verdict: s.known && !estimate.guessed ? 'settled' : 'unknown',
        title: `${PARAMETER_WORDS[key] ?? key} of ${name}`,
        caption: words,
        value: last.result,
        steps: estimate.steps,
        source: ['ohm', 'meter-hand'],
      }),
    );
  }
  s.contradictions.forEach((c) =>
    out.push(
      finding('probe', `${s.control}.contradiction.${c.readings.join('+')}`, {
        verdict: 'tight',
        title: c.text,
        caption: 'readings disagree',
        source: ['bayes', 'outliers'],
        remedy: {
          text: 'Withdraw the wrong one; it stays in the record.',
          label: 'Withdraw the later one',
          edit: { do: 'strike-reading', id: itemAt(c.readings, c.readings.length - 1), struck: true },
          ...(c.readings.length > 1
            ? {
                others: [
                  {
                    label: 'Withdraw the earlier one',
                    edit: { do: 'strike-reading', id: firstItem(c.readings), struck: true },
                  },
                ],
              }
            : {}),
        },
      }),
    ),
  );
  return out;
}
