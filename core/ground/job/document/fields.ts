import { actFields } from './act/fields';
import { choice, flag, group, list, moment, name, plainWords, quantity, text, untried, type Fields } from '../../field';
import { guardFields } from './guard/fields';
import { regionFields, sheetFields, standinFields, trialFields, wishFields } from './plan/fields';
import { controlFields, readingFields } from './readings/fields';
import { feedFields } from './feed/fields';
import { boardFields, handInputFields, signFields } from './controller/fields';
import { senseFields } from './controller/sense-fields';
import { benchFields, pressFields } from './press/fields';
import { MOST_RECORDINGS, recordingFields } from './recordings/fields';
import { ROOMS } from './rooms';
import { surveyFields } from './survey/fields';
import { routineFields } from './routine/fields';
import { JOB_FORMAT, JOB_VERSION, type Job, type LogEntry } from './types';

/** Longest line of the log, characters; the program's own lines are cut to it. */
export const LOG_TEXT = 4000;
/** Lines of the log; the oldest but the first leave a longer one. */
export const LOG_LINES = 50_000;

const logFields: Fields<LogEntry> = {
  at: moment('at'),
  room: choice('room', { ...plainWords(ROOMS), '': 'the job' }, ''),
  text: text('text', { most: LOG_TEXT }),
};

/** Controls of one machine, and readings of them: what is judged in well under a second. */
const MOST_CONTROLS = 40;
const MOST_READINGS = 2000;
/** Presses of one machine, and senses, hands or signs at its controller. */
const MOST_PRESSES = 40;
const MOST_SENSES = 40;

/** The whole document, current version. */
export const jobFields: Fields<Job> = {
  format: untried(choice('format', plainWords([JOB_FORMAT] as const), JOB_FORMAT)),
  version: untried(
    quantity('version', '1', JOB_VERSION, { least: JOB_VERSION, most: JOB_VERSION }),
  ) as unknown as Fields<Job>['version'],
  id: untried(name('id')),
  title: untried(name('title')),
  place: untried(text('place', { most: 200 })),
  createdAt: untried(moment('begun')),
  touchedAt: untried(moment('touched')),
  archived: untried(flag('archived')),
  region: group('region', regionFields),
  wish: group('wish', wishFields),
  controls: list('controls', group('a control', controlFields), MOST_CONTROLS, { key: 'id' }),
  readings: untried(list('readings', group('a reading', readingFields), MOST_READINGS, { key: 'id' })),
  survey: group('survey', surveyFields),
  presses: list('presses', group('a press', pressFields), MOST_PRESSES, { key: 'id' }),
  bench: group('what presses share', benchFields),
  senses: list('senses', group('a sense', senseFields), MOST_SENSES, { key: 'id' }),
  recordings: untried(list('recordings', group('a recording', recordingFields), MOST_RECORDINGS, { key: 'id' })),
  hands: list('hands', group('a hand', handInputFields), MOST_SENSES, { key: 'id' }),
  signs: list('signs', group('a sign', signFields), MOST_SENSES, { key: 'id' }),
  board: group('board', boardFields),
  feed: group('feed', feedFields),
  guard: group('guard', guardFields),
  act: group('act', actFields),
  routine: group('routine', routineFields),
  sheet: untried(group('test sheet', sheetFields)),
  trials: untried(list('trials', group('a trial', trialFields), 5000, { key: 'id' })),
  standin: untried(group('stand-in', standinFields)),
  log: untried(list('log', group('a line', logFields), LOG_LINES)),
};
