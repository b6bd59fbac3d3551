import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync, utimesSync, writeFileSync } from 'node:fs';
import type { AddressInfo } from 'node:net';
import { get, type Server } from 'node:http';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { createServer, isOwnHost } from './app';

const ROOT = new URL('..', import.meta.url).pathname;

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

  it('gives the page of the newest build, with a nonce under every name', async () => {
    const before = await (await fetch(`${base}/index.html`)).text();
    expect(before).toMatch(/ngCspNonce="/);
    writeFileSync(join(folder, 'index.html'), '<html><body><gt-root></gt-root><!-- rebuilt --></body></html>');
    utimesSync(join(folder, 'index.html'), new Date(), new Date(Date.now() + 5000));
    expect(await (await fetch(`${base}/job/x/probe`)).text()).toContain('rebuilt');
  });

  it('tells an odd address nothing but that it is odd', async () => {
    const odd = await fetch(`${base}/%ff`);
    expect(odd.status).toBe(400);
    expect(await odd.text()).toBe('This address cannot be read.');
    expect((await fetch(base, { method: 'POST', body: 'x' })).status).toBe(405);
  });

  it.each([
    ['127.0.0.1:4310', true],
    ['localhost', true],
    ['[::1]:4310', true],
    ['192.168.1.7:4310', true],
    ['bench.local:4310', true],
    ['evil.example:4310', false],
    ['', false],
    ['999.999.999.999', false],
    ['[::g]', false],
  ])('answers to %s: %s', (header, own) => expect(isOwnHost(header, 'bench.local')).toBe(own));

  it('refuses a page of another name that was made to point here', async () => {
    const status = await new Promise((done) =>
      get({ port: (server.address() as AddressInfo).port, headers: { host: 'evil.example' } }, (r) => {
        r.resume();
        done(r.statusCode);
      }),
    );
    expect(status).toBe(421);
  });

  it('says that there is no built app rather than where it looked for it in its own code', () =>
    expect(() => createServer({ folder: join(folder, 'nowhere'), demo: false })).toThrow(/npm run build/));
});

describe('the server as a program', () => {
  const start = (port: number) =>
    spawn('node_modules/.bin/tsx', ['server/main.ts', '--port', String(port), '--folder', folder], { cwd: ROOT });
  it('says that a port is taken, and does not say that it is there', async () => {
    const { port } = server.address() as AddressInfo;
    const program = start(port);
    let told = '';
    program.stdout.on('data', (d) => (told += String(d)));
    program.stderr.on('data', (d) => (told += String(d)));
    const code = await new Promise((done) => program.on('exit', done));
    expect(code).toBe(1);
    expect(told).not.toContain('is at');
    expect(told).toMatch(/^Port \d+ is taken/);
  });
});
