import { describe, expect, it } from 'vitest';
import { probeBench } from '../core/rooms/probe';

/** `OWN_BOARDS` asks for more. */
const BOARDS = Number(process.env['OWN_BOARDS'] ?? 72);

describe('boards drawn at random', () => {
  // These boards come from the very distributions that the inference takes for granted: they test its arithmetic. How it fares on boards
  // that it was not drawn from is measured by the checks.
  it('become known in few readings, rightly, with honest probabilities, and never by an unsafe reading', () => {
    const r = probeBench(BOARDS, 60);
    expect(r.unsafe).toBe(0);
    expect(r.knownShare).toBeGreaterThanOrEqual(0.9);
    expect(r.medianReadings).toBeLessThanOrEqual(8);
    expect(r.rightShare).toBeGreaterThanOrEqual(0.95);
    expect(r.calibration).toBeLessThan(0.02);
  });
});
