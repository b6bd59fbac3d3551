import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { inFolder, runProgram } from './programs';

/** Runs one netlist over time and gives the columns asked for, the time first. */
export function transient(netlist: string, wanted: readonly string[]): number[][] {
  return inFolder((folder) => {
    const data = join(folder, 'out');
    writeFileSync(join(folder, 'c.cir'), netlist);
    writeFileSync(
      join(folder, 'm.cir'),
      [
        '* run',
        '.control',
        'set noaskquit',
        `source ${join(folder, 'c.cir')}`,
        'run',
        `wrdata ${data} ${wanted.join(' ')}`,
        'quit 0',
        '.endc',
        '.end',
        '',
      ].join('\n'),
    );
    runProgram('ngspice', ['-b', join(folder, 'm.cir')]);
    // Each column comes with its own time before it.
    return readFileSync(data, 'utf8')
      .trim()
      .split('\n')
      .map((l) => l.trim().split(/\s+/).map(Number))
      .map((r) => [r[0]!, ...wanted.map((_, i) => r[2 * i + 1]!)]);
  });
}

/** Operating points of one netlist: the values asked for. */
export function point(netlist: string, wanted: readonly string[]): number[] {
  return inFolder((folder) => {
    writeFileSync(join(folder, 'c.cir'), netlist);
    writeFileSync(
      join(folder, 'm.cir'),
      [
        '* run',
        '.control',
        'set noaskquit',
        `source ${join(folder, 'c.cir')}`,
        'op',
        ...wanted.map((w, i) => `let x${i} = ${w}`),
        `echo point ${wanted.map((_, i) => `$&x${i}`).join(' ')}`,
        'quit 0',
        '.endc',
        '.end',
        '',
      ].join('\n'),
    );
    const out = runProgram('ngspice', ['-b', join(folder, 'm.cir')]);
    return /^point (.*)$/m.exec(out)![1]!.trim().split(/\s+/).map(Number);
  });
}
