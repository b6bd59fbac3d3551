/** The folder in which tests stand bundled (`npm test` says so); nothing where their sources are run. */
const bundled = process.env['BUNDLED_TESTS'];

/** Settings that tell where tests are taken from. @param include paths of sources. */
export const testsFrom = (include: readonly string[], exclude: readonly string[] = []) => ({
  ...(bundled ? { root: bundled } : {}),
  include: include.map(named),
  exclude: [...exclude.map(named), ...(bundled ? [] : ['node_modules/**'])],
  // Probe's usual predictions, as the built program has them; a check of its own draws them anew.
  setupFiles: [named('core/testing/predictions.ts')],
});

const named = (path: string): string => (bundled ? path.replace(/\.ts$/, '.mjs') : path);
