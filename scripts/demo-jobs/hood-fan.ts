import { freshConverter, freshPress, freshRail, freshSource } from '../../core/ground/job';
import { DEAD, Maker } from '../demo-maker';

new Maker(
  'demo-hood-fan',
  {
    title: 'Hood fan',
    outcome: 'it draws as hard as the stove is hot',
    when: 'whenever the stove is on',
    never: 'run with the grease filter out',
  },
  '2026-11-15',
)
  .edit({
    do: 'set',
    at: 'wish',
    set: { hazards: ['mains'], hazardsReviewed: true, others: 'the cook, by the knob' },
    say: 'hazards: mains in the fan’s supply',
  })
  .tick(...DEAD)
  .say(
    'mains plug turns',
    'mains switch closed',
    'mains earth pin',
    'ground to mains off >20M',
    'speed A to mains off >20M',
    'speed B to mains off >20M',
    'speed A to earth on 0.4 VAC',
    'speed A to earth plug-turned 0.5 VAC',
    'speed look turns to stops',
    'speed B to ground off 0.1 ohm',
    'speed A-B off 47k',
    'speed A-B turning 0.4 ohm',
    'speed A idle 4.96 V',
    'note: 36 V fan; speed by pulses, two pulses back for each turn',
  )
  .edit({
    do: 'set',
    at: 'bench',
    set: {
      machines: 2,
      stock: [
        { name: 'NPN transistor, open collector, 40 V, 200 mA', price: 0.06, have: 20 },
        { name: 'signal relay, changeover, gold contact', price: 1.9, have: 0 },
      ],
    },
    say: 'two hoods alike; twenty transistors in the drawer',
  })
  .edit({
    do: 'set',
    at: 'press',
    of: 'speed',
    set: {
      way: 'drive-signal',
      given: ['signal.highVolts'],
      signal: {
        ...freshPress().signal,
        what: 'frequency',
        points: [
          { step: 1, value: 41 },
          { step: 3, value: 118 },
          { step: 5, value: 201 },
          { step: 8, value: 318 },
        ],
        topStep: 8,
        highVolts: 5,
        enable: 'high',
        loadOhms: 47e3,
        returnVolts: 5,
        knob: 'changeover',
      },
    },
    say: 'way of pressing: the speed pulses taken over from the knob',
  })
  .survey(
    {
      rails: [
        {
          ...freshRail('fan', 'fan 36 V'),
          openVolts: 36.2,
          loadedVolts: 35.6,
          loadAmps: 0.5,
          whileIdle: true,
          whileRunning: true,
          rippleVolts: 0.2,
        },
      ],
    },
    'supply fan 36 V: 36.2 V, 35.6 V at 0.5 A, always there',
  )
  .edit(
    {
      do: 'put',
      list: 'feed.sources',
      item: { ...freshSource('fan', 'fan’s own rail', 'rail'), rail: 'fan', polarity: 'read' },
      say: 'the controller hangs on the fan’s own 36 V',
    },
    {
      do: 'put',
      list: 'feed.converters',
      item: {
        ...freshConverter('regulator', 'regulator', 'linear', 'fan'),
        volts: 5,
        amps: 1,
        package: 'to-220',
        mostVolts: 40,
      },
      say: 'a linear regulator of 5 V behind it',
    },
  )
  .tick('lead-apart')
  .whole('all eight steps', null, 34, 'no whistle, a little hum at step 2')
  .lost('the knob while the controller holds the speed', 'the changeover gives it back when the controller is off')
  .write('hood-fan');
