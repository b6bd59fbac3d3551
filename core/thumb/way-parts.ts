import { atMost, constant, derive, finding, gravest, judged, worst, type Finding } from '../finding';
import type { PressFact, Way } from '../job';
import { exactly, formatQuantity } from '../quantity';
import { CLASSES } from './classes';
import type { Line } from './line';
import { WAY_WORDS, type Part, type WayContext, type WayResult, type Wire } from './way';

const WIRE_OHMS_PER_METRE = 0.1;

export function wireOhms(c: WayContext) {
  const ohms = c.job.thumb.groundWireMetres * WIRE_OHMS_PER_METRE;
  return { symbol: 'R_wire', name: 'ground wire and joints', range: exactly(ohms), unit: 'Ω' as const, origin: { from: 'source', key: 'ground-wire' } as const };
}

/** The current that a closed button passes, at its highest. */
export const buttonCurrent = (line: Line) => worst('highest', 'current through the closed button', 'I_button', 'V_CC / R', 'A', [line.supply, line.pull]);

/** A finding as one line: a sentence as it is, a margin with its two numbers. */
function reasonOf(f: Finding): string {
  if (!f.value || !f.limit || /\d/.test(f.title)) return f.title;
  return `${f.caption} ${formatQuantity(f.value.value, f.value.unit)}, ${f.limit.sense} ${formatQuantity(f.limit.value, f.limit.unit)}`;
}

export function result(way: Way, findings: Finding[], parts: Part[], list: Wire[], press: Omit<PressFact, 'way' | 'verdict' | 'holdOhms'> & Partial<Pick<PressFact, 'holdOhms'>>): WayResult {
  const verdict = gravest(findings.map((f) => f.verdict));
  const against = findings.find((f) => f.verdict === verdict && verdict !== 'settled');
  return { way, verdict, findings, parts, wires: list, press: { way, verdict, holdOhms: null, ...press }, reason: against ? reasonOf(against) : WAY_WORDS[way].costs };
}

/** Kinds that no contact across two terminals can press. */
const NO_CONTACT: readonly WayContext['fact']['leading'][] = ['touch-pad', 'motor-pair', 'serial-bus', 'encoder'];

export function carriesLoad(way: Way, c: WayContext): Finding[] {
  if (c.line) return [];
  const kind = c.fact.leading;
  if (NO_CONTACT.includes(kind)) return [finding('thumb', `${way}.load`, { verdict: 'stop', title: 'There is no contact here that a closed switch could stand for', caption: 'no contact to bridge', remedy: { text: 'Probe says what can still be done with such a control.' } })];
  if (kind === 'ladder') return [ladderShift(way, c)];
  const contact = way === 'relay-contact';
  return [finding('thumb', `${way}.load`, {
    verdict: contact ? 'unknown' : 'stop', title: contact ? 'The contact would carry the load itself; see Guard for its rating' : 'This contact carries the load current itself, which this part cannot', caption: 'carries the load',
    remedy: { text: 'Enter the load in Guard; a power contact is judged there.' },
  })];
}

/** On a ladder the closed switch stands in series with this button's resistor and moves its level by its own resistance. */
function ladderShift(way: Way, c: WayContext): Finding {
  const { ssr } = CLASSES;
  const pull = c.fact.parameters['pullUpOhms'];
  const key = c.fact.parameters['keyOhms'];
  const on = way === 'solid-state-relay' ? ssr.onOhms.range.high : way === 'relay-contact' ? 0.2 : null;
  if (!pull || !key || on === null) return finding('thumb', `${way}.ladder`, { verdict: 'stop', title: 'A transistor adds a voltage of its own and would look like another button of the ladder', caption: 'shifts the ladder', remedy: { text: 'Use a contact or a solid-state relay across the button.' } });
  const origin = { from: 'measured', at: c.fact.lastReadingAt, what: 'estimated in Probe' } as const;
  const shift = derive('shift of the level, as a share of the supply', 'd', '(R_key + R_on) / (R + R_key + R_on) - R_key / (R + R_key)', '1', [
    { symbol: 'R_key', name: 'resistor of this button', value: key.nominal, unit: 'Ω', origin }, { symbol: 'R', name: 'pull-up', value: pull.low, unit: 'Ω', origin }, constant('R_on', 'closed switch', on, 'Ω', way === 'solid-state-relay' ? 'parts-ssr' : 'parts-relay'),
  ]);
  return judged('thumb', `${way}.ladder`, { title: 'Shift of this button’s level on the ladder', caption: 'ladder shift', steps: [shift], limit: atMost(0.03, '1', 'three hundredths of the supply', { from: 'source', key: 'ladder-window' }), source: ['ohm'] });
}
