import { actFindings } from './act';
import { boardFindings, contactAtPowerUp, driveFact, longestClosed, profileOf } from './board';
import { drawJoint, netlistOf, type DrawingInput } from './circuit';
import { feedFindings } from './feed';
import { byHarm, gravest, ROOMS, type Finding, type Room, type Verdict } from './finding';
import { guardFindings, needsProveDead } from './guard';
import type { Facts, Job } from './job';
import { packFiles, packFindings, type PackFile } from './pack';
import { controlFacts, nextFor, probeFindings, surveyOf, type NextReading, type Survey } from './probe';
import { formatQuantity, type Random } from './quantity';
import { routineFindings } from './routine';
import { senseFindings } from './sense';
import { pressStandin, restartStandin, STANDINS, type TryOut } from './standin';
import { chosenWay, jointOf, rankWays, thumbFindings, WAY_WORDS, wayContext, type WayResult } from './thumb';
import { progressOf, testSheet, tryFindings } from './try';
import { wishFindings } from './wish';

/** Everything that follows from a job: the findings of all rooms, and what the rooms computed on the way. */
export interface Assessment {
  readonly findings: readonly Finding[];
  readonly facts: Facts;
  readonly surveys: readonly Survey[];
  readonly ways: readonly WayResult[];
}

/** Asks each room in the order of the work; the only place that knows them all. Pure and free of side effects. */
export function assess(job: Job): Assessment {
  const surveys = job.controls.map((c) => surveyOf(job, c.id));
  const before: Facts = { controls: controlFacts(job, surveys), drive: driveFact(job), press: null };
  const ways = rankWays(job, before);
  const way = chosenWay(job, ways);
  const facts: Facts = { ...before, press: way?.press ?? null };
  const proveDead = needsProveDead(job);
  const tried = tryFindings(job, proveDead);
  const signedOff = tried.find((f) => f.id === 'try.sheet')?.verdict === 'settled';
  const findings = [
    ...wishFindings(job),
    ...probeFindings(job, surveys),
    ...thumbFindings(job, ways),
    ...boardFindings(job, facts),
    ...feedFindings(job, facts),
    ...guardFindings(job, facts),
    ...senseFindings(job),
    ...actFindings(job),
    ...routineFindings(job),
    ...tried,
    ...packFindings(job, way !== null, signedOff),
  ];
  return { findings, facts, surveys, ways };
}

/** A bead of the thread: the room's gravest finding. */
export interface Bead {
  readonly room: Room;
  readonly verdict: Verdict;
  readonly caption: string;
  /** The finding that speaks for the room. */
  readonly finding: Finding | null;
}

/** The eleven beads of a job, in the order of the work. A settled room is spoken for by its first settled finding. */
export function threadOf(findings: readonly Finding[]): Bead[] {
  return ROOMS.map((room) => {
    const own = findings.filter((f) => f.room === room);
    const verdict = gravest(own.map((f) => f.verdict));
    const worst = [...own].sort(byHarm)[0];
    const summary = own.filter((f) => f.verdict === verdict && SUMMARIES.has(f.id))[0];
    const speaker = summary ?? worst ?? null;
    return { room, verdict, caption: speaker?.caption ?? '', finding: speaker };
  });
}

/** Findings that sum up a room and speak for it where they are as grave as the rest. */
const SUMMARIES: ReadonlySet<string> = new Set(['try.sheet', 'guard.ticks', 'feed.spare', 'act.run', 'routine.plan', 'wish.questions', 'thumb.choice', 'board.press-pin', 'pack.files']);

/** What to do next: the first stop, else the first room that is not settled, in the order of the work. */
export function nextStep(beads: readonly Bead[]): Bead | null {
  const order: Verdict[] = ['stop', 'unknown', 'tight'];
  for (const verdict of order) {
    const bead = beads.find((b) => b.verdict === verdict);
    if (bead) return bead;
  }
  return null;
}

