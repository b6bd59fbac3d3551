// Takes the circuit engine's one large file apart: the script, and the WebAssembly that it carries twice as text. Plain Node.js only.
import { root } from './files.mjs';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';

const LITERAL = /"data:application\/wasm;base64,([A-Za-z0-9+/=]+)"/g;

/**
 * Writes engine-HASH.js, ngspice-HASH.wasm and manifest.json into node_modules/.cache/circuit-engine, unless they are
 * there for this version.
 */
export function splitEngine() {
  const source = `${root}node_modules/eecircuit-engine`;
  const folder = `${root}node_modules/.cache/circuit-engine/`;
  const { version } = JSON.parse(readFileSync(`${source}/package.json`, 'utf8'));
  const manifest = `${folder}manifest.json`;
  if (existsSync(manifest) && JSON.parse(readFileSync(manifest, 'utf8')).version === version) return;
  const script = readFileSync(`${source}/dist/eecircuit-engine.mjs`, 'utf8');
  const found = [...script.matchAll(LITERAL)].map((m) => m[1]);
  if (found.length === 0 || new Set(found).size !== 1)
    throw new Error(
      `the circuit engine ${version} is built otherwise than expected: ${found.length} WebAssembly literals`,
    );
  const wasm = Buffer.from(found[0], 'base64');
  const hash = (data) => createHash('sha256').update(data).digest('hex').slice(0, 8).toUpperCase();
  const wasmName = `ngspice-${hash(wasm)}.wasm`;
  const text = script.replace(LITERAL, () => `new URL("${wasmName}", import.meta.url).href`);
  const scriptName = `engine-${hash(text)}.js`;
  rmSync(folder, { recursive: true, force: true });
  mkdirSync(folder, { recursive: true });
  writeFileSync(folder + wasmName, wasm);
  writeFileSync(folder + scriptName, text);
  writeFileSync(manifest, `${JSON.stringify({ version, script: scriptName, bytes: wasm.length + text.length })}\n`);
}
