import { freshSurvey } from './fresh-survey';
import { freshThumb } from './fresh-thumb';
import { JOB_FORMAT, JOB_VERSION, type Control, type Job } from './types';

export interface FreshWish {
  title: string;
  place?: string;
  outcome?: string;
  when?: string;
  never?: string;
  timeZone?: string;
}

/** A control with the usual assumption about its input levels. */
export const freshControl = (id: string, name: string): Control => ({
  id,
  name,
  levels: 'cmos',
  lowBelowVolts: null,
  highAboveVolts: null,
});

/**
 * A job about which only the wish is known.
 * @param id unique; @param now ISO time; both come from the caller, since the core has neither clock nor chance.
 */
export function freshJob(wish: FreshWish, id: string, now: string): Job {
  return {
    format: JOB_FORMAT,
    version: JOB_VERSION,
    id,
    title: wish.title.trim(),
    place: wish.place ?? '',
    createdAt: now,
    touchedAt: now,
    archived: false,
    region: { mainsVolts: 230, mainsHertz: 50, timeZone: wish.timeZone ?? 'Europe/London' },
    wish: {
      outcome: wish.outcome ?? '',
      when: wish.when ?? '',
      never: wish.never ?? '',
      hazards: [],
      hazardsReviewed: false,
      others: '',
      heldBy: '',
    },
    controls: [],
    readings: [],
    survey: freshSurvey(),
    thumb: freshThumb(),
    board: { profile: 'wifi-17', pressPin: null, armPin: null, sensorPin: null, pullDown: false },
    feed: {
      supply: '',
      volts: null,
      amps: null,
      isolated: 'unknown',
      rail: '',
      leadMetres: null,
      leadSquareMetres: null,
    },
    guard: { ticks: {}, loadWatts: null, loadKind: 'unknown', place: 'unknown', cutOff: 'none' },
    sense: { contact: 'none', restsClosed: false },
    act: {
      machine: {
        kind: 'unknown',
        shortestPressSeconds: null,
        longestPressSeconds: null,
        runSeconds: null,
        afterPowerCut: 'off',
      },
      script: [],
      faults: [],
    },
    routine: { sentences: [] },
    sheet: { reliability: 0.999, confidence: 0.9, by: '' },
    trials: [],
    standin: { model: 'none', seed: 1 },
    log: [{ at: now, room: 'wish', text: `job begun: ${wish.title.trim()}` }],
  };
}
