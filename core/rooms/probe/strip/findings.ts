import { finding, type Finding } from '../../../ground/finding';
import type { Job } from '../../../ground/job';
import { ghosts } from '../../../engines/scan';
import { isStripApart, stripState } from './terminals';

/** What Probe judges of unlabelled strips: found, on the way, or stopped. */
export function stripFindings(job: Job): Finding[] {
  return job.survey.strips.map((strip) => {
    const s = stripState(job, strip);
    if (s.found) {
      // Which pair listens is known; whether it is apart from mains is another question, and stays open where nobody read it.
      const apart = isStripApart(job, strip);
      return finding('probe', `strip.${strip.id}`, {
        about: { strip: strip.id },
        verdict: apart ? 'settled' : 'tight',
        title:
          `${strip.name}: terminals ${s.found.a} and ${s.found.b} move the machine` +
          (apart ? '' : '; whether the strip is apart from mains is not proven'),
        caption: `pair ${s.found.a}-${s.found.b}`,
        source: ['loop-volts', 'iec-61140'],
        remedy: apart ? null : { text: 'Have it tested with 500 V by whoever may, or keep ways that stay apart.' },
      });
    }
    const stop = s.stopped.includes('licensed');
    return finding('probe', `strip.${strip.id}`, {
      about: { strip: strip.id },
      verdict: stop ? 'stop' : 'unknown',
      title: stop
        ? `${strip.name}: ${s.stopped}`
        : `${strip.name}: which two of ${strip.wires.length} terminals listen is not known`,
      caption: stop ? 'dangerous strip' : 'pair not found',
      source: ['loop-volts', 'iec-61140'],
      remedy: { text: s.next ? `${s.next.title}.` : s.stopped },
    });
  });
}

/** What Probe judges of keypads: keys without lines, and ghosts where someone else may hold keys. */
export function keypadFindings(job: Job): Finding[] {
  return job.survey.keypads.flatMap((pad) => {
    const mapped = pad.keys.filter((k) => k.lines.length === 2).length;
    const risk = ghosts(pad).length;
    const out = [
      finding('probe', `keypad.${pad.id}`, {
        about: { keypad: pad.id },
        verdict: mapped === pad.keys.length && mapped > 0 ? 'settled' : 'unknown',
        title: `${pad.name}: ${mapped} of ${pad.keys.length} keys have their two lines`,
        caption: `${mapped} of ${pad.keys.length} keys`,
        remedy:
          mapped === pad.keys.length
            ? null
            : { text: 'Capture the lines while each missing key is held, or read continuity between tail pins.' },
      }),
    ];
    if (risk > 0 && job.wish.others.trim()) {
      out.push(
        finding('probe', `keypad.${pad.id}.ghosts`, {
          about: { keypad: pad.id },
          verdict: 'tight',
          title: `${pad.name} has no diodes to tell ghosts: with a hand on two keys, your press of a third may look like a fourth`,
          caption: 'ghost keys',
          remedy: {
            text: 'Press only keys that share no line with those a hand holds, or look at the machine before pressing.',
          },
        }),
      );
    }
    return out;
  });
}
