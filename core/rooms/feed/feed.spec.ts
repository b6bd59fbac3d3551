import { describe, expect, it } from 'vitest';
import { assess } from '../../house/assess';
import type { Finding } from '../../ground/finding';
import { guardFindings, hazardsOf } from '../guard';
import {
  applyEdit,
  edited,
  freshConverter,
  freshLink,
  freshLoad,
  freshSense,
  freshSource,
  type FeedConverter,
  type FeedSource,
  type Job,
  type JobEdit,
} from '../../ground/job';
import { changed, demoJob, fed, findingOf, pressed, unmoved } from '../../testing/jobs';
import { feedFindings, loadsOf, supplyRun } from '.';

const at = '2026-03-02T14:00:00Z';
const pot = demoJob('rice-pot');
const fan = demoJob('hood-fan');
const alarm = demoJob('cold-room-alarm');
const flaps = unmoved(demoJob('steam-flaps'));
const { facts } = assess(pot);
const put = (job: Job, ...edits: JobEdit[]): Job => edits.reduce((j, e) => edited(j, e, at), job);
const converter = (job: Job, set: Partial<FeedConverter>): Job =>
  put(job, { do: 'put', list: 'feed.converters', item: { ...job.feed.converters[0]!, ...set } });
const mended = (job: Job, id: string): Finding => {
  const { remedy } = findingOf(job, id);
  if (!remedy?.edit) throw new Error(`${id} offers nothing`);
  return findingOf(put(job, remedy.edit), id);
};

describe('one supply', () => {
  it('adds up what hangs on it at the worst instant and names the spare', () => {
    const r = supplyRun(pot, facts);
    expect(loadsOf(pot, facts, r.tree)[0]).toMatchObject({ runAmps: 0.075, startAmps: 0.4 });
    const peak = findingOf(pot, 'feed.peak');
    expect(peak.value!.value).toBeCloseTo(0.4 + facts.presses[0]!.pinAmps, 9);
    expect(findingOf(pot, 'feed.spare').value!.value).toBeCloseTo(100 * (1 - peak.value!.value / 0.8), 6);
  });

  it('stops a supply that cannot feed the bursts, and a coil on the wrong voltage', () => {
    expect(findingOf(fed(pot, { amps: 0.3 }), 'feed.peak').verdict).toBe('stop');
    expect(mended(fed(pot, { amps: 0.3 }), 'feed.peak').verdict).toBe('settled');
    expect(findingOf(fed(pot, { amps: 0.53 }), 'feed.peak').verdict).toBe('tight');
    const relay = fed(pressed(pot, { way: 'relay-contact' }), { volts: 12 });
    expect(findingOf(relay, 'feed.high@start').verdict).toBe('stop');
    expect(findingOf(fed(pot, { volts: null }), 'feed.supply').verdict).toBe('unknown');
  });

  // A board that wants 4.5 to 5.5 V: 24 V and 2 V are none of it; 5 V less 5 % behind 2 · 10 m · 17.241 nΩ·m / 0.08 mm² at 0.4 A is 3 V.
  it('stops a supply that the controller does not bear or run from, its lead included, and a thicker lead mends it', () => {
    expect(findingOf(fed(pot, { volts: 24 }), 'feed.most-volts').verdict).toBe('stop');
    expect(findingOf(fed(pot, { volts: 2 }), 'feed.least-volts').verdict).toBe('stop');
    // A lead that nobody described is a guess, said as one.
    expect(findingOf(fed(pot, {}, { metres: null }), 'feed.least-volts')).toMatchObject({
      verdict: 'tight',
      remedy: { edit: { item: { metres: 1, squareMetres: 0.08e-6 } } },
    });
    const far = fed(pot, {}, { metres: 10 });
    expect(findingOf(far, 'feed.least-volts')).toMatchObject({
      verdict: 'stop',
      value: {
        value: expect.closeTo(4.75 - ((2 * 10 * 17.241e-9) / 0.08e-6) * findingOf(pot, 'feed.peak').value!.value, 6),
      },
    });
    expect(mended(far, 'feed.least-volts').verdict).toBe('settled');
  });

  it('asks whether the supply is isolated and which conductor is plus', () => {
    expect(findingOf(fed(pot, { isolated: 'unknown' }), 'feed.isolated').verdict).toBe('unknown');
    expect(findingOf(fed(pot, { isolated: 'no' }), 'feed.isolated').verdict).toBe('stop');
    expect(findingOf(fed(pot, { polarity: 'reversed' }), 'feed.polarity').verdict).toBe('stop');
    expect(mended(fed(pot, { polarity: 'unknown' }), 'feed.polarity').verdict).toBe('settled');
    expect(findingOf(fed(pot, { current: 'ac' }), 'feed.current@controller').verdict).toBe('stop');
  });

  it('lets no controller hang on a rail that is tied to mains or that nobody loaded', () => {
    const rail = { ...alarm.survey.rails[0]!, id: 'logic' };
    const onRail = fed(changed(pot, 'survey', { rails: [rail] }), { kind: 'rail', rail: 'logic', amps: 1 });
    // 3.28 V falls to 3.02 V at 20 mA: half of what sags by a twentieth is 6.3 mA, whatever is typed beside it.
    expect(findingOf(onRail, 'feed.lasting')).toMatchObject({
      verdict: 'stop',
      limit: { value: expect.closeTo(6.31e-3, 4) },
    });
    const unread = changed(onRail, 'survey', { rails: [{ ...rail, loadedVolts: null }] });
    expect(findingOf(unread, 'feed.lasting').verdict).toBe('unknown');
    const tied = {
      ...facts,
      controls: { 'control-start': { ...facts.controls['control-start']!, isolation: 'not-isolated' as const } },
    };
    expect(feedFindings(onRail, tied).find((f) => f.id === 'feed.isolated')!.verdict).toBe('stop');
    expect(guardFindings(onRail, tied, true).find((f) => f.id.startsWith('guard.isolation'))!).toMatchObject({
      verdict: 'stop',
      title: expect.stringContaining('live'),
    });
  });

  it('is no supply while nobody chose one, and asks for nothing twice', () => {
    const none = changed(pot, 'feed', { sources: [], links: [] });
    const ids = assess(none).findings.filter((f) => f.room === 'feed');
    expect(ids).toMatchObject([{ id: 'feed.supply', verdict: 'unknown' }]);
    const taken = put(none, ids[0]!.remedy!.edit!);
    expect(findingOf(taken, 'feed.peak').verdict).toBe('settled');
  });
});

