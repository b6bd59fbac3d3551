/** What is wrong with an import of `specifier` in `file` (an absolute path); null where nothing is. */
export function wrongImport(file: string, specifier: string): string | null;
