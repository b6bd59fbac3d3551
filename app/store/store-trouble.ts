/** All that an error of the browser's store says of itself, with what stands behind it. */
function told(error: unknown, depth = 0): string {
  if (typeof error !== 'object' || error === null || depth > 4) return String(error);
  const { name, message, inner } = error as { name?: unknown; message?: unknown; inner?: unknown };
  return `${String(name)} ${String(message)} ${inner === undefined ? '' : told(inner, depth + 1)}`;
}

/** Why the browser's store refused, in words that say what it is and what to do. */
export function storeTrouble(error: unknown): string {
  const text = told(error);
  if (/MissingAPI|SecurityError/i.test(text)) return 'The browser forbids its store here.';
  if (/quota|disk.*full|no space/i.test(text))
    return 'The browser’s store is full. Make room on the disk, or take jobs and photographs away that you have as files.';
  if (/blocked|VersionError|version change/i.test(text))
    return 'Another tab holds an older version of this app open. Close it, then try again.';
  if (/DatabaseClosed|InvalidState|NotFound|UnknownError/i.test(text))
    return 'The browser does not give its store at the moment; its disk may be full.';
  return `The browser’s store refused: ${text.trim().slice(0, 200)}.`;
}
