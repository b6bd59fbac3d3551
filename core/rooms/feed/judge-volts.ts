import { firstItem, itemAt, lastItem, present, realAt } from '../../ground/lists';
import {
  concerning,
  atLeast,
  atMost,
  finding,
  judged,
  type Finding,
  type Remedy,
  type Step,
} from '../../ground/finding';
import { bearsAmps, ohmsPerMetre, soldSizes, USUAL_LEAD } from '../../engines/electrics';
import { CONTROLLER, freeNodeId, freshLink, type FeedLink, type Job, type JobEdit } from '../../ground/job';
import { formatQuantity } from '../../ground/quantity';
import { nominalVolts, sourceVolts, type SupplyNode } from '../../engines/supply';
import { capacitorFor, leastHeld, sharedOhms } from './capacitor';
import { markedFor } from './judge-capacitor';
import { mostSteps, voltSteps, whenWords } from './explain';
import { asFarAsSaid } from './ids';
import type { FedLoad } from './loads';
import type { SupplyRun, Worst } from './supply-run';

/** A margin of volts is tight under this share of its limit. */
const TIGHT_LOW = 0.01;
const TIGHT_HIGH = 0.02;
/** Room that a remedy leaves above a limit, as a share. */
const ROOM = 0.012;

type Lead = Extract<SupplyNode, { kind: 'lead' }>;
/** Leads between a part of the tree and its source, the nearest first. */
function leadsOn(r: SupplyRun, place: number): { n: Lead; amps: (w: Worst) => number }[] {
  const out: { n: Lead; amps: (w: Worst) => number }[] = [];
  for (let i = place; i >= 0; i = itemAt(r.tree.nodes, i).parent) {
    const n = itemAt(r.tree.nodes, i);
    const at = i;
    if (n.kind === 'lead') out.push({ n, amps: (w) => realAt(r.at(w).amps, at) });
    if (n.kind === 'linear' || n.kind === 'step-down' || n.kind === 'step-up') break;
  }
  return out;
}

const putLink = (item: FeedLink, say: string): JobEdit => ({ do: 'put', list: 'feed.links', item, say });

/** The lead that drops most, thick enough for what is missing. */
function thicker(job: Job, r: SupplyRun, l: FedLoad, w: Worst, missing: number): Remedy | null {
  const leads = leadsOn(r, l.place)
    .map(({ n, amps }) => {
      const metres = n.item.metres ?? USUAL_LEAD.metres;
      const size = n.item.squareMetres ?? USUAL_LEAD.squareMetres;
      const drop = (squareMetres: number): number => amps(w) * 2 * metres * ohmsPerMetre(squareMetres, n.item.strand);
      return { n, metres, size, drop, amps: amps(w) };
    })
    .sort((a, b) => b.drop(b.size) - a.drop(a.size));
  const most = leads[0];
  if (!most) return null;
  const size = soldSizes(job.region.mainsVolts < 200).find(
    (s) => s > most.size && most.drop(most.size) - most.drop(s) >= missing && bearsAmps(s) >= most.amps,
  );
  if (!size) return null;
  const words = `${formatQuantity(most.metres, 'm')} of ${formatQuantity(size, 'm²')}`;
  return {
    text: `Take a thicker ${most.n.name}, or a shorter one.`,
    label: `Take ${words}`,
    edit: putLink({ ...most.n.item, metres: most.metres, squareMetres: size }, `${most.n.name}: ${words}`),
  };
}

/** A capacitor beside the controller that carries its bursts, where what lasts leaves enough. */
function capacitorRemedy(job: Job, r: SupplyRun, l: FedLoad, low: number): Remedy | null {
  if (l.id !== CONTROLLER) return null;
  const calm = Math.min(
    ...r.courses.flatMap((c, course) =>
      c.instants.map((_, instant) => realAt(r.calm({ value: 0, course, instant }).volts, l.place)),
    ),
  );
  const ohms = sharedOhms(job, r, l.place);
  const farads = capacitorFor(l.startAmps - l.runAmps, ohms, calm - low * (1 + ROOM));
  if (!farads) return null;
  const words = `${formatQuantity(farads, 'F')} at the controller`;
  return {
    text: `A capacitor of ${words} carries its bursts.`,
    label: `Add ${words}`,
    edit: putLink(
      {
        ...freshLink(freeNodeId(job.feed, 'capacitor'), 'capacitor', 'capacitor', itemAt(r.tree.nodes, l.place).id),
        farads,
        bearsVolts: markedFor(realAt(r.most, l.place)),
      },
      `a capacitor of ${words}`,
    ),
  };
}

