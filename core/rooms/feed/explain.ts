import { itemAt, realAt } from '../../ground/lists';
import { carried, chosen, computed, constant, derive, type Input, type Step } from '../../ground/finding';
import { CONTROLLER, type Job } from '../../ground/job';
import { formatQuantity } from '../../ground/quantity';
import {
  SUPPLY_SHARE,
  CONNECTOR,
  isStandardSize,
  ohmsPerMetre,
  COPPER_OHM_METRES,
  CONVERTER_SPREAD,
  converterValues,
  FUSE_DROP,
  ohmsOfSource,
  spreadOf,
  USUAL_LEAD,
} from '../../engines/electrics';
import { CELLS, cellVolts, isConverter, sourceVolts, type SupplyNode } from '../../engines/supply';
import { sayWhen, type SupplyRun, type Worst } from './supply-run';

type Converter = Extract<SupplyNode, { item: { efficiency: number | null } }>;

/** A value of a converter: as given, or as its sort has it. */
export function converterInput(
  n: Converter,
  key: 'dropVolts' | 'efficiency' | 'idleAmps',
  symbol: string,
  name: string,
): Input {
  const unit = key === 'efficiency' ? '1' : key === 'dropVolts' ? 'V' : 'A';
  const value = converterValues(n.item)[key];
  return n.item[key] === null
    ? constant(symbol, name, value, unit, 'converters')
    : chosen(symbol, name, value, unit, 'set in Feed', key === 'efficiency' ? [0.05, 1] : [0, 100]);
}

/** Volts of a source without a load, at an end of what it may have. */
function openStep(job: Job, n: Extract<SupplyNode, { kind: 'source' }>, end: 'low' | 'high'): Step {
  const s = n.item;
  const what = `${n.name}, ${end === 'low' ? 'at its lowest' : 'at its highest'}, without a load`;
  if (s.kind === 'cells' && s.volts === null) {
    const cell = CELLS[s.chemistry];
    return derive(what, 'V_s', 'n * V_c', 'V', [
      chosen('n', 'cells in a row', s.series, '1', 'set in Feed', [1, 40]),
      constant('V_c', `a fresh ${cell.words}`, end === 'low' ? cellVolts(cell, 0) : cell.freshVolts, 'V', 'cells'),
    ]);
  }
  const volts = sourceVolts(job, s) ?? NaN;
  const given: Input =
    s.volts === null && s.kind === 'rail'
      ? {
          symbol: 'V_0',
          name: 'open volts of the rail',
          value: volts,
          unit: 'V',
          origin: { from: 'measured', at: '', what: 'open volts, in Probe' },
        }
      : chosen('V_0', n.name, volts, 'V', 'set in Feed', [0.5, 1000]);
  if (spreadOf(s) === 0) return derive(what, 'V_s', 'V_0', 'V', [given]);
  return derive(what, 'V_s', end === 'low' ? 'V_0 * (1 - k_s)' : 'V_0 * (1 + k_s)', 'V', [
    given,
    constant('k_s', 'how well a plug-in supply keeps its voltage', SUPPLY_SHARE, '1', 'feed-volts'),
  ]);
}

const path = (r: SupplyRun, place: number): number[] => {
  const out: number[] = [];
  for (let i = place; i >= 0; i = itemAt(r.tree.nodes, i).parent) out.unshift(i);
  return out;
};

