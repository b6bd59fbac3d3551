import { choice, flag, plainWords, maybeGroup, maybeQuantity, name, quantity, text, type Fields } from '../../../field';
import { idOf } from '../reference';
import { SAID_UNITS, type JobRecording, type Looked, type TraceKind } from './types';

/** A year and a leap day. */
const YEAR_SECONDS = 366 * 86400;
/** Whatever a meter writes lies within, in base units. */
const FAR = 1e12;

const seconds = (label: string): ReturnType<typeof quantity> =>
  quantity(label, 's', 0, { least: 0, most: 10 * YEAR_SECONDS });
const value = (label: string): ReturnType<typeof quantity> => quantity(label, '1', 0, { least: -FAR, most: FAR });

/** Fields of what was found in a recording. */
const lookedFields: Fields<Looked> = {
  over: value('looked at over'),
  under: value('and under'),
  runs: quantity('runs', '1', 0, { least: 0, most: 1e7, whole: true }),
  restSeconds: seconds('longest rest within a run'),
  tailSeconds: seconds('shortest rest after one'),
  gapSeconds: seconds('not recorded within runs'),
  below: value('usual under it'),
  above: value('usual over it'),
  noiseBelow: quantity('noise under it', '1', 0, { least: 0, most: FAR }),
  noiseAbove: quantity('noise over it', '1', 0, { least: 0, most: FAR }),
  longestSeconds: seconds('longest run'),
  shortestSeconds: seconds('shortest run'),
  joules: maybeQuantity('energy of a run', 'J', { least: -FAR, most: FAR }),
};

/** Fields of a recording. */
export const recordingFields: Fields<JobRecording> = {
  id: text('id', {
    least: 64,
    most: 64,
    pattern: /^[0-9a-f]+$/,
    words: '64 digits from 0 to 9 and a to f',
    usual: '0'.repeat(64),
  }),
  name: name('Name'),
  bytes: quantity('size', '1', 0, { least: 0, most: 1e10, whole: true }),
  kind: choice(
    'It is of',
    {
      power: 'watts',
      current: 'amperes',
      temperature: 'a temperature',
      light: 'light',
      flow: 'a flow',
    } satisfies Record<TraceKind, string>,
    'power',
  ),
  unit: text('unit', { most: 20 }),
  said: choice('Its numbers are', { ...plainWords(SAID_UNITS), '': 'as the file says' }, ''),
  unitGuessed: flag('the file names no unit'),
  samples: quantity('samples', '1', 0, { least: 0, most: 1e8, whole: true }),
  seconds: seconds('lasts'),
  stepSeconds: seconds('a sample each'),
  odd: quantity('odd rows', '1', 0, { least: 0, most: 1e9, whole: true }),
  shows: text('It shows', { most: 200 }),
  sense: idOf('Learned from by', {
    to: ['sense'],
    gone: 'clear',
    todo: 'Say in Sense which sense learns from {name} first.',
  }),
  runs: maybeQuantity('Runs in it', '1', { least: 1, most: 1e4, whole: true, hint: 'found' }),
  heldOut: flag('kept back to try it on'),
  shared: flag('another machine is on the same meter'),
  looked: maybeGroup('found in it', lookedFields),
};

/** Largest recording that is kept, bytes. */
export const RECORDING_LIMIT = 150_000_000;
/** Recordings of one job. */
export const MOST_RECORDINGS = 100;
