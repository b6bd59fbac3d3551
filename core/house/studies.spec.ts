import { describe, expect, it } from 'vitest';
import { answerFor } from './answer';
import { assess } from './assess';
import { finding, type StudyVerdict } from '../ground/finding';
import { edited, type Job } from '../ground/job';
import { provable } from './provable';
import { threadOf } from './thread';
import { demoJob, pressed } from '../testing/jobs';

const pot = demoJob('rice-pot');
const larder = demoJob('larder-dehumidifier');
const basis = (job: Job, press: string): string => provable(job, assess(job), press)!.basis;
const study = (job: Job, of: string, verdict: 'settled' | 'stop'): StudyVerdict => ({
  kind: 'proof',
  of,
  basis: basis(job, of),
  at: '2026-11-26T10:00:00Z',
  findings: [finding('thumb', 'proof.agreement', { verdict, title: 'Closed form and simulation', caption: 'proof' })],
});
const found = (job: Job, s: StudyVerdict, id: string) =>
  answerFor(job, {}, [s]).assessment.findings.find((f) => f.id === id);

describe('studies', () => {
  it('join the findings and the thread while they rest on what the job says', () => {
    expect(found(pot, study(pot, 'start', 'settled'), 'thumb.proof.agreement')!.verdict).toBe('settled');
    const bad = answerFor(pot, {}, [study(pot, 'start', 'stop')]).assessment.findings;
    expect(threadOf(bad).find((b) => b.room === 'thumb')!.verdict).toBe('stop');
    expect(answerFor(pot, {}, [study(pot, 'start', 'settled')]).fresh).toEqual({ 'proof start': true });
  });

  it('of one press of several say whose they are', () => {
    const f = found(larder, study(larder, 'dryness', 'settled'), 'thumb.proof.agreement@dryness')!;
    expect(f.title).toBe('dryness: Closed form and simulation');
  });

  it('are out of date after any change of their inputs, never silently wrong, and hold again when it is taken back', () => {
    const s = study(pot, 'start', 'settled');
    for (const job of [
      pressed(pot, { resistorOhms: 470 }),
      pressed(pot, { way: 'optocoupler' }),
      pressed(pot, { twoContacts: true }),
      edited(
        pot,
        { do: 'strike-reading', id: pot.readings.find((r) => r.kind === 'volts-dc')!.id, struck: true },
        '2026-11-26T10:00:00Z',
      ),
    ]) {
      expect(found(job, s, 'thumb.proof.agreement')).toBeUndefined();
      expect(found(job, s, 'thumb.study.proof')).toMatchObject({ verdict: 'unknown', caption: 'proof out of date' });
    }
    expect(found(pot, s, 'thumb.study.proof')).toBeUndefined();
    // What is no input leaves it fresh.
    expect(found(pressed(pot, { machines: 3 }), s, 'thumb.proof.agreement')).toBeDefined();
  });

  it('go with the press that they are about', () => {
    const s = study(larder, 'dryness', 'stop');
    const without = edited(
      { ...larder, act: { ...larder.act, moves: [] } },
      { do: 'drop', list: 'presses', key: 'dryness' },
      '2026-11-26T10:00:00Z',
    );
    expect(answerFor(without, {}, [s]).assessment.findings.filter((f) => /proof/.test(f.id))).toEqual([]);
  });

  it('have no circuit to rest on where a way is none', () => {
    expect(provable(demoJob('hatch-shutter'), assess(demoJob('hatch-shutter')), 'motor')).toBeNull();
  });
});