/** The usual lead, where nobody said which: confirming it makes a fact of a guess. */
function sayLead(r: SupplyRun, l: FedLoad): Remedy | null {
  const guess = leadsOn(r, l.place).find(({ n }) => n.item.metres === null || n.item.squareMetres === null)?.n;
  if (!guess) return null;
  const metres = guess.item.metres ?? USUAL_LEAD.metres;
  const squareMetres = guess.item.squareMetres ?? USUAL_LEAD.squareMetres;
  return {
    text: `Say in Feed how long and how thick the ${guess.name} is.`,
    label: `It has ${formatQuantity(metres, 'm')} of ${formatQuantity(squareMetres, 'm²')}`,
    edit: putLink({ ...guess.item, metres, squareMetres }, 'lead of the supply, as it usually is'),
  };
}

/** What would make a load's voltage right where the supply itself is of another one. */
const wrongSupply = (l: FedLoad): Remedy => ({
  text:
    `${l.id === CONTROLLER ? 'This board' : `The ${l.name}`} wants ${formatQuantity(present(l.volts).nominal, 'V')}: take ` +
    'such a supply, a shorter or thicker lead, or a converter between.',
});

function lowFinding(job: Job, r: SupplyRun, l: FedLoad, called: string): Finding {
  const controller = l.id === CONTROLLER;
  const w = itemAt(r.least, l.place);
  const bare = voltSteps(job, r, l.place, w);
  const held = leastHeld(job, r, l.place);
  const steps: readonly Step[] = held ? held.steps : bare;
  const value = lastItem(steps).result.value;
  const low = present(l.volts).low;
  const nominal = nominalVolts(job, r.tree, l.place);
  const reaches = nominal !== null && nominal >= low;
  const missing = low * (1 + ROOM) - value;
  const tight = value < low * (1 + TIGHT_LOW);
  const remedy =
    value < low
      ? ((reaches ? ((held ? null : capacitorRemedy(job, r, l, low)) ?? thicker(job, r, l, w, missing)) : null) ??
        wrongSupply(l))
      : tight
        ? (sayLead(r, l) ?? thicker(job, r, l, w, missing))
        : sayLead(r, l);
  return judged('feed', controller ? 'least-volts' : `low@${l.id}`, {
    title: `Least voltage at the ${called}${held ? ', with its capacitor' : ''}`,
    caption: 'supply too low?',
    steps: held
      ? steps
      : [...bare.slice(0, -1), { ...lastItem(bare), what: `voltage at the ${l.name}: ${whenWords(r, w)}` }],
    limit: atLeast(low, 'V', controller ? 'least that its board runs from' : 'least that it works from', l.voltsOrigin),
    tightShare: TIGHT_LOW,
    remedy,
  });
}

function highFinding(job: Job, r: SupplyRun, l: FedLoad, called: string): Finding {
  const controller = l.id === CONTROLLER;
  const steps = mostSteps(job, r, l.place);
  return judged('feed', controller ? 'most-volts' : `high@${l.id}`, {
    title: `Highest voltage at the ${called}`,
    caption: 'supply too high?',
    steps,
    limit: atMost(
      present(l.volts).high,
      'V',
      controller ? 'most that its board bears' : 'most that it bears',
      l.voltsOrigin,
    ),
    tightShare: TIGHT_HIGH,
    remedy: lastItem(steps).result.value > present(l.volts).high ? wrongSupply(l) : null,
  });
}

