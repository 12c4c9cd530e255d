import { expect, test } from './app';
import type { Page } from '@playwright/test';
import { readFile } from 'node:fs/promises';

const says = (page: Page) => page.locator('[data-plan-says]');
const cell = (page: Page, day: string) => page.locator(`[data-day="${day}"] [data-taken]`);

test('two rods for five kinds of day: a limit is dragged, a day said, a piece packed, and all of it is there again', async ({
  page,
}) => {
  await page.goto('/trips/1');
  await expect(says(page)).toContainText('every day');
  await expect(cell(page, 'Sea bass on the Skerries')).toBeVisible();

  // One rod: some day goes, in shape and word.
  const rods = page.getByRole('slider', { name: 'Rods' });
  await rods.focus();
  await page.keyboard.press('ArrowLeft');
  await expect(says(page)).toContainText('of 7 days');
  await expect(page.locator('[data-limit="rods"]')).toContainText('a rod more');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(says(page)).toContainText('every day');

  // Another day, in a sentence; and one comes more often.
  await page.getByRole('button', { name: 'Say another day' }).click();
  await page.getByRole('combobox', { name: 'Fish' }).click();
  await page.getByRole('option', { name: 'pike', exact: true }).click();
  await page.getByRole('textbox', { name: 'Call it' }).fill('Pike in the reeds');
  await page.getByRole('button', { name: 'Add this day' }).click();
  await page.getByRole('button', { name: 'How often, Pike in the reeds: a day more' }).click();
  await expect(page.locator('[data-day="Pike in the reeds"]')).toContainText('× 2');
  await expect(page.getByText('Kept.')).toBeVisible();

  // A tube that no rod goes into is refused where it is typed, and what was typed stays.
  const tube = page.getByRole('textbox', { name: 'Tube, inside' });
  await tube.fill('40 ft');
  await page.keyboard.press('Enter');
  await expect(page.getByText('A tube is between 20 cm').first()).toBeVisible();
  await tube.fill('');
  await page.keyboard.press('Enter');

  // The next best kit is taken: it is packed, and its rods come along.
  const other = page.getByRole('region', { name: 'Other kits' }).getByRole('listitem').first();
  const words = (await other.textContent())!.split(' with ')[0]!;
  await other.getByRole('button', { name: 'take this one' }).click();
  await expect(says(page)).toContainText(words.split(', ')[0]!);
  await expect(page.getByRole('region', { name: 'Packed already' })).toContainText(words.split(', ')[0]!);
  await expect(page.getByText('Kept.')).toBeVisible();
  await page.reload();
  await expect(page.getByRole('region', { name: 'Packed already' })).toContainText(words.split(', ')[0]!);
  await expect(page.locator('[data-planned="Pike in the reeds"]')).toBeVisible();
});

