/** Why a capture cannot be read: what, where in the file, and what to do. */
export class CaptureProblem extends Error {
  constructor(
    readonly what: string,
    readonly where: string,
    readonly todo: string,
  ) {
    super(`${what} (${where}) ${todo}`);
  }
}
