import { describe, expect, it } from 'vitest';
import { edited, freshJob, freshPress, type GuardRecord, type Job, type MotorPlan, type Way } from '../../ground/job';
import { assess } from '../../house/assess';
import { drawWay } from '../../house/draw';
import { wholeWiring } from '../../house/job-wiring';
import { filesOf } from '../../house/deliver';
import { changed } from '../../testing/jobs';

const NOW = '2026-03-02T14:00:00Z';
/** A job with one press that belongs to no control. */
const bare = (way: Way, guard: Partial<GuardRecord> = {}, motor: Partial<MotorPlan> = {}): Job => {
  const press = freshPress('valve', 'valve');
  return changed(
    edited(
      freshJob({ title: 'Ice-bath fill valve' }, 'v', NOW),
      { do: 'put', list: 'presses', item: { ...press, way, motor: { ...press.motor, ...motor } } },
      NOW,
    ),
    'guard',
    guard,
  );
};
const verdicts = (job: Job) => new Map(assess(job).findings.map((f) => [f.id, f.verdict]));

/** Conductors in the drawing of a relay: supply, pin, ground, the two of the contact, collector. */
const JOINT_WIRES = 6;

describe('a press without a control', () => {
  it('asks nobody to read anything of a machine', () => {
    expect(verdicts(bare('relay-contact')).get('probe.none')).toBe('settled');
  });

  it('waits until it is said on what a valve runs, and is held against that', () => {
    const asked = verdicts(bare('relay-contact', { loadWatts: 10, loadKind: 'solenoid' }));
    expect(asked.get('thumb.relay-contact.insulation')).toBe('unknown');
    expect(asked.get('guard.contact')).toBe('unknown');
    const valve = bare('relay-contact', { loadWatts: 10, loadKind: 'solenoid', loadVolts: 24, loadCurrent: 'ac' });
    expect(verdicts(valve).get('thumb.relay-contact.insulation')).toBeUndefined();
    expect(verdicts(valve).get('guard.contact')).toBe('settled');
    expect(verdicts(valve).get('guard.isolation')).toBeUndefined();
  });

  it('takes few volts for many amperes, and direct current for hard to break', () => {
    // 240 W over 12 V are 20 A, twice what a contact of 10 A carries; over mains they would be one.
    const lamp = { loadWatts: 240, loadKind: 'resistive', loadVolts: 12 } as const;
    expect(verdicts(bare('relay-contact', { ...lamp, loadCurrent: 'ac' })).get('guard.contact')).toBe('stop');
    const brake = { loadWatts: 150, loadKind: 'solenoid', loadVolts: 100 } as const;
    expect(verdicts(bare('relay-contact', { ...brake, loadCurrent: 'dc' })).get('guard.contact')).toBe('stop');
  });

  it('is stopped where a valve runs on mains, and is sent to what is plugged in', () => {
    const f = assess(bare('relay-contact', { loadVolts: 230 })).findings.find(
      (x) => x.id === 'thumb.relay-contact.dangerous',
    )!;
    expect(f.verdict).toBe('stop');
    expect(f.remedy!.text).toContain('bought switch');
  });

  it('runs a motor both ways by what its plate says, wired and packed as any other', () => {
    const job = bare('reverse-motor', {}, { supplyVolts: 24, stallAmps: 2, runningAmps: 0.5, coastSeconds: 0.2 });
    const { plans } = assess(job);
    expect(plans[0]!.way).toMatchObject({ applies: true });
    expect(plans[0]!.way!.wires.length).toBeGreaterThan(6);
    expect(filesOf(job, assess(job)).map((f) => f.name)).toEqual(expect.arrayContaining(['wires.csv', 'parts.csv']));
  });

  it('is moved by a servo of one’s own, whose force and travel are guesses until somebody says so', () => {
    const [plan] = assess(bare('finger')).plans;
    expect(plan!.way).toMatchObject({ applies: true, verdict: 'tight' });
    expect(plan!.way!.wires.map((x) => x.to)).toContain('servo signal');
  });

  it('says of a way that is made for a control that it is no use, and names what is', () => {
    for (const way of ['optocoupler', 'npn-to-ground', 'strobe-answer', 'drive-signal'] as const)
      expect(assess(bare(way)).plans[0]!.way, way).toMatchObject({ applies: false });
  });

  it('is wired from its own supply through the contact and back, each load by itself', () => {
    const one = bare('relay-contact', { loadWatts: 10, loadKind: 'solenoid', loadVolts: 24, loadCurrent: 'dc' });
    const two = { ...one, presses: [...one.presses, { ...one.presses[0]!, id: 'drain', name: 'drain' }] };
    const runs = wholeWiring(two, assess(two)).wires.map((w) => `${w.from} > ${w.to}`);
    for (const name of ['valve', 'drain']) {
      expect(runs).toContain(`${name}: contact 1 > ${name}: its own supply, +`);
      expect(runs).toContain(`${name}: contact 2 > ${name} A`);
      expect(runs).toContain(`${name}: its own supply, − > ${name} B`);
    }
    expect(wholeWiring(two, assess(two)).parts.map((p) => `${p.name}, ${p.value}`)).toContain(
      'supply of the drain, 24 V DC',
    );
  });

  it('is drawn with the numbers of its own wires, a timer relay before it or none', () => {
    const one = bare('relay-contact', { loadWatts: 10, loadKind: 'solenoid', loadVolts: 24, loadCurrent: 'dc' });
    const timed = { ...one, guard: { ...one.guard, cutOff: 'timer-relay' as const } };
    for (const [job, lower] of [
      [one, 'valve A'],
      [timed, 'timer relay 15'],
    ] as const) {
      const a = assess(job);
      const way = a.plans[0]!.way!;
      const { marks } = drawWay(job, a, job.presses[0]!, way, 'wiring');
      const texts = marks.flatMap((m) => (m.kind === 'text' ? [m.text] : []));
      const tags = marks.flatMap((m) => (m.kind === 'tag' ? [m.number] : []));
      expect(texts).toContain(lower);
      expect(texts).toContain('its own supply');
      // Every wire of the table stands in the drawing, and the contact's own two are those at its ends.
      expect([...new Set(tags)].sort((x, y) => x - y)).toEqual(way.wires.map((w) => w.number));
      const contact = way.wires.filter((w) => w.ends[0].at === 'leg' && w.ends[0].closes).map((w) => w.number);
      expect(tags.slice(0, JOINT_WIRES)).toEqual(expect.arrayContaining(contact));
      expect(tags.slice(0, JOINT_WIRES)).not.toContain(way.wires.at(-1)!.number);
    }
  });
});
