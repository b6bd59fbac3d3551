import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import type { AddressInfo } from 'node:net';
import type { Server } from 'node:http';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { createServer } from './app';

const folder = mkdtempSync(join(tmpdir(), 'gt-server-'));
let server: Server;
let base = '';

beforeAll(async () => {
  writeFileSync(join(folder, 'index.html'), '<html><body><gt-root></gt-root></body></html>');
  writeFileSync(join(folder, 'main-ABCDEFGH.js'), 'x');
  await new Promise<void>(
    (ready) => (server = createServer({ folder, demo: true }).listen(0, '127.0.0.1', () => ready())),
  );
  base = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
});
afterAll(() => {
  server.close();
  rmSync(folder, { recursive: true, force: true });
});

describe('the server', () => {
  it('serves the app at every room, with a nonce of its own each time', async () => {
    const nonces = await Promise.all(
      ['/', '/job/x/probe'].map(async (path) => {
        const answer = await fetch(base + path);
        expect(answer.status).toBe(200);
        const nonce = /ngCspNonce="([^"]+)"/.exec(await answer.text())![1]!;
        expect(answer.headers.get('content-security-policy')).toContain(`'nonce-${nonce}'`);
        return nonce;
      }),
    );
    expect(nonces[0]).not.toBe(nonces[1]);
  });

  it('lets nothing in from elsewhere, and no script but its own', async () => {
    const policy = (await fetch(base)).headers.get('content-security-policy')!;
    expect(policy).toContain("default-src 'none'");
    expect(policy).toContain("script-src 'self'");
    expect(policy).toContain("connect-src 'self'");
    // WebAssembly may be compiled for the circuit engine; nothing else that the policy calls unsafe.
    expect(policy!.replace("'wasm-unsafe-eval'", '')).not.toMatch(/unsafe|https?:|\*/);
    const headers = (await fetch(base)).headers;
    expect(headers.get('x-content-type-options')).toBe('nosniff');
    expect(headers.get('x-powered-by')).toBeNull();
  });

  it('keeps hashed files for long, and says plainly what is not there', async () => {
    expect((await fetch(`${base}/main-ABCDEFGH.js`)).headers.get('cache-control')).toContain('immutable');
    expect((await fetch(`${base}/`)).headers.get('cache-control')).toBe('no-cache');
    const lost = await fetch(`${base}/nothing.js`);
    expect([lost.status, lost.headers.get('content-type')]).toEqual([404, 'text/plain; charset=utf-8']);
    expect((await fetch(`${base}/..%2f..%2fetc/passwd`)).status).not.toBe(500);
  });

  it('tells whether the demo is wanted', async () =>
    expect(await (await fetch(`${base}/settings.json`)).json()).toEqual({ demo: true }));
});