test('a packing list is ticked off at home and again on leaving, goes to the phone, the calendar and the winder', async ({
  page,
}) => {
  await page.goto('/trips/1/packing');
  const net = page.locator('[data-item="tool-net"] input');
  const kept = async (tick: Promise<unknown>) => Promise.all([page.waitForResponse(/\/packed$/), tick]);
  await kept(net.check());
  await kept(page.locator('[data-item="tool-file"] input').check());
  await expect(page.getByRole('status').filter({ hasText: 'packed' })).toContainText(/^2 of \d+ packed$/);
  await page.getByRole('button', { name: 'On leaving the water' }).click();
  await expect(net).not.toBeChecked();
  await kept(net.check());
  await expect(page.getByText(/^1 of \d+ back$/)).toBeVisible();
  await page.reload();
  await expect(page.getByText(/^2 of \d+ packed$/)).toBeVisible();

  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save for the phone' }).click();
  const html = await readFile(await (await download).path(), 'utf8');
  expect(html).toContain('soft mesh');
  expect(html).not.toMatch(/(src|href)="(https?:)?\/\//);
  const calendar = page.waitForEvent('download');
  await page.getByRole('link', { name: 'To the calendar' }).click();
  expect(await readFile(await (await calendar).path(), 'utf8')).toContain('BEGIN:VEVENT');
  expect((await page.pdf()).length).toBeGreaterThan(5000);

  await page
    .getByRole('button', { name: /^Write a winding ticket/ })
    .first()
    .click();
  await expect(page.getByText(/^A winding ticket for/).first()).toBeVisible();
});

test('what goes with what is walked by key, and says why', async ({ page }) => {
  await page.goto('/shed/matrix');
  const why = page.locator('[data-why]');
  await expect(why).toContainText('fits');
  await page.locator('[role="gridcell"][tabindex="0"]').focus();
  await page.keyboard.press('Control+Home');
  await expect(page.locator('[data-at="true"]')).toHaveAttribute('data-cell', 'R1 L1');
  await expect(page.locator('[data-at="true"]')).toBeFocused();
  await page.keyboard.press('End');
  await expect(page.locator('[data-at="true"]')).toBeFocused();
  await expect(why).toContainText('overloads it');
  await expect(page.locator('[data-at="true"]')).toHaveAttribute('data-verdict', 'fails');
});

test('rows of a spreadsheet are looked at, mended, kept together, and taken back', async ({ page }) => {
  await page.goto('/shed/paste');
  const rows = page.getByRole('textbox', { name: 'Rows' });
  await rows.fill('label\tname\tprice\n9ft 6 4pc\tblue pasted\tdear\nWF6F\tsand pasted\t35');
  await expect(page.locator('[data-fault="2 price"]')).toContainText('A price is a number');
  await expect(page.getByRole('button', { name: 'Keep them' })).toBeDisabled();
  // Nothing is lost by looking elsewhere.
  await page.goto('/shed');
  await page.goto('/shed/paste');
  await rows.fill((await rows.inputValue()).replace('dear', '80'));
  await page.getByRole('button', { name: 'Keep all 2' }).click();
  await expect(page.getByText('2 pieces are in the shed.', { exact: true })).toBeVisible();
  const undone = page.waitForResponse(/paste\/undo/);
  await page
    .getByRole('region', { name: /^Notifications/ })
    .getByRole('button', { name: 'Undo' })
    .click();
  await undone;
  await page.goto('/shed?find=pasted');
  await expect(page.getByText('None of the rods is like that.')).toBeVisible();
});

test.describe('with nothing in the shed', () => {
  test.use({ demo: false });
  test('somebody who kept no brief is told so', async ({ page }) => {
    await page.goto('/shed/days');
    await expect(page.locator('[data-review-says]')).toContainText('No brief is kept yet');
  });
  test('from the first page to a shopping list in six presses, without typing', async ({ page }) => {
    await page.goto('/');
    await page.getByRole('link', { name: 'A first outfit' }).click();
    const press = (question: string, name: string) =>
      page.getByRole('region', { name: question }).getByRole('button', { name, exact: true }).click();
    await press('Which waters?', 'river');
    await press('Which fish?', 'river trout');
    await press('How far behind you is free?', 'open');
    await press('What may it cost?', 'up to 500');
    const list = page.getByRole('region', { name: 'To ask for in a shop' });
    for (const words of [
      '9 ft #5, medium, 4 piece',
      'WF5F, all-round head',
      '5/6, room for the line',
      '#14 beaded nymph',
    ])
      await expect(list).toContainText(words);
    // Nothing of it is owned: everything is to buy, and nothing carries a tick.
    await expect(list.getByText('to buy')).toHaveCount(7);
    await expect(page.locator('[data-verdict="fits"]')).toHaveCount(0);
    await expect(page.getByText('Most people say nine feet and a five. So do we.')).toBeVisible();
    await expect(page.getByRole('img', { name: /river trout on a nymph: wanted 30 ft/ })).toBeVisible();
    await expect(page.getByRole('region', { name: 'What it costs' })).toContainText('of 500');
    // Pike beside it is an outfit of its own; the address holds it all.
    await press('Which waters?', 'stillwater');
    await press('Which fish?', 'pike');
    await expect(page.getByRole('region', { name: 'What comes next' })).toContainText(
      'Pike: an outfit of its own, 9 ft #9',
    );
    await page.reload();
    await expect(page.getByRole('region', { name: 'What comes next' })).toContainText('Pike: an outfit of its own');
    await page.goBack();
    await expect(page.getByText('an outfit of its own')).toBeHidden();
    await expect(list).toContainText('9 ft #5');
  });
});
