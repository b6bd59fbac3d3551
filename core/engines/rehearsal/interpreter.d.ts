/** The interpreter of MicroPython in WebAssembly, as far as it is used. */
declare module '@micropython/micropython-webassembly-pyscript/micropython.mjs' {
  interface MicroPython {
    registerJsModule(name: string, module: object): void;
    runPython(code: string): unknown;
    readonly FS: { writeFile(path: string, text: string): void };
  }
  /** A new interpreter. @param options.url of its WebAssembly, where it does not lie beside the script. */
  export function loadMicroPython(options: {
    readonly url?: string;
    readonly stdout?: (line: string) => void;
    readonly stderr?: (line: string) => void;
    readonly linebuffer?: boolean;
  }): Promise<MicroPython>;
}
