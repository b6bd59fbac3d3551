import { freshFace, freshMove, freshPart, stepOf } from '../../core/ground/job';
import { Maker } from '../demo-maker';

new Maker(
  'demo-extractor-rocker',
  {
    title: 'Extractor rocker',
    outcome: 'the extractor runs while the ovens do',
    when: '06:00 to 11:00 on baking days',
    never: 'be opened: the rocker sits in the wall',
  },
  '2026-11-17',
)
  .edit({
    do: 'set',
    at: 'wish',
    set: { hazards: ['mains'], hazardsReviewed: true, others: 'everybody, by hand' },
    say: 'hazards: mains behind the rocker',
  })
  .say(
    'mains plug wired',
    'mains switch none',
    'mains earth nowhere',
    'control rocker',
    'rocker look rocker',
    'note: the front is flat plastic, 80 mm by 80 mm; nobody may open it',
  )
  .survey(
    {
      faces: [
        {
          ...freshFace('control-rocker'),
          forceNewtons: 5.5,
          travelMetres: 0.003,
          access: 'from-front-only',
          shape: 'flat',
          neighbourMetres: 0.012,
        },
      ],
    },
    'rocker: 5.5 N, 3 mm, 12 mm to its neighbour',
  )
  .edit(
    { do: 'set', at: 'bench', set: { picks: { servo: 'servo-standard' } }, say: 'part: standard servo' },
    {
      do: 'set',
      at: 'press',
      of: 'rocker',
      set: {
        way: 'finger',
        finger: {
          on: 'rocker',
          hornMetres: 0.03,
          axisMetres: 0.021,
          restDegrees: 0,
          pressDegrees: 54,
          otherDegrees: -54,
          mount: 'screws',
          padLengthMetres: 0.06,
          padWidthMetres: 0.04,
          leverMetres: 0.035,
        },
        given: ['finger.restDegrees'],
      },
      say: 'way of pressing: a finger over the rocker',
    },
    { do: 'put', list: 'board.pins', item: { line: 'rocker', gpio: 5, fixed: true }, say: 'servo on pin 5' },
  )
  .supply(5, 3, 0.5e-6, 'own supply, 5 V, 3 A, class II')
  .edit({
    do: 'put',
    list: 'act.parts',
    item: {
      ...freshPart('fan', 'fan'),
      kind: 'flips',
      shortestPressSeconds: 0.05,
      longestPressSeconds: 5,
      afterPowerCut: 'as-before',
      shows: [{ state: 'on', watts: 45, light: false, sound: true, warm: false }],
    },
    say: 'each push flips it',
  })
  .edit({
    do: 'put',
    list: 'act.moves',
    item: { ...freshMove('move', 'start'), steps: [stepOf('press', { press: 'rocker', seconds: 0.5 })] },
    say: 'start: half a second a push',
  })
  .write('extractor-rocker');
