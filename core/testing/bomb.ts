import { deflateSync, Zip, type ZipInputFile } from 'fflate';

/** Of each file in it, in bytes: within the bound of one. */
const FILE_BYTES = 19_000_000;

/** A zip of job files that are blank, packed once for all: each keeps within its own bound, and together they would fill the memory. */
export function zipBomb(files: number): Uint8Array {
  const packed = deflateSync(new Uint8Array(FILE_BYTES).fill(32), { level: 1 });
  const chunks: Uint8Array[] = [];
  const zip = new Zip((_, chunk) => void chunks.push(chunk));
  for (let i = 0; i < files; i++) {
    // The checksum is not what is refused here.
    const file: ZipInputFile = { filename: `jobs/${i}.job.json`, compression: 8, size: FILE_BYTES, crc: 0 };
    zip.add(file);
    file.ondata?.(null, packed, true);
  }
  zip.end();
  const out = new Uint8Array(chunks.reduce((sum, c) => sum + c.length, 0));
  let at = 0;
  for (const c of chunks) {
    out.set(c, at);
    at += c.length;
  }
  return out;
}
