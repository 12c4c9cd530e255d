import { expect, saved, test } from './app';
import type { Page } from '@playwright/test';

const drawing = (page: Page) => page.locator('svg[data-cast]');
const farthest = (page: Page) => page.locator('dt', { hasText: /^farthest$/ }).locator('xpath=following-sibling::dd');
const feet = async (page: Page) => parseFloat((await farthest(page).textContent())!);

test.beforeEach(async ({ page }) => {
  await page.goto('/briefs/1/hand');
  await expect(drawing(page)).toBeVisible();
  await expect(page.getByRole('region', { name: 'What would help' }).getByRole('row').first()).toBeVisible();
});

test('the cast is thrown, held and pulled back and forth, with its numbers under it', async ({ page }) => {
  const at = async () => Number(await drawing(page).getAttribute('data-cast'));
  const before = await at();
  await page.getByRole('button', { name: 'Throw' }).click();
  await expect.poll(at).toBeGreaterThan(before + 0.05);
  await page.getByRole('button', { name: 'Hold', exact: true }).click();
  const held = await at();
  const moment = page.getByRole('slider', { name: 'Moment of the cast' });
  await moment.focus();
  await page.keyboard.press('ArrowRight');
  await expect.poll(at).toBeGreaterThan(held);
  await expect(moment).toHaveAttribute('aria-valuetext', /loop [\d.]+ ft out/);
  await page.keyboard.press('Home');
  await expect(drawing(page)).toHaveAttribute('aria-label', /At 0\.0 seconds the loop is 0 ft out/);
});

test('what would help is applied with one press and taken back with one', async ({ page }) => {
  const before = await feet(page);
  const help = page.locator('[data-help="haul"]');
  const promised = parseFloat(/then ([\d.]+) ft/.exec((await help.textContent())!)![1]!);
  expect(promised).toBeGreaterThan(before);
  await help.getByRole('button', { name: 'Try it' }).click();
  await expect.poll(() => feet(page)).toBeCloseTo(promised, 0);
  await saved(page);
  await page.getByRole('button', { name: 'Undo' }).last().click();
  await expect.poll(() => feet(page)).toBeCloseTo(before, 1);
});

test('another line of the shed is thrown beside the outfit', async ({ page }) => {
  await page.getByRole('combobox', { name: 'Beside it, dashed' }).click();
  await page.getByRole('option', { name: /^L8 ivory/ }).click();
  await expect(page.getByRole('columnheader', { name: 'R6 L8' })).toBeVisible();
  await expect(page.getByRole('row', { name: /^farthest/ }).getByRole('cell')).toHaveCount(2);
  await expect(
    page.getByRole('region', { name: 'Distance against wind' }).locator('path[stroke-dasharray]'),
  ).toHaveCount(1);
});

test('the wind meter feeds the brief and its gusts spread the reach; one undo takes all of it back', async ({
  page,
}) => {
  const wind = page.getByRole('textbox', { name: 'Wind', exact: true });
  // More than the meter ever shows, so that its mean is news at any hour.
  await wind.fill('20 kn');
  await wind.press('Enter');
  await saved(page);
  await page.getByRole('button', { name: 'Take the wind from the simulated meter' }).click();
  await expect(page.getByText(/In these gusts the reach swings from/)).toBeVisible();
  await expect(page.getByText(/no real wind/)).toBeVisible();
  // More readings of it come in.
  for (let reading = 0; reading < 3; reading++)
    await page.waitForResponse((r) => r.url().endsWith('/api/devices/wind'));
  await page.getByRole('button', { name: 'Put the simulated meter down' }).click();
  await expect(page.getByText(/In these gusts/)).toBeHidden();
  await expect(wind).not.toHaveValue('20 kn');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(wind).toHaveValue('20 kn');
});

test('a caster has values of their own, refused where they make no sense', async ({ page }) => {
  const before = await feet(page);
  const speed = page.getByRole('textbox', { name: 'Line speed, bare rod' });
  await speed.fill('900 ft/s');
  await expect(page.getByText('Free line speed is between 8 and 60 m/s')).toBeVisible();
  await speed.fill('34 m/s');
  await expect.poll(() => feet(page)).toBeGreaterThan(before + 5);
  await page.getByRole('button', { name: 'Back to the usual values' }).click();
  await expect.poll(() => feet(page)).toBeCloseTo(before, 1);
});

test('a wind that nobody casts in is said as such, and the maps stand beside it', async ({ page }) => {
  await page.getByRole('textbox', { name: 'Wind', exact: true }).fill('77 kn');
  await saved(page);
  await expect(page.getByText(/77 kn is no wind to stand and cast in/).first()).toBeVisible();
  await expect(farthest(page)).toHaveText(/ ft, lobbed$/);
  const map = page.getByRole('table', { name: /by class and wind/ });
  await expect(map.getByRole('row')).toHaveCount(16);
  await page.getByRole('button', { name: 'line held up by line speed' }).click();
  await expect(page.getByRole('table', { name: /by held, ft and line speed/ }).getByRole('row')).toHaveCount(13);
});

test.describe('for people who want no motion', () => {
  test.use({ contextOptions: { reducedMotion: 'reduce' } });
  test('the cast stands still as a row of moments', async ({ page }) => {
    const moving = drawing(page).locator('circle[r="4"]');
    await expect(moving).toHaveCount(0);
    await page.getByRole('slider', { name: 'Moment of the cast' }).fill('0.3');
    await expect(moving).toHaveCount(1);
  });
});

test('keys pressed faster than the answer comes all count', async ({ page }) => {
  const wind = page.getByRole('slider', { name: /^Wind/ });
  await wind.focus();
  for (let i = 0; i < 6; i++) await page.keyboard.press('ArrowUp');
  await expect(page.getByRole('textbox', { name: 'Wind', exact: true })).toHaveValue('14 kn');
});
