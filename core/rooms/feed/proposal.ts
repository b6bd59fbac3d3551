import type { Draw, Facts } from '../../ground/facts';
import type { Remedy } from '../../ground/finding';
import { CONTROLLER, freshConverter, freshLink, freshSource, lineId, type JobEdit } from '../../ground/job';
import { formatQuantity } from '../../ground/quantity';
import { bearsAmps, converterValues, leadFor, USUAL_LEAD } from '../../engines/electrics';

/** What plug-in supplies and converters are sold with, A (common practice). */
const SOLD = [1, 2, 3, 5, 10, 15, 20, 30];
/** What a supply gives is used to four fifths of (`part-share`). */
const USED = 0.8;
/** What a board takes while none is chosen, V, and how far a load's volts may lie from a supply's to hang on it. */
const BOARD_VOLTS = 5;
const BEARS = 1.1;
/** A lead drops no more of the volts than this share. */
const DROP_SHARE = 0.03;

/** A load with the press that it belongs to. */
interface Drawn {
  readonly id: string;
  readonly draw: Draw;
}

const sold = (amps: number): number => SOLD.find((a) => a * USED >= amps) ?? Math.ceil(amps / USED);
const isSaid = ({ draw }: Drawn): boolean => draw.runAmps !== null;

/** Most that some loads take at once: all at work, and the largest start among them, A. */
function mostAmps(list: readonly Drawn[]): number {
  const runs = list.reduce((sum, { draw }) => sum + (draw.runAmps ?? 0), 0);
  return runs + Math.max(0, ...list.map(({ draw }) => (draw.startAmps ?? 0) - (draw.runAmps ?? 0)));
}

/** A supply's volts and amperes, and the most that it gives here, A. */
interface Supplied {
  readonly volts: number;
  readonly amps: number;
  readonly most: number;
}

/** A plug-in supply with its lead: a usual one is too thin for more than a board. */
function supplied({ volts, amps, most }: Supplied, byGauge: boolean): JobEdit[] {
  const lead = freshLink('lead', 'lead', 'lead', 'supply');
  const thick =
    most > bearsAmps(USUAL_LEAD.squareMetres)
      ? leadFor(most, most, USUAL_LEAD.metres, DROP_SHARE * volts, lead.strand, byGauge)
      : null;
  return [
    { do: 'put', list: 'feed.sources', item: { ...freshSource('supply', 'own plug-in supply'), volts, amps } },
    { do: 'put', list: 'feed.links', item: { ...lead, squareMetres: thick } },
  ];
}
const hung = (load: string, node: string): JobEdit => ({ do: 'put', list: 'feed.hangs', item: { load, node } });
const proposed = (text: string, words: string, edits: JobEdit[]): Remedy => ({
  text,
  label: `Use ${words}`,
  edit: { do: 'several', edits, say: `own supply, ${words}` },
});

/**
 * The supply that suits what hangs there, as it is proposed while a job has none: the board's volts for a controller and small parts; where
 * motors want more, theirs, with a step-down converter for the controller. Sized for all at work and the largest start among them; what
 * nobody said is asked for instead, and so is a second supply where one voltage does not do. @param byGauge leads are sold by gauge here.
 */
export function proposedSupply(facts: Facts, byGauge = false): Remedy {
  const own = facts.drive?.supplyVolts.nominal ?? BOARD_VOLTS;
  const all = facts.presses.flatMap((p) => p.draws.map((draw): Drawn => ({ id: lineId(p.id, draw.part), draw })));
  const high = all.filter(({ draw }) => draw.volts !== null && draw.volts.low > own * BEARS);
  const low = all.filter((d) => !high.includes(d));
  const unsaid = all.find((d) => !isSaid(d));
  if (unsaid)
    return {
      text: `Say first what the ${unsaid.draw.name} draws, running and as it starts: the supply follows from it.`,
    };
  const board = (facts.drive?.peakAmps ?? 0) + mostAmps(low);
  const volts = high[0]?.draw.volts?.nominal ?? own;
  const fits = high.every(({ draw }) => draw.volts && draw.volts.low <= volts && volts <= draw.volts.high);
  if (!fits)
    return { text: 'What presses takes different volts: give each its own supply, and the controller one of them.' };
  const say = (x: number, unit: 'V' | 'A'): string => formatQuantity(x, unit);
  if (high.length === 0) {
    const amps = sold(board);
    const words = `${say(own, 'V')}, ${say(amps, 'A')}`;
    const suits = amps === 1 ? 'most single buttons' : 'what hangs on it';
    return proposed(
      `A ${words} plug-in supply of its own suits ${suits}.`,
      words,
      supplied({ volts: own, amps, most: board }, byGauge),
    );
  }
  const down = { ...freshConverter('step-down', 'step-down', 'step-down', 'lead'), volts: own, amps: sold(board) };
  const most = mostAmps(high) + (board * own) / (volts * converterValues(down).efficiency);
  const amps = sold(most);
  return proposed(
    `What presses takes ${say(volts, 'V')}: a plug-in supply of ${say(volts, 'V')} and ${say(amps, 'A')}, ` +
      `and a step-down converter to ${say(own, 'V')} and ${say(down.amps, 'A')} for the controller, whose input bears more than that.`,
    `${say(volts, 'V')}, ${say(amps, 'A')} and a step-down`,
    [
      ...supplied({ volts, amps, most }, byGauge),
      { do: 'put', list: 'feed.converters', item: down },
      ...[CONTROLLER, ...low.map((d) => d.id)].map((id) => hung(id, 'step-down')),
      ...high.map((d) => hung(d.id, 'lead')),
    ],
  );
}
