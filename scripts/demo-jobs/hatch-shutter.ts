import { freshRail, freshPress, freshHand, freshMove, freshPart, stepOf, sentenceAt } from '../../core/ground/job';
import { Maker } from '../demo-maker';

new Maker(
  'demo-hatch-shutter',
  {
    title: 'Serving-hatch shutter',
    outcome: 'the shutter goes up before lunch and down after',
    when: '11:45 and 14:15',
    never: 'move while somebody reaches through',
  },
  '2026-11-18',
)
  .edit({
    do: 'set',
    at: 'wish',
    set: { hazards: ['moving-door', 'pinch'], hazardsReviewed: true, others: 'the servers, by the old crank' },
    say: 'hazards: closing shutter, pinch',
  })
  .measure('hatch-shutter', 'motor', 9)
  .survey(
    {
      rails: [
        {
          ...freshRail('motor', 'motor 12 V'),
          openVolts: 12.2,
          loadedVolts: 11.6,
          loadAmps: 1,
          whileIdle: true,
          whileRunning: true,
          rippleVolts: 0.12,
          storedFarads: 2200e-6,
          bleedOhms: 4.7e3,
          storedVolts: 12.2,
        },
      ],
      pieces: [
        {
          id: 'crank',
          name: 'crank shaft',
          kind: 'shaft',
          readings: [0.00998, 0.00996, 0.00999],
          caliperMetres: 20e-6,
        },
        { id: 'tube', name: 'shutter tube', kind: 'tube', readings: [0.0402, 0.0399, 0.0404], caliperMetres: 50e-6 },
        {
          id: 'coupling',
          name: 'coupling bore',
          kind: 'bore',
          readings: [0.01008, 0.01006, 0.01009],
          caliperMetres: 20e-6,
        },
      ],
    },
    'supply motor 12 V; crank shaft 9.98 mm, shutter tube 40.2 mm, coupling bore 10.08 mm',
  )
  .edit({
    do: 'set',
    at: 'bench',
    set: { picks: { relay: 'relay-double', 'gear-motor': 'gear-worm' } },
    say: 'parts: double-pole relay, worm gear motor',
  })
  .edit({
    do: 'set',
    at: 'press',
    of: 'motor',
    set: {
      way: 'reverse-motor',
      pullDown: true,
      given: ['motor.supplyVolts'],
      motor: {
        ...freshPress().motor,
        wiring: 'double-pole',
        supplyVolts: 12,
        runningAmps: 0.9,
        stallAmps: 2.5,
        coastSeconds: 0.4,
      },
      hand: {
        ...freshPress().hand,
        drive: 'tube',
        loadKilograms: 3.5,
        tubeMetres: 0.0402,
        turns: 9,
        fits: [{ inner: 'crank', outer: 'coupling' }],
      },
    },
    say: 'way of pressing: the motor run both ways, by one double-pole relay and a power contact',
  })
  .edit({
    do: 'put',
    list: 'act.parts',
    item: {
      ...freshPart('shutter', 'shutter'),
      kind: 'travels-while-held',
      heeds: [
        { press: 'motor', other: false, as: 'open' },
        { press: 'motor', other: true, as: 'close' },
      ],
      shortestPressSeconds: 0.1,
      longestPressSeconds: 30,
      runSeconds: 18,
      backSeconds: 16,
      whenBlocked: 'stops',
      timings: [
        ...[17.8, 18.1, 18, 18.3, 17.9].map((seconds) => ({ of: 'run' as const, seconds })),
        ...[15.9, 16.1, 16, 16.2, 15.8].map((seconds) => ({ of: 'back' as const, seconds })),
      ],
    },
    say: '18 s up and 16 s down, where its end switches stop it; a slipping clutch stops it at a hand',
  })
  .edit({
    do: 'put',
    list: 'act.moves',
    item: {
      ...freshMove('open', 'open'),
      purpose: 'open',
      steps: [stepOf('press', { press: 'motor', seconds: 20 })],
    },
    say: 'open: the motor for 20 s, into its end switch',
  })
  .edit({
    do: 'put',
    list: 'act.moves',
    item: {
      ...freshMove('close', 'close'),
      purpose: 'close',
      steps: [stepOf('press', { press: 'motor', other: true, seconds: 18 })],
    },
    say: 'close: the motor the other way for 18 s, into its end switch',
  })
  .edit({
    do: 'put',
    list: 'hands',
    item: { ...freshHand('rocker', 'rocker at the hatch'), kind: 'rocker', asks: ['motor', 'motor'] },
    say: 'a rocker beside the hatch: up and down while it is held',
  })
  .edit({
    do: 'put',
    list: 'hands',
    item: { ...freshHand('stop', 'stop'), kind: 'stop', latching: true },
    say: 'a stop that holds until somebody pulls it out',
  })
  .edit(
    {
      do: 'set',
      at: 'region',
      set: { latitude: 51.5, longitude: -0.13 },
      say: 'where the kitchen stands',
    },
    {
      do: 'put',
      list: 'routine.modes',
      item: { id: 'away', name: 'away', on: false, holds: 'comfort', endsSeconds: 60 * 3600 },
      say: 'a mode for the weekend, which ends by itself after sixty hours',
    },
    {
      do: 'set',
      at: 'routine',
      set: {
        holidays: ['2026-12-25', '2026-12-28', '2027-01-01'],
        handHoldsSeconds: 1800,
        sentences: [
          sentenceAt('11:45', { id: 'lunch', days: [1, 2, 3, 4, 5], dates: 'others', move: 'open' }),
          sentenceAt('14:15', { id: 'after', days: [1, 2, 3, 4, 5], move: 'close' }),
          sentenceAt('12:00', {
            id: 'dark',
            when: 'sun',
            sun: 'set',
            offsetSeconds: 1200,
            notBefore: '18:00',
            days: [1, 2, 3, 4, 5, 6, 7],
            move: 'close',
          }),
          sentenceAt('16:00', { id: 'weekend', days: [5], does: 'mode-on', sets: 'away' }),
          sentenceAt('12:00', { id: 'leaving', when: 'mode', mode: 'away', move: 'close', tier: 'hand' }),
        ],
      },
      say: 'opens for lunch, closes after it and after sunset; away from Friday on',
    },
    {
      do: 'put',
      list: 'routine.limits',
      item: {
        id: 'longest',
        kind: 'longest-on',
        press: 'motor',
        otherPress: '',
        move: '',
        sense: '',
        seconds: 25,
        count: 1,
      },
      say: 'the motor runs for 25 s at most, whoever asks',
    },
  )
  .placeAll()
  .whole('up and down by the crank', null, null, 'runs freely, the lath at the left rubs near the top')
  .lost('the hand crank', 'the rocker at the hatch')
  .write('hatch-shutter');
