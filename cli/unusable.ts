/** Input that cannot be used: one line on standard error, exit 2. */
export class Unusable extends Error {}
