import compression from 'compression';
import express, { type Express, type Response } from 'express';
import helmet from 'helmet';
import { randomBytes } from 'node:crypto';
import { existsSync, readFileSync } from 'node:fs';
import { extname, join, normalize } from 'node:path';

export interface ServerOptions {
  /** Folder of the built app. */
  readonly folder: string;
  /** Whether an empty shelf begins with the demo jobs. */
  readonly demo: boolean;
}

const PACKED_TYPES: Readonly<Record<string, string>> = {
  '.js': 'text/javascript',
  '.css': 'text/css',
  '.json': 'application/json',
  '.wasm': 'application/wasm',
};

const nonceOf = (res: Response): string => (res.locals as { nonce: string }).nonce;

/** The server of the built app: static files behind strict headers, no input but paths. */
export function createServer({ folder, demo }: ServerOptions): Express {
  const index = readFileSync(join(folder, 'index.html'), 'utf8');
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
  app.get('/{*path}', (req, res) => {
    if (/\.[a-z0-9]+$/i.test(req.path)) return void res.status(404).type('text').send('No such file.');
    res.type('html').setHeader('Cache-Control', 'no-cache');
    res.send(
      index
        .replaceAll('<gt-root>', `<gt-root ngCspNonce="${nonceOf(res)}">`)
        .replaceAll('<style>', `<style nonce="${nonceOf(res)}">`),
    );
  });
  return app;
}
