// Where the project is, and how new its files are; plain Node.js only.
import { readdirSync, statSync } from 'node:fs';

export const root = new URL('..', import.meta.url).pathname;

/** When the newest file below a folder was changed, ms. */
export function newestIn(folder) {
  return readdirSync(folder, { withFileTypes: true }).reduce((time, entry) => {
    const path = `${folder}/${entry.name}`;
    return Math.max(time, entry.isDirectory() ? newestIn(path) : statSync(path).mtimeMs);
  }, statSync(folder).mtimeMs);
}
