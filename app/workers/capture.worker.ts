/// <reference lib="webworker" />
import { CaptureProblem, readCapture, type CaptureTiming } from '../../core/engines/capture';
import { serve } from './serve';

/** Captures to read, one after the other. */
export interface CaptureOrder {
  readonly files: readonly { readonly label: string; readonly file: File }[];
}

export interface ReadCapture {
  readonly label: string;
  readonly timing: CaptureTiming;
  readonly cutOff: boolean;
}

/** Progress is told this often, ms; more would only keep the page busy. */
const EVERY_MS = 80;

async function* pieces(file: File): AsyncGenerator<Uint8Array> {
  const reader = file.stream().getReader();
  for (;;) {
    const { done, value } = await reader.read();
    if (done) return;
    yield value;
  }
}

serve<CaptureOrder, readonly ReadCapture[], number>(async ({ files }, tell) => {
  const captures: ReadCapture[] = [];
  let before = 0;
  let told = 0;
  for (const { label, file } of files) {
    try {
      const { timing, cutOff } = await readCapture(file.name, pieces(file), {
        onProgress: (bytes) => {
          if (performance.now() - told < EVERY_MS) return;
          told = performance.now();
          tell(before + bytes);
        },
      });
      captures.push({ label, timing, cutOff });
    } catch (error) {
      if (!(error instanceof CaptureProblem)) throw error;
      throw new Error(`${file.name}: ${error.what} (${error.where}) ${error.todo}`);
    }
    before += file.size;
  }
  return captures;
});
