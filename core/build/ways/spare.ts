import { firstItem, present } from '../../ground/lists';
import { restContact, stateSense } from '../../ground/job';
import { finding, type Finding } from '../../ground/finding';
import type { ControlFact } from '../../ground/facts';
import { exactly, within } from '../../ground/quantity';
import type { WayContext, WayResult } from './context';
import { lineOf, shareLevel } from './line';
import { planOrigin } from './ratings';
import { noUse, result } from './result';
import { optocoupler } from './optocoupler';
import { solidStateRelay } from './solid-state-relay';
import { npnToGround } from './transistor';
import { relayContact } from './relay';

/** An inner way's result under the name of the way that borrows it. */
function borrowed(way: 'spare-terminals' | 'spare-remote', inner: WayResult, first: readonly Finding[]): WayResult {
  const renamed = inner.findings.map((f) => ({ ...f, id: f.id.replace(`thumb.${inner.way}.`, `thumb.${way}.`) }));
  const { way: _way, verdict: _verdict, ...press } = inner.press;
  return result(way, [...first, ...renamed], inner.parts, inner.wires, inner.kinds, press);
}

/** A way that is borrowed, and the context that it is judged in. */
export interface Borrowed {
  readonly context: WayContext;
  readonly way: WayResult;
}

/** The other control that is a dry pair, pressed by what suits it; null where none is known. */
function pairOf(c: WayContext): Borrowed | null {
  const spare = c.job.controls.find((k) => k.id !== c.control.id && c.others[k.id]?.leading === 'dry-pair');
  if (!spare) return null;
  const fact = present(c.others[spare.id]);
  const context: WayContext = { ...c, control: spare, fact, line: lineOf(fact, spare) };
  const both = [solidStateRelay(context), relayContact(context)];
  return { context, way: both.find((w) => w.verdict === 'settled') ?? firstItem(both) };
}

/** The button on the remote's board, on its own battery. */
function remoteOf(c: WayContext): Borrowed {
  const { remote } = c.press;
  const fact: ControlFact = {
    kind: 'low-when-pressed',
    leading: 'low-when-pressed',
    probability: 1,
    borrowed: false,
    tied: [],
    parameters: {},
    read: {},
    readings: 1,
    lastReadingAt: '',
    alternating: 'no',
    strobesLow: 'unknown',
    farSide: 'ground',
    mostAmps: null,
    contradicted: false,
    isolation: 'isolated',
    dangerous: false,
    signal: 'A',
  };
  const volts = remote.batteryVolts;
  const supply = {
    symbol: 'V_CC',
    name: 'battery of the remote',
    range: exactly(volts),
    unit: 'V' as const,
    origin: planOrigin(c, 'remote.batteryVolts'),
  };
  // The remote's chip and its limits live on the same battery: as it empties, levels and limits fall together.
  const level = (symbol: string, name: string, k: number) => shareLevel(symbol, name, k, supply, 'low', 'cmos-levels');
  const levels = {
    lowBelow: level('V_IL', 'low level (VIL), 0.3 of the battery', 0.3),
    highAbove: level('V_IH', 'high level (VIH), 0.7 of the battery', 0.7),
  };
  const line: WayContext['line'] = {
    polarity: 'low',
    alternating: 'no',
    supply,
    // Pull-ups inside such chips scatter by half.
    pull: {
      symbol: 'R',
      name: 'pull-up in the remote',
      range: within(remote.pullOhms, 0.5),
      unit: 'Ω',
      origin: planOrigin(c, 'remote.pullOhms'),
    },
    ...levels,
    at: { low: levels, high: levels },
  };
  const context: WayContext = { ...c, control: { ...c.control, name: 'remote' }, fact, line };
  // Pull-ups in remotes are weak, and a solid-state relay may leak too much when warm: the first that passes, in the
  // order of least trouble.
  const all = [solidStateRelay, optocoupler, npnToGround].map((judge) => judge(context));
  return {
    context,
    way: all.find((w) => w.verdict === 'settled') ?? all.find((w) => w.verdict === 'tight') ?? firstItem(all),
  };
}

/** What really presses where a way borrows another one: its context and result; the given ones for every other way. */
export function presser(c: WayContext, way: WayResult): Borrowed {
  if (way.way === 'spare-terminals' && way.applies) return pairOf(c) ?? { context: c, way };
  return way.way === 'spare-remote' && way.applies && c.press.remote.has === 'yes' ? remoteOf(c) : { context: c, way };
}

/** Terminals that the machine offers for a second switch: judged as the dry pair that they are. */
export function spareTerminals(c: WayContext): WayResult {
  const way = 'spare-terminals';
  if (c.fact.leading === 'dry-pair')
    return noUse(
      way,
      'This control is such a pair itself',
      'Press it with a contact or a solid-state relay across it.',
    );
  const inner = pairOf(c);
  if (!inner) {
    return result(
      way,
      [
        finding('thumb', `${way}.none`, {
          verdict: 'unknown',
          title: 'No spare pair has been found so far',
          caption: 'none found yet',
          remedy: {
            text:
              'Look for a wall-button pair, a loop of a remote panel, a thermostat ' +
              'pair; map the strip in Probe and add the pair as a control.',
          },
        }),
      ],
      [],
      [],
      [],
      {},
    );
  }
  const { name } = inner.context.control;
  const pairs = c.job.controls.filter((k) => c.others[k.id]?.leading === 'dry-pair');
  const common =
    pairs.length > 1
      ? `. ${pairs.length} such pairs are known: where they share one common, one wire to it serves all`
      : '';
  const what = finding('thumb', `${way}.found`, {
    verdict: 'settled',
    title: `${name} is a dry pair: made to be closed by somebody else’s contact${common}`,
    caption: name,
  });
  return borrowed(way, inner.way, [what]);
}

/** A button on the board of a spare remote, which runs on its own battery. */
export function spareRemote(c: WayContext): WayResult {
  const way = 'spare-remote';
  const { remote } = c.press;
  if (remote.has === 'no') return noUse(way, 'The machine has no remote', 'Press its own control instead.');
  const blind: Finding[] = !stateSense(c.job)
    ? [
        finding('thumb', `${way}.blind`, {
          verdict: 'tight',
          title: 'Nothing tells whether the machine heard the remote',
          caption: 'pressed blind',
          remedy: {
            text: 'One contact in Sense tells.',
            label: 'Add one contact at rest',
            edit: restContact(c.job),
          },
        }),
      ]
    : [];
  if (remote.has === 'unknown')
    return result(
      way,
      [
        finding('thumb', `${way}.has`, {
          verdict: 'unknown',
          title: 'Is there a spare remote?',
          caption: 'remote not known',
          remedy: { text: 'Say so in the plan of this way.' },
        }),
        ...blind,
      ],
      [],
      [],
      [],
      {},
    );
  return borrowed(way, remoteOf(c).way, blind);
}
