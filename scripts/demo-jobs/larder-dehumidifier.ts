import { freshPress, freshSense, freshMove, freshPart, stepOf } from '../../core/ground/job';
import { Maker } from '../demo-maker';

new Maker(
  'demo-larder-dehumidifier',
  {
    title: 'Larder dehumidifier',
    outcome: 'it runs again after a power cut',
    when: 'whenever the power comes back',
    never: 'run with a full tank',
  },
  '2026-11-21',
)
  .say('mains plug turns', 'mains switch none', 'mains earth nowhere', 'ground to mains off >20M')
  .say(
    ...['power', 'dryness'].flatMap((key) => [
      `${key} A to mains off >20M`,
      `${key} B to mains off >20M`,
      `${key} A to earth on 0.4 VAC`,
      `${key} A to earth plug-turned 0.4 VAC`,
      `${key} look springs back`,
      `${key} B to ground off 0.1 ohm`,
      `${key} A idle 3.29 V`,
      `${key} A-B pressed 0.4 ohm`,
      `${key} short 0.33 mA`,
      `${key} A pressed 2 mV`,
      `${key} A neighbour 3.29 V`,
      `${key} A-B released 14k`,
    ]),
    'note: first press on power only wakes the display, the second starts it; dryness steps through three levels',
  )
  .edit(
    {
      do: 'set',
      at: 'press',
      of: 'power',
      set: { way: 'solid-state-relay', pullDown: true },
      say: 'power by a solid-state relay',
    },
    {
      do: 'put',
      list: 'presses',
      item: { ...freshPress('dryness', 'dryness', 'control-dryness'), way: 'solid-state-relay', pullDown: true },
      say: 'a second press: dryness',
    },
    {
      do: 'put',
      list: 'senses',
      item: {
        ...freshSense('tank', 'tank lamp'),
        kind: 'light',
        touches: 'own',
        tells: 'other',
        meaning: 'the tank is full',
        takenFor: 'no',
        highVolts: 3.2,
      },
      say: 'a light sensor over the “tank full” lamp',
    },
    {
      do: 'set',
      at: 'board',
      set: { profile: 'wifi-34' },
      say: 'controller: Wi-Fi module, 34 GPIO',
    },
  )
  .placeAll()
  .edit({
    do: 'put',
    list: 'act.parts',
    item: {
      ...freshPart('dryer', 'dryer'),
      kind: 'flips',
      heeds: [{ press: 'power', other: false, as: 'press' }],
      shortestPressSeconds: 0.06,
      longestPressSeconds: 3,
      afterPowerCut: 'off',
      firstPressWakes: true,
      awakeSeconds: 20,
      shows: [{ state: 'on', watts: 260, light: true, sound: true, warm: true }],
    },
    say: 'the first press only wakes its display, which sleeps again after 20 s; it forgets its state at a power cut',
  })
  .edit({
    do: 'put',
    list: 'act.parts',
    item: {
      ...freshPart('dryness', 'dryness'),
      kind: 'steps',
      modes: ['dry', 'drier', 'driest'],
      heeds: [{ press: 'dryness', other: false, as: 'press' }],
      shortestPressSeconds: 0.06,
      longestPressSeconds: 3,
    },
    say: 'its dryness steps through three',
  })
  .edit({
    do: 'put',
    list: 'act.moves',
    item: {
      ...freshMove('dry', 'dry the larder'),
      steps: [
        stepOf('press', { press: 'power', seconds: 0.2 }),
        stepOf('wait', { seconds: 1.5 }),
        stepOf('press', { press: 'power', seconds: 0.2 }),
        stepOf('wait', { seconds: 2 }),
        stepOf('press', { press: 'dryness', seconds: 0.2 }),
      ],
    },
    say: 'wake it, start it, and step to the middle dryness',
  })
  .write('larder-dehumidifier');
