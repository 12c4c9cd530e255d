import { expect, linkOf, saved, test } from './app';
import type { Locator, Page } from '@playwright/test';

const middle = async (what: Locator) => {
  const box = (await what.boundingBox())!;
  return { x: box.x + box.width / 2, y: box.y + box.height / 2 };
};

const aFrame = (page: Page) => page.evaluate(() => new Promise(requestAnimationFrame));

/** A thumb laid down, resting until it has hold of something where that is said, drawn down the screen by so many pixels, and lifted. */
async function swipe(page: Page, { x, y }: { x: number; y: number }, by: number, holds = false) {
  const touch = await page.context().newCDPSession(page);
  await touch.send('Input.dispatchTouchEvent', { type: 'touchStart', touchPoints: [{ x, y }] });
  if (holds) await page.locator('[data-held]').waitFor();
  for (let i = 1; i <= 10; i++) {
    await touch.send('Input.dispatchTouchEvent', { type: 'touchMove', touchPoints: [{ x, y: y + (by * i) / 10 }] });
    await aFrame(page);
  }
  await touch.send('Input.dispatchTouchEvent', { type: 'touchEnd', touchPoints: [] });
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

    // A swipe over a handle scrolls like any other; a thumb that rests on it first has hold of it.
    const fish = page.locator('[data-handle="fish"]');
    for (const [handle, steps] of [
      [fish, /^55 ft/],
      [page.locator('[data-handle="wind"]'), /^8 kn/],
    ] as const) {
      await handle.evaluate((what) => what.scrollIntoView({ block: 'center' }));
      const top = await page.evaluate(() => scrollY);
      await swipe(page, await middle(handle), -150);
      await expect.poll(() => page.evaluate(() => scrollY)).toBeGreaterThan(top + 80);
      await expect(handle).toHaveAttribute('aria-valuetext', steps);
    }
    await fish.evaluate((what) => what.scrollIntoView({ block: 'center' }));
    // What the last swipe set going has come to rest.
    let still = NaN;
    for (let same = 0; same < 10; await aFrame(page)) {
      const now = await page.evaluate(() => scrollY);
      same = now === still ? same + 1 : 0;
      still = now;
    }
    await swipe(page, await middle(fish), 40, true);
    await expect(fish).not.toHaveAttribute('aria-valuetext', '55 ft');
    expect(await page.evaluate(() => scrollY)).toBe(still);
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

test.describe('when the app goes away', () => {
  test.use({ own: true, mayComplain: /Failed to load resource|ERR_CONNECTION_REFUSED/ });

  test('what is typed and picked stays, everywhere the same, through the shed and back and a restart', async ({
    page,
    app,
    context,
  }) => {
    await page.goto('/briefs/1');
    await expect(linkOf(page, 'rod')).toContainText('R6');
    // The other pages have been fetched ahead.
    await expect
      .poll(() => page.evaluate(() => performance.getEntriesByType('resource').some((r) => /ShedPage/.test(r.name))))
      .toBe(true);
    await page.waitForLoadState('networkidle');
    const port = new URL(app.url).port;
    await app.close();
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
    await expect
      .poll(() => page.evaluate(() => Object.values(localStorage).some((kept) => String(kept).includes('44 ft'))))
      .toBe(true);
    await page.close();

    await app.open(port);
    const again = await context.newPage();
    await again.goto(`${app.url}/briefs/1`);
    await as(again);
    await saved(again);
    await expect(again.getByRole('slider', { name: 'Distance to the fish' })).toHaveAttribute(
      'aria-valuetext',
      '44 ft',
    );
    const { draft } = (await (await again.request.get(`${app.url}/api/briefs/1`)).json()) as {
      draft: { species: string; said: Record<string, string> };
    };
    expect([draft.species, draft.said.distanceM]).toEqual(['pollack', '44 ft']);
  });
});
