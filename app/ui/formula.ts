import { ChangeDetectionStrategy, Component, effect, ElementRef, inject, input } from '@angular/core';
import { parseFormula, wantsBrackets, type Expression } from '../../core/ground/finding';

const MATH = 'http://www.w3.org/1998/Math/MathML';

function node(name: string, ...children: (Element | string)[]): Element {
  const e = document.createElementNS(MATH, name);
  e.append(...children);
  return e;
}

/** A symbol such as `V_OH` with its index below. */
function symbol(name: string): Element {
  const [base, ...index] = name.split('_');
  return index.length ? node('msub', node('mi', base!), node('mtext', index.join(' '))) : node('mi', base!);
}

const row = (...children: (Element | string)[]): Element => node('mrow', ...children);
const bracketed = (e: Element): Element => row(node('mo', '('), e, node('mo', ')'));

type Op = Extract<Expression, { kind: 'binary' }>['op'];
const beside = (e: Expression, op: Op, side: 'left' | 'right'): Element =>
  wantsBrackets(e, op, side) ? bracketed(draw(e)) : draw(e);

function draw(e: Expression): Element {
  switch (e.kind) {
    case 'number':
      return node('mn', e.text);
    case 'symbol':
      return symbol(e.name);
    case 'negate':
      return row(node('mo', '−'), beside(e.of, '*', 'right'));
    case 'call':
      if (e.name === 'sqrt') return node('msqrt', draw(e.args[0]!));
      if (e.name === 'abs') return row(node('mo', '|'), draw(e.args[0]!), node('mo', '|'));
      return row(
        node('mi', e.name),
        bracketed(row(...e.args.flatMap((a, i) => (i ? [node('mo', ','), draw(a)] : [draw(a)])))),
      );
    case 'binary':
      if (e.op === '/') return node('mfrac', draw(e.left), draw(e.right));
      if (e.op === '^') return node('msup', beside(e.left, '^', 'left'), draw(e.right));
      return row(
        beside(e.left, e.op, 'left'),
        node('mo', e.op === '*' ? '·' : e.op === '-' ? '−' : '+'),
        beside(e.right, e.op, 'right'),
      );
  }
}

/** A formula in proper notation, drawn from the very text that is evaluated. */
@Component({ selector: 'gt-formula', changeDetection: ChangeDetectionStrategy.OnPush, template: '' })
export class Formula {
  readonly symbol = input.required<string>();
  readonly formula = input.required<string>();
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef);

  constructor() {
    effect(() => {
      const math = node('math', row(symbol(this.symbol()), node('mo', '='), draw(parseFormula(this.formula()))));
      math.setAttribute('displaystyle', 'true');
      this.host.nativeElement.replaceChildren(math);
    });
  }
}