describe('converters', () => {
  // TO-220 without a heat sink, 65 K/W: (36.2 V − 5 V) at a tenth of an ampere is 3 W and 200 K.
  it('stops a linear regulator across 31 V, and a step-down converter settles it', () => {
    const hot = findingOf(fan, 'feed.heat@regulator');
    const amps = hot.steps.find((s) => s.symbol.startsWith('I_o'))!.result.value;
    expect(hot).toMatchObject({ verdict: 'stop', value: { value: expect.closeTo(60 + 65 * (36.2 - 5) * amps, 6) } });
    const after = put(fan, hot.remedy!.edit!);
    const found = assess(after).findings.filter((f) => f.room === 'feed');
    expect(found.filter((f) => f.verdict === 'stop')).toEqual([]);
    expect(findingOf(after, 'feed.peak').verdict).toBe('settled');
  });

  it('wants headroom, a rating, an input that bears it, and a step-up that steps up', () => {
    expect(findingOf(converter(fan, { kind: 'step-down', volts: 36 }), 'feed.headroom@regulator').verdict).toBe('stop');
    expect(findingOf(converter(fan, { mostVolts: 30 }), 'feed.input@regulator').verdict).toBe('stop');
    expect(findingOf(converter(fan, { mostVolts: null }), 'feed.input@regulator').verdict).toBe('unknown');
    const weak = converter(fan, { amps: 0.2 });
    expect(findingOf(weak, 'feed.rating@regulator').verdict).toBe('stop');
    expect(mended(weak, 'feed.rating@regulator').verdict).toBe('settled');
    expect(findingOf(converter(fan, { kind: 'step-up' }), 'feed.headroom@regulator').verdict).toBe('stop');
  });

  it('draw by their power: 5 V at 0.5 A through 90 % out of 12 V is 0.231 A', () => {
    const steps = findingOf(flaps, 'feed.peak').steps;
    const into = steps.find((s) => s.symbol.startsWith('I_i'))!;
    const of = (start: string): number => into.inputs.find((i) => i.symbol.startsWith(start))!.value;
    expect(into.result.value).toBeCloseTo((of('V_o') * of('I_o')) / (of('η') * of('V_i')) + of('I_q'), 12);
  });
});

