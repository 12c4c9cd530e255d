import { expect, TestApp, prepared, saved, test } from './app';
import type { Download, Page } from '@playwright/test';
import Ajv from 'ajv/dist/2020.js';
import formats from 'ajv-formats';
import { cpSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

const text = async (download: Promise<Download>) => readFileSync(await (await download).path(), 'utf8');

/** A second Zing Cast with nothing in it, for as long as something is done with it. */
async function withEmptyHouse(work: (app: TestApp) => Promise<void>) {
  const data = mkdtempSync(join(tmpdir(), 'zing-other-'));
  cpSync(prepared(false), data, { recursive: true });
  const app = new TestApp(data, false);
  await app.open();
  try {
    await work(app);
  } finally {
    await app.close();
    rmSync(data, { recursive: true, force: true });
  }
}

/** What the chain of a brief says, link by link. */
async function chainOf(page: Page, path: string) {
  await page.goto(path);
  await expect(page.locator('[data-link="hand"]').first()).toBeVisible();
  await saved(page);
  return page.locator('[data-link]').allTextContents();
}

test.describe('an evening', () => {
  test.setTimeout(180_000);

  test('from a brief over benches, winder, leader, packing, log and care to another app, with the same answers', async ({
    page,
    context,
    app,
  }) => {
    // The day, and its outfit.
    const before = await chainOf(page, '/briefs/1');
    expect(before.join()).toContain('R6 blue eight');

    // A rod that was never tested is bent.
    await page.goto('/rods/8?part=test');
    await page.getByRole('textbox', { name: /^Weight( assumed)?$/ }).fill('205 g');
    await page.getByRole('textbox', { name: 'Tip angle below level' }).fill('66');
    await page.getByRole('textbox', { name: 'Tip angle below level' }).blur();
    await page.getByRole('button', { name: 'Keep this test with R8' }).click();
    await expect(page.getByText('measured 9 ± 0.3')).toBeVisible();

    // A line nobody knew is weighed.
    await page.goto('/lines/19');
    await page.getByRole('radio', { name: 'the whole head' }).check();
    await page.getByRole('textbox', { name: /^Mass( assumed)?$/ }).fill('262 gr');
    await page.getByRole('textbox', { name: 'Length of it' }).fill('26 ft');
    await page.getByRole('textbox', { name: 'Length of it' }).blur();
    await page.getByRole('button', { name: 'Keep this weighing with L19' }).click();
    await expect(page.getByText(/262 ± 2 gr of head, weighed/)).toBeVisible();

    // A spool is wound.
    await page.goto('/reels/6?part=spools');
    await page.getByRole('button', { name: 'Write the ticket' }).click();
    const now = page.locator('[aria-current="step"]');
    const press = async (name: string) => {
      await Promise.all([
        page.waitForResponse((r) => r.request().method() === 'POST' && r.url().includes('/api/reels/tickets/')),
        page.getByRole('button', { name, exact: true }).click(),
      ]);
    };
    const at = (step: string) => expect(now).toHaveAttribute('data-step', step);
    for (const leg of [
      'arbor',
      'direction',
      'arborKnot',
      'backing',
      'over',
      'lineEnd',
      'joint',
      'seal',
      'running',
      'head',
      'rim',
      'leader',
    ]) {
      await at(leg);
      if (leg === 'direction') await press('against the clock');
      else if (['backing', 'running', 'head'].includes(leg)) {
        await press('Start the winder');
        await expect(page.getByRole('status').filter({ hasText: 'At the stop mark' })).toBeVisible();
        await press('It is wound');
      } else if (leg === 'over' || leg === 'rim') await press('Go on without');
      else if (leg === 'lineEnd') await press('the thin end, for the reel');
      else await press('Done');
    }
    await expect(page.getByText('Wound. The shed knows what lies on it.')).toBeVisible();

    // Leaders are laid out to be cut, and the bag is packed; what wants care comes first.
    await page.goto('/leaders');
    await page.getByRole('checkbox', { name: 'Tie K1' }).check();
    await page.getByRole('link', { name: 'Tying list for 1' }).click();
    await expect(page.locator('[data-cut]').first()).toBeVisible();
    await page.goto('/trips/1/packing');
    await Promise.all([page.waitForResponse(/\/packed$/), page.locator('[data-item="tool-net"] input').check()]);
    const first = page.getByRole('region', { name: 'See to first' });
    await expect(first.locator('[data-care="reel-rinse-5"]')).toContainText('days in salt');

    // The day is noted from its brief: outfit and wind stand there already.
    await page.goto('/briefs/1/card');
    await page.getByRole('link', { name: 'Note the day' }).click();
    await expect(page.getByText('With R6 blue eight, L11')).toBeVisible();
    await page.getByRole('button', { name: 'right', exact: true }).click();
    await page.getByRole('button', { name: 'a fish: one more' }).click();
    await page.getByRole('button', { name: 'chafed through: one more' }).click();
    await page.getByRole('button', { name: 'Add a cast' }).click();
    await page.getByRole('textbox', { name: 'Distance' }).fill('21 m');
    await page.getByRole('button', { name: 'Keep it' }).click();
    await expect(page.getByText('The outing is in the log.', { exact: true })).toBeVisible();
    const row = page.getByRole('list', { name: 'Outings' }).getByRole('listitem').first();
    await expect(row).toContainText('felt right');
    await expect(row).toContainText('lost: chafed through');

    // What the casts say is read, accepted, and reaches further for her from then on.
    await page.goto('/log/learning');
    const ina = page.locator('[data-learner="own-1"]');
    await expect(ina).toContainText('casts say');
    await Promise.all([
      page.waitForResponse(/learning\/caster$/),
      ina.getByRole('button', { name: 'Accept', exact: true }).click(),
    ]);
    await expect(ina).toContainText('counts now');
    await page.goto('/briefs/1');
    await page.getByRole('combobox', { name: 'Caster' }).click();
    await page.getByRole('option', { name: /^Ina/ }).click();
    await expect(page.locator('[data-link="hand"]').first()).toContainText('Ina');
    await saved(page);

    // What is to be cared for, and one thing done.
    await page.goto('/care');
    await Promise.all([
      page.waitForResponse(/care\/services$/),
      page.getByRole('button', { name: 'Done: S5 wide-arbor eight, rinse the reel' }).click(),
    ]);
    await expect(page.locator('[data-care="reel-rinse-5"]')).toHaveCount(0);

    // All of it goes along, and into an app that has nothing.
    const answers = await chainOf(page, '/briefs/1');
    await page.goto('/data');
    const download = page.waitForEvent('download');
    await page.getByRole('link', { name: 'Save everything' }).click();
    const document = await text(download);
    const schema = (await (await page.request.get('/api/backup/schema')).json()) as object;
    const ajv = new Ajv({ strict: false });
    formats.default(ajv);
    const sound = ajv.compile(schema);
    expect(sound(JSON.parse(document)), JSON.stringify(sound.errors?.slice(0, 3))).toBe(true);
    expect(sound({ ...JSON.parse(document), rods: [{ key: 'R1', lengthM: 'long' }] })).toBe(false);
    const file = join(app.data, 'evening.json');
    writeFileSync(file, document);

    await withEmptyHouse(async (other) => {
      const guest = await context.newPage();
      await guest.goto(`${other.url}/data`);
      await guest.getByLabel('Choose a document').setInputFiles(file);
      await expect(guest.getByText('rod: 12 new')).toBeVisible();
      await guest.getByRole('button', { name: 'Read it in' }).click();
      await expect(guest.getByText('It is read in.', { exact: true })).toBeVisible();
      expect(await chainOf(guest, `${other.url}/briefs/1`)).toEqual(answers);
      await guest.goto(`${other.url}/care`);
      await expect(guest.getByText('rinsed', { exact: false }).first()).toBeVisible();
      await guest.close();
    });
  });
});

test('the saved card notes the day at the water, and the log reads the file it hands over, once', async ({
  page,
  context,
  app,
}) => {
  await page.goto('/briefs/1/card');
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save for the phone' }).click();
  const html = join(app.data, 'card.html');
  writeFileSync(html, await text(download));
  const phone = await context.newPage();
  const asked: string[] = [];
  phone.on('request', (r) => asked.push(r.url()));
  const odd: string[] = [];
  phone.on('pageerror', (e) => odd.push(e.message));
  await phone.setViewportSize({ width: 390, height: 844 });
  await phone.goto(`file://${html}`);
  const more = phone.getByRole('button', { name: 'Fish landed: one more' });
  await more.click();
  await more.click();
  await phone.getByRole('combobox', { name: 'Lost to' }).click();
  await phone.getByRole('option', { name: 'a knot went' }).click();
  await phone.getByLabel(/^A cast/).fill('sixty');
  await phone.getByRole('button', { name: 'Keep it on this phone' }).click();
  await expect(phone.getByText('That is no number. Type how far, such as 60.')).toBeVisible();
  await phone.getByLabel(/^A cast/).fill('62');
  await phone.getByRole('textbox', { name: 'Note' }).fill('from the ledge <b>');
  await phone.getByRole('button', { name: 'Keep it on this phone' }).click();
  await expect(phone.getByText('One entry is kept here.')).toBeVisible();
  // It is still there when the page is opened again.
  await phone.reload();
  await expect(phone.getByText('One entry is kept here.')).toBeVisible();
  expect(await phone.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
  const handed = phone.waitForEvent('download');
  await phone.getByRole('button', { name: 'Hand over the file' }).click();
  const file = join(app.data, 'water.json');
  writeFileSync(file, await text(handed));
  expect(odd).toEqual([]);
  expect(asked.filter((a) => !a.startsWith('file:') && !a.startsWith('blob:'))).toEqual([]);
  await phone.close();

  await page.goto('/log');
  await page.getByLabel('Choose the file').setInputFiles(file);
  await expect(page.getByText('One outing came in from the water.', { exact: true })).toBeVisible();
  const row = page.getByRole('list', { name: 'Outings' }).getByRole('listitem').first();
  await expect(row).toContainText('from the ledge <b>');
  await expect(row).toContainText('R6 blue eight');
  await expect(row).toContainText('62 ft');
  await page.getByLabel('Choose the file').setInputFiles(file);
  await expect(page.getByText('Everything in this file is in the log already.')).toBeVisible();
});

test('an outing with a fault is said at its field, nothing of it is lost, and one undo takes it out again', async ({
  page,
}) => {
  await page.goto('/log/new?kind=grass');
  await page.getByRole('button', { name: 'distance', exact: true }).click();
  await page.getByRole('button', { name: 'Add a cast' }).click();
  await page.getByRole('textbox', { name: 'Distance' }).fill('900 ft');
  await page.getByRole('button', { name: 'Keep it' }).click();
  await expect(page.getByText('A cast is between 1 and 60 m').first()).toBeVisible();
  await expect(page.getByRole('textbox', { name: 'Distance' })).toBeFocused();
  await page.getByRole('textbox', { name: 'Note' }).fill('windless');
  await page.reload();
  await expect(page.getByRole('textbox', { name: 'Note' })).toHaveValue('windless');
  await expect(page.getByRole('button', { name: 'distance', exact: true })).toHaveAttribute('aria-pressed', 'true');
  await page.getByRole('textbox', { name: 'Distance' }).fill('72 ft');
  await page.getByRole('button', { name: 'Keep it' }).click();
  await expect(page.getByText('65 outings')).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).last().click();
  await expect(page.getByText('64 outings')).toBeVisible();
  await page.getByRole('searchbox', { name: 'Words in it' }).fill('seal ledge blue');
  await expect(page.getByText(/^\d+ of 64 outings$/)).toBeVisible();
  await Promise.all([
    page.waitForResponse(/withLoss=true/),
    page.getByRole('checkbox', { name: 'something lost' }).check(),
  ]);
  await expect(page.getByText(/^6 of 64 outings$/)).toBeVisible();
  for (const outing of await page.getByRole('list', { name: 'Outings' }).getByRole('listitem').allTextContents())
    expect(outing).toContain('lost:');
});

test('the log answers in pictures, and every drawing goes along as SVG and PNG', async ({ page }) => {
  await page.goto('/log/answers');
  await expect(page.getByRole('img', { name: /^Losses by cause: / })).toBeVisible();
  await expect(
    page.getByRole('img', { name: /^R6 blue eight, L8 ivory all-round: 28 casts over the wind/ }),
  ).toBeVisible();
  await expect(page.getByRole('region', { name: 'What stays at home' })).toContainText('R10 heavy grey');
  await page.keyboard.press('Control+k');
  await page.getByRole('combobox').fill('save a picture');
  await page.keyboard.press('Enter');
  const sheet = page.getByRole('dialog', { name: 'Save a picture' });
  const svg = page.waitForEvent('download');
  await sheet.getByRole('button', { name: /^As SVG: Losses by cause/ }).click();
  const drawn = await text(svg);
  expect(drawn).toContain('xmlns="http://www.w3.org/2000/svg"');
  expect(drawn).toContain('@font-face');
  expect(drawn).not.toContain('var(--');
  const png = page.waitForEvent('download');
  await sheet.getByRole('button', { name: /^As PNG: Losses by cause/ }).click();
  const bytes = readFileSync(await (await png).path());
  expect(bytes.subarray(1, 4).toString()).toBe('PNG');
  expect(bytes.readUInt32BE(16)).toBeGreaterThan(600);
});

test('a copy is looked into and put back from the page, and undone', async ({ page }) => {
  await page.goto('/data');
  const download = page.waitForEvent('download');
  await page.getByRole('link', { name: 'Save everything' }).click();
  const path = await (await download).path();
  await page.goto('/shed');
  await page.getByRole('button', { name: 'Put R9 away' }).click();
  await expect(page.getByText('R9 was put away.', { exact: true })).toBeVisible();
  await page.goto('/data');
  await page.getByLabel('Choose a document').setInputFiles({
    name: 'bad.json',
    mimeType: 'application/json',
    buffer: Buffer.from('{"format":"zing-cast","version":1,"rods":[{"key":"R1","tag":"R1"}]}'),
  });
  await expect(page.getByText('rods, entry 1, lengthM:')).toBeVisible();
  await page.getByLabel('Choose a document').setInputFiles({
    name: 'all.json',
    mimeType: 'application/json',
    buffer: readFileSync(path),
  });
  await page.getByRole('radio', { name: /^Put it back/ }).check();
  await expect(page.getByText(/^rod: 1 become as in the file \(R9\)/)).toBeVisible();
  await page.getByRole('button', { name: 'Replace everything here' }).click();
  await expect(page.getByText('It is read in.', { exact: true })).toBeVisible();
  const copies = page.getByRole('region', { name: 'Copies beside it' });
  await copies.getByRole('button', { name: 'what differs' }).first().click();
  await expect(copies).toContainText('rod: otherwise: R9');
  await copies.getByRole('button', { name: 'Put this copy back' }).click();
  await expect(page.getByText('It is put back.', { exact: true })).toBeVisible();
  await page.goto('/shed');
  await expect(page.getByRole('button', { name: 'Put R8 away' })).toBeVisible();
  await expect(page.getByRole('button', { name: 'Put R9 away' })).toHaveCount(0);
});

test('the tour leads through the app, goes on after a reload, and is left at any point', async ({ page }) => {
  await page.goto('/help');
  await page.getByRole('button', { name: 'Take the tour' }).click();
  const tour = page.getByRole('complementary', { name: 'Tour' });
  await expect(page).toHaveURL(/\/briefs\/1$/);
  for (let stop = 2; stop <= 4; stop++) {
    await tour.getByRole('button', { name: 'On', exact: true }).click();
    await expect(tour).toContainText(`Stop ${stop} of 10`);
  }
  await page.reload();
  await expect(tour).toContainText('Stop 4 of 10');
  await expect(page).toHaveURL(/\/lines\/11/);
  await tour.getByRole('button', { name: 'Leave' }).click();
  await expect(tour).toHaveCount(0);
  await page.goto('/help');
  await expect(page.getByRole('region', { name: 'Keys' })).toContainText('Note an outing');
  await expect(page.getByRole('region', { name: 'Safety' })).toContainText('Carbon conducts');
});

test.describe('with nothing in it', () => {
  test.use({ demo: false, looking: true });

  test('log, learning, care, data and help say what to do', async ({ page }) => {
    for (const [path, words] of [
      ['/log', 'Nothing noted yet.'],
      ['/log/answers', 'Nothing noted yet'],
      ['/log/learning', 'Nothing to learn from yet.'],
      ['/care', 'Nothing to look after yet'],
      ['/data', 'Copies beside it'],
    ] as const) {
      await page.goto(path);
      await expect(page.getByText(words).first()).toBeVisible();
    }
    await page.goto('/help');
    await page.getByRole('button', { name: 'Take the tour' }).click();
    await expect(page.getByRole('button', { name: 'Borrow the loan shed' })).toBeVisible();
    await page.getByRole('button', { name: 'Leave' }).click();
  });
});
