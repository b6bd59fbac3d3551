import { firstItem, present } from '../../ground/lists';
import type { Joint } from './joint';
import { spice, pinVolts, pullInAmps, thumb, TITLE } from './netlist';

/** One press as it is simulated: the pin floats at power-up, is driven low, then high for the press, then low again. Times in seconds. */
export const PRESS_TIMES = { driven: 2e-3, press: 4e-3, release: 16e-3, end: 26e-3, step: 10e-6 } as const;

/** What the wires and the input's own filter hold against quick changes, F: common practice (`line-filter`). */
export const LINE_FARADS = 1e-9;
/** Time constant of a small relay's coil, s, and how its contact chatters on closing (`relay-moves`, mean of measured switches). */
export const COIL_SECONDS = 1.4e-3;
const BOUNCE_SECONDS = 1.6e-3;
const BOUNCES = 4;

/** When the relay's contact first closes after the pin rises: the coil current reaches pull-in, t = −L/R·ln(1 − I·R/V). s */
export const pullInSeconds = (j: Joint): number =>
  -COIL_SECONDS * Math.log(1 - (pullInAmps(j) * j.coilOhms) / j.coilVolts);

/** Source values as a piecewise linear list: `[time, value]` with steep edges between. */
const steps = (list: readonly (readonly [number, number])[], edge = 1e-6): string => {
  let before = firstItem(list)[1];
  return `PWL(${list
    .map(([t, v], i) => {
      const text = i === 0 ? `0 ${spice(v)}` : `${spice(t)} ${spice(before)} ${spice(t + edge)} ${spice(v)}`;
      before = v;
      return text;
    })
    .join(' ')})`;
};

/** The contact's chatter after it first closes: open and closed by turns for the bounce time. */
function chatter(j: Joint): string {
  const begin = PRESS_TIMES.press + pullInSeconds(j);
  const slot = BOUNCE_SECONDS / (2 * BOUNCES);
  return steps(
    [
      [0, 1],
      ...Array.from({ length: 2 * BOUNCES }, (_, i): [number, number] => [
        begin + (i + 0.5) * slot,
        i % 2 === 0 ? 0 : 1,
      ]),
    ],
    20e-6,
  );
}

/**
 * A SPICE netlist of one press of a joint over time, for `.tran`. Node `sig` is the button's line, `pin` the controller's pin.
 * @param id stands on the title line and comes back in the result, so that an old answer cannot be taken for this one.
 * @param pullDownOhms resistor from pin to the controller's ground, or null.
 */
export function pressNetlist(j: Joint, id: string, pullDownOhms: number | null): string {
  const low = j.polarity === 'low';
  const [upper, lower] = low ? ['sig', '0'] : ['vcc', 'sig'];
  const relay = j.way === 'relay-contact' || j.way === 'relay-module';
  return [
    `* ${TITLE[j.way]}, one press, ${id}`,
    `Vcc vcc 0 DC ${spice(j.supplyVolts)}`,
    low ? `Rpull vcc sig ${spice(j.pullOhms)}` : `Rpull sig 0 ${spice(j.pullOhms)}`,
    `Cline sig 0 ${spice(LINE_FARADS)}`,
    `Vdrive drive pgnd ${steps([
      [0, pinVolts(j, false)],
      [PRESS_TIMES.press, pinVolts(j, true)],
      [PRESS_TIMES.release, pinVolts(j, false)],
    ])}`,
    `Vfloat float 0 ${steps([
      [0, 0],
      [PRESS_TIMES.driven, 1],
    ])}`,
    'Spin drive pin float 0 pinon',
    '.model pinon SW(VT=0.5 VH=0 RON=1 ROFF=1e7)',
    ...(pullDownOhms === null ? [] : [`Rdown pin pgnd ${spice(pullDownOhms)}`]),
    ...(relay ? [`Vgate gate 0 ${chatter(j)}`] : []),
    ...thumb(j, present(upper), present(lower), relay ? COIL_SECONDS * j.coilOhms : 0, relay),
    '.options method=gear maxord=2 reltol=1e-3 abstol=1e-8 vntol=1e-5 chgtol=1e-12 trtol=20 itl4=100',
    `.tran ${spice(PRESS_TIMES.step)} ${spice(PRESS_TIMES.end)} 0 ${spice(PRESS_TIMES.step)}`,
    '.end',
    '',
  ].join('\n');
}
