import { itemAt } from '../lists';
import { normalCdf } from '../quantity';

/** An arithmetic expression as a tree; the one text of a formula is drawn, filled in and evaluated from it. */
export type Expression =
  | { readonly kind: 'number'; readonly value: number; readonly text: string }
  | { readonly kind: 'symbol'; readonly name: string }
  | {
      readonly kind: 'binary';
      readonly op: '+' | '-' | '*' | '/' | '^';
      readonly left: Expression;
      readonly right: Expression;
    }
  | { readonly kind: 'negate'; readonly of: Expression }
  | { readonly kind: 'call'; readonly name: FunctionName; readonly args: readonly Expression[] };

const RADIANS = Math.PI / 180;

const FUNCTIONS = {
  ln: Math.log,
  exp: Math.exp,
  sqrt: Math.sqrt,
  min: Math.min,
  max: Math.max,
  ceil: Math.ceil,
  abs: Math.abs,
  par: (a: number, b: number) => (a * b) / (a + b),
  // Angles are in degrees, as they stand on a protractor.
  sin: (degrees: number) => Math.sin(degrees * RADIANS),
  cos: (degrees: number) => Math.cos(degrees * RADIANS),
  Φ: normalCdf,
} as const;
/** Functions that a formula may use. */
export type FunctionName = keyof typeof FUNCTIONS;

const TOKEN = /\s*([A-Za-zα-ωΑ-Ω][A-Za-z0-9α-ωΑ-Ω_]*|\d+(?:\.\d+)?|[-+*/^(),])/y;

function tokens(text: string): string[] {
  const out: string[] = [];
  TOKEN.lastIndex = 0;
  while (TOKEN.lastIndex < text.trimEnd().length) {
    const at = TOKEN.lastIndex;
    const match = TOKEN.exec(text);
    if (!match) throw new SyntaxError(`formula "${text}" breaks at ${at}`);
    out.push(itemAt(match, 1));
  }
  return out;
}

const cache = new Map<string, Expression>();

/**
 * Reads the right side of a formula: `+ - * / ^`, brackets, symbols such as `V_OH`, and ln, exp, sqrt, min, max, ceil,
 * abs, par (two resistances in parallel), sin and cos of degrees, Φ (standard normal distribution). Throws SyntaxError:
 * formulas are written by us, so a bad one is a defect.
 */
export function parseFormula(text: string): Expression {
  const known = cache.get(text);
  if (known) return known;
  const list = tokens(text);
  let i = 0;
  const take = (wanted: string): void => {
    if (list[i++] !== wanted) throw new SyntaxError(`formula "${text}" wants ${wanted}`);
  };
  const primary = (): Expression => {
    const t = list[i++];
    if (t === undefined) throw new SyntaxError(`formula "${text}" ends early`);
    if (t === '(') {
      const inner = sum();
      take(')');
      return inner;
    }
    if (t === '-') return { kind: 'negate', of: power() };
    if (/^\d/.test(t)) return { kind: 'number', value: Number(t), text: t };
    if (list[i] === '(' && t in FUNCTIONS) {
      i++;
      const args = [sum()];
      while (list[i] === ',') {
        i++;
        args.push(sum());
      }
      take(')');
      return { kind: 'call', name: t as FunctionName, args };
    }
    if (!/^[A-Za-zα-ωΑ-Ω]/.test(t)) throw new SyntaxError(`formula "${text}" has a stray ${t}`);
    return { kind: 'symbol', name: t };
  };
  const power = (): Expression => {
    const left = primary();
    if (list[i] !== '^') return left;
    i++;
    return { kind: 'binary', op: '^', left, right: power() };
  };
  const product = (): Expression => {
    let left = power();
    while (list[i] === '*' || list[i] === '/')
      left = { kind: 'binary', op: list[i++] as '*' | '/', left, right: power() };
    return left;
  };
  const sum = (): Expression => {
    let left = product();
    while (list[i] === '+' || list[i] === '-')
      left = { kind: 'binary', op: list[i++] as '+' | '-', left, right: product() };
    return left;
  };
  const tree = sum();
  if (i !== list.length) throw new SyntaxError(`formula "${text}" has a stray ${list[i]}`);
  cache.set(text, tree);
  return tree;
}

/** The value of an expression. Throws ReferenceError for a symbol without a value. */
export function evaluate(e: Expression, values: Readonly<Record<string, number>>): number {
  switch (e.kind) {
    case 'number':
      return e.value;
    case 'symbol': {
      const v = values[e.name];
      if (v === undefined) throw new ReferenceError(`the formula's symbol ${e.name} has no value`);
      return v;
    }
    case 'negate':
      return -evaluate(e.of, values);
    case 'call':
      return (FUNCTIONS[e.name] as (...a: number[]) => number)(...e.args.map((a) => evaluate(a, values)));
    case 'binary': {
      const a = evaluate(e.left, values);
      const b = evaluate(e.right, values);
      return e.op === '+' ? a + b : e.op === '-' ? a - b : e.op === '*' ? a * b : e.op === '/' ? a / b : a ** b;
    }
  }
}

const RANK = { '+': 1, '-': 1, '*': 2, '/': 2, '^': 3 } as const;

const rankOf = (e: Expression): number =>
  e.kind === 'binary' ? RANK[e.op] : e.kind === 'negate' ? RANK['*'] : e.kind === 'call' && e.name === 'par' ? 1.5 : 9;

/** Whether an operand stands in brackets beside its operator; the one rule for what is written and for what is drawn. */
export function wantsBrackets(operand: Expression, op: keyof typeof RANK, side: 'left' | 'right'): boolean {
  const [own, around] = [rankOf(operand), RANK[op]];
  if (own !== around) return own < around || (operand.kind === 'negate' && side === 'right');
  if (operand.kind === 'negate') return side === 'right' || op === '^';
  return op === '^' ? side === 'left' : side === 'right' && (op === '-' || op === '/');
}

/** Writes an expression as one line of text, each symbol replaced by what `name` makes of it. */
export function write(e: Expression, name: (symbol: string) => string): string {
  const beside = (x: Expression, op: keyof typeof RANK, side: 'left' | 'right'): string =>
    wantsBrackets(x, op, side) ? `(${write(x, name)})` : write(x, name);
  switch (e.kind) {
    case 'number':
      return e.text;
    case 'symbol':
      return name(e.name);
    case 'negate':
      return `−${beside(e.of, '^', 'left')}`;
    case 'call':
      if (e.name === 'par') return e.args.map((a) => beside(a, '^', 'left')).join(' ∥ ');
      return `${e.name}(${e.args.map((a) => write(a, name)).join('; ')})`;
    case 'binary': {
      const sign = { '+': ' + ', '-': ' − ', '*': ' · ', '/': ' / ', '^': '^' }[e.op];
      return beside(e.left, e.op, 'left') + sign + beside(e.right, e.op, 'right');
    }
  }
}
