// Every text that the program shows, replaced by nonsense of the same length while it is bundled.
import { readFileSync } from 'node:fs';
import { build } from 'esbuild';
import ts from 'typescript';

/** Fields of data that hold what is shown. */
const SHOWN = new Set(
  'title caption text label words word hint does costs for against reason what why note said plain name byMessage'.split(
    ' ',
  ),
);
/** Arguments of functions that hold what is shown, by their places. */
const SHOWN_ARGUMENTS = new Map<string, readonly number[]>(
  Object.entries({
    leg: [1, 2],
    legOf: [1, 2],
    panelEnd: [0],
    part: [0],
    of: [2],
    place: [1],
    listed: [1],
    textMark: [2],
    contactLeg: [1],
    constant: [1],
    chosen: [1],
    computed: [1],
    measured: [1],
    derive: [0],
    worst: [1],
    atMost: [2],
    atLeast: [2],
    quantity: [0],
    maybeQuantity: [0],
    flag: [0],
    choice: [0],
    group: [0],
    list: [0],
    notForControl: [1, 2],
    noUse: [1, 2],
    resistorPart: [0],
  }),
);
/** Every letter becomes another one, so that no word stays and no two become one; digits, marks and length stay. */
export const nonsense = (text: string): string =>
  text.replace(/[a-z]/gi, (c) => {
    const first = c < 'a' ? 65 : 97;
    return String.fromCharCode(first + ((c.charCodeAt(0) - first + 11) % 26));
  });

/** Of these one word is a key: what a hand or a rule does, what befalls a run. What is shown is a sentence. */
const KEYED = new Set(['does', 'what']);
const isOneWord = (node: ts.Node): boolean => ts.isStringLiteral(node) && /^[a-z-]+$/.test(node.text);

/** The source with each text of a shown field made nonsense. @param replaced is told how many there were. */
export function withoutWords(path: string, source: string, replaced: (n: number) => void): string {
  const file = ts.createSourceFile(path, source, ts.ScriptTarget.Latest, true);
  const cuts: [number, number, string][] = [];
  const cut = (node: ts.Node, from: number, to: number): void => {
    cuts.push([
      node.getStart(file) + from,
      node.getEnd() - to,
      nonsense(source.slice(node.getStart(file) + from, node.getEnd() - to)),
    ]);
  };
  const texts = (node: ts.Expression, keys = false): void => {
    if (keys && isOneWord(node)) return;
    if (ts.isStringLiteral(node) || ts.isNoSubstitutionTemplateLiteral(node)) cut(node, 1, 1);
    else if (ts.isTemplateExpression(node)) {
      cut(node.head, 1, 2);
      for (const span of node.templateSpans) cut(span.literal, 1, ts.isTemplateTail(span.literal) ? 1 : 2);
    } else if (ts.isConditionalExpression(node)) {
      texts(node.whenTrue, keys);
      texts(node.whenFalse, keys);
    } else if (ts.isParenthesizedExpression(node)) texts(node.expression, keys);
    else if (ts.isBinaryExpression(node) && node.operatorToken.kind === ts.SyntaxKind.PlusToken) {
      texts(node.left, keys);
      texts(node.right, keys);
    }
  };
  const visit = (node: ts.Node): void => {
    if (ts.isPropertyAssignment(node) && ts.isIdentifier(node.name) && SHOWN.has(node.name.text))
      texts(node.initializer, KEYED.has(node.name.text));
    if (ts.isCallExpression(node) && ts.isIdentifier(node.expression))
      for (const n of SHOWN_ARGUMENTS.get(node.expression.text) ?? []) if (node.arguments[n]) texts(node.arguments[n]);
    ts.forEachChild(node, visit);
  };
  visit(file);
  replaced(cuts.length);
  return cuts
    .sort((a, b) => b[0] - a[0])
    .reduce((t, [from, to, words]) => t.slice(0, from) + words + t.slice(to), source);
}

/** The judgement of jobs as one file of a program, with or without its words. Gives how many texts were replaced. */
export async function bundled(entry: string, outfile: string, silent: boolean): Promise<number> {
  let count = 0;
  await build({
    entryPoints: [entry],
    outfile,
    bundle: true,
    platform: 'node',
    format: 'esm',
    logLevel: 'error',
    plugins: silent
      ? [
          {
            name: 'nonsense',
            setup: ({ onLoad }) =>
              onLoad({ filter: /\/core\/.*\.ts$/ }, ({ path }) => ({
                contents: withoutWords(path, readFileSync(path, 'utf8'), (n) => (count += n)),
                loader: 'ts',
              })),
          },
        ]
      : [],
  });
  return count;
}
