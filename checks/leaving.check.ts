// What leaves for people and for other programs: the document of messages against the JSON Schema of AsyncAPI 3.0.0 and each text
// against its own schema (ajv), the calendar by an independent reader of recurrence rules, sheets by xmllint, and names that try to
// break out of each.
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import asyncapi from '@asyncapi/specs';
import { Ajv } from 'ajv';
import rrule from 'rrule';
import { describe, expect, it } from 'vitest';
import type { Job } from '../core/ground/job';
import { minutesOf } from '../core/ground/quantity';
import { assess } from '../core/house/assess';
import { filesOf } from '../core/house/deliver';
import type { PackFile } from '../core/rooms/pack';
import { demoJob } from '../core/testing/jobs';
import { runProgram } from './programs';

const NAMES = [
  ...['cold-room-alarm', 'dough-proofer', 'extractor-rocker', 'glass-washer', 'hatch-shutter', 'hood-fan'],
  ...['ice-bath-valve', 'larder-dehumidifier', 'proving-cabinet', 'rice-pot', 'steam-flaps', 'yard-gate'],
] as Parameters<typeof demoJob>[0][];
const filesFor = (job: Job): PackFile[] => filesOf(job, assess(job));
const folder = mkdtempSync(join(tmpdir(), 'gt-leaving-'));
const wellFormed = (file: PackFile): void => {
  writeFileSync(join(folder, file.name), file.text);
  expect(runProgram('xmllint', ['--noout', '--nonet', join(folder, file.name)])).toBe('');
};

const asyncApi = new Ajv({ strict: false, validateFormats: false }).compile(
  asyncapi.schemasWithoutId['3.0.0'] as object,
);

interface Messages {
  readonly components: {
    readonly messages: Readonly<
      Record<string, { readonly payload: object; readonly examples: readonly { readonly payload: string }[] }>
    >;
  };
}
const holdsMessages = (files: readonly PackFile[]): void => {
  const file = files.find((f) => f.name === 'messages.json');
  expect(file !== undefined).toBe(files.some((f) => f.name === 'main.py'));
  if (!file) return;
  const document = JSON.parse(file.text) as Messages;
  expect(asyncApi(document) ? [] : asyncApi.errors).toEqual([]);
  for (const { payload, examples } of Object.values(document.components.messages)) {
    const fits = new Ajv().compile(payload);
    for (const e of examples) expect([e.payload, fits(e.payload)]).toEqual([e.payload, true]);
    expect(fits(7)).toBe(false);
  }
};

describe('what leaves', () => {
  it.each(NAMES)('is read by other programs: %s', (name) => {
    const job = demoJob(name);
    const files = filesFor(job);
    const papers = files.filter((f) => f.type === 'text/html');
    expect(papers.length).toBeGreaterThan(0);
    for (const paper of papers) {
      wellFormed(paper);
      expect(paper.text).not.toMatch(/<script|https?:\/\/(?!www\.w3\.org)/);
    }
    holdsMessages(files);
  });

  it('begins by the clock when the week of the plan does, as a reader of recurrence rules has it', () => {
    const job = demoJob('rice-pot');
    const calendar = filesFor(job).find((f) => f.name === 'routine.ics')!.text;
    const weekly = job.routine.sentences.filter((s) => s.when === 'clock' && s.days.length > 0);
    const events = calendar
      .replace(/\r\n[ \t]/g, '')
      .split('BEGIN:VEVENT')
      .slice(1);
    expect(events).toHaveLength(weekly.length);
    for (const [i, s] of weekly.entries()) {
      const [start, rule] = ['DTSTART', 'RRULE'].map((p) => new RegExp(`^${p}.*$`, 'm').exec(events[i]!)![0].trim());
      const found = rrule.rrulestr(`${start}\n${rule}`).all((_, n) => n < 14);
      for (const at of found) {
        expect(s.days).toContain(((at.getUTCDay() + 6) % 7) + 1);
        expect(at.getUTCHours() * 60 + at.getUTCMinutes()).toBe(minutesOf(s.at));
      }
      const [first, , later] = [found[0]!, 0, found[s.days.length]!];
      expect(later.getTime() - first.getTime()).toBe(7 * 86_400_000);
    }
  });

  it('stays text whatever a name holds', () => {
    const hostile = [
      '</title><script>alert(1)</script>',
      '"><img src=x onerror=alert(1)>',
      ']]>\u0000\ud800--><!--',
      'END:VCALENDAR\r\nBEGIN:VEVENT',
      '{topic}/#/+/$SYS',
      '=cmd()\n,";\t',
      '😀‮ مرحبا',
    ];
    for (const text of hostile) {
      const job = ['rice-pot', 'glass-washer'].map((n) => demoJob(n as 'rice-pot'));
      for (const one of job) {
        const named: Job = {
          ...one,
          title: text,
          presses: one.presses.map((p) => ({ ...p, name: text })),
          senses: one.senses.map((s) => ({ ...s, name: text })),
          wish: { ...one.wish, outcome: text, never: text },
        };
        const files = filesFor(named);
        for (const f of files.filter((x) => x.type === 'text/html')) {
          wellFormed(f);
          expect(f.text).not.toMatch(/<script|<img src=x/);
        }
        holdsMessages(files);
        const calendar = files.find((f) => f.name === 'routine.ics')?.text.split('\r\n');
        const starts = one.routine.sentences.filter((s) => s.when === 'clock' && s.days.length > 0).length;
        expect(calendar?.filter((l) => l === 'BEGIN:VEVENT').length ?? 0).toBe(starts);
        expect(calendar?.filter((l) => l === 'END:VCALENDAR').length ?? 0).toBe(starts > 0 ? 1 : 0);
      }
    }
  });
});
