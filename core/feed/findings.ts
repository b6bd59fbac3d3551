import { atMost, carried, chosen, constant, derive, finding, judged, type Finding } from '../finding';
import type { Facts, Job } from '../job';

export interface Load {
  readonly name: string;
  readonly meanAmps: number;
  readonly peakAmps: number;
}

/** Share of a supply that stays in reserve (`feed-spare`). */
const RESERVE = 0.2;

/** What hangs on the one supply: the controller, and what the press draws while it lasts. */
export function loadsOf(job: Job, facts: Facts): Load[] {
  const press = facts.press;
  const pressing = press ? Math.max(0, press.supplyAmps) + Math.max(0, press.pinAmps) : 0;
  const share = pressShare(job);
  return [
    ...(facts.drive ? [{ name: facts.drive.controller, meanAmps: facts.drive.meanAmps, peakAmps: facts.drive.peakAmps }] : []),
    ...(press ? [{ name: press.load, meanAmps: pressing * share, peakAmps: Math.max(pressing, press.peakAmps) }] : []),
  ];
}

/** Share of the press script's time in which it presses; a script without length presses all the time. */
function pressShare(job: Job): number {
  const total = job.act.script.reduce((s, x) => s + x.seconds, 0);
  const pressed = job.act.script.filter((x) => x.do === 'press').reduce((s, x) => s + x.seconds, 0);
  return total > 0 ? pressed / total : 1;
}

/** What Feed judges: one supply against the mean and the peak of its loads. */
export function feedFindings(job: Job, facts: Facts): Finding[] {
  const { amps, volts } = job.feed;
  if (amps === null || volts === null) {
    return [finding('feed', 'supply', {
      verdict: 'unknown', title: 'No supply chosen yet', caption: 'no supply yet',
      remedy: { text: 'A 5 V, 1 A plug-in supply of its own suits most single buttons.', label: 'Use 5 V, 1 A', edit: { do: 'change', section: 'feed', set: { supply: 'own plug-in supply', volts: 5, amps: 1 }, say: 'own supply, 5 V, 1 A' } },
    })];
  }
  const loads = loadsOf(job, facts);
  if (loads.length === 0) return [finding('feed', 'loads', { verdict: 'unknown', title: 'Nothing is known to hang on the supply yet', caption: 'no loads yet', remedy: { text: 'Choose a controller in Board and a way of pressing in Thumb.' } })];
  const limit = atMost(amps * (1 - RESERVE), 'A', `four fifths of the ${job.feed.supply || 'supply'}`, { from: 'source', key: 'feed-spare' });
  const sum = (word: 'mean' | 'peak', symbol: string): Finding => {
    const inputs = loads.map((l, i) => constant(`I_${i + 1}`, l.name, l[`${word}Amps`], 'A', 'feed-loads'));
    const step = derive(`${word} draw`, symbol, inputs.map((i) => i.symbol).join(' + '), 'A', inputs);
    return judged('feed', word, { title: `${word === 'peak' ? 'Peak' : 'Mean'} draw under four fifths of the supply`, caption: `${word} draw`, steps: [step], limit, tightShare: 0.1 });
  };
  const out = [sum('mean', 'I_mean'), sum('peak', 'I_peak')];
  const peak = out[1]!;
  const spare = derive('spare at the peak', 'spare', '100 * (1 - I_peak / I_supply)', '%', [
    carried(peak.steps[0]!), chosen('I_supply', 'what the supply gives', amps, 'A'),
  ]);
  out.push(finding('feed', 'spare', { verdict: peak.verdict, title: 'Spare at the peak', caption: `${Math.max(0, Math.round(spare.result.value))} % spare`, value: spare.result, steps: [...peak.steps, spare], source: ['feed-loads'] }));
  const needs = facts.press?.needsVolts ?? 0;
  if (needs > 0 && Math.abs(volts - needs) > 0.1 * needs) {
    out.push(finding('feed', 'coil-volts', { verdict: 'stop', title: `The ${facts.press!.load} wants ${needs} V; this supply gives ${volts} V`, caption: 'wrong voltage', source: ['feed-loads'], remedy: { text: `Take a ${needs} V supply, or a part for ${volts} V in Thumb.` } }));
  }
  return out;
}
