import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { describe, expect, it } from 'vitest';
import { JOB_VERSION } from '../core/ground/job';

const root = fileURLToPath(new URL('../', import.meta.url));
const read = (file: string): string => readFileSync(join(root, file), 'utf8');
const papers = ['README.md', 'CONTRIBUTING.md', 'CHANGELOG.md']
  .concat(readdirSync(join(root, 'docs'), { recursive: true, encoding: 'utf8' }).map((f) => `docs/${f}`))
  .filter((f) => f.endsWith('.md'));

/** Whether a path of the project is there; with a star, whether something fits it in its folder. */
function isThere(path: string): boolean {
  const star = path.indexOf('*');
  if (star < 0) return existsSync(join(root, path));
  const folder = dirname(path.slice(0, star + 1));
  if (!existsSync(join(root, folder))) return false;
  const pattern = path.replace(/[.+?^${}()|[\]\\]/g, '\\$&').replaceAll('*', '[^/]+');
  const inside = readdirSync(join(root, folder), { recursive: true, encoding: 'utf8' });
  return inside.some((f) => new RegExp(`^${pattern}$`).test(`${folder}/${f}`));
}

describe.each(papers)('%s', (paper) => {
  const text = read(paper);
  it('names files, commands and pages that are there', () => {
    const code = [...text.matchAll(/`([^`\n]+)`/g)].map((m) => m[1] ?? '');
    const paths = code
      .flatMap((c) => c.split(/\s+/))
      .filter((c) => /^(core|app|checks|cli|server|e2e|demo|docs|eslint|scripts)\/[\w./*-]+$/.test(c));
    expect(paths.filter((p) => !isThere(p))).toEqual([]);
    const scripts = Object.keys((JSON.parse(read('package.json')) as { scripts: object }).scripts);
    const asked = [...text.matchAll(/npm run (?:-s )?([a-z0-9:-]+)/g)].map((m) => m[1] ?? '');
    expect(asked.filter((s) => !scripts.includes(s))).toEqual([]);
    const links = [...text.matchAll(/\]\(([^)#:]+)\)/g)].map((m) => m[1] ?? '');
    expect(links.filter((l) => !existsSync(join(root, dirname(paper), l)))).toEqual([]);
  });
});

describe('what the papers say of versions', () => {
  it('is the version of the document that this program writes', () => {
    expect(read('docs/job-format.md')).toContain(`\`version\` is \`${JOB_VERSION}\``);
    expect(read('CHANGELOG.md')).toContain(`## Job file ${JOB_VERSION}`);
  });
  it('is the Node.js that the packages ask for', () => {
    const wanted = (JSON.parse(read('package.json')) as { engines: { node: string } }).engines.node;
    expect(wanted).toBe(`>=${read('.nvmrc').trim().split('.').slice(0, 2).join('.')}`);
    expect(read('README.md')).toContain(`Node.js ${wanted.slice(2)} or newer`);
  });
  it('keeps the README to one screen', () => {
    expect(read('README.md').split('\n').length).toBeLessThan(60);
  });
});