describe('every instant', () => {
  it('lets no more start at once than the supplies bear, and finds how many', () => {
    const all = put(flaps, { do: 'put', list: 'feed.groups', item: { ...flaps.feed.groups[0]!, atOnce: 8 } });
    expect(findingOf(all, 'feed.group@row').verdict).toBe('stop');
    expect(findingOf(all, 'feed.peak').verdict).toBe('stop');
    const after = put(all, findingOf(all, 'feed.group@row').remedy!.edit!);
    expect(findingOf(after, 'feed.group@row').verdict).toBe('settled');
    expect(findingOf(after, 'feed.peak').verdict).not.toBe('stop');
    // One more at once is too many, by counting by hand: 8 · 0.25 A run, n · 0.55 A more start, of 4 A less the controller.
    const n = after.feed.groups[0]!.atOnce;
    const controller = 0.235;
    expect(6 * 0.25 + 2 * 0.8 + controller).toBeLessThan(4);
    expect((8 - n - 1) * 0.25 + (n + 1) * 0.8 + controller).toBeGreaterThan(4);
  });

  it('says of presses in no group how many may start together, and offers a group that holds', () => {
    const loose = changed(flaps, 'feed', { groups: [] });
    const f = findingOf(loose, 'feed.together');
    expect(f.title).toMatch(/At most \d of 8/);
    const grouped = put(loose, f.remedy!.edit!);
    expect(findingOf(grouped, 'feed.group@all').verdict).toBe('settled');
  });

  it('carries a controller over its bursts with a capacitor, and not over what lasts', () => {
    const thin = fed(pot, { ohms: 0.65 }, { metres: 0 });
    const low = findingOf(thin, 'feed.least-volts');
    expect(low.verdict).toBe('stop');
    expect(low.remedy!.edit).toMatchObject({ item: { kind: 'capacitor' } });
    expect(mended(thin, 'feed.least-volts').verdict).not.toBe('stop');
    expect(findingOf(put(thin, low.remedy!.edit!), 'feed.hold-up').value!.value).toBeGreaterThan(0);
    // Four ohms take 0.3 V for good, and 5 V less 5 % leave 0.25 V: no capacitor makes that right.
    expect(findingOf(fed(pot, { ohms: 4 }, { metres: 0 }), 'feed.least-volts').remedy!.edit).toBeUndefined();
  });
});

describe('leads and fuses', () => {
  it('holds a fuse against what lasts and against the lead behind it', () => {
    const fuse = flaps.feed.links.find((l) => l.kind === 'fuse')!;
    const large = put(flaps, { do: 'put', list: 'feed.links', item: { ...fuse, amps: 10 } });
    expect(findingOf(large, 'feed.fuse-lead@fuse')).toMatchObject({ verdict: 'stop', limit: { value: 6 } });
    expect(mended(large, 'feed.fuse-lead@fuse').verdict).toBe('settled');
    const small = put(flaps, { do: 'put', list: 'feed.links', item: { ...fuse, amps: 1 } });
    expect(findingOf(small, 'feed.fuse@fuse').verdict).toBe('stop');
    expect(mended(small, 'feed.fuse@fuse').verdict).toBe('settled');
  });

  it('stops a lead that what lasts would burn, and a battery of great current without a fuse', () => {
    const trunk = flaps.feed.links.find((l) => l.kind === 'lead')!;
    const thin = put(flaps, { do: 'put', list: 'feed.links', item: { ...trunk, squareMetres: 0.14e-6 } });
    expect(findingOf(thin, 'feed.lead@trunk').verdict).toBe('stop');
    expect(mended(thin, 'feed.lead@trunk').verdict).toBe('settled');
    const lead = fed(pot, { kind: 'cells', chemistry: 'lithium-ion', series: 2, volts: null });
    expect(findingOf(lead, 'feed.unfused@supply').verdict).toBe('stop');
    const fused = put(lead, findingOf(lead, 'feed.unfused@supply').remedy!.edit!);
    const [wire, fuse] = ['lead', 'fuse'].map((kind) => fused.feed.links.find((l) => l.kind === kind));
    expect([fuse!.from, wire!.from]).toEqual(['supply', fuse!.id]);
    expect(findingOf(fused, `feed.fuse-lead@${fuse!.id}`).verdict).toBe('settled');
  });
});

