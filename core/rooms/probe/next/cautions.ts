import type { ReadingSpec } from '../../../engines/circuit';
import type { Job, Reading } from '../../../ground/job';

const OHMS_CAUTION = 'Plug pulled and in sight. Ohms on a live circuit harm the meter and the board.';
/** What goes with a setting, whatever the state. */
const OF_SETTING: Partial<Record<Reading['kind'], string>> = {
  insulation:
    'Licensed work: 500 V on every conductor that is joined. Plug pulled, ' +
    'live and neutral clipped together, nothing else connected.',
  battery:
    'Plug pulled and in sight; wait for capacitors to empty. Battery and meter in series, its plus towards the first place, ' +
    'live and neutral of the plug clipped together; read once the number stands.',
  look: 'Plug pulled and in sight. No meter, no tool: only look and press.',
  ohms: OHMS_CAUTION,
  diode: OHMS_CAUTION,
  continuity: OHMS_CAUTION,
  amps: 'This presses the button. The machine may act: keep it safe to start. Lead back to the volts jack at once.',
};

/** What to mind while a reading is taken. */
export function cautionFor(s: ReadingSpec, job: Job): string {
  if (s.state === 'loaded-10k' && s.to.kind !== 'earth')
    return `Clip 10 kΩ across the tips. It may press the button: keep the machine safe to start. One hand in the pocket.${mainsOpen(job)}`;
  if (s.state === 'loaded-100k' || s.state === 'turned-100k')
    return 'Plug out: clip 100 kΩ, 1 W, rated for mains, across the tips; plug in and stay away; a meter rated for the mains.';
  if (s.state === 'loaded-10k' || s.state === 'turned-10k')
    return 'Clip 10 kΩ, 1 W, across the tips before you go near; one hand in the pocket, a meter rated for the mains.';
  if ((s.kind === 'ohms' || s.kind === 'diode') && [s.from, s.to].some((p) => p.kind === 'mains'))
    return 'Plug pulled and in sight; wait for capacitors to empty. Clip live and neutral of the plug together, one tip on the clip.';
  const own = OF_SETTING[s.kind];
  if (own) return own;
  const moves =
    s.state === 'moving' || s.state === 'moving-back' ? ' Hands and cloth out of the way of what moves.' : '';
  return `One hand in the pocket, a meter rated for the mains, tips only where drawn.${moves}${mainsOpen(job)}`;
}

const mainsOpen = (job: Job): string =>
  job.wish.hazards.includes('mains')
    ? ' Mains is open inside: covers on what you do not probe, or leave it to someone licensed.'
    : '';