/** The resistance of a lead as said, else that of a usual one as a guess. */
function leadInputs(n: Extract<SupplyNode, { kind: 'lead' }>, tag: string): { formula: string; inputs: Input[] } {
  const l = n.item;
  const at = (key: 'metres' | 'squareMetres', symbol: string, name: string, unit: 'm' | 'm²'): Input => {
    const said = l[key];
    const input = chosen(
      symbol,
      name,
      said ?? USUAL_LEAD[key],
      unit,
      'set in Feed',
      key === 'metres' ? [0, 100] : [0.05e-6, 10e-6],
    );
    return said === null
      ? {
          ...input,
          origin: { from: 'default', what: 'a usual lead, common practice; nobody said which', path: 'feed.links' },
        }
      : input;
  };
  const size = l.squareMetres ?? USUAL_LEAD.squareMetres;
  const metres = at('metres', `L${tag}`, `length of ${n.name}`, 'm');
  const contacts =
    l.connector === 'none'
      ? []
      : [constant(`R_k${tag}`, 'a contact of its connector', CONNECTOR[l.connector].ohms, 'Ω', 'connectors')];
  const more = contacts.length > 0 ? ` + 2 * R_k${tag}` : '';
  if (isStandardSize(size))
    return {
      formula: `2 * L${tag} * r${tag}${more}`,
      inputs: [
        metres,
        constant(`r${tag}`, `a metre of ${formatQuantity(size, 'm²')}`, ohmsPerMetre(size, l.strand), 'Ω', 'iec-60228'),
        ...contacts,
      ],
    };
  return {
    formula: `2 * L${tag} * ρ / A${tag}${more}`,
    inputs: [
      metres,
      constant('ρ', 'copper, ohms times metres', COPPER_OHM_METRES, '1', 'iec-60028'),
      at('squareMetres', `A${tag}`, 'cross-section of a conductor of it', 'm²'),
      ...contacts,
    ],
  };
}

/** Current through a part at an instant: from what hangs behind it; a converter's draw at the voltage that it has then. */
export function currentSteps(r: SupplyRun, place: number, w: Worst, how: 'peak' | 'lasting'): Step[] {
  const instant = itemAt(itemAt(r.courses, w.course).instants, w.instant);
  const amps = r.drawn(instant, how);
  const solved = r.at(w, how);
  const pins = instant.active.reduce((s, a) => s + (a.load < 0 ? a.amps : 0), 0);
  const out: Step[] = [];
  const sum = (at: number): Step => {
    const inputs: Input[] = [];
    const region = [at];
    for (let i = 0; i < region.length; i++) {
      for (const load of itemAt(r.hung, itemAt(region, i))) {
        const l = itemAt(r.loads, load);
        if (realAt(amps, load) > 0)
          inputs.push({
            symbol: `I_${load + 1}`,
            name: l.name,
            value: realAt(amps, load),
            unit: 'A',
            origin: l.origin,
          });
      }
      if (pins > 0 && itemAt(r.hung, itemAt(region, i)).some((load) => itemAt(r.loads, load).id === CONTROLLER))
        inputs.push(computed('I_pins', 'pins that press', pins, 'A', 'what the ways draw from their pins, in Thumb'));
      for (const child of itemAt(r.tree.below, itemAt(region, i))) {
        const n = itemAt(r.tree.nodes, child);
        if (isConverter(n)) inputs.push(carried(input(child, n)));
        else region.push(child);
      }
    }
    const name = itemAt(r.tree.nodes, at).name;
    const step = derive(
      `current ${at === place ? (how === 'peak' ? 'at the worst instant' : 'that lasts') : `out of ${name}`}`,
      `I_o${at}`,
      inputs.map((i) => i.symbol).join(' + ') || '0',
      'A',
      inputs,
    );
    out.push(step);
    return step;
  };
  const input = (at: number, n: Converter): Step => {
    const behind = sum(at);
    const idle = converterInput(n, 'idleAmps', `I_q${at}`, `own draw of ${n.name}`);
    const step =
      n.kind === 'linear'
        ? derive(`current into ${n.name}`, `I_i${at}`, `I_o${at} + I_q${at}`, 'A', [carried(behind), idle])
        : derive(`current into ${n.name}`, `I_i${at}`, `V_o${at} * I_o${at} / (η${at} * V_i${at}) + I_q${at}`, 'A', [
            computed(
              `V_o${at}`,
              `volts out of ${n.name}`,
              realAt(solved.volts, at),
              'V',
              'at this instant, at the low corner',
            ),
            carried(behind),
            converterInput(n, 'efficiency', `η${at}`, `efficiency of ${n.name}`),
            computed(
              `V_i${at}`,
              `volts into ${n.name}`,
              n.parent < 0 ? 0 : realAt(solved.volts, n.parent),
              'V',
              'found together with this current, since each moves the other',
            ),
            idle,
          ]);
    out.push(step);
    return step;
  };
  sum(place);
  return out;
}

