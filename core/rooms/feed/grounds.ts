import { itemAt } from '../../ground/lists';
import { atMost, derive, finding, judged, measured, type Finding } from '../../ground/finding';
import type { DriveFact, Facts } from '../../ground/facts';
import { CONTROLLER, reachOf, tickedAt, type FeedSource, type Job } from '../../ground/job';
import { formatQuantity } from '../../ground/quantity';
import { dividerOhms } from '../../build/panel';
import { pulledLow } from '../../build/lines';
import { leadJoins, LEAD_APART } from '../../build/programming-lead';
import { clampAmps } from '../../engines/signal';
import { feedingSource } from '../../engines/supply';
import { CLAMP_AMPS } from '../../build/ways';
import type { SupplyRun } from './supply-run';

/** Most that may stand between two grounds before they are joined, V (`ground-shift`). */
const SHIFT_VOLTS = 0.05;
/** The machine's own ground, beside those of the sources. */
const MACHINE = 'machine';

/** Two grounds that one wire makes one. */
export interface Join {
  /** As `supply~motors`. */
  readonly id: string;
  readonly from: string;
  readonly to: string;
  /** Who asks for it. */
  readonly why: readonly string[];
  /** A reading is wanted before: neither side floats by itself. */
  readonly reads: boolean;
}

const floats = (s: FeedSource): boolean => s.kind === 'cells' || s.kind === 'bank';

/** Which grounds must be joined, by what asks for it: that of a source whose load a pin drives, the machine's where a way shares it. */
export function joinsOf(job: Job, facts: Facts, r: SupplyRun): Join[] {
  const controller = feedingSource(job.feed, CONTROLLER, r.tree);
  if (!controller) return [];
  const out: Join[] = [];
  for (const s of job.feed.sources) {
    if (s === controller) continue;
    const asking = r.loads.filter(
      (l) => l.sharesGround && l.place >= 0 && itemAt(r.tree.nodes, l.place).source === r.tree.at.get(s.id),
    );
    if (asking.length === 0) continue;
    // Rails of one machine have one ground, and it is the machine's.
    if (s.kind === 'rail' && controller.kind === 'rail') continue;
    out.push({
      id: `${controller.id}~${s.id}`,
      from: controller.name,
      to: s.name,
      why: asking.map((l) => l.name),
      reads: !floats(s) && !floats(controller),
    });
  }
  const sharing = [
    ...facts.presses.filter((p) => p.sharesGround && p.control !== ''),
    ...job.senses.filter((s) => reachOf(s) === 'joined'),
  ];
  if (sharing.length > 0 && controller.kind !== 'rail')
    out.push({
      id: `${controller.id}~${MACHINE}`,
      from: controller.name,
      to: 'machine',
      why: sharing.map((p) => p.name),
      reads: !floats(controller),
    });
  return out;
}

/** Every join with its reading, and sources that stay apart. */
export function groundFindings(job: Job, facts: Facts, r: SupplyRun): Finding[] {
  const tied = Object.values(facts.controls).some((f) => f.isolation === 'not-isolated');
  const joins = joinsOf(job, facts, r);
  const out = joins.map((j): Finding => {
    const shift = job.feed.shifts.find((s) => s.id === j.id);
    const [from, to] = j.id.split('~') as [string, string];
    const live =
      tied && (to === MACHINE || [from, to].some((id) => job.feed.sources.find((s) => s.id === id)?.kind === 'rail'));
    const why = `${j.why.slice(0, 3).join(', ')}${j.why.length > 3 ? ` and ${j.why.length - 3} more` : ''}`;
    if (live)
      return finding('feed', `ground@${j.id}`, {
        verdict: 'stop',
        title: `Joining the grounds of ${j.from} and ${j.to} makes the controller live: the machine is tied to mains`,
        caption: 'ground is live',
        source: ['isolation-bounds'],
        remedy: {
          text: 'Take ways that keep the sides apart, and a supply of your own for what the controller drives.',
        },
      });
    if (!j.reads)
      return finding('feed', `ground@${j.id}`, {
        verdict: 'settled',
        title: `One wire joins the grounds of ${j.from} and ${j.to}, for ${why}; one of them floats by itself`,
        caption: 'grounds joined',
      });
    if (!shift)
      return finding('feed', `ground@${j.id}`, {
        verdict: 'unknown',
        title: `The grounds of ${j.from} and ${j.to} are to be joined, for ${why}; what stands between them was not read`,
        caption: 'ground shift?',
        source: ['ground-shift'],
        remedy: {
          text:
            'With both powered and 1 kΩ across the tips, read AC and DC between the two grounds, ' +
            `and enter the higher one: under ${formatQuantity(SHIFT_VOLTS, 'V')} they may be joined.`,
        },
      });
    return judged('feed', `ground@${j.id}`, {
      title: `Between the grounds of ${j.from} and ${j.to}, which one wire joins for ${why}`,
      caption: 'ground shift',
      steps: [
        derive('between the grounds', 'V_g', 'V_r', 'V', [
          measured('V_r', 'across 1 kΩ', shift.volts, 'V', '', 'entered in Feed'),
        ]),
      ],
      limit: atMost(SHIFT_VOLTS, 'V', 'before grounds are joined', { from: 'source', key: 'ground-shift' }),
      tightShare: 0.1,
      remedy: {
        text: 'Over that a current runs between them: find out why before they are joined, or keep the sides apart.',
      },
    });
  });
  const controller = feedingSource(job.feed, CONTROLLER, r.tree);
  const apart = job.feed.sources.filter(
    (s) => controller && s !== controller && !joins.some((j) => j.id.split('~').includes(s.id)) && s.kind !== 'rail',
  );
  if (apart.length > 0)
    out.push(
      finding('feed', 'grounds-apart', {
        verdict: 'settled',
        title: `The ${apart.map((s) => s.name).join(', ')} and the controller’s supply stay apart: no wire joins them`,
        caption: 'grounds apart',
      }),
    );
  return [...out, ...backFeed(job, facts, r)];
}

