import { eachOf, isPlain, type Migration, type Plain } from './step';

const PART = {
  id: 'machine',
  name: 'machine',
  heeds: [],
  backSeconds: null,
  modes: [],
  firstPressWakes: false,
  awakeSeconds: null,
  longPress: 'same',
  timerSeconds: null,
  leastGapSeconds: null,
  deafWhileBusy: false,
  whenBlocked: 'goes-on',
  cells: [],
  shows: [],
  timings: [],
};
const STEP = { also: [], sense: '', is: true, orElse: 'call', to: 1, times: 1, text: '' };

/** The one machine of version 6; none where nothing had been said of it. */
function partsOf(machine: unknown): unknown[] {
  if (!isPlain(machine)) return [];
  const { kind, afterPowerCut, ...times } = machine;
  const said = kind !== 'unknown' || afterPowerCut !== 'off' || Object.values(times).some((t) => t !== null);
  return said ? [{ ...PART, ...machine }] : [];
}

function movesOf(script: unknown): unknown[] {
  if (!Array.isArray(script) || script.length === 0) return [];
  return [{ id: 'move', name: 'start', purpose: 'other', steps: eachOf(script, (s) => ({ ...STEP, ...s })) }];
}

const actOf = ({ machine, script, faults, ...rest }: Plain): Plain => ({
  ...rest,
  parts: partsOf(machine),
  moves: movesOf(script),
  faults: eachOf(faults, (f) => ({ of: '', ...f })),
});

/** Version 7 made parts of the one machine and moves of the one script; a sentence says which move it begins. */
export const toSeventh: Migration = (d) => ({
  ...d,
  ...(isPlain(d['act']) ? { act: actOf(d['act']) } : {}),
  ...(Array.isArray(d['senses']) ? { senses: eachOf(d['senses'], (s) => ({ part: '', ...s })) } : {}),
  ...(isPlain(d['routine'])
    ? { routine: { ...d['routine'], sentences: eachOf(d['routine']['sentences'], (s) => ({ move: '', ...s })) } }
    : {}),
});