/** The next reading of a control, or null; see the room Probe. */
export function nextReadingOf(job: Job, a: Assessment, control: string): NextReading | null {
  const survey = a.surveys.find((s) => s.control === control);
  return survey ? nextFor(job, survey) : null;
}

/** What the drawing of the chosen (or a given) way shows. */
export function drawingOf(job: Job, a: Assessment, way: WayResult): DrawingInput {
  const context = wayContext(job, a.facts);
  const name = context?.control.name ?? '';
  const line = context?.line;
  const high = context?.fact.leading === 'high-when-pressed';
  const signal = context?.fact.signal ?? 'A';
  const other = signal === 'A' ? 'B' : 'A';
  const about = line ? `${formatQuantity(line.supply.range.nominal, 'V')}, ${formatQuantity(line.pull.range.nominal, 'Ω')}` : '';
  return {
    way: way.way,
    pin: job.board.pressPin === null ? 'pin ?' : `pin ${job.board.pressPin}`,
    appliance: job.title.toLowerCase(),
    upper: `${name} ${high ? other : signal}`,
    lower: `${name} ${high ? signal : other}`,
    upperNote: high ? 'its own supply' : about,
    lowerNote: high ? about : way.press.sharesGround ? 'shared ground' : 'its own ground',
    resistor: way.press.resistorOhms === null ? '' : formatQuantity(way.press.resistorOhms, 'Ω'),
    part: WAY_WORDS[way.way].name.toLowerCase(),
    partNote: way.parts.find((p) => !p.name.startsWith('resistor'))?.value ?? '',
    wires: way.wires,
    apart: way.press.galvanicallyApart ? '5 kV, 7 mm where safety-rated' : null,
    forbidden: way.press.sharesGround && context?.fact.isolation !== 'isolated',
  };
}

/** Every file that Pack can write for a job now. */
export function filesOf(job: Job, a: Assessment): PackFile[] {
  const way = chosenWay(job, a.ways);
  const context = wayContext(job, a.facts);
  const joint = way && context ? jointOf(context, way) : null;
  const sheet = progressOf(job, testSheet(job, needsProveDead(job))).map((p) => ({ ...p.step, done: p.done, state: p.state }));
  return packFiles({
    job, findings: a.findings, sheet,
    joint: way && { marks: drawJoint(drawingOf(job, a, way)), wires: way.wires, parts: way.parts, netlist: joint && netlistOf(joint, true) },
  });
}

/** Takes one step of the test sheet on the job's stand-in. Throws RangeError where there is none or it cannot take that step. */
export function runOnStandin(job: Job, a: Assessment, step: string, times: number, random: Random): TryOut {
  const standin = STANDINS[job.standin.model];
  if (!standin) throw new RangeError('this job has no stand-in');
  const way = chosenWay(job, a.ways);
  const context = wayContext(job, a.facts);
  const joint = way && context ? jointOf(context, way) : null;
  switch (step) {
    case 'dummy-load':
    case 'one-press':
      return pressStandin(standin, joint, job.act.script, 1, random);
    case 'many-presses':
      return pressStandin(standin, joint, job.act.script, times, random);
    case 'restarts': {
      const pin = profileOf(job)?.pins.find((p) => p.gpio === job.board.pressPin);
      if (!pin || !a.facts.press) return { count: times, failed: times, observed: 'no pin and no way of pressing are chosen, so nothing can be restarted' };
      const closed = longestClosed(contactAtPowerUp(pin, a.facts.press, job.board.activeHigh, job.board.pullDown, profileOf(job)!), 'maybe');
      return restartStandin(standin, closed, times);
    }
    case 'hand-switch':
      // The thumb sits across the button and at rest it is open, so a hand still closes the same contact.
      return pressStandin(standin, joint && { ...joint, way: 'relay-contact', onOhms: standin.build.contactOhms }, [{ do: 'press', seconds: 0.3 }], 1, random);
    default:
      throw new RangeError(`the stand-in cannot take the step ${step}`);
  }
}
