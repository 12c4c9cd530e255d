import { expect, linkOf, saved, test } from './house';
import type { Locator, Page } from '@playwright/test';
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

const middle = async (what: Locator) => {
  const box = (await what.boundingBox())!;
  return { x: box.x + box.width / 2, y: box.y + box.height / 2 };
};

/** A thumb laid down, drawn so many pixels down the screen, and lifted. */
async function swipe(page: Page, { x, y }: { x: number; y: number }, by: number) {
  const touch = await page.context().newCDPSession(page);
  await touch.send('Input.dispatchTouchEvent', { type: 'touchStart', touchPoints: [{ x, y }] });
  for (let i = 1; i <= 10; i++) {
    await touch.send('Input.dispatchTouchEvent', { type: 'touchMove', touchPoints: [{ x, y: y + (by * i) / 10 }] });
    await page.waitForTimeout(16);
  }
  await touch.send('Input.dispatchTouchEvent', { type: 'touchEnd', touchPoints: [] });
}

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

test('what is dragged 37 px and back is where it began, and nothing jumps when it is touched', async ({ page }) => {
  await page.goto('/briefs/1');
  await expect(linkOf(page, 'rod')).toContainText('R6');
  await page.waitForLoadState('networkidle');
  for (const [handle, dx, dy] of [
    ['fish', 0, 37],
    ['wind', 37, 0],
    ['depth', 0, 37],
  ] as const) {
    const what = page.locator(`[data-handle="${handle}"]`);
    // The wind is held by the ring at its tail.
    const grip = handle === 'wind' ? what.locator('circle').first() : what;
    const told = () => what.getAttribute('aria-valuetext');
    const before = await told();
    const at = await middle(grip);
    await page.mouse.move(at.x + 3, at.y + 2);
    await page.mouse.down();
    expect(await told()).toBe(before);
    await page.mouse.move(at.x + 3 + dx, at.y + 2 + dy, { steps: 5 });
    await expect.poll(told).not.toBe(before);
    await page.mouse.move(at.x + 3, at.y + 2, { steps: 5 });
    await page.mouse.up();
    await expect.poll(told).toBe(before);
  }
});

test.describe('with a thumb', () => {
  test.use({ hasTouch: true, isMobile: true, viewport: { width: 390, height: 844 } });

  test('the dial’s middle is no handle, a swipe over the plan scrolls, and every handle has steps beside it', async ({
    page,
  }) => {
    await page.goto('/briefs/1');
    // The answer first; the day is one line until somebody wants to change it.
    await expect(page.getByText('Works; look at')).toBeInViewport();
    await expect(page.getByRole('region', { name: 'The outfit in words' })).toBeInViewport();
    await page.getByRole('button', { name: /Change the day/ }).tap();
    const wind = page.getByRole('slider', { name: /^Wind/ });
    const before = await wind.getAttribute('aria-valuetext');
    const plan = page.locator('svg', { has: page.locator('[data-handle="wind"]') });
    await plan.scrollIntoViewIfNeeded();
    const box = (await plan.boundingBox())!;
    // The dial stands at 240, 66 of the plan's 300.
    await page.touchscreen.tap(box.x + (box.width * 240) / 300, box.y + (box.width * 66) / 300);
    expect(await wind.getAttribute('aria-valuetext')).toBe(before);

    const from = await page.evaluate(() => scrollY);
    await swipe(page, { x: box.x + 60, y: box.y + box.height / 2 }, -200);
    await expect.poll(() => page.evaluate(() => scrollY)).toBeGreaterThan(from + 100);
    expect(await wind.getAttribute('aria-valuetext')).toBe(before);

    const fish = page.locator('[data-handle="fish"]');
    await fish.scrollIntoViewIfNeeded();
    await swipe(page, await middle(fish), 40);
    await expect(fish).not.toHaveAttribute('aria-valuetext', '55 ft');
    await page.getByRole('textbox', { name: 'Distance' }).fill('55 ft');
    await expect(fish).toHaveAttribute('aria-valuetext', '55 ft');

    await page.getByRole('button', { name: 'Wind: more wind' }).tap();
    await expect(wind).toHaveAttribute('aria-valuetext', /^9 kn/);
    await page.getByRole('button', { name: 'Fish: nearer' }).tap();
    await expect(page.getByRole('slider', { name: 'Distance to the fish' })).toHaveAttribute('aria-valuetext', '54 ft');
    expect((await page.getByRole('button', { name: 'Fish: nearer' }).boundingBox())!.height).toBeGreaterThanOrEqual(44);
  });
});

test('what was typed is shown as typed, in either system, and a drag goes back to the usual', async ({ page }) => {
  await page.goto('/briefs/1');
  const distance = page.getByRole('textbox', { name: 'Distance' });
  await distance.fill('18 m');
  await page.keyboard.press('Enter');
  await expect(page.getByText('(59 ft)')).toBeVisible();
  await page.getByRole('textbox', { name: 'Wind', exact: true }).fill('12 mph');
  await page.keyboard.press('Enter');
  await saved(page);
  await page.reload();
  await expect(distance).toHaveValue('18 m');
  await expect(page.getByText('(59 ft)')).toBeVisible();
  await expect(page.getByText('(10 kn)')).toBeVisible();
  await page.keyboard.press('u');
  await expect(distance).toHaveValue('18 m');
  await expect(page.getByText('(59 ft)')).toBeHidden();
  await page.keyboard.press('u');
  await page.getByRole('button', { name: 'ft, grains' }).click();
  await page.getByRole('menuitemradio', { name: 'Beaufort' }).click();
  await page.keyboard.press('Escape');
  await expect(page.getByText('(F3)')).toBeVisible();
  await page.getByRole('button', { name: 'Fish: farther' }).click();
  await expect(distance).toHaveValue('60 ft');
});

