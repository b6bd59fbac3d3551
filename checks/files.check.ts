// What leaves, opened by programs that were not written here.
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { assess } from '../core/house/assess';
import { filesOf } from '../core/house/deliver';
import { edited, type Job, type Way, WAYS } from '../core/ground/job';
import { packZip } from '../core/house/zip';
import { demoJob, pressed } from '../core/testing/jobs';
import { inFolder, runProgram } from './programs';

const pot = demoJob('rice-pot');
const NAME = `<&"'> ]]> \u0001 ünïcode Ω`;
const odd: Job = edited(pot, { do: 'title', title: NAME, place: NAME }, '2026-03-02T14:00:00Z');

describe('files read by other programs', () => {
  it.each(WAYS)('the wiring sheet of %s is well-formed XML and an SVG by name', (way: Way) => {
    for (const job of [pot, odd]) {
      const files = filesOf(pressed(job, { way }), assess(pressed(job, { way })));
      const svg = files.find((f) => f.name === 'wiring.svg')!.text;
      runProgram('xmllint', ['--noout', '-'], { input: svg });
      const root = runProgram('xmllint', ['--xpath', 'concat(namespace-uri(/*), " ", local-name(/*))', '-'], {
        input: svg,
      });
      expect(root.trim()).toBe('http://www.w3.org/2000/svg svg');
      expect(runProgram('xmllint', ['--xpath', 'string(//*[local-name()="title"])', '-'], { input: svg })).toContain(
        job.title.replace('\u0001', ''),
      );
    }
  });

  it('the zip is listed, tested and unpacked by unzip', () => {
    const files = filesOf(pot, assess(pot));
    inFolder((folder) => {
      writeFileSync(join(folder, 'all.zip'), packZip(files, pot.touchedAt));
      expect(runProgram('unzip', ['-tq', 'all.zip'], { cwd: folder })).toMatch(/No errors/);
      expect(runProgram('unzip', ['-Z1', 'all.zip'], { cwd: folder }).trim().split('\n')).toEqual(
        files.map((f) => f.name),
      );
      for (const f of files) expect(runProgram('unzip', ['-p', 'all.zip', f.name], { cwd: folder })).toBe(f.text);
    });
  });

  it('the packed netlist runs in the simulator and pulls the line low', () => {
    const netlist = filesOf(pot, assess(pot)).find((f) => f.name === 'joint.cir')!.text;
    inFolder((folder) => {
      const file = join(folder, 'joint.cir');
      writeFileSync(file, netlist);
      const out = runProgram('ngspice', ['-b', file]);
      const level = Number(/^\s*sig\s+(\S+)/m.exec(out)?.[1]);
      expect(level).toBeGreaterThanOrEqual(0);
      expect(level).toBeLessThan(0.05);
    });
  });
});