/** Ways in which current gets into a side that has no power. */
function backFeed(job: Job, facts: Facts, r: SupplyRun): Finding[] {
  const controller = feedingSource(job.feed, CONTROLLER, r.tree);
  if (!facts.drive || !controller) return [];
  const out: Finding[] = [];
  for (const sense of job.senses) {
    // What dies with the machine has nothing left to be fed.
    if (sense.highVolts === null || pulledLow(sense) || controller.kind === 'rail') continue;
    const upper = dividerOhms(sense, facts.drive.highVolts.high);
    if (upper !== null) {
      out.push(
        judged('feed', `back@${sense.id}`, {
          title: `What ${sense.name} pushes into a controller without power`,
          caption: 'fed by a pin',
          steps: [clampAmps(sense.highVolts, 0, upper)],
          limit: atMost(CLAMP_AMPS, 'A', 'what a clamp bears', { from: 'source', key: 'clamp' }),
          remedy: { text: 'Larger resistors before the pin.' },
        }),
      );
      continue;
    }
    const divided = { ...sense, joint: 'divider' as const };
    out.push(
      finding('feed', `back@${sense.id}`, {
        verdict: 'tight',
        title:
          `${sense.name} brings ${formatQuantity(sense.highVolts, 'V')} to a pin: while the controller has no power, ` +
          'it is fed through the pin’s clamp',
        caption: 'fed by a pin',
        source: ['clamp'],
        remedy: {
          text: '10 kΩ before the pin hold it under a milliampere.',
          ...(dividerOhms(divided, facts.drive.highVolts.high) === null
            ? {}
            : {
                label: `A divider before ${sense.name}`,
                edit: {
                  do: 'put',
                  list: 'senses',
                  item: divided,
                  say: `${sense.name}: two resistors before its pin`,
                } as const,
              }),
        },
      }),
    );
  }
  out.push(...programmingFindings(job, facts.drive, controller));
  return out;
}

/** The programming lead beside the controller's own supply, where both stand on one conductor. */
function programmingFindings(job: Job, drive: DriveFact, controller: FeedSource): Finding[] {
  if (!leadJoins(job, drive)) return [];
  const apart = tickedAt(job, LEAD_APART) !== undefined;
  const rail = controller.kind === 'rail';
  const chip = job.feed.duty.into === 'chip' ? ' the chip’s supply' : ' the board';
  return [
    finding('feed', 'back-programming', {
      verdict: apart ? 'settled' : rail ? 'unknown' : 'tight',
      title: apart
        ? `The ${controller.name} is taken off before the programming lead goes in`
        : rail
          ? `The programming lead would feed${chip} and, through the ${controller.name}, the machine: what that draws was not read`
          : `The programming lead and the ${controller.name} would both feed${chip}, and each the other`,
      caption: apart ? 'one feed at a time' : 'two feeds at once',
      source: ['usb', 'cautions'],
      remedy: apart
        ? null
        : {
            text:
              controller.kind === 'cells'
                ? 'Take the cells out before the programming lead goes in: most cells must not be charged.'
                : `Take the ${controller.name} off before the programming lead goes in: a plug or a jumper does.`,
            label: 'It is taken off first',
            edit: {
              do: 'tick',
              step: LEAD_APART,
              title: 'the supply is off before the programming lead goes in',
              on: true,
            },
          },
    }),
  ];
}