/** Volts behind a part at an instant, from its source on. */
export function voltSteps(job: Job, r: SupplyRun, place: number, w: Worst): Step[] {
  const solved = r.at(w);
  const out: Step[] = [];
  let last: Step | null = null;
  for (const i of path(r, place)) {
    const n = itemAt(r.tree.nodes, i);
    const amps = computed(
      `I_${i}x`,
      `current through ${n.name} then`,
      realAt(solved.amps, i),
      'A',
      'what hangs behind it at that instant, of the whole tree',
    );
    if (n.kind === 'source') {
      last = openStep(job, n, 'low');
      out.push(last);
      const { ohms, origin } = ohmsOfSource(job, n.item);
      if (ohms > 0 || origin.from === 'prior') {
        last = derive(`behind ${n.name}`, `V_n${i}`, `max(0, V_s - I_${i}x * R_s)`, 'V', [
          carried(last),
          amps,
          { symbol: 'R_s', name: 'resistance of the source', value: ohms, unit: 'Ω', origin },
        ]);
        out.push(last);
      }
    } else if (n.kind === 'lead' && last) {
      const { formula, inputs } = leadInputs(n, String(i));
      last = derive(`behind ${n.name}`, `V_n${i}`, `max(0, ${last.symbol} - I_${i}x * (${formula}))`, 'V', [
        carried(last),
        amps,
        ...inputs,
      ]);
      out.push(last);
    } else if (n.kind === 'fuse' && last) {
      last = derive(`behind ${n.name}`, `V_n${i}`, `max(0, ${last.symbol} - I_${i}x * V_f / I_f${i})`, 'V', [
        carried(last),
        amps,
        constant('V_f', 'what a fuse drops at its rating', FUSE_DROP, 'V', 'fuse-drop'),
        chosen(`I_f${i}`, `rating of ${n.name}`, n.item.amps ?? Infinity, 'A', 'set in Feed', [0.05, 32]),
      ]);
      out.push(last);
    } else if (isConverter(n) && last) {
      const set = chosen(`V_set${i}`, `${n.name} is set to`, n.item.volts, 'V', 'set in Feed', [0.5, 100]);
      const spread = constant('k_c', 'how well a converter keeps its voltage', CONVERTER_SPREAD, '1', 'converters');
      last =
        n.kind === 'step-up'
          ? derive(`out of ${n.name}`, `V_n${i}`, `V_set${i} * (1 - k_c)`, 'V', [set, spread])
          : derive(`out of ${n.name}`, `V_n${i}`, `max(0, min(V_set${i} * (1 - k_c), ${last.symbol} - V_d${i}))`, 'V', [
              set,
              spread,
              carried(last),
              converterInput(n, 'dropVolts', `V_d${i}`, `what ${n.name} needs above its output`),
            ]);
      out.push(last);
    }
  }
  return out;
}

/** Most volts behind a part: its source at its highest with nothing drawn, or what a converter is set to. */
export function mostSteps(job: Job, r: SupplyRun, place: number): Step[] {
  const line = path(r, place);
  const from = line.findLastIndex(
    (i) => isConverter(itemAt(r.tree.nodes, i)) || itemAt(r.tree.nodes, i).kind === 'source',
  );
  const n = itemAt(r.tree.nodes, itemAt(line, from));
  if (n.kind === 'source') return [openStep(job, n, 'high')];
  if (!isConverter(n)) return [];
  const set = chosen('V_set', `${n.name} is set to`, n.item.volts, 'V', 'set in Feed', [0.5, 100]);
  const spread = constant('k_c', 'how well a converter keeps its voltage', CONVERTER_SPREAD, '1', 'converters');
  return [derive(`out of ${n.name}, at its highest`, 'V_n', 'V_set * (1 + k_c)', 'V', [set, spread])];
}

/** A title's tail: when it is met. */
export const whenWords = (r: SupplyRun, w: Worst): string => sayWhen(r, w, (s) => formatQuantity(s, 's'));
