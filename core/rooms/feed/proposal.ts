import type { Draw, Facts } from '../../ground/facts';
import type { Remedy } from '../../ground/finding';
import { CONTROLLER, freshConverter, freshLink, freshSource, lineId, type JobEdit } from '../../ground/job';
import { formatQuantity } from '../../ground/quantity';

/** What plug-in supplies are sold with, A (common practice). */
const SOLD = [1, 2, 3, 5, 10, 15, 20, 30];
/** What a supply gives is used to four fifths of (`part-share`). */
const USED = 0.8;
/** What most single buttons and their controllers take, V, and from where on a load is another one's. */
const BOARD_VOLTS = 5;
const ABOVE_BOARD = 5.5;
/** Usual share of its input that a step-down converter hands on, and what it gives at most, A. */
const EFFICIENCY = 0.85;
const CONVERTER_AMPS = 2;
/** Where nobody read what a motor draws as it starts, so many times its running current: common practice. */
const STARTS = 5;

/** A load with the press that it belongs to. */
interface Drawn {
  readonly id: string;
  readonly draw: Draw;
}

/** Most that some loads take at once: all at work, and the largest start among them, A. */
function mostAmps(list: readonly Drawn[]): number {
  const starts = list.map(({ draw }) => {
    const runs = draw.runAmps ?? 0;
    return Math.max(0, (draw.startAmps ?? STARTS * runs) - runs);
  });
  return list.reduce((sum, { draw }) => sum + (draw.runAmps ?? 0), 0) + Math.max(0, ...starts);
}

const sold = (amps: number): number => SOLD.find((a) => a * USED >= amps) ?? Math.ceil(amps / USED);

/**
 * The supply that suits what hangs there, as it is proposed while a job has none: 5 V for a controller and small parts; where motors want
 * more, theirs, with a step-down converter for the controller. Sized for all at work and the largest start among them.
 */
export function proposedSupply(facts: Facts): Remedy {
  const all = facts.presses.flatMap((p) => p.draws.map((draw): Drawn => ({ id: lineId(p.id, draw.part), draw })));
  const high = all.filter(({ draw }) => draw.volts !== null && draw.volts.low > ABOVE_BOARD);
  const low = all.filter((d) => !high.includes(d));
  const board = (facts.drive?.peakAmps ?? 0) + mostAmps(low);
  const volts = high[0]?.draw.volts?.nominal ?? BOARD_VOLTS;
  const takesBoard = facts.drive === null || facts.drive.supplyVolts.high < volts;
  const fed = (edits: JobEdit[], say: string): JobEdit => ({ do: 'several', edits, say });
  const source = (v: number, amps: number): JobEdit[] => [
    {
      do: 'put',
      list: 'feed.sources',
      item: { ...freshSource('supply', 'own plug-in supply'), volts: v, amps },
    },
    { do: 'put', list: 'feed.links', item: freshLink('lead', 'lead', 'lead', 'supply') },
  ];
  if (high.length === 0) {
    const amps = sold(board);
    const words = `${BOARD_VOLTS} V, ${amps} A`;
    return {
      text: `A ${words} plug-in supply of its own suits ${amps === 1 ? 'most single buttons' : 'what hangs on it'}.`,
      label: `Use ${words}`,
      edit: fed(source(BOARD_VOLTS, amps), `own supply, ${words}`),
    };
  }
  const amps = sold(mostAmps(high) + (board * BOARD_VOLTS) / (volts * EFFICIENCY));
  const v = formatQuantity(volts, 'V');
  const converter = freshConverter('step-down', 'step-down', 'step-down', 'lead');
  const hang = (load: string, node: string): JobEdit => ({ do: 'put', list: 'feed.hangs', item: { load, node } });
  const down: JobEdit[] = takesBoard
    ? [
        {
          do: 'put',
          list: 'feed.converters',
          item: { ...converter, volts: BOARD_VOLTS, amps: CONVERTER_AMPS, mostVolts: 2 * volts },
        },
        hang(CONTROLLER, 'step-down'),
        ...low.map((d) => hang(d.id, 'step-down')),
      ]
    : [];
  const words = `${v}, ${amps} A${takesBoard ? ' and a step-down' : ''}`;
  return {
    text:
      `What presses takes ${v}: a plug-in supply of ${v} and ${amps} A` +
      `${takesBoard ? `, and a step-down converter to ${BOARD_VOLTS} V for the controller` : ''}.`,
    label: `Use ${words}`,
    edit: fed([...source(volts, amps), ...down, ...high.map((d) => hang(d.id, 'lead'))], `own supply, ${words}`),
  };
}
