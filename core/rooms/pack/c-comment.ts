/**
 * Text that may stand inside a C block comment, in UTF-8: letters of any script as they are. What ends a comment or begins one, what
 * makes a trigraph or goes on over a line, and what is not seen (controls, marks of direction, halves of characters) is parted or left out.
 */
export const comment = (text: string): string =>
  text
    .replace(/[\p{C}\p{Zl}\p{Zp}\\]+/gu, ' ')
    .replace(/\*\//g, '* /')
    .replace(/\/\*/g, '/ *')
    .replace(/\?(?=\?)/g, '? ');
