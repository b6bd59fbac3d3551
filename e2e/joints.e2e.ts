import { expect, test } from './profile';
import { accessible, choose, complaints, demoKept, enter, kept, undo, within } from './steps';

test('a beeper is read, its joint follows, and the tap is proven by simulation; straight on a pin it is a stop with a remedy', async ({
  page,
}) => {
  const heard = complaints(page);
  await demoKept(page, '/job/demo-cold-room-alarm/sense?part=joints');
  const know = page.locator('section.know');
  const beep = page.locator('[data-joint="beeps"]');
  await choose(page, 'Before its pin', 'nothing: its wire goes to the pin');
  await expect(know).toContainText('half of each wave goes under ground, into the pin’s clamp');
  await know.getByRole('button', { name: 'Take capacitor, diodes and transistor' }).first().click();
  await expect(know).not.toContainText('half of each wave goes under ground');
  await kept(page);

  await beep.getByRole('button', { name: 'Prove the tap of its beep' }).click();
  await expect(beep.getByRole('img', { name: /nominal: the pin at/ })).toBeVisible();
  await expect(beep).toContainText(/The closed form is kinder than the simulation by/);
  await expect(beep).toContainText(/Of ten thousand taps[^]*100\s%[^]*tell both/);
  // Another frequency is another tap: the proof is old until it comes back.
  await enter(page, 'Up and down, at its slowest', '400 Hz');
  await expect(beep.locator('[data-outdated]')).toBeVisible();
  await undo(page).click();
  await expect(beep.locator('[data-outdated]')).toHaveCount(0);
  await accessible(page, 'joints', ['light', 'dark']);
  // What is tapped is tried before and after, and bought.
  await within(page, '/job/demo-cold-room-alarm/try');
  await expect(page.locator('#room')).toContainText('The machine is as before with its beep on it');
  expect(heard).toEqual([]);
});

test('a contact says how long its lead is and how far its magnet, and what shakes open is a stop', async ({ page }) => {
  await demoKept(page, '/job/demo-rice-pot/sense?part=joints');
  const rest = page.locator('[data-joint="rest"]');
  const know = page.locator('section.know');
  await enter(rest, 'Its lead', '12 m');
  await choose(page, 'Beside it run', 'leads of mains, motors or relays');
  await expect(know).toContainText('what its lead hears of mains beside it');
  await know.getByRole('button', { name: '4.7 kΩ, and a filter' }).first().click();
  await expect(rest.getByRole('checkbox', { name: /10 kΩ and 100 nF/ })).toBeChecked();
  await rest.getByRole('button', { name: 'a magnet closes it: measure both' }).click();
  await expect(know).toContainText('were not measured');
  for (const [label, text] of [
    ['It closes within', '15 mm'],
    ['and opens beyond', '20 mm'],
    ['Closed, the gap is', '5 mm'],
    ['Open, it is at least', '60 mm'],
    ['It passes beside by', '2 mm'],
    ['It shakes by', '12 mm'],
  ] as const)
    await enter(rest, label, text);
  await expect(know).toContainText('its magnet while it has to be closed, shaken and beside');
  await expect(page.locator('[data-bead="sense"], .thread')).toContainText('opens as it shakes?');
});

test('ways are timed and typed, a screw is advised turn by turn, a counter is held to its unit', async ({ page }) => {
  const heard = complaints(page);
  await demoKept(page, '/job/demo-hatch-shutter/sense?part=travel');
  const shutter = page.locator('[data-travel="shutter"]');
  await expect(shutter).toContainText(/way there\s*5/);
  await enter(shutter, 'Its way there took', '18.4 s');
  await expect(shutter).toContainText(/way there\s*6/);
  await shutter.getByRole('button', { name: 'time its way back' }).click();
  await shutter.getByRole('button', { name: 'it is there: stop the watch' }).click();
  await expect(shutter).toContainText(/way back\s*6/);
  await undo(page).click();
  await shutter.getByRole('checkbox', { name: 'it is to stand between its ends, by time' }).check();

  await shutter.getByRole('button', { name: 'set its ends by their screws' }).click();
  const far = shutter.locator('[data-screw="far"]');
  await expect(far).toContainText('Lead it to the far end, and measure');
  const pass = async (turns: string, miss: string): Promise<void> => {
    if (turns) await enter(far, 'Turned, the far end', turns);
    await enter(far, 'Misses by, the far end', miss);
    await far.getByRole('button', { name: 'keep this pass at the far end' }).click();
  };
  await pass('', '-60 mm');
  await expect(far).toContainText('Turn its screw 0.5 turns to plus');
  await pass('0.5', '-50 mm');
  await expect(far).toContainText('One turn to plus is 20 mm further. Turn it 2.5 turns to plus');
  await pass('2.5', '1 mm');
  await expect(far).toContainText('It stops where it should');
  await accessible(page, 'travel', ['light', 'dark']);

  await within(page, '/job/demo-glass-washer/sense?part=travel');
  const draw = page.locator('[data-count="draw"]');
  await draw.getByRole('checkbox', { name: 'its draw counts' }).check();
  await enter(draw, 'It counts', 'runs');
  await enter(draw, 'One is worth', '1');
  await enter(draw, 'Care is due after', '500');
  await enter(draw, 'said in', 'litres');
  await expect(page.locator('section.know')).toContainText('the two cannot be compared');
  await enter(draw, 'said in', 'runs');
  await expect(page.locator('section.know')).not.toContainText('the two cannot be compared');
  expect(heard).toEqual([]);
});

test('a logged warming tells its room, and two programmes on one meter what it cannot tell apart', async ({ page }) => {
  await demoKept(page, '/job/demo-dough-proofer/sense?part=recordings');
  await expect(page.locator('[data-room]')).toContainText(/warmer.*colder/s);
  await within(page, '/job/demo-glass-washer/sense?part=recordings');
  await choose(page, 'Both on one meter, with', 'the strong programme');
  await expect(page.locator('[data-together]')).toBeVisible();
});
