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
  .say('control power', 'note: first press only wakes the display, second starts it')
  .write('larder-dehumidifier');