describe('cells', () => {
  const with_ = (set: Partial<FeedSource>): Job =>
    put(alarm, { do: 'put', list: 'feed.sources', item: { ...alarm.feed.sources[0]!, ...set } });
  it('tells how long they last as a range, what halves it and what doubles it', () => {
    const life = findingOf(alarm, 'feed.life');
    expect(life.verdict).toBe('settled');
    expect(life.title).toMatch(/Half as long: .* wakes a day.*Twice as long/);
    const half = Number(/Half as long: ([\d.]+) wakes/.exec(life.title)![1]);
    const wakes = (n: number): number =>
      findingOf(changed(alarm, 'feed', { duty: { ...alarm.feed.duty, wakesPerDay: n } }), 'feed.life').value!.value;
    expect(wakes(half) / life.value!.value).toBeCloseTo(0.5, 1);
  });

  it('asks what nobody said, and refuses cells that cannot carry the burst or that the chip does not bear', () => {
    const duty = (set: Partial<Job['feed']['duty']>): Job =>
      changed(alarm, 'feed', { duty: { ...alarm.feed.duty, ...set } });
    expect(findingOf(duty({ sleeps: 'unknown' }), 'feed.life').verdict).toBe('unknown');
    expect(findingOf(duty({ wakesPerDay: null }), 'feed.life').verdict).toBe('unknown');
    expect(findingOf(with_({ chemistry: 'coin', series: 1 }), 'feed.life').verdict).toBe('stop');
    const bare = put(with_({ chemistry: 'lithium-ion', series: 1 }), {
      do: 'drop',
      list: 'feed.converters',
      key: 'booster',
    });
    expect(findingOf(bare, 'feed.most-volts')).toMatchObject({ verdict: 'stop', value: { value: 4.2 } });
  });

  it('shows that a draw asleep that nobody measured may be three times what is said', () => {
    const said = changed(alarm, 'feed', { duty: { ...alarm.feed.duty, sleepAmps: null } });
    expect(findingOf(said, 'feed.life').title).toMatch(/last .* to /);
  });
});

describe('grounds', () => {
  const motors = put(
    flaps,
    {
      do: 'put',
      list: 'feed.sources',
      item: { ...freshSource('own', 'supply of the board'), volts: 5, amps: 2, isolated: 'yes', polarity: 'keyed' },
    },
    { do: 'put', list: 'feed.hangs', item: { load: 'controller', node: 'own' } },
  );
  it('names the wire that joins two supplies and asks for the reading before', () => {
    expect(findingOf(motors, 'feed.ground@own~supply')).toMatchObject({ verdict: 'unknown' });
    const read = (volts: number): Finding =>
      findingOf(
        put(motors, { do: 'put', list: 'feed.shifts', item: { id: 'own~supply', volts } }),
        'feed.ground@own~supply',
      );
    expect(read(0.01).verdict).toBe('settled');
    expect(read(0.3).verdict).toBe('stop');
  });

  it('never joins the ground of a machine that is tied to mains', () => {
    const shares = pressed(pot, { way: 'npn-to-ground' });
    const f = assess(shares).facts;
    const tied = {
      ...f,
      controls: { 'control-start': { ...f.controls['control-start']!, isolation: 'not-isolated' as const } },
    };
    expect(feedFindings(shares, tied).find((x) => x.id === 'feed.ground@supply~machine')!.verdict).toBe('stop');
  });

  it('says what a living machine pushes into a controller without power', () => {
    const sense = { ...freshSense('tank', 'tank lamp'), highVolts: 5 };
    const bare = put(pot, { do: 'put', list: 'senses', item: sense });
    expect(findingOf(bare, 'feed.back@tank').verdict).toBe('tight');
    expect(mended(bare, 'feed.back@tank').verdict).toBe('settled');
  });
});

