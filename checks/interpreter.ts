import type { Interpreter } from '../core/engines/rehearsal';

/** A new interpreter of MicroPython, as the package ships it. @param print gets each line that a program prints. */
export async function freshInterpreter(print: (line: string) => void = () => undefined): Promise<Interpreter> {
  const { loadMicroPython } = await import('@micropython/micropython-webassembly-pyscript/micropython.mjs');
  return loadMicroPython({ stdout: print, stderr: print, linebuffer: true });
}
