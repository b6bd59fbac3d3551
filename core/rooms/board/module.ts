import { finding, type Finding } from '../../ground/finding';
import { isOfModule, type BoardProfile, type Job } from '../../ground/job';
import { boardSource } from './profile';

/** What Board judges of a bought switch: whose pins they are, and what is to be read by its own meter. */
export function moduleFindings(job: Job, profile: BoardProfile): Finding[] {
  const { module } = profile;
  const own = job.board.profiles.some((p) => p.key === profile.key);
  const pins = module && !own ? [pinsFinding(job, profile)] : [];
  return [
    ...pins,
    ...job.senses.filter(isOfModule).map((s): Finding => {
      const reads = module?.meters === true && (s.kind === 'current' || s.kind === 'watts');
      return finding('board', `meter.${s.id}`, {
        verdict: reads ? 'settled' : 'stop',
        title: reads
          ? `${s.name} is read by the switch itself: what goes through its contact, and nothing while that is open`
          : module?.meters
            ? `${s.name} is to be read by the switch itself, which measures a current and nothing else`
            : `${s.name} is to be read by the board itself, and the ${profile.name} has no meter`,
        caption: reads ? 'its own meter' : 'no such meter',
        source: [boardSource(job)],
        remedy: reads ? null : { text: 'Say in Sense what it is and where its wires go, or choose another board.' },
      });
    }),
  ];
}

/** Bought switches look alike and are not: which pin does what differs from one to the next. */
const pinsFinding = (job: Job, profile: BoardProfile): Finding =>
  finding('board', 'module-pins', {
    verdict: 'tight',
    title: `Pins of the ${profile.name} are an example: which closes the contact differs from one bought switch to the next`,
    caption: 'whose pins?',
    source: [boardSource(job)],
    remedy: { text: 'Read the pins of yours, unplugged, and save it here as a board of your own.' },
  });
