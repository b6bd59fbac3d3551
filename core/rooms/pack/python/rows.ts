import { remark } from './text';

export const truth = (is: boolean): string => (is ? 'True' : 'False');
export const bit = (is: boolean): number => (is ? 1 : 0);
export const bits = (mask: number): string => `0b${mask.toString(2)}`;

export type Cell = string | number;
/** A row of a table; one of a single cell needs its comma. */
export const tuple = (cells: readonly Cell[]): string => `(${cells.join(', ')}${cells.length === 1 ? ',' : ''})`;
export const rowOfCells = (cells: readonly Cell[], words = ''): string =>
  `    ${tuple(cells)},${words === '' ? '' : `  ${remark(words)}`}`;

/** A table by its name, with a line for each row and what its columns are. */
export const table = (name: string, columns: string, rows: readonly string[]): string =>
  rows.length === 0 ? `${name} = ()\n` : `# ${columns}\n${name} = (\n${rows.join('\n')}\n)\n`;

export const mapping = (rows: readonly (readonly [Cell, string])[]): string =>
  `{${rows.map(([key, value]) => `${key}: ${value}`).join(', ')}}`;
