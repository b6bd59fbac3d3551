import { problemOfGroup, type AnyFields, type Fields } from '../../ground/field';
import { ownPartFields, stockFields, withNewRatings, type OwnPart, type StockLine } from '../../ground/job';
import { partProblems } from './check';

export const DRAWER_FORMAT = 'gentle-thumb/drawer';

/** A part in the drawer, and how many of it there are. */
export interface DrawerPart extends OwnPart {
  have: number;
  price: number | null;
}

/** What the maker has: parts with their own values, and stock of anything else by name. */
export interface Drawer {
  format: typeof DRAWER_FORMAT;
  version: 1;
  currency: string;
  parts: DrawerPart[];
  stock: StockLine[];
}

/** A drawer with nothing in it. */
export const freshDrawer = (): Drawer => ({ format: DRAWER_FORMAT, version: 1, currency: 'EUR', parts: [], stock: [] });

/** A drawer read from a file, or why it was refused. */
export type DrawerLoaded = { ok: true; drawer: Drawer } | { ok: false; message: string };

const no = (message: string): DrawerLoaded => ({ ok: false, message });
const LIMIT = 2_000_000;
const drawerPartFields: Fields<DrawerPart> = { ...ownPartFields, have: stockFields.have, price: stockFields.price };

/** The drawer as the text of a file. */
export const drawerText = (drawer: Drawer): string => `${JSON.stringify(drawer, null, 2)}\n`;

/** Reads a drawer from a file's text; says which entry is wrong and leaves the present drawer alone. Never throws. */
export function readDrawer(text: string): DrawerLoaded {
  if (text.length > LIMIT)
    return no(
      `This file is larger than ${LIMIT / 1e6} MB; a drawer is far smaller. Pick the file that was saved from the drawer.`,
    );
  let d: unknown;
  try {
    d = JSON.parse(text);
  } catch {
    return no('This file is not complete JSON. Take another copy of it.');
  }
  return checkedDrawer(d);
}

/** The first entry that is not as it should be, in words; '' where all are. */
function firstWrong(parts: readonly DrawerPart[], stock: Drawer['stock']): string {
  for (const [i, p] of parts.entries()) {
    const wrong = problemOfGroup(drawerPartFields as unknown as AnyFields, p, '');
    if (wrong) return `Part ${i + 1} is not as it should be: ${wrong.path || 'it'} ${wrong.why}.`;
    const problem = partProblems(p)[0];
    if (problem) return `Part ${i + 1}, ${p.name}: ${problem.text}.`;
  }
  for (const [i, line] of stock.entries()) {
    const wrong = problemOfGroup(stockFields as unknown as AnyFields, line, '');
    if (wrong) return `Stock line ${i + 1} is not as it should be: ${wrong.path || 'it'} ${wrong.why}.`;
  }
  return '';
}

/** A drawer as an object that came from outside: checked entry by entry; says which is wrong. Never throws. */
export function checkedDrawer(d: unknown): DrawerLoaded {
  const doc = d as Partial<Drawer> | null;
  if (typeof doc !== 'object' || doc === null || doc.format !== DRAWER_FORMAT)
    return no('This is not a drawer. Pick the file that was saved from the drawer; its name ends in .drawer.json.');
  if (doc.version !== 1)
    return no(`The file has version ${String(doc.version)}; this program reads version 1. The file was not changed.`);
  if (typeof doc.currency !== 'string' || !/^[A-Z]{3}$/.test(doc.currency))
    return no('The field "currency" must hold three letters such as EUR.');
  if (!Array.isArray(doc.parts) || !Array.isArray(doc.stock) || doc.parts.length > 1000 || doc.stock.length > 1000)
    return no('The fields "parts" and "stock" must be lists of at most 1 000 entries.');
  // Parts of an older drawer lack the ratings that are asked for now; they get the lowest there are.
  const parts = doc.parts.map(
    (p: DrawerPart | null) =>
      (typeof p === 'object' && p !== null
        ? { ...p, values: withNewRatings(p.kind, p.values) as DrawerPart['values'] }
        : p) as DrawerPart,
  );
  const wrong = firstWrong(parts, doc.stock);
  if (wrong) return no(wrong);
  return {
    ok: true,
    drawer: {
      format: DRAWER_FORMAT,
      version: 1,
      currency: doc.currency,
      parts,
      stock: doc.stock,
    },
  };
}
