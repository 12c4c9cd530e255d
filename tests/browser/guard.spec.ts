import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { expect, faults, linkOf, saved, test } from './app';

test.describe('in a frame on another page', () => {
  test.use({ mayComplain: /./ });
  test('nothing of it is shown, whatever the address', async ({ page, app }) => {
    const elsewhere = createServer((request, answer) => {
      answer.setHeader('content-type', 'text/html');
      answer.end(
        `<iframe width="800" height="600" src="${app.url}${decodeURIComponent(request.url!.slice(2))}"></iframe>`,
      );
    });
    await new Promise<void>((listening) => elsewhere.listen(0, '127.0.0.1', listening));
    const port = (elsewhere.address() as AddressInfo).port;
    for (const path of ['/', '/index.html', '/briefs/1', '/api/briefs', '/mark.svg', '/third-party-notices.txt']) {
      await page.goto(`http://127.0.0.1:${port}/?${encodeURIComponent(path)}`);
      const frame = page.frames()[1]!;
      await expect.poll(() => frame.url(), { message: path }).toContain('chrome-error');
    }
    await page.goto(`${app.url}/index.html`);
    await expect(page).toHaveURL(/\/briefs\/1$/);
    elsewhere.close();
  });
});

test.describe('with a key', () => {
  // The page goes on asking while the app is closed.
  test.use({ env: { ZING_ACCESS_KEY: 'Größe „12; 3“ =' }, mayComplain: /ERR_CONNECTION_REFUSED/ });
  test('a page asks for it once, says when it is wrong, and leads where one was going', async ({ page, app }) => {
    await page.goto('/briefs/2?key=an+old+habit');
    await expect(page.getByRole('heading', { name: 'Zing Cast is locked' })).toBeVisible();
    const violations = await faults(page);
    expect(violations.map((v) => v.id)).toEqual([]);
    await page.getByLabel('Access key').fill('not this one');
    await page.keyboard.press('Enter');
    await expect(page.getByRole('alert')).toHaveText('That is not the key. Try again.');
    await page.getByLabel('Access key').fill('Größe „12; 3“ =');
    await page.getByRole('button', { name: 'Come in' }).click();
    await expect(page).toHaveURL(`${app.url}/briefs/2`);
    await expect(linkOf(page, 'rod')).toContainText('R1');

    // Started anew it has forgotten everybody; what is being worked on waits for the key and is then kept.
    const port = new URL(app.url).port;
    await app.close();
    await app.open(port);
    const distance = page.getByRole('textbox', { name: 'Distance' });
    await distance.fill('9 m');
    await page.keyboard.press('Enter');
    await expect(page.getByRole('alert').filter({ hasText: 'asks for its key' }).first()).toBeVisible();
    const tab = await page.context().newPage();
    await tab.goto('/');
    await tab.getByLabel('Access key').fill('Größe „12; 3“ =');
    await tab.keyboard.press('Enter');
    await expect(tab.getByRole('heading', { name: 'Zing Cast is locked' })).toBeHidden();
    await tab.close();
    await distance.fill('9.5 m');
    await page.keyboard.press('Enter');
    await saved(page);
    await page.reload();
    await expect(distance).toHaveValue(/^(9\.5 m|31(\.2)? ft)$/);
  });
});

test('with local storage blocked everything works and is only not remembered', async ({ page }) => {
  await page.addInitScript(() =>
    Object.defineProperty(window, 'localStorage', {
      get() {
        throw new DOMException('The operation is insecure.', 'SecurityError');
      },
    }),
  );
  await page.goto('/briefs/1');
  await expect(linkOf(page, 'rod')).toContainText('R6');
  await page.keyboard.press('u');
  await expect(page.getByRole('button', { name: 'm, grams' })).toBeVisible();
  await page.keyboard.press('d');
  await expect(page.getByRole('button', { name: 'Dusk' })).toBeVisible();
});

test.describe('with a full disk', () => {
  test.use({ mayComplain: /status of 507/ });
  test('a full disk is told, nothing typed is lost, and it is kept when there is room', async ({ page }) => {
    await page.goto('/briefs/1');
    await expect(linkOf(page, 'rod')).toContainText('R6');
    const full = { status: 507, contentType: 'application/problem+json', json: { title: 'The disk is full.' } };
    await page.route('**/api/briefs/1', (route) =>
      route.request().method() === 'PUT' ? route.fulfill(full) : route.continue(),
    );
    await page.route('**/api/shed/rods/*', (route) => route.fulfill(full));
    const distance = page.getByRole('textbox', { name: 'Distance' });
    await distance.fill('14 m');
    await page.keyboard.press('Enter');
    await expect(page.getByRole('alert').filter({ hasText: 'The disk is full. Not saved yet' }).first()).toBeVisible();
    // Wherever one is on a phone, it stays in sight.
    await page.setViewportSize({ width: 390, height: 844 });
    await page.getByRole('button', { name: /Change the day/ }).click();
    await distance.scrollIntoViewIfNeeded();
    await expect(page.getByRole('alert').filter({ hasText: 'Not saved yet' }).first()).toBeInViewport();
    await page.unroute('**/api/briefs/1');
    await saved(page);
    await page.reload();
    await page.getByRole('button', { name: /Change the day/ }).click();
    await expect(page.getByRole('slider', { name: 'Distance to the fish' })).toHaveAttribute('aria-valuenow', '14');
  });

  test('what a button tried in vain is said at the foot of the page', async ({ page }) => {
    await page.route('**/api/briefs/2', (route) =>
      route.fulfill({ status: 507, contentType: 'application/problem+json', json: { title: 'The disk is full.' } }),
    );
    await page.goto('/briefs');
    await page.getByRole('button', { name: 'Put Grayling on the Fennet away' }).click();
    await expect(page.getByText('The disk is full.', { exact: true })).toBeVisible();
    await expect(page.getByRole('link', { name: 'Grayling on the Fennet', exact: true })).toBeVisible();
  });
});

test('where the data is, and how to save it and put it back, stands on a page and can be taken along', async ({
  page,
  app,
}) => {
  await page.goto('/shed');
  await page.getByRole('link', { name: 'Where this is kept' }).click();
  const sheet = page.getByRole('main');
  await expect(sheet).toContainText(app.data);
  await expect(sheet).toContainText('./zing restore FILE');
  const [copy] = await Promise.all([
    page.waitForEvent('download'),
    sheet.getByRole('link', { name: 'Save a copy of the file' }).click(),
  ]);
  expect(copy.suggestedFilename()).toMatch(/^zing-\d{4}-\d\d-\d\d\.db$/);
  const { readFileSync } = await import('node:fs');
  expect(
    readFileSync(await copy.path())
      .subarray(0, 15)
      .toString(),
  ).toBe('SQLite format 3');
});
