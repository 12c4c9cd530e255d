import { expect, linkOf, saved, test } from './app';
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

test('the outfit card prints on one page, copies as text, and its file opens without a network', async ({
  page,
  context,
  browser,
}) => {
  await context.grantPermissions(['clipboard-read', 'clipboard-write']);
  await page.goto('/briefs/3');
  await page.getByRole('link', { name: 'Outfit card' }).click();
  const card = page.getByRole('article', { name: 'Outfit card' });
  await expect(card).toContainText('L13 rust sinker, WF8S3');
  // Ink on white also for whoever reads by dusk.
  await page.evaluate(() => (document.documentElement.dataset.theme = 'dusk'));
  await page.emulateMedia({ media: 'print' });
  expect(await card.evaluate((e) => getComputedStyle(e).color)).toBe('rgb(22, 35, 45)');
  await page.emulateMedia({ media: null });
  const pdf = (await page.pdf({ preferCSSPageSize: true })).toString('latin1');
  expect(pdf.match(/\/Type\s*\/Page[^s]/g)).toHaveLength(1);

  await page.getByRole('button', { name: 'Copy as text' }).click();
  const text = await page.evaluate(() => navigator.clipboard.readText());
  expect(text).toContain('line: L13 rust sinker, WF8S3, head 33 ft, 268 gr');
  expect(text).toMatch(/It gets about \d+ ± \d+ ft today; 50 ft wanted/);
  expect(text).toContain('Today: ');

  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Save for the phone' }).click(),
  ]);
  expect(download.suggestedFilename()).toBe('Zander-from-Oss-Mere.html');
  const phone = await browser.newContext({ offline: true, viewport: { width: 390, height: 844 } });
  const saved = await phone.newPage();
  const asked: string[] = [];
  saved.on('request', (r) => asked.push(r.url()));
  const file = join(mkdtempSync(join(tmpdir(), 'zing-card-')), download.suggestedFilename());
  await download.saveAs(file);
  await saved.goto(`file://${file}`);
  await expect(saved.getByRole('heading', { name: 'Zander from Oss Mere' })).toBeVisible();
  await expect(saved.getByRole('img')).toBeVisible();
  await expect(saved.getByText('R8 loan seven')).toBeVisible();
  expect(asked.filter((u) => !u.startsWith('file:'))).toEqual([]);
  expect(await saved.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
  await phone.close();
});

test('two briefs stand beside each other on one axis, and another rod is tried without being kept', async ({
  page,
}) => {
  await page.goto('/briefs');
  await expect(page.getByRole('listitem').filter({ hasText: 'Zander' })).toContainText('L13 rust sinker');
  await page.getByRole('link', { name: 'Compare Sea bass on the Skerries' }).click();
  await page.getByRole('combobox', { name: 'Second: brief' }).click();
  await page.getByRole('option', { name: 'Sea bass on the Skerries' }).click();
  const row = page.getByRole('row', { name: /^Rod/ });
  await expect(row).toContainText('the same');
  await page.getByRole('combobox', { name: 'Second: rod' }).click();
  await page.getByRole('option', { name: /^R10/ }).click();
  await expect(row.getByRole('cell').nth(1)).toContainText('R10 heavy grey');
  await expect(row.getByRole('cell').nth(0)).toContainText('R6 blue eight');
  const axis = (n: number) => page.locator('section[aria-label$="drawn"]').nth(n).locator('svg').first();
  const last = async (n: number) => (await axis(n).locator('text').allTextContents()).filter((t) => /^\d+ ft$/.test(t));
  expect(await last(0)).toEqual(await last(1));
  await page.goto('/briefs/1');
  await expect(linkOf(page, 'rod')).toContainText('R6');
});

test('with a bench open its reasons come first; what changed can be found; commands are found by other words', async ({
  page,
}) => {
  await page.goto('/briefs/1');
  const ledger = page.getByRole('region', { name: 'Ledger' });
  await expect(ledger.getByRole('region', { name: 'Reasons for the rod' })).toBeVisible();
  await linkOf(page, 'reel').click();
  await expect(ledger.getByText(/^▸ The other \d+ reasons/)).toBeVisible();
  await expect(ledger.locator('[data-rule]').first()).toHaveAttribute('data-rule', /^reel\./);
  await page.getByRole('button', { name: 'Wind: more wind' }).click();
  await ledger.getByRole('button', { name: /\d+ changed: show/ }).click();
  await expect(ledger.getByText('new', { exact: true }).first()).toBeVisible();
  expect(await ledger.locator('[data-rule]').count()).toBe(await ledger.getByText('new', { exact: true }).count());

  for (const [typed, found] of [
    ['dark', /Dusk|Paper/],
    ['unpin', /Let go|Undo/],
    ['pin', /Pin the rod, R6/],
    ['print', /Outfit card/],
    ['line weights', /Look up: Line weights/],
    ['duplicate', /Copy this brief/],
  ] as const) {
    await page.keyboard.press('Control+k');
    await page.keyboard.type(typed);
    await expect(page.getByRole('option').first()).toBeVisible();
    if (typed !== 'unpin') await expect(page.getByRole('option', { name: found }).first()).toBeVisible();
    await page.keyboard.press('Escape');
    await expect(page.getByRole('dialog')).toBeHidden();
  }
  // Escape closed the sheet and no more: the bench is still open.
  await expect(page.getByRole('heading', { name: '7 Reel' })).toBeVisible();
});

test('a trade word says what it means, the skip link leads to the page, and the cast to watch plays', async ({
  page,
}) => {
  await page.goto('/briefs/1/head');
  await expect(linkOf(page, 'rod')).toBeVisible();
  await page.getByRole('button', { name: 'head: what it means' }).first().click();
  await expect(page.getByText('The thick, heavy part of the line that is cast')).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByText('The thick, heavy part of the line that is cast')).toBeHidden();
  await expect(page.getByRole('heading', { name: '4 Head' })).toBeVisible();
  for (const path of ['/briefs', '/shed', '/cutting', '/rods/3', '/compare', '/briefs/1/card', '/nowhere']) {
    await page.goto(path);
    await expect(page.locator('#main')).toHaveCount(1);
  }
  await page.goto('/briefs/1');
  await page.getByRole('button', { name: 'Watch the cast' }).click();
  await expect(page.getByRole('button', { name: 'Hold' })).toBeVisible();
});
