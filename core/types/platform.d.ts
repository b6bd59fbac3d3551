/** What the core uses of the platform beside the language: text from bytes and bytes from text, which are no I/O. */
declare class TextDecoder {
  decode(bytes?: Uint8Array, options?: { stream?: boolean }): string;
}
declare class TextEncoder {
  encode(text: string): Uint8Array;
}
