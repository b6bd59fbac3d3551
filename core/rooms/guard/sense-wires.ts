import { finding, type Finding } from '../../ground/finding';
import { reachOf, type Job, type Sense } from '../../ground/job';

/**
 * Where the wires of each sense go: what nobody said is not known, a bare contact is taken for one of its own, and an optocoupler keeps
 * apart only what is known to need no more. @param read whether anything of the machine's isolation is read, which is judged beside this.
 */
export const senseWireFindings = (job: Job, read: boolean): Finding[] =>
  job.senses.flatMap((s) => {
    const reach = reachOf(s);
    if (reach === 'unsaid') return [unsaid(s)];
    if (reach === 'guessed') return [guessed(s)];
    return reach === 'coupled' && !read ? [coupledUnread(s)] : [];
  });

const touches = (s: Sense, touched: Sense['touches'], say: string): Finding['remedy'] => ({
  text: 'Say in Sense where its wires go.',
  label: say,
  edit: { do: 'put', list: 'senses', item: { ...s, touches: touched }, say: `${s.name}: ${say.toLowerCase()}` },
});
const OWN = 'A part of its own';

const unsaid = (s: Sense): Finding =>
  finding('guard', `wires.${s.id}`, {
    verdict: 'unknown',
    title: `Where the wires of ${s.name} go was not said: into the machine they join your ground to it`,
    caption: 'wires go where?',
    source: ['isolation-bounds'],
    remedy: touches(s, 'own', OWN),
  });

const guessed = (s: Sense): Finding =>
  finding('guard', `wires.${s.id}`, {
    verdict: 'tight',
    title: `${s.name} is taken for a contact of its own, which nothing joins to the machine; nobody said so`,
    caption: 'own contact?',
    source: ['isolation-bounds'],
    remedy: touches(s, 'own', OWN),
  });

const coupledUnread = (s: Sense): Finding =>
  finding('guard', `wires.${s.id}`, {
    verdict: 'unknown',
    title: `${s.name} goes into the machine over an optocoupler, and what it touches there was not read`,
    caption: 'couples to what?',
    source: ['isolation-bounds', 'iec-60664'],
    remedy: { text: 'Name the two terminals in Probe and take the isolation readings there.' },
  });
