/** A text as a comment of Python: one line of UTF-8, without what is not seen (controls, marks of direction, halves of characters). */
export const remark = (text: string): string => `# ${text.replace(/[\p{C}\p{Zl}\p{Zp}]+/gu, ' ').trim()}`;

/** A text as a literal of Python, in ASCII. */
export const literal = (text: string): string =>
  `"${Array.from(text.replace(/\p{Surrogate}/gu, '\ufffd'), (c) => {
    const code = c.codePointAt(0) ?? 0;
    if (c === '"' || c === '\\') return `\\${c}`;
    if (code >= 0x20 && code < 0x7f) return c;
    if (code > 0xffff) return `\\U${code.toString(16).padStart(8, '0')}`;
    return `\\u${code.toString(16).padStart(4, '0')}`;
  }).join('')}"`;

/** A number of Python; one that never comes is infinite. */
export const number = (x: number): string => (x === Infinity ? 'EVER' : String(x));
