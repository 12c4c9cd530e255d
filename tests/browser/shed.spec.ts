import { expect, linkOf, test } from './app';
import type { Locator, Page } from '@playwright/test';

/** Counts what a person does: a press, a choice, something typed. */
class Actions {
  count = 0;
  constructor(readonly page: Page) {}
  async press(what: Locator) {
    this.count++;
    await what.click();
  }
  async type(where: Locator, text: string) {
    this.count++;
    await where.fill(text);
  }
  async key(key: string) {
    this.count++;
    await this.page.keyboard.press(key);
  }
}

test('of eighty-one lines the last is found and pinned by keyboard', async ({ page }) => {
  await page.goto('/briefs/1');
  const box = (await (await page.request.post('/api/shed/label', { data: { text: 'WF2F' } })).json()) as {
    line: object;
  };
  for (let n = 21; n <= 81; n++)
    await page.request.post('/api/shed/lines', { data: { ...box.line, tag: `L${n}`, name: `spare ${n}` } });
  await page.goto('/briefs/1/head');
  const list = page.getByRole('region', { name: 'In the shed' });
  await expect(list.getByRole('heading')).toContainText('81');
  // All are there, the last ones seen when somebody goes there; drawn are only those that can be seen.
  await page.locator('#main').evaluate((e: HTMLElement) => e.focus());
  await expect(async () => {
    await page.keyboard.press('End');
    await expect(list.locator('[aria-posinset="81"]')).toBeVisible({ timeout: 500 });
  }).toPass();
  expect(await list.getByRole('listitem').count()).toBeLessThan(60);

  await list.getByRole('textbox', { name: 'Find by tag or name' }).focus();
  await page.keyboard.type('spare 81');
  await expect(list.getByRole('listitem')).toHaveCount(1);
  const pin = list.getByRole('button', { name: 'Pin L81' });
  for (let i = 0; i < 4 && !(await pin.evaluate((e) => e === document.activeElement)); i++)
    await page.keyboard.press('Tab');
  await expect(pin).toBeFocused();
  await page.keyboard.press('Enter');
  await expect(pin).toHaveAttribute('aria-pressed', 'true');
  await expect(page.getByRole('article', { name: 'Head bench' })).toContainText('L81 spare 81');
  await page.goto('/shed');
  await expect(page.getByRole('region', { name: 'Lines' }).getByRole('heading')).toContainText('81');
  await page.getByRole('searchbox', { name: /Find/ }).fill('spare 81');
  await expect(page.getByRole('region', { name: 'Lines' }).getByRole('heading')).toContainText('1 of 81');
});

test('a piece is copied, put away and brought back, and the shed is sorted and filtered', async ({ page }) => {
  await page.goto('/shed');
  const rods = page.getByRole('region', { name: 'Rods' });
  await rods.getByRole('button', { name: 'measured', exact: true }).click();
  await expect(rods.locator('[data-tag]').first()).toHaveAttribute('data-tag', 'R1');
  await rods.getByRole('button', { name: 'measured', exact: true }).click();
  await expect(rods.locator('[data-tag]').first()).toHaveAttribute('data-tag', 'R10');
  await page.getByRole('combobox', { name: 'Condition' }).click();
  await page.getByRole('option', { name: 'not its label' }).click();
  await expect(rods.getByRole('heading')).toContainText('2 of 12');
  await page.goto('/shed');
  await page.getByRole('combobox', { name: 'Density' }).click();
  await page.getByRole('option', { name: 'intermediate' }).click();
  await expect(page.getByRole('region', { name: 'Lines' }).getByRole('heading')).toContainText('3 of 20');
  await page.goto('/shed');
  await rods.getByRole('button', { name: 'Put R2 away' }).click();
  await expect(rods.locator('[data-tag="R2"]')).toHaveCount(0);
  await rods.getByRole('button', { name: /Put away: 1 rods/ }).click();
  await rods.getByRole('button', { name: 'Bring R2 little green back' }).click();
  await expect(rods.locator('[data-tag="R2"]')).toHaveCount(1);
});

test('what was entered of a piece and not kept is there again after a reload, or thrown away', async ({ page }) => {
  await page.goto('/shed');
  await page.getByRole('button', { name: 'Look at R2 or change it' }).click();
  await page.getByRole('textbox', { name: 'Note' }).fill('borrowed until spring');
  await page.getByRole('textbox', { name: 'Mass' }).fill('93 g');
  await page.getByRole('textbox', { name: 'Length' }).fill('as long as a lane');
  await expect(page.getByRole('alert')).toBeVisible();
  await page.reload();
  await expect(page.getByRole('status').filter({ hasText: 'did not keep' })).toBeVisible();
  await expect(page.getByRole('textbox', { name: 'Note' })).toHaveValue('borrowed until spring');
  await expect(page.getByRole('textbox', { name: 'Mass' })).toHaveValue('3.3 oz');
  await expect(page.getByRole('textbox', { name: 'Length' })).toHaveValue('as long as a lane');
  await page.getByRole('textbox', { name: 'Length' }).fill("7'6");
  await page.getByRole('button', { name: 'Keep it' }).click();
  await expect(page.locator('[data-tag="R2"]')).toContainText('borrowed until spring');
  await page.getByRole('button', { name: 'Look at R2 or change it' }).click();
  await expect(page.getByText('did not keep')).toHaveCount(0);
  await page.getByRole('textbox', { name: 'Note' }).fill('of no use');
  await page.getByRole('button', { name: 'Close' }).click();
  await page.getByRole('button', { name: 'Look at R2 or change it' }).click();
  await page.getByRole('button', { name: 'Throw it away' }).click();
  await expect(page.getByRole('textbox', { name: 'Note' })).toHaveValue('borrowed until spring');
});

test.describe('with nothing in the shed', () => {
  test.use({ demo: false });

  test('who owns a nine-foot six and a WF6F says so by their labels and has the outfit in a few actions', async ({
    page,
  }) => {
    await page.goto('/');
    const act = new Actions(page);
    const label = page.getByRole('textbox', { name: /Add by its label/ });
    await act.type(label, '9ft 6');
    await act.key('Enter');
    await expect(page.getByText('In the shed: R1 9 ft #6')).toBeVisible();
    await act.type(label, 'WF6F');
    await act.key('Enter');
    await expect(page.getByText('L1 WF6F.')).toBeVisible();
    await act.press(page.getByRole('link', { name: 'Start a brief' }));
    await act.press(page.getByRole('button', { name: 'Lay out the chain' }));
    await expect(linkOf(page, 'rod')).toContainText('R1 9 ft #6');
    await expect(linkOf(page, 'head')).toContainText('L1 WF6F');
    expect(act.count).toBeLessThan(15);
  });

  test('somebody new has a card to take along in a few actions', async ({ page }) => {
    await page.goto('/');
    const act = new Actions(page);
    await act.press(page.getByRole('link', { name: 'Start a brief' }));
    await act.press(page.getByRole('combobox', { name: 'Fish' }));
    await act.press(page.getByRole('option', { name: /^perch/ }));
    await act.press(page.getByRole('button', { name: 'Lay out the chain' }));
    await act.press(page.getByRole('link', { name: 'Outfit card' }));
    await expect(page.getByRole('article', { name: 'Outfit card' })).toContainText('to buy');
    expect(act.count).toBeLessThan(12);
  });
});
