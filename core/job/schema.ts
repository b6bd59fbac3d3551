import { ROOMS } from '../finding';
import { surveySchema } from './survey-schema';
import { flag, isMoment, list, moment, name, oneOf, real, record, seconds, shape, text } from './shapes';
import { thumbSchema } from './thumb-schema';
import {
  CUT_OFFS,
  FAULT_KINDS,
  HAZARDS,
  JOB_FORMAT,
  JOB_VERSION,
  LOAD_KINDS,
  LOGIC_LEVELS,
  MACHINE_KINDS,
  PLACES,
  POINT_KINDS,
  READING_KINDS,
  SAID,
  STATES,
  YES_NO,
} from './types';

const point = () => shape({ kind: oneOf(POINT_KINDS), name: text(60) });

/** The job document, current version. Nothing is cast and nothing unknown is let through: what a file says is what is meant. */
export const jobSchema = shape({
  format: oneOf([JOB_FORMAT]),
  version: real().oneOf([JOB_VERSION]),
  id: name(),
  title: name(),
  place: text(200),
  createdAt: moment(),
  touchedAt: moment(),
  archived: flag(),
  region: shape({ mainsVolts: real().min(1).max(1000), mainsHertz: real().min(0).max(1000), timeZone: name() }),
  wish: shape({
    outcome: text(),
    when: text(),
    never: text(),
    hazards: list(oneOf(HAZARDS), HAZARDS.length),
    hazardsReviewed: flag(),
    others: text(),
    heldBy: text(),
  }),
  controls: list(
    shape({
      id: name(),
      name: name(),
      levels: oneOf(LOGIC_LEVELS),
      lowBelowVolts: real().min(0).max(1000).nullable(),
      highAboveVolts: real().min(0).max(1000).nullable(),
    }),
    100,
  ),
  readings: list(
    shape({
      id: name(),
      at: moment(),
      control: text(200),
      from: point(),
      to: point(),
      state: oneOf(STATES),
      kind: oneOf(READING_KINDS),
      relation: oneOf(['=', '>', '<']),
      value: real(),
      digit: real().min(0),
      by: oneOf(['hand', 'standin', 'capture']),
      said: oneOf(SAID),
      struck: flag(),
    }),
    5000,
  ),
  survey: surveySchema(),
  thumb: thumbSchema(),
  board: shape({
    profile: name(),
    pressPin: real().integer().nullable(),
    armPin: real().integer().nullable(),
    sensorPin: real().integer().nullable(),
    pullDown: flag(),
  }),
  feed: shape({
    supply: text(200),
    volts: real().moreThan(0).max(1000).nullable(),
    amps: real().moreThan(0).max(1000).nullable(),
    isolated: oneOf(YES_NO),
    rail: text(200),
    leadMetres: real().min(0).max(1000).nullable(),
    leadSquareMetres: real().moreThan(0).max(1e-3).nullable(),
  }),
  guard: shape({
    ticks: record(isMoment, 'times'),
    loadWatts: real().min(0).max(1e6).nullable(),
    loadKind: oneOf(LOAD_KINDS),
    place: oneOf(PLACES),
    cutOff: oneOf(CUT_OFFS),
  }),
  sense: shape({ contact: oneOf(['none', 'at-rest', 'at-work']), restsClosed: flag() }),
  act: shape({
    machine: shape({
      kind: oneOf([...MACHINE_KINDS, 'unknown']),
      shortestPressSeconds: seconds().nullable(),
      longestPressSeconds: seconds().nullable(),
      runSeconds: seconds().nullable(),
      afterPowerCut: oneOf(['off', 'as-before']),
    }),
    script: list(shape({ do: oneOf(['press', 'wait']), seconds: seconds() }), 200),
    faults: list(shape({ id: name(), kind: oneOf(FAULT_KINDS), atSeconds: seconds(), seconds: seconds() }), 200),
  }),
  routine: shape({
    sentences: list(
      shape({
        id: name(),
        at: text(5).matches(/^([01]\d|2[0-3]):[0-5]\d$/, '${path} must be a clock time such as 10:40'),
        days: list(real().integer().min(1).max(7), 7),
        ifArmed: flag(),
      }),
      50,
    ),
  }),
  sheet: shape({ reliability: real().min(0.5).max(0.9999), confidence: real().min(0.5).max(0.9999), by: text(200) }),
  trials: list(
    shape({
      id: name(),
      step: name(),
      at: moment(),
      outcome: oneOf(['as-expected', 'not-as-expected']),
      count: real().integer().min(1).max(100000),
      failed: real().integer().min(0).max(100000),
      observed: text(),
      on: oneOf(['hand', 'standin']),
      by: text(200),
      basis: text(200),
    }),
    5000,
  ),
  standin: shape({ model: name(), seed: real() }),
  log: list(shape({ at: moment(), room: oneOf([...ROOMS, '']), text: text(4000) }), 50000),
});
