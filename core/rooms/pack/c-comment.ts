/** Text that may stand inside a C block comment. */
export const comment = (text: string): string =>
  text
    .replace(/\*\//g, '* /')
    .replace(/\/\*/g, '/ *')
    .replace(/\?\?/g, '? ?')
    .replace(/[\r\n\\]+/g, ' ')
    .replace(/[^\x20-\x7e]/g, '?');
