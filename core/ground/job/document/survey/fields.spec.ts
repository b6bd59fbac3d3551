import { describe, expect, it } from 'vitest';
import { checkJob, freshControl, freshFace, freshJob, freshRail, HAND_METER, type Job, type Survey } from '../..';

const job = (survey: Partial<Survey>): Job => {
  const fresh = freshJob({ title: 'x' }, 'x', '2026-03-02T14:00:00Z');
  return { ...fresh, controls: [freshControl('c', 'start')], survey: { ...fresh.survey, ...survey } };
};
const whereOf = (survey: unknown): string => {
  const checked = checkJob(job(survey as Partial<Survey>));
  return checked.ok ? 'ok' : checked.problem.where;
};

describe('the border of what is surveyed', () => {
  it('lets honest surveys through', () => {
    expect(whereOf({})).toBe('ok');
    expect(
      whereOf({
        strips: [{ id: 's', name: 'back', wires: ['red', ''] }],
        rails: [{ ...freshRail('r', 'logic'), openVolts: 5, whileIdle: true }],
        faces: [{ ...freshFace('c'), forceNewtons: 2 }],
        pieces: [{ id: 'p', name: 'shaft', kind: 'shaft', readings: [0.01], caliperMetres: 2e-5 }],
        photos: [{ id: 'f', name: 'board', width: 10, height: 10, pins: [{ x: 0, y: 1, label: 'A' }] }],
        keypads: [
          {
            id: 'k',
            name: 'pad',
            rows: 1,
            columns: 1,
            keys: [{ label: '1', row: 0, column: 0, lines: [], from: 'hand' }],
            scan: null,
          },
        ],
      }),
    ).toBe('ok');
  });

  it.each<[string, unknown, RegExp]>([
    ['a strip of one terminal', { strips: [{ id: 's', name: 'back', wires: ['red'] }] }, /strips\[0\]\.wires/],
    [
      'a strip of thirteen',
      { strips: [{ id: 's', name: 'back', wires: Array.from({ length: 13 }, () => '') }] },
      /wires/,
    ],
    ['a meter without input resistance', { meter: { ...HAND_METER, inputOhms: 0 } }, /meter\.inputOhms/],
    ['a meter that is as wrong as right', { meter: { ...HAND_METER, voltsShare: 0.5 } }, /voltsShare/],
    [
      'a key that joins three lines',
      {
        keypads: [
          {
            id: 'k',
            name: 'p',
            rows: 1,
            columns: 1,
            keys: [{ label: '1', row: 0, column: 0, lines: ['a', 'b', 'c'], from: 'hand' }],
            scan: null,
          },
        ],
      },
      /lines/,
    ],
    [
      'a scan that takes no time',
      {
        keypads: [
          {
            id: 'k',
            name: 'p',
            rows: 1,
            columns: 1,
            keys: [],
            scan: { periodSeconds: 0, widthSeconds: 1, polarity: 'low', strobes: [], senses: [] },
          },
        ],
      },
      /periodSeconds/,
    ],
    ['a rail of a million volts', { rails: [{ ...freshRail('r', 'x'), openVolts: 1e6 }] }, /openVolts/],
    [
      'a size of nothing',
      { pieces: [{ id: 'p', name: 's', kind: 'shaft', readings: [0], caliperMetres: 1e-5 }] },
      /readings\[0\]/,
    ],
    [
      'a pin beside the picture',
      { photos: [{ id: 'f', name: 'b', width: 10, height: 10, pins: [{ x: 1.2, y: 0, label: 'A' }] }] },
      /pins\[0\]\.x/,
    ],
    ['a face of an unknown shape', { faces: [{ ...freshFace('c'), shape: 'wavy' }] }, /shape/],
    ['a field nobody knows', { extra: 1 }, /survey/],
  ])('refuses %s, saying where', (_name, survey, where) => expect(whereOf(survey)).toMatch(where));
});
