import Papa from 'papaparse';
import { strFromU8, unzipSync } from 'fflate';
import { describe, expect, it } from 'vitest';
import { assess } from '../../house/assess';
import { filesOf } from '../../house/deliver';
import { edited, jobText } from '../../ground/job';
import { bareJob, demoJob, fed, onPin, pressed, scripted, withoutSense } from '../../testing/jobs';
import { slug } from '../../ground/quantity';
import { lacksOf } from '.';
import { packZip } from '../../house/zip';
import { csv } from './tables';
import { xml } from './xml';

const pot = demoJob('rice-pot');
const files = filesOf(pot, assess(pot));
const text = (name: string, list = files): string => list.find((f) => f.name === name)!.text;
// A name that tries to become markup, a formula, a comment end and a macro.
const NASTY = `=cmd|'x'!A1 <script>alert(1)</script> */ ??/ "quoted" & more`;
const nasty = edited(pot, { do: 'title', title: NASTY, place: NASTY }, '2026-03-02T14:00:00Z');
const nastyFiles = filesOf(nasty, assess(nasty));

describe('what leaves', () => {
  it('holds the whole job, losslessly', () => {
    expect(text('rice-pot.job.json')).toBe(jobText(pot));
    expect(files.map((f) => f.name)).toEqual([
      'rice-pot.job.json',
      'wiring.svg',
      'wires.csv',
      'pins.csv',
      'parts.csv',
      'joint.cir',
      'leads.csv',
      'ledger.csv',
      'whole.cir',
      'main.py',
      'settings.py',
      'gentle_thumb.h',
      'gentle_thumb.c',
      'messages.json',
      'messages.csv',
      'routine.ics',
      'electrician.html',
      'build-guide.html',
      'labels.html',
      'programming.html',
      'test-sheet.csv',
      'log.md',
    ]);
  });

  it('zips to the same bytes for the same job', () => {
    const zip = packZip(files, pot.touchedAt);
    expect(packZip(files, pot.touchedAt)).toEqual(zip);
    expect(strFromU8(unzipSync(zip)['log.md']!)).toBe(text('log.md'));
  });

  it('numbers its wires alike in drawing and table', () => {
    const rows = Papa.parse<Record<string, string>>(text('wires.csv').trim(), { header: true }).data;
    expect(rows.map((r) => r['wire'])).toEqual(Array.from({ length: 19 }, (_, i) => String(i + 1)));
    for (const r of rows) expect(text('wiring.svg')).toContain(`>${r['from']}<`);
    // What feeds the board, what holds its pin, and what times the one-shot is wired too, and bought.
    const ends = rows.flatMap((r) => [r['from'], r['to']]);
    for (const end of ['own plug-in supply +', 'controller, supply in', 'pull-down, end 1', 'one-shot capacitor 1'])
      expect(ends).toContain(end);
    for (const part of ['plug-in supply', 'lead, two conductors', 'film capacitor'])
      expect(text('parts.csv')).toContain(part);
    // The pin is called alike in drawing, table and program, by its chip number and by what is printed beside it.
    expect(rows.find((r) => r['to'] === 'one-shot trigger')!['from']).toBe('pin 5 (D1)');
    expect(text('pins.csv')).toContain('start,5,D1,right 2,output,high');
    expect(rows[0]).toMatchObject({ from: 'one-shot output', to: 'LED resistor, anode' });
  });

  it('prints every stop whole: no line of the sheet runs over its edge', () => {
    const gate = demoJob('yard-gate');
    const assessed = assess(gate);
    const svg = text('wiring.svg', filesOf(gate, assessed));
    const lines = [...svg.matchAll(/<text x="(18|30)"[^>]*font-size="13"[^>]*>([^<]*)</g)].map((m) => m[2] ?? '');
    expect(Math.max(...lines.map((l) => l.length))).toBeLessThanOrEqual(96);
    const said = lines.join(' ');
    const stops = assessed.findings.filter((f) => f.verdict === 'stop' && f.room !== 'try' && f.room !== 'pack');
    expect(stops.length).toBeGreaterThan(2);
    for (const stop of stops) expect(said).toContain(xml(stop.title));
  });

  it('breaks long names between whole characters, so that none is lost or halved', () => {
    const name = '🫖'.repeat(70);
    const gate = demoJob('yard-gate');
    const long = edited(gate, { do: 'put', list: 'signs', item: { ...gate.signs[0]!, name } }, '2026-03-02T14:00:00Z');
    const svg = text('wiring.svg', filesOf(long, assess(long)));
    expect(svg).not.toContain('\uFFFD');
    expect(svg).not.toMatch(/[\uD800-\uDBFF](?![\uDC00-\uDFFF])/);
    const table = [...svg.matchAll(/<text x="320"[^>]*>([^<]*)</g)].map((m) => m[1] ?? '').join('');
    expect(table).toContain(name);
  });

  it('packs no MicroPython for a controller whose memory holds no interpreter', () => {
    const board = { ...pot.board, profile: 'eight-bit-20' };
    const names = filesOf({ ...pot, board }, assess({ ...pot, board })).map((f) => f.name);
    expect(names).not.toContain('main.py');
    expect(names).not.toContain('messages.json');
  });

  it('leaves out what is not decided', () => {
    const begun = bareJob();
    expect(filesOf(begun, assess(begun)).map((f) => f.name)).toEqual([
      'larder-dehumidifier.job.json',
      'electrician.html',
      'test-sheet.csv',
      'log.md',
    ]);
  });

  it('keeps names as text in every format', () => {
    const svg = text('wiring.svg', nastyFiles);
    expect(svg).not.toContain('<script');
    expect(svg).toContain('&lt;script&gt;');
    expect(text('gentle_thumb.c', nastyFiles)).toMatch(
      /^\/\* =cmd\|'x'!A1 <script>alert\(1\)<\/script> \* \/ \? \?\/ "quoted" & more: the pot/,
    );
    expect(text('log.md', nastyFiles)).not.toMatch(/^# .*[^\\]</m);
    const formula = { ...pot, trials: [], wish: { ...pot.wish, outcome: '=1+1' } };
    expect(text('test-sheet.csv', filesOf(formula, assess(formula)))).not.toMatch(/(^|,)=/m);
  });

  it.each(['=1+1', '\n=1+1', ' \t=1+1', '\r\n@x', '\u2028=1', '＝1+1', '-2+3', '\ufeff=1'])(
    'lets no cell run: %j',
    (cell) => {
      const back = Papa.parse<string[]>(csv(['a'], [[cell]])).data[1]!;
      expect(back[0]).toMatch(/^'/);
      expect(back[0]).not.toMatch(/[\r\n\u2028]/);
      expect(csv(['a'], [[-2]])).toContain('\r\n-2\r\n');
    },
  );

  it('splits a wait that the clock of the program cannot measure', () => {
    const long = scripted(pot, [
      { do: 'wait', seconds: 60 * 86400 },
      { do: 'press', seconds: 0.3 },
    ]);
    const steps = [...text('gentle_thumb.c', filesOf(long, assess(long))).matchAll(/\{ (WAIT|PRESS), \d+u, (\d+)u,/g)];
    expect(steps.every((m) => Number(m[2]) < 2 ** 31)).toBe(true);
    expect(steps.filter((m) => m[1] === 'WAIT').reduce((s, m) => s + Number(m[2]), 0)).toBe(60 * 86400_000);
    expect(text('gentle_thumb.c', filesOf(long, assess(long)))).toContain(`#define SCRIPT_LENGTH ${steps.length}u`);
  });

  it('keeps half a character out of XML', () => expect(xml('a\ud83d b \udc00')).toBe('a\ufffd b \ufffd'));

  it('escapes XML and drops what XML cannot hold', () => {
    expect(xml(`<a b="c">'&'\u0000\u0007</a>`)).toBe('&lt;a b=&quot;c&quot;&gt;&apos;&amp;&apos;&lt;/a&gt;');
  });

  it('makes file names of titles', () => {
    expect([slug('Rice pot'), slug('Über-Gate №7'), slug('///'), slug('x'.repeat(200)).length]).toEqual([
      'rice-pot',
      'uber-gate-no7',
      'job',
      60,
    ]);
  });

  it('writes the week and the script into the firmware', () => {
    const c = text('gentle_thumb.c');
    expect(c).toContain('{ PRESS, 1u, 180u, 0, 1, ASK, 0u, 0u },   /* press start */');
    // Monday to Friday are bits 1 to 5: 0x3e; 10:40 is second 38 400.
    expect(c).toContain('{ 0x3eu, 38400u, 1, 0 }');
    // Pin 5, and the level that presses is the way's own: the same in its wires, at power-up and in the program.
    expect(c).toContain('{ 5, 1 },   /* start */');
    const onLow = pressed(pot, { way: 'relay-module' });
    expect(text('gentle_thumb.c', filesOf(onLow, assess(onLow)))).toContain('{ 5, 0 },   /* start */');
  });
});

describe('what the press asks of the firmware and of the shop', () => {
  it('is a servo’s two pulses where a finger presses, and no script where pulses carry something else', () => {
    const rocker = demoJob('extractor-rocker');
    const c = text('gentle_thumb.c', filesOf(rocker, assess(rocker)));
    // 0.5 to 2.5 ms over 180°: 54° either side of the middle 1.5 ms are 0.6 ms more and 0.6 ms less.
    expect(c).toMatch(/level 1 holds pulses of 2100 us, with level 0 of 1500 us, with level 2 of 900 us/);
    expect(c).toMatch(/\{ \d+, 1 \}, {3}\/\* rocker \*\//);
    const fan = onPin(demoJob('hood-fan'), 5);
    expect(filesOf(fan, assess(fan)).map((f) => f.name)).not.toContain('gentle_thumb.c');
  });

  it('is a parts list for all machines, with what is at hand taken off and what the rest costs', () => {
    const fan = demoJob('hood-fan');
    const rows = Papa.parse<string[]>(text('parts.csv', filesOf(fan, assess(fan))).trim()).data;
    expect(rows[0]).toEqual(['part', 'value', 'quantity', 'already have', 'to buy', 'price each, EUR', 'cost, EUR']);
    expect(rows.find((r) => r[0] === 'NPN transistor, open collector')).toEqual([
      'NPN transistor, open collector',
      '40 V, 200 mA',
      '2',
      '20',
      '0',
      '0.06',
      '0',
    ]);
    expect(rows.find((r) => r[0] === 'signal relay, changeover')).toEqual([
      'signal relay, changeover',
      'gold contact',
      '2',
      '0',
      '2',
      '1.9',
      '3.8',
    ]);
  });
});

describe('what a file lacks or carries', () => {
  it('is said in the program, in Pack and on its bead', () => {
    expect(text('gentle_thumb.c')).toMatch(
      /\/\* This program lacks what is sensed and no move looks at: rest contact\. \*\//,
    );
    expect(assess(pot).findings.find((f) => f.id === 'pack.program')).toMatchObject({
      verdict: 'tight',
      caption: 'program lacks 1',
    });
    const crank = pressed(demoJob('hatch-shutter'), { way: 'hand-mechanism' });
    expect(lacksOf(crank, assess(crank).facts.presses).join()).toMatch(
      /outputs 2 to 2: it drives the first alone[^]*the order of the outputs/,
    );
    // Both directions of a motor, kept apart for its coast, and the output that says which way set before the power.
    const shutter = demoJob('hatch-shutter');
    const packed = text('gentle_thumb.c', filesOf(shutter, assess(shutter)));
    expect(packed).not.toMatch(/lacks (outputs|the order|the hands)/);
    expect(packed).toContain('{ { 1u, 2u }, 400u, 52u, 4, 1 },   /* motor */');
    // Keys of one pad share the select lines: a key is the pins whose bit its number has.
    const proofer = demoJob('dough-proofer');
    const keyed = text('gentle_thumb.c', filesOf(proofer, assess(proofer)));
    expect([...keyed.matchAll(/\{ (\d+), 1 \}, {3}\/\* (\w+) \*\//g)].map((m) => `${m[2]} ${m[1]}`)).toEqual([
      ...['warm 5', 'warm 13'],
      '2 5',
      ...['7 4', '7 5', '7 12'],
      ...['start 12', 'start 13'],
    ]);
    const plain = withoutSense(pot);
    expect(text('gentle_thumb.c', filesOf(plain, assess(plain)))).not.toContain('lacks');
  });
  it('packs the leads to cut, and when the cells are changed', () => {
    const flaps = demoJob('steam-flaps');
    expect(text('leads.csv', filesOf(flaps, assess(flaps)))).toContain(
      'lead to the flaps,fuse of the flaps,"flap.1: motor, flap.2: motor and 6 more",3,2,0.75,18,solder,2',
    );
    const alarm = demoJob('cold-room-alarm');
    const ics = text('cells.ics', filesOf(alarm, assess(alarm)));
    // Touched on 22 November 2026; the cells last for three whole months at least.
    expect(ics).toMatch(/DTSTART;VALUE=DATE:20270222\r\nRRULE:FREQ=MONTHLY;INTERVAL=3\r\n/);
    expect(ics.split('\r\n').every((l) => l.length < 76)).toBe(true);
  });
  it('names every stop on wiring sheet, test sheet and program, and is never ready with one', () => {
    const poor = fed(pot, { amps: 0.1 });
    const a = assess(poor);
    const out = filesOf(poor, a);
    for (const name of ['wiring.svg', 'test-sheet.csv', 'gentle_thumb.c', 'log.md'])
      expect(text(name, out), name).toMatch(/Peak draw under four fifths/);
    expect(a.findings.find((f) => f.id === 'pack.files')).toMatchObject({
      verdict: 'stop',
      caption: 'leaves with stops',
    });
    expect(assess({ ...pot, trials: [] }).findings.find((f) => f.id === 'pack.files')!.verdict).toBe('unknown');
  });
  it('tells when, by whom and on what each step was tried', () => {
    const rows = Papa.parse<Record<string, string>>(text('test-sheet.csv').trim(), { header: true }).data;
    expect(rows.find((x) => x['step'] === 'One press on the machine')).toMatchObject({
      state: 'passed',
      by: 'the morning cook',
      on: 'the machine',
      observed: 'the pot clicked and began to heat',
    });
  });
});
