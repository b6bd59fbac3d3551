import { sentenceAt, freshHand, freshSense, freshMove, freshPart, stepOf } from '../../core/ground/job';
import { DEAD, Maker, never } from '../demo-maker';

new Maker(
  'demo-rice-pot',
  {
    title: 'Rice pot',
    outcome: 'the pot starts by itself',
    when: 'before lunch on weekdays',
    never: 'start empty, or on a day nobody filled it',
  },
  '2026-11-16',
)
  .edit({
    do: 'set',
    at: 'wish',
    set: { hazards: ['mains', 'unattended-heat'], hazardsReviewed: true, others: 'whoever is in the kitchen, by hand' },
    say: 'hazards: mains inside, heat while nobody watches',
  })
  .whole('a whole pot', 25 * 60, 620, 'a click at the start, another when it is done')
  .tick(...DEAD)
  .say(
    'mains plug turns',
    'mains switch none',
    'mains earth nowhere',
    'ground to mains off >20M',
    'start A to mains off >20M',
    'start B to mains off >20M',
    'start A to earth on 0.3 VAC',
    'start A to earth plug-turned 0.4 VAC',
    'start look springs back',
    'start B to ground off 0.1 ohm',
    'start A idle 4.98 V',
    'start A-B pressed 0.4 ohm',
    'start short 0.498 mA',
    'start A pressed 3 mV',
    'start A neighbour 4.98 V',
    'start A neighbour 4.97 V',
    'start A-B released 14k',
    'supply main 5.02 V always',
    'note: foam behind the board',
  )
  .edit(
    { do: 'set', at: 'standin', set: { model: 'rice-pot' }, say: 'the rice pot stands in where it can' },
    {
      do: 'set',
      at: 'press',
      of: 'start',
      set: { way: 'solid-state-relay', pullDown: true },
      say: 'way of pressing: solid-state relay, with a resistor from its pin to ground',
    },
    {
      do: 'put',
      list: 'hands',
      item: { ...freshHand('arm', 'arm switch'), kind: 'arm', latching: true, startsPerArming: 1 },
      say: 'an arm switch that whoever fills the pot sets by hand',
    },
  )
  .supply(5, 1, 0.08e-6, 'own supply, 5 V, 1 A, class II, on a thin lead of 1 m')
  .edit(
    {
      do: 'put',
      list: 'senses',
      item: {
        ...freshSense('rest', 'rest contact'),
        touches: 'own',
        meaning: 'the keep-warm lever is up',
        lead: { metres: 0.6, beside: 'apart', pullUpOhms: null, filtered: false, devices: 1 },
      },
      say: 'the keep-warm lever closes a contact at rest',
    },
    {
      do: 'put',
      list: 'act.parts',
      item: {
        ...freshPart('pot', 'pot'),
        kind: 'starts-and-stops-itself',
        shortestPressSeconds: 0.04,
        longestPressSeconds: 2,
        runSeconds: 1500,
        afterPowerCut: 'off',
        shows: [{ state: 'running', watts: 700, light: true, sound: false, warm: true }],
      },
      say: 'starts and stops by itself after 25 minutes',
    },
    {
      do: 'put',
      list: 'act.moves',
      item: { ...freshMove('cook', 'cook'), steps: [stepOf('press', { press: 'start', seconds: 0.18 })] },
      say: 'cook: one press of 180 ms',
    },
    {
      do: 'set',
      at: 'guard',
      set: { place: 'damp', cutOff: 'one-shot' },
      say: 'it stands where steam comes; a one-shot ends each press',
    },
    {
      do: 'set',
      at: 'wish',
      set: { heldBy: 'the arm switch, which whoever fills the pot sets by hand' },
      say: 'held by the arm switch',
    },
    { do: 'set', at: 'sheet', set: { by: 'the morning cook' }, say: 'tested by the morning cook' },
    { do: 'put', list: 'board.pins', item: { line: 'start', gpio: 5, fixed: true }, say: 'start on pin 5' },
    { do: 'put', list: 'board.pins', item: { line: 'arm', gpio: 14, fixed: true }, say: 'arm switch on pin 14' },
    { do: 'put', list: 'board.pins', item: { line: 'rest', gpio: 12, fixed: true }, say: 'rest contact on pin 12' },
    {
      do: 'set',
      at: 'routine',
      set: { sentences: [sentenceAt('10:40', { id: 'lunch', days: [1, 2, 3, 4, 5], ifArmed: true })] },
      say: 'at 10:40 on weekdays, if armed',
    },
  )
  .tick('mains-cover', 'mains-apart', 'heat-cutout', 'heat-dry', 'own-devices', 'press-again', 'lead-apart')
  .edit({
    do: 'put',
    list: 'wish.nevers',
    item: never('once', 'starts-per-arming', { count: 1, harm: 'person', whom: 'whoever finds it burnt dry' }),
    say: 'never more than one start for one arming',
  })
  .tick(...DEAD)
  .drilled(2)
  .tried('prove-dead', 1, 'no voltage between any pair')
  .tried('dummy-load', 1, 'lamp on for a blink, off again')
  .tried('restarts', 10, 'the contact stayed open through every power-up')
  .tried('cut-off', 1, 'it let go after half a second, with the trigger held for ten')
  .tried('sense@rest', 2, 'closed at rest, open while it cooks; open with its wire off')
  .tried('one-press', 1, 'the pot clicked and began to heat')
  .tried('many-presses', 22, 'every press seen', 'standin')
  .tried('many-presses', 2302, 'every press counted over a night, its heater unplugged')
  .tried('hand-switch', 1, 'obeyed both times')
  .tried('hand@arm', 2, 'unarmed nothing came; armed it began once')
  .tried('never', 1, 'empty and unarmed it stayed at rest, through two power cuts as well')
  .tried('sign-off', 1, 'case closed, joint labelled')
  .write('rice-pot');