describe('what is not said', () => {
  it('keeps a supply from being settled while a motor on it draws nobody knows what', () => {
    const motor = { ...flaps.presses[0]!.motor, runningAmps: null, stallAmps: null, windingOhms: null };
    const readings = flaps.readings.filter(
      (r) => !(r.control.endsWith('flap.1') && r.kind === 'ohms' && r.to.kind === 'contact'),
    );
    const unread = put({ ...flaps, readings }, { do: 'set', at: 'press.motor', of: 'flap-1', set: motor });
    expect(findingOf(unread, 'feed.draw@flap-1/motor').verdict).toBe('unknown');
    for (const id of ['feed.peak', 'feed.lasting', 'feed.least-volts', 'feed.lead@trunk', 'feed.fuse@fuse'])
      expect(findingOf(unread, id).verdict, id).toBe('unknown');
    expect(findingOf(unread, 'feed.most-volts').verdict).toBe('settled');
  });

  it('stops a controller on a rail that is not there while the machine rests, and asks where nobody looked', () => {
    const rail = fan.survey.rails[0]!;
    const seen = (whileIdle: boolean | null, whileRunning: boolean | null) =>
      findingOf(changed(fan, 'survey', { rails: [{ ...rail, whileIdle, whileRunning }] }), 'feed.always').verdict;
    expect([seen(true, true), seen(false, true), seen(true, false), seen(null, true)]).toEqual([
      'settled',
      'stop',
      'stop',
      'unknown',
    ]);
  });

  it('makes lithium cells and mains modules hazards of the job, whoever ticked them', () => {
    const cells = fed(pot, { kind: 'cells', chemistry: 'lithium-ion' });
    expect(hazardsOf(cells, facts)).toContain('lithium');
    expect(findingOf(fed(pot, { kind: 'mains-module' }), 'feed.mains@supply').verdict).toBe('tight');
  });
});

describe('a tree', () => {
  it('is refused with a loop, a branch on nothing, a load of nobody, and keeps whole when a part goes', () => {
    const loop = applyEdit(
      flaps,
      {
        do: 'several',
        edits: [
          { do: 'put', list: 'feed.links', item: freshLink('a', 'a', 'lead', 'b') },
          { do: 'put', list: 'feed.links', item: freshLink('b', 'b', 'lead', 'a') },
        ],
      },
      at,
    );
    expect(loop).toMatchObject({ ok: false, problem: { what: expect.stringContaining('feeds itself') } });
    expect(applyEdit(flaps, { do: 'put', list: 'feed.links', item: freshLink('a', 'a', 'lead', 'gone') }, at).ok).toBe(
      false,
    );
    expect(applyEdit(flaps, { do: 'put', list: 'feed.hangs', item: { load: 'nobody', node: 'five' } }, at).ok).toBe(
      false,
    );
    const without = put(flaps, { do: 'drop', list: 'feed.links', key: 'fuse' });
    expect(without.feed.links.find((l) => l.id === 'trunk')!.from).toBe('');
    expect(findingOf(without, 'feed.loose@trunk').verdict).toBe('unknown');
    expect(put(flaps, { do: 'drop', list: 'presses', key: 'flap-1' }).feed.hangs).toHaveLength(8);
  });

  it('says what hangs on nothing, and offers what suits it', () => {
    const both = put(
      flaps,
      { do: 'drop', list: 'feed.hangs', key: 'controller' },
      { do: 'put', list: 'feed.loads', item: { ...freshLoad('horn', 'horn'), leastVolts: 11, mostVolts: 13 } },
    );
    const { remedy } = findingOf(both, 'feed.unfed@controller');
    expect(remedy!.label).toBe('It hangs on the step-down');
    expect(findingOf(put(both, remedy!.edit!), 'feed.least-volts').verdict).toBe('settled');
    expect(findingOf(both, 'feed.unfed@horn').remedy!.label).toBe('It hangs on the lead to the flaps');
  });

  it('holds a voltage that no converter input reaches for a stop and not for a number', () => {
    const hung = put(pot, { do: 'put', list: 'feed.hangs', item: { load: 'controller', node: 'lead' } });
    const job = put(hung, {
      do: 'put',
      list: 'feed.converters',
      item: { ...freshConverter('up', 'step-up', 'step-up', 'lead'), volts: 24, amps: 2, mostVolts: 20 },
    });
    const weak = fed(job, { ohms: 30 });
    expect(findingOf(weak, 'feed.least-volts')).toMatchObject({ verdict: 'stop' });
  });
});
