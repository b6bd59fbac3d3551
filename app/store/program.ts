/** Which build of the program this is; its main script carries a hash of all of it. */
export const program = (): string => document.querySelector('script[src*="main"]')?.getAttribute('src') ?? '';
