/** Why a recording cannot be read: what, where in the file, and what to do. */
export class TraceProblem extends Error {
  constructor(
    readonly what: string,
    readonly where: string,
    readonly todo: string,
  ) {
    super(`${what} (${where}) ${todo}`);
  }
}
