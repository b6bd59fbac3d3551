/**
 * Every room of every demo job through the accessibility checker, in both sets and at phone width: `npm run access`. It takes most of
 * an hour, so the tests look at one job; this counts what is serious in all of them.
 */
import AxeBuilder from '@axe-core/playwright';
import { chromium } from '@playwright/test';
import { ROOMS } from '../core/ground/job';

const JOBS = [
  'rice-pot',
  'yard-gate',
  'larder-dehumidifier',
  'dough-proofer',
  'cold-room-alarm',
  'hatch-shutter',
  'extractor-rocker',
  'hood-fan',
  'steam-flaps',
  'ice-bath-valve',
  'proving-cabinet',
];
const VIEWS = [
  { name: 'by day', colorScheme: 'light', viewport: { width: 1280, height: 800 } },
  { name: 'in the evening', colorScheme: 'dark', viewport: { width: 1280, height: 800 } },
  { name: 'on a phone', colorScheme: 'light', viewport: { width: 390, height: 844 } },
] as const;
const address = process.argv[2] ?? 'http://127.0.0.1:4310';
const jobs = process.argv[3]?.split(',') ?? JOBS;

const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox', '--disable-gpu'] });
let views = 0;
let serious = 0;
for (const { name, ...settings } of VIEWS) {
  const context = await browser.newContext({ ...settings, reducedMotion: 'reduce' });
  const page = await context.newPage();
  await page.goto(address);
  await page.getByText('Yard gate').first().waitFor();
  await page.waitForTimeout(5000);
  for (const job of jobs)
    for (const room of ROOMS) {
      await page.goto(`${address}/job/demo-${job}/${room}`);
      await page.locator('#room[aria-busy=false] gt-two-columns').waitFor();
      const { violations } = await new AxeBuilder({ page }).analyze();
      const grave = violations.filter((v) => v.impact === 'serious' || v.impact === 'critical');
      views++;
      serious += grave.length;
      for (const v of grave) console.log(`${name}, ${job}, ${room}: ${v.id} at ${v.nodes[0]?.target.join(' ')}`);
    }
  console.log(`${name}: done, ${views} views so far, ${serious} serious findings`);
  await context.close();
}
await browser.close();
console.log(`${views} views, ${serious} serious findings`);
process.exitCode = serious ? 1 : 0;
