import { freshConverter, freshRail, freshSense, freshSource, sentenceAt } from '../../core/ground/job';
import { Maker } from '../demo-maker';

new Maker(
  'demo-cold-room-alarm',
  {
    title: 'Cold-room alarm',
    outcome: 'the alarm is heard in the kitchen',
    when: 'whenever it beeps',
    never: 'be silenced unseen',
  },
  '2026-11-22',
)
  .edit({
    do: 'set',
    at: 'wish',
    set: { hazards: [], hazardsReviewed: true, others: 'whoever passes the cold room' },
    say: 'hazards: none, the node has two cells of zinc and manganese',
  })
  .measure('cold-room-alarm', 'mute', 7)
  .measure('cold-room-alarm', 'test', 8)
  .survey(
    {
      rails: [
        {
          ...freshRail('board', 'board 3.3 V'),
          openVolts: 3.28,
          loadedVolts: 3.02,
          loadAmps: 0.02,
          whileIdle: true,
          whileRunning: true,
          rippleVolts: 0.01,
          storedFarads: 100e-6,
          bleedOhms: 10e3,
          storedVolts: 3.3,
        },
      ],
    },
    'supply board 3.3 V: 3.28 V, 3.02 V at 20 mA',
  )
  .say('note: the beeper gets 2.7 kHz in bursts of half a second')
  .edit(
    {
      do: 'put',
      list: 'feed.sources',
      item: { ...freshSource('cells', 'two cells', 'cells'), chemistry: 'alkaline', series: 2, polarity: 'read' },
      say: 'two alkaline cells in a row',
    },
    {
      do: 'put',
      list: 'feed.converters',
      item: {
        ...freshConverter('booster', 'step-up', 'step-up', 'cells'),
        volts: 3.3,
        amps: 0.8,
        mostVolts: 5.5,
        efficiency: 0.85,
        idleAmps: 25e-6,
      },
      say: 'a step-up converter of 3.3 V that draws 25 µA by itself',
    },
    {
      do: 'set',
      at: 'feed.duty',
      set: { into: 'chip', sleeps: 'yes', wakesPerDay: 26, wakeSeconds: 4, sleepAmps: 30e-6 },
      say: 'the node sleeps at 30 µA and wakes 26 times a day for 4 s',
    },
    { do: 'set', at: 'feed.box', set: { roomCelsius: 5 }, say: 'it hangs in the cold room, at 5 °C' },
    {
      do: 'put',
      list: 'senses',
      item: {
        ...freshSense('beeps', 'its beep'),
        kind: 'beep',
        touches: 'machine',
        tells: 'other',
        meaning: 'the alarm sounds',
        takenFor: 'no',
        wakes: true,
        debounceSeconds: 0.1,
        highVolts: 3.1,
        joint: 'pump',
        signal: {
          nature: 'alternating',
          lowVolts: 0,
          sourceOhms: 220,
          hertz: 2700,
          duty: 0.5,
          shortestSeconds: 0.5,
        },
      },
      say: 'its beeper is tapped over a capacitor: 2.7 kHz wake the node',
    },
    {
      do: 'set',
      at: 'board',
      set: { profile: 'wifi-34' },
      say: 'controller: Wi-Fi module, 34 GPIO, a pin of which wakes it',
    },
    {
      do: 'set',
      at: 'routine',
      set: {
        sentences: [
          sentenceAt('12:00', {
            ...{ id: 'sounds', when: 'sense', sense: 'beeps', says: true, forSeconds: 5, days: [], does: 'call' },
            ...{ tier: 'safety', gapSeconds: 600 },
          }),
        ],
      },
      say: 'when it has sounded for five seconds somebody is called, and not again for ten minutes',
    },
  )
  .placeAll()
  .write('cold-room-alarm');
