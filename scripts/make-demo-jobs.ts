// Writes the Marrow Street Kitchen jobs into demo/. All names and readings are invented.
import { writeFileSync } from 'node:fs';
import { applyEdit, freshJob, jobText, readNoteLine, type FreshWish, type Job, type JobEdit } from '../core/job';

class Maker {
  private job: Job;
  private minute = 0;

  constructor(id: string, wish: FreshWish, private readonly day: string) {
    this.job = freshJob({ place: 'Marrow Street Kitchen', ...wish }, id, this.now());
  }

  private now(): string {
    const t = 14 * 60 + this.minute++;
    return `${this.day}T${String(Math.floor(t / 60)).padStart(2, '0')}:${String(t % 60).padStart(2, '0')}:00Z`;
  }

  edit(...edits: JobEdit[]): this {
    for (const e of edits) this.job = applyEdit(this.job, e, this.now());
    return this;
  }

  say(...lines: string[]): this {
    for (const line of lines) {
      const now = this.now();
      const u = readNoteLine(line, this.job, { id: `${this.job.id}-r${this.job.readings.length + 1}`, now });
      if (!u.ok) throw new Error(`${line}: ${u.message}`);
      this.job = applyEdit(this.job, u.edit, now);
    }
    return this;
  }

  tick(...steps: string[]): this {
    return this.edit(...steps.map((step): JobEdit => ({ do: 'tick', step, title: step.replace(/^dead-/, '').replace(/-/g, ' '), on: true })));
  }

  tried(step: string, count: number, observed: string, on: 'hand' | 'standin' = 'hand'): this {
    const now = this.now();
    return this.edit({ do: 'add-trial', say: `${step.replace(/-/g, ' ')}: ${observed}`, trial: { id: `${this.job.id}-t${this.job.trials.length + 1}`, step, at: now, outcome: 'as-expected', count, failed: 0, observed, on } });
  }

  write(name: string): void {
    writeFileSync(new URL(`../demo/${name}.json`, import.meta.url), jobText(this.job));
  }
}

const DEAD = ['dead-isolate', 'dead-hold', 'dead-test-tester', 'dead-test-dead', 'dead-test-tester-again'];

new Maker('demo-rice-pot', { title: 'Rice pot', outcome: 'the pot starts by itself', when: 'before lunch on weekdays', never: 'start empty, or on a day nobody filled it' }, '2026-11-16')
  .edit({ do: 'change', section: 'wish', set: { hazards: ['mains', 'unattended-heat'], hazardsReviewed: true, others: 'whoever is in the kitchen, by hand' }, say: 'hazards: mains inside, heat while nobody watches' })
  .tick(...DEAD)
  .say('ground to mains off >20M', 'start A to mains off >20M', 'start B to mains off >20M', 'start A to earth on 0.3 VAC', 'start B to ground off 0.1 ohm',
    'start A idle 4.98 V', 'start A-B pressed 0.4 ohm', 'start short 0.498 mA', 'start A pressed 3 mV', 'supply main 5.02 V always', 'note: foam behind the board')
  .edit(
    { do: 'change', section: 'standin', set: { model: 'rice-pot' }, say: 'the rice pot stands in where it can' },
    { do: 'change', section: 'thumb', set: { way: 'solid-state-relay' }, say: 'way of pressing: solid-state relay' },
    { do: 'change', section: 'board', set: { pressPin: 5, armPin: 14 }, say: 'press on pin 5, arm switch on pin 14' },
    { do: 'change', section: 'feed', set: { supply: 'own plug-in supply', volts: 5, amps: 1 }, say: 'own supply, 5 V, 1 A' },
    { do: 'change', section: 'sense', set: { contact: 'at-rest', restsClosed: true }, say: 'the keep-warm lever closes a contact at rest' },
    { do: 'change', section: 'act', set: { script: [{ do: 'press', seconds: 0.18 }] }, say: 'one press of 180 ms' },
    { do: 'change', section: 'board', set: { sensorPin: 12 }, say: 'rest contact on pin 12' },
    { do: 'change', section: 'routine', set: { sentences: [{ id: 'lunch', at: '10:40', days: [1, 2, 3, 4, 5], ifArmed: true }] }, say: 'at 10:40 on weekdays, if armed' })
  .tick('mains-cover', 'mains-apart', 'heat-cutout', 'heat-dry')
  .tried('prove-dead', 1, 'no voltage between any pair')
  .tried('dummy-load', 1, 'lamp on for a blink, off again')
  .tried('restarts', 10, 'the contact stayed open through every power-up')
  .tried('one-press', 1, 'the pot clicked and began to heat')
  .tried('many-presses', 22, 'every press seen', 'standin')
  .tried('hand-switch', 1, 'obeyed both times')
  .tried('sign-off', 1, 'case closed, joint labelled')
  .write('rice-pot');

new Maker('demo-yard-gate', { title: 'Yard gate', outcome: 'the gate opens for deliveries and closes at night', when: 'deliveries, and 22:30', never: 'move by itself at power-up, or stay open overnight' }, '2026-11-19')
  .edit({ do: 'change', section: 'wish', set: { hazards: ['mains', 'moving-door', 'pinch'], hazardsReviewed: true, others: 'two drivers with a hand remote' }, say: 'hazards: mains inside, closing door, pinch' })
  .tick(...DEAD)
  .say('ground to mains off >20M', 'gate A to mains off >20M', 'gate B to mains off >20M', 'gate A to earth on 1.1 VAC', 'gate B to ground off >20M', 'gate A-B idle 11.62 V', 'gate short 8.21 mA', 'gate A-B pressed 0.3 ohm', 'note: terminals 3 and 4, green and white')
  .edit(
    { do: 'change', section: 'thumb', set: { way: 'relay-contact', relayContact: 'signal' }, say: 'way of pressing: relay contact, gold signal relay' },
    { do: 'change', section: 'board', set: { pressPin: 12 }, say: 'press on pin 12' },
    { do: 'change', section: 'feed', set: { supply: 'own plug-in supply', volts: 5, amps: 1 }, say: 'own supply, 5 V, 1 A' },
    { do: 'change', section: 'act', set: { machine: { kind: 'open-stop-close-stop', shortestPressSeconds: 0.08, runSeconds: 16, afterPowerCut: 'off' }, script: [{ do: 'press', seconds: 0.5 }] }, say: 'opens, stops, closes, stops; 16 s from end to end; one press of 0.5 s' },
    { do: 'change', section: 'routine', set: { sentences: [{ id: 'night', at: '22:30', days: [1, 2, 3, 4, 5, 6, 7], ifArmed: false }] }, say: 'at 22:30 every day' })
  .tick('mains-cover', 'mains-apart')
  .write('yard-gate');

new Maker('demo-larder-dehumidifier', { title: 'Larder dehumidifier', outcome: 'it runs again after a power cut', when: 'whenever the power comes back', never: 'run with a full tank' }, '2026-11-21')
  .say('control power', 'note: first press only wakes the display, second starts it')
  .write('larder-dehumidifier');
