import { freshRail } from '../../core/job';
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
    set: { hazards: ['lithium'], hazardsReviewed: true, others: 'whoever passes the cold room' },
    say: 'hazards: lithium cell in the node',
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
  .write('cold-room-alarm');
