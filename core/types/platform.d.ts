/** The one thing of the platform that the core uses beside the language: it reads bytes as text, and is no I/O. */
declare class TextDecoder {
  decode(bytes?: Uint8Array, options?: { stream?: boolean }): string;
}
