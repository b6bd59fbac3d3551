/// <reference lib="webworker" />
import { CaptureProblem, readCapture, type Timing } from '../../core/capture';

/** Captures to read, one after the other. */
export interface CaptureOrder {
  readonly files: readonly { readonly label: string; readonly file: File }[];
}

/** What comes back: progress in bytes, then all results, or the first problem with its file. */
export type CaptureNews =
  | { readonly news: 'progress'; readonly bytes: number }
  | {
      readonly news: 'done';
      readonly captures: readonly { readonly label: string; readonly timing: Timing; readonly cutOff: boolean }[];
    }
  | {
      readonly news: 'problem';
      readonly file: string;
      readonly what: string;
      readonly where: string;
      readonly todo: string;
    };

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

const tell = (news: CaptureNews): void => postMessage(news);

addEventListener('message', ({ data }: MessageEvent<CaptureOrder>) => void work(data));

async function work({ files }: CaptureOrder): Promise<void> {
  const captures: { label: string; timing: Timing; cutOff: boolean }[] = [];
  let before = 0;
  let told = 0;
  for (const { label, file } of files) {
    try {
      const { timing, cutOff } = await readCapture(file.name, pieces(file), {
        onProgress: (bytes) => {
          if (performance.now() - told < EVERY_MS) return;
          told = performance.now();
          tell({ news: 'progress', bytes: before + bytes });
        },
      });
      captures.push({ label, timing, cutOff });
    } catch (error) {
      if (!(error instanceof CaptureProblem)) throw error;
      tell({ news: 'problem', file: file.name, what: error.what, where: error.where, todo: error.todo });
      return;
    }
    before += file.size;
  }
  tell({ news: 'done', captures });
}
