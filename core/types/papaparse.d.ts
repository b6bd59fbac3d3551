/** What the core uses of the table library; its own types would bring Node's into a core that has no I/O. */
declare namespace Papa {
  interface Parsed<Row> {
    readonly data: Row[];
    readonly errors: readonly { readonly message: string; readonly row?: number }[];
    readonly meta: { readonly delimiter: string };
  }
  function parse<Row extends string[]>(
    text: string,
    settings?: { delimiter?: string; skipEmptyLines?: boolean | 'greedy' },
  ): Parsed<Row>;
  function unparse(
    table: { fields: readonly string[]; data: readonly (readonly unknown[])[] },
    settings?: { escapeFormulae?: boolean; newline?: string },
  ): string;
}
export default Papa;