test('undo is still there after a reload, and takes back the last thing done wherever it was done', async ({
  page,
}) => {
  await page.goto('/briefs/1');
  const fish = page.getByRole('slider', { name: 'Distance to the fish' });
  await fish.focus();
  await page.keyboard.press('ArrowDown');
  await expect(fish).toHaveAttribute('aria-valuetext', '54 ft');
  await saved(page);
  await page.getByRole('link', { name: 'Shed', exact: true }).click();
  await page.getByRole('button', { name: 'Copy R1', exact: true }).click();
  await expect(page.locator('[data-tag="R13"]')).toBeVisible();
  await expect(page.getByText('R13 is a copy of R1.').first()).toBeVisible();
  await page.goBack();
  await Promise.all([
    page.waitForResponse((r) => r.request().method() === 'DELETE'),
    page.getByRole('button', { name: 'Undo' }).first().click(),
  ]);
  await page.reload();
  await expect(fish).toHaveAttribute('aria-valuetext', '54 ft');
  await page.keyboard.press('Control+z');
  await expect(fish).toHaveAttribute('aria-valuetext', '55 ft');
  await page.goto('/shed');
  await expect(page.locator('[data-tag="R12"]')).toBeVisible();
  await expect(page.locator('[data-tag="R13"]')).toBeHidden();
});

test.describe('when the house goes away', () => {
  test.use({ own: true, mayComplain: /Failed to load resource|ERR_CONNECTION_REFUSED/ });

  test('what is typed and picked stays, everywhere the same, through the shed and back and a restart', async ({
    page,
    house,
    context,
  }) => {
    await page.goto('/briefs/1');
    await expect(linkOf(page, 'rod')).toContainText('R6');
    await page.waitForTimeout(2500);
    const port = new URL(house.url).port;
    await house.close();
    const distance = (where: Page) => where.getByRole('textbox', { name: 'Distance' });
    const fish = (where: Page) => where.getByRole('combobox', { name: 'Fish', exact: true });
    await fish(page).click();
    await page.getByRole('option', { name: /^pollack/ }).click();
    await page.getByRole('button', { name: 'Wind: more wind' }).click();
    await distance(page).fill('44 ft');
    await distance(page).blur();
    const as = async (where: Page) => {
      await expect(fish(where)).toHaveText('pollack');
      await expect(distance(where)).toHaveValue('44 ft');
      await expect(where.getByRole('textbox', { name: 'Wind', exact: true })).toHaveValue('9 kn');
      await expect(where.getByRole('slider', { name: /^Wind/ })).toHaveAttribute('aria-valuetext', /^9 kn/);
    };
    await as(page);
    await expect(page.locator('[data-saving="waiting"]')).toBeVisible();
    await expect(page.getByRole('alert').filter({ hasText: 'kept in this browser' })).toBeVisible();
    await page.getByRole('link', { name: 'Shed', exact: true }).click();
    await expect(page.getByRole('heading', { name: 'Shed' })).toBeVisible();
    await page.goBack();
    await as(page);
    await page.waitForTimeout(300);
    await page.close();

    await house.open(port);
    const again = await context.newPage();
    await again.goto(`${house.url}/briefs/1`);
    await as(again);
    await saved(again);
    await expect(again.getByRole('slider', { name: 'Distance to the fish' })).toHaveAttribute(
      'aria-valuetext',
      '44 ft',
    );
    const { draft } = (await (await again.request.get(`${house.url}/api/briefs/1`)).json()) as {
      draft: { species: string; said: Record<string, string> };
    };
    expect([draft.species, draft.said.distanceM]).toEqual(['pollack', '44 ft']);
  });
});

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

test('the outfit card prints on one page, copies as text, and its file opens without a network', async ({
  page,
  context,
  browser,
}) => {
  await context.grantPermissions(['clipboard-read', 'clipboard-write']);
  await page.goto('/briefs/3');
  await page.getByRole('link', { name: 'Outfit card' }).click();
  const card = page.getByRole('article', { name: 'Outfit card' });
  await expect(card).toContainText('L14 brown sinker, WF6S3');
  // Ink on white also for whoever reads by dusk.
  await page.evaluate(() => (document.documentElement.dataset.theme = 'dusk'));
  await page.emulateMedia({ media: 'print' });
  expect(await card.evaluate((e) => getComputedStyle(e).color)).toBe('rgb(22, 35, 45)');
  await page.emulateMedia({ media: null });
  const pdf = (await page.pdf({ preferCSSPageSize: true })).toString('latin1');
  expect(pdf.match(/\/Type\s*\/Page[^s]/g)).toHaveLength(1);

  await page.getByRole('button', { name: 'Copy as text' }).click();
  const text = await page.evaluate(() => navigator.clipboard.readText());
  expect(text).toContain('line: L14 brown sinker, WF6S3, head 32 ft, 198 gr');
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
  await expect(page.getByRole('listitem').filter({ hasText: 'Zander' })).toContainText('L14 brown sinker');
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
