import compression from 'compression';
import express, { type ErrorRequestHandler, type Express, type RequestHandler, type Response } from 'express';
import helmet from 'helmet';
import { randomBytes } from 'node:crypto';
import { existsSync, readFileSync, statSync } from 'node:fs';
import { isIPv4, isIPv6 } from 'node:net';
import { extname, join, normalize } from 'node:path';

export interface ServerOptions {
  /** Folder of the built app. */
  readonly folder: string;
  /** Name under which it may be asked for, beside this machine's own names and plain addresses. */
  readonly host?: string;
  /** Whether an empty shelf begins with the demo jobs. */
  readonly demo: boolean;
}

const PACKED_TYPES: Readonly<Record<string, string>> = {
  '.js': 'text/javascript',
  '.css': 'text/css',
  '.json': 'application/json',
  '.wasm': 'application/wasm',
  '.bin': 'application/octet-stream',
};

const nonceOf = (res: Response): string => (res.locals as { nonce: string }).nonce;

/** The page itself, read anew when a build has replaced it. */
function indexOf(folder: string): () => string {
  const file = join(folder, 'index.html');
  let text = '';
  let written = -1;
  return () => {
    const { mtimeMs } = statSync(file);
    if (mtimeMs !== written) text = readFileSync(file, 'utf8');
    written = mtimeMs;
    return text;
  };
}

/**
 * Whether a request names this server as it may be named. A page of another name that was made to point here, as an attacker's can
 * be, is refused; plain addresses cannot be pointed anywhere.
 */
export function isOwnHost(header: string | undefined, host = ''): boolean {
  const name = (header ?? '').replace(/:\d+$/, '').toLowerCase();
  return (
    name === 'localhost' ||
    name === host.toLowerCase() ||
    isIPv4(name) ||
    (name.startsWith('[') && name.endsWith(']') && isIPv6(name.slice(1, -1)))
  );
}

/** The server of the built app: static files behind strict headers, no input but paths. Throws Error where there is no built app. */
export function createServer({ folder, demo, host }: ServerOptions): Express {
  const index = indexOf(folder);
  if (!existsSync(join(folder, 'index.html')))
    throw new Error(`There is no built app in ${folder}. Run: npm run build`);
  const app = express();
  app.disable('x-powered-by');
  app.use((_req, res, next) => {
    res.locals['nonce'] = randomBytes(16).toString('base64');
    next();
  });
  app.use(
    helmet({
      contentSecurityPolicy: {
        useDefaults: false,
        directives: {
          defaultSrc: ["'none'"], // The circuit engine is WebAssembly; this lets it be compiled and nothing be evaluated.
          scriptSrc: ["'self'", "'wasm-unsafe-eval'"],
          styleSrc: ["'self'", (_req, res) => `'nonce-${nonceOf(res as Response)}'`],
          fontSrc: ["'self'"],
          imgSrc: ["'self'", 'data:', 'blob:'],
          connectSrc: ["'self'"],
          workerSrc: ["'self'"],
          manifestSrc: ["'self'"],
          baseUri: ["'self'"],
          formAction: ["'self'"],
          frameAncestors: ["'none'"],
        },
      },
      // Plain http on loopback: asking browsers for https would lock the maker out.
      strictTransportSecurity: false,
      referrerPolicy: { policy: 'no-referrer' },
      crossOriginEmbedderPolicy: true,
    }),
  );
  app.use((req, res, next) => {
    // Node takes the first of several names; whoever sends two means to be taken for another.
    const named = req.rawHeaders.filter((x, i) => i % 2 === 0 && x.toLowerCase() === 'host').length;
    if (named <= 1 && isOwnHost(req.headers.host, host)) return next();
    res.status(421).type('text').send('This server answers to its own name only.');
  });
  const page: RequestHandler = (_req, res) => {
    res.type('html').setHeader('Cache-Control', 'no-cache');
    res.send(
      index()
        .replaceAll('<gt-root>', `<gt-root ngCspNonce="${nonceOf(res)}">`)
        .replaceAll('<style>', `<style nonce="${nonceOf(res)}">`),
    );
  };
  app.get('/index.html', page);
  app.use((req, res, next) => {
    // Files were compressed at build time; doing it anew for every request would cost more than sending them.
    const path = normalize(req.path);
    const type = PACKED_TYPES[extname(path)];
    if (type && req.acceptsEncodings('br') && existsSync(join(folder, `${path}.br`))) {
      req.url = `${path}.br`;
      res.setHeader('Content-Encoding', 'br').setHeader('Vary', 'Accept-Encoding').type(type);
    }
    next();
  });
  app.use(compression());
  app.get('/settings.json', (_req, res) => void res.json({ demo }));
  app.use(
    express.static(folder, {
      index: false,
      maxAge: '1y',
      immutable: true,
      setHeaders: (res, path) => {
        // Only names that carry a hash of their content may be kept for long.
        if (!/-[A-Z0-9]{8}(\.[a-z0-9]+){1,2}$/.test(path)) res.setHeader('Cache-Control', 'no-cache');
      },
    }),
  );
  app.get('/{*path}', (req, res, next) => {
    if (/\.[a-z0-9]+$/i.test(req.path)) return void res.status(404).type('text').send('No such file.');
    page(req, res, next);
  });
  app.use((_req, res) => void res.status(405).type('text').send('Only reading is possible here.'));
  // What is wrong with a request is the asker's to know; what is behind it is not.
  app.use(((error: { status?: number }, _req, res, next) => {
    if (res.headersSent) return next(error);
    const asked = error.status !== undefined && error.status >= 400 && error.status < 500;
    res
      .status(asked ? 400 : 500)
      .type('text')
      .send(asked ? 'This address cannot be read.' : 'The server could not answer.');
  }) satisfies ErrorRequestHandler);
  return app;
}
