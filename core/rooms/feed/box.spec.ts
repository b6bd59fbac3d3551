import { describe, expect, it } from 'vitest';
import type { Finding } from '../../ground/finding';
import type { Job } from '../../ground/job';
import { assess } from '../../house/assess';
import { changed, demoJob, findingOf } from '../../testing/jobs';

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
