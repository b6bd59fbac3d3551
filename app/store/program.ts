let known: string | undefined;

/**
 * Which build of the program this is; its main script carries a hash of all of it. Looked up once: it is asked for with every row of a
 * shelf.
 */
export const program = (): string =>
  (known ??= document.querySelector('script[src*="main"]')?.getAttribute('src') ?? '');
