/** Hands text or bytes to the browser as a download. */
export function saveFile(name: string, content: string | Uint8Array, type: string): void {
  const url = URL.createObjectURL(new Blob([content as BlobPart], { type }));
  const link = document.createElement('a');
  link.href = url;
  link.download = name;
  link.click();
  // The browser needs the address until it has begun to read.
  setTimeout(() => URL.revokeObjectURL(url), 10_000);
}
