import { added, eachOf, isPlain, type Migration, type Plain } from './step';

/** Version 8 told in its name on which strip a control lies: `back.3.4`, A first. */
function placed(control: Plain, strips: readonly Plain[]): Plain {
  const name = String(control['name']);
  for (const strip of strips) {
    const its = `${String(strip['name'])}.`;
    const pair = name.startsWith(its) ? /^(\d+)\.(\d+)$/.exec(name.slice(its.length)) : null;
    const [a, b] = [Number(pair?.[1]), Number(pair?.[2])];
    const last = Array.isArray(strip['wires']) ? strip['wires'].length : 0;
    if (pair && a !== b && [a, b].every((n) => n >= 1 && n <= last))
      return { ...control, strip: strip['id'], terminals: [a, b] };
  }
  return { strip: '', terminals: [], ...control };
}

const withMore = added({
  controls: { feeds: 'unknown' },
  signs: { volts: null },
  'feed.links': { bearsVolts: null },
});

/**
 * Version 9 says of a control on which strip it lies, on which of its terminals, and what closing it feeds; of a sign what volts it works
 * on; of a capacitor what volts it bears.
 */
export const toNinth: Migration = (d) => {
  const survey = isPlain(d['survey']) ? d['survey']['strips'] : [];
  const strips = Array.isArray(survey) ? survey.filter(isPlain) : [];
  return withMore({ ...d, controls: eachOf(d['controls'], (c) => placed(c, strips)) });
};
