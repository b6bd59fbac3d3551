import { describe, expect, it } from 'vitest';
import type { Finding } from '../../ground/finding';
import { edited, stepOf, withSteps, type Job } from '../../ground/job';
import { heatOfPresses, ledgerOf, wholeCircuit } from '../../build/whole';
import { boundsOf, takenPart } from '../../engines/parts';
import { assess } from '../../house/assess';
import { changed, demoJob, findingOf, unmoved } from '../../testing/jobs';

const pot = demoJob('rice-pot');
const inRoom = (set: Partial<Job['feed']['box']>): Job => changed(pot, 'feed', { box: { ...pot.feed.box, ...set } });
const room = (set: Partial<Job['feed']['box']>): Finding | undefined =>
  assess(inRoom(set)).findings.find((f) => f.id === 'feed.room');
const SIZED = { widthMetres: 0.2, heightMetres: 0.1, depthMetres: 0.2 };

describe('the air around a controller', () => {
  it('is no matter up to 40 °C, unknown over it while nobody said how large the case is, and a stop over 60 °C', () => {
    expect(room({ roomCelsius: 40 })).toBeUndefined();
    expect(room({ roomCelsius: 50 })).toMatchObject({ verdict: 'unknown', limit: { value: 40 } });
    expect(room({ roomCelsius: 85 })).toMatchObject({ verdict: 'stop', value: { value: 85 }, limit: { value: 60 } });
  });

  it('follows from the size of a case where that is said', () => {
    expect(room({ roomCelsius: 50, ...SIZED })).toBeUndefined();
    // 2 · (0.02 + 0.04 + 0.02) m² at 8 W/m²K: 0.78 K for each watt.
    expect(findingOf(inRoom({ roomCelsius: 50, ...SIZED }), 'feed.box').value!.value).toBeGreaterThan(50);
    expect(findingOf(inRoom({ roomCelsius: 85, ...SIZED }), 'feed.box').verdict).toBe('stop');
  });

  it('is tight where it is colder than parts are reckoned with, and not known in the deep cold', () => {
    expect(room({ roomCelsius: -5 })).toMatchObject({ verdict: 'tight', limit: { value: 0, sense: 'at least' } });
    expect(room({ roomCelsius: -30, ...SIZED })).toMatchObject({ verdict: 'unknown' });
  });
});

describe('heat of what presses are built with', () => {
  // By hand: two switches of a bridge in the way of 0.25 A for longer than ten minutes.
  it('warms the box by what flows through a bridge, and in proportion where it runs for less', () => {
    const flaps = unmoved(demoJob('steam-flaps'));
    const held = (seconds: number): Job =>
      edited(
        flaps,
        {
          do: 'several',
          edits: [
            { do: 'set', at: 'feed.box', set: { ...SIZED, roomCelsius: 20 } },
            withSteps(flaps, [stepOf('press', { press: flaps.presses[0]!.id, seconds })], 'held'),
          ],
        },
        flaps.touchedAt,
      );
    const watts = (seconds: number): number => {
      const job = held(seconds);
      const { facts } = assess(job);
      return heatOfPresses(job, ledgerOf(wholeCircuit(job, facts)));
    };
    const ohms = boundsOf(takenPart(flaps, 'bridge'), 'onOhms').high;
    expect(watts(900)).toBeCloseTo(0.25 ** 2 * ohms, 3);
    expect(watts(60) / watts(900)).toBeCloseTo(0.1, 6);
    const air = (seconds: number): number => findingOf(held(seconds), 'feed.box').value!.value;
    expect(air(900)).toBeGreaterThan(air(1));
  });
});