/** Loads of one place that work between the same voltages are judged as one: what one gets, all get. */
export function judgeLoads(job: Job, r: SupplyRun): Finding[] {
  const alike = new Map<string, FedLoad[]>();
  for (const l of r.loads) {
    if (!l.volts) continue;
    const known = !Number.isNaN(l.runAmps) && l.place >= 0;
    const key = known ? `${l.place} ${l.volts.low} ${l.volts.high} ${l.current} ${l.id === CONTROLLER}` : l.id;
    alike.set(key, [...(alike.get(key) ?? []), l]);
  }
  return [...alike.values()].flatMap((list) =>
    concerning(
      { nodes: list.map((l) => l.id) },
      judgeLoad(
        job,
        r,
        firstItem(list),
        list.length > 1 ? `${firstItem(list).name} and ${list.length - 1} alike` : firstItem(list).name,
      ),
    ),
  );
}

/** What a load gets against what it works from and bears; what hangs on nothing, or on the wrong sort of current. */
function judgeLoad(job: Job, r: SupplyRun, l: FedLoad, called: string): Finding[] {
  const node = r.tree.nodes[l.place];
  const source = node && r.tree.nodes[node.source];
  if (!node || source?.kind !== 'source') return [unfed(job, r, l)];
  const out: Finding[] = [];
  if (Number.isNaN(l.runAmps))
    out.push(
      finding('feed', `draw@${l.id}`, {
        verdict: 'unknown',
        title: `What the ${l.name} draws is not known`,
        caption: 'draw not known',
        remedy: { text: 'Enter its running and its stalled current in Thumb, from its plate or from its winding.' },
      }),
    );
  const converted = ['linear', 'step-down', 'step-up'].some((k) => passes(r, l.place, k));
  const current = converted || source.item.kind === 'mains-module' ? 'dc' : source.item.current;
  if (current !== l.current)
    out.push(
      finding('feed', `current@${l.id}`, {
        verdict: 'stop',
        title:
          current === 'ac'
            ? `The ${source.name} gives alternating current, and the ${l.name} wants direct current`
            : `The ${source.name} gives direct current, and the ${l.name} wants alternating current`,
        caption: 'AC or DC',
        source: ['cautions'],
        remedy: {
          text: 'Take a supply of the right sort; a rectifier makes 1.4 times the volts of alternating current.',
        },
      }),
    );
  if (!l.volts || sourceVolts(job, source.item) === null) return out;
  if (Number.isNaN(l.volts.low))
    return [
      ...out,
      finding('feed', 'chip-volts', {
        verdict: 'unknown',
        title: `Between which voltages the chip of the ${l.name} runs is not known`,
        caption: 'chip’s voltage?',
        remedy: { text: 'Say it in the board’s values in Board, or feed the board’s own input.' },
      }),
    ];
  return [...out, ...asFarAsSaid(r, l.place, [lowFinding(job, r, l, called)]), highFinding(job, r, l, called)];
}

const passes = (r: SupplyRun, place: number, kind: string): boolean => {
  for (let i = place; i >= 0; i = itemAt(r.tree.nodes, i).parent)
    if (itemAt(r.tree.nodes, i).kind === kind) return true;
  return false;
};

/** A load that nothing feeds: with the parts of the tree whose voltage suits it. */
function unfed(job: Job, r: SupplyRun, l: FedLoad): Finding {
  const fits = r.tree.ends
    .map((i) => ({ n: itemAt(r.tree.nodes, i), volts: nominalVolts(job, r.tree, i) }))
    .filter((x) => x.volts !== null && l.volts && x.volts >= l.volts.low && x.volts <= l.volts.high);
  const one = fits[0];
  return finding('feed', `unfed@${l.id}`, {
    verdict: 'unknown',
    title: `What feeds the ${l.name} is not said`,
    caption: 'fed by what?',
    remedy: one
      ? {
          text: `It works on ${formatQuantity(present(l.volts).nominal, 'V')}; say what it hangs on.`,
          label: `It hangs on the ${one.n.name}`,
          edit: {
            do: 'put',
            list: 'feed.hangs',
            item: { load: l.id, node: one.n.id },
            say: `${l.name} on the ${one.n.name}`,
          },
        }
      : {
          text: l.volts
            ? `Add a supply or a converter of ${formatQuantity(l.volts.nominal, 'V')}, and let it hang on that.`
            : 'Say in Feed what it hangs on.',
        },
  });
}
