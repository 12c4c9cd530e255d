import { expect, linkOf, saved, test } from './app';

test('by mouse: swing the wind, move the fish, pin a rod, and find it all again after a reload', async ({ page }) => {
  await page.goto('/');
  await expect(page.getByRole('heading', { name: 'Chain' })).toBeVisible();
  await expect(linkOf(page, 'rod')).toContainText('R6 blue eight');
  const wind = page.getByRole('slider', { name: /^Wind/ });
  // The page settles when its type has come in; only then is the dial where it stays.
  await page.evaluate(() => document.fonts.ready.then(() => undefined));
  await page.waitForLoadState('networkidle');
  // Take the arrow by the ring at its tail and swing it up: the wind comes into the face.
  const ring = (await wind.locator('circle').first().boundingBox())!;
  const tail = { x: ring.x + ring.width / 2, y: ring.y + ring.height / 2 };
  await page.mouse.move(tail.x, tail.y);
  await page.mouse.down();
  await page.mouse.move(tail.x + 10, tail.y - 12, { steps: 6 });
  await page.mouse.move(tail.x + 23, tail.y - 14, { steps: 4 });
  await page.mouse.up();
  await expect(wind).toHaveAttribute('aria-valuetext', /in the face/);
  await expect(page.getByText(/\d+ changed/)).toBeVisible();

  const fish = page.getByRole('slider', { name: 'Distance to the fish' });
  const before = await fish.getAttribute('aria-valuenow');
  const at = (await fish.boundingBox())!;
  await page.mouse.move(at.x + at.width - 26, at.y + at.height / 2);
  await page.mouse.down();
  await page.mouse.move(at.x + at.width - 26, at.y + at.height / 2 + 60, {
    steps: 8,
  });
  await page.mouse.up();
  await expect(fish).not.toHaveAttribute('aria-valuenow', before!);

  await linkOf(page, 'rod').click();
  await expect(page.getByRole('heading', { name: '8 Rod' })).toBeVisible();
  await page.getByRole('button', { name: 'Pin R6' }).click();
  await expect(page.getByRole('article', { name: 'Rod bench' })).toContainText('R6 blue eight');
  await expect(page.locator('[data-rule="rod.measured"]')).toContainText('8.2 ± 0.3');
  await saved(page);
  const told = await page.getByRole('slider', { name: 'Distance to the fish' }).getAttribute('aria-valuetext');

  await page.reload();
  await expect(page.getByRole('button', { name: 'Pin R6' })).toHaveAttribute('aria-pressed', 'true');
  await expect(page.getByRole('slider', { name: 'Distance to the fish' })).toHaveAttribute('aria-valuetext', told!);
});

test('by keyboard alone: sentence, arrows, number keys, palette, undo', async ({ page }) => {
  await page.goto('/briefs/2');
  await expect(linkOf(page, 'rod')).toContainText('R1');
  const distance = page.getByRole('textbox', { name: 'Distance' });
  await distance.focus();
  await page.keyboard.type('12 m');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('slider', { name: 'Distance to the fish' })).toHaveAttribute('aria-valuenow', '12');

  await page.getByRole('slider', { name: 'Distance to the fish' }).focus();
  await page.keyboard.press('ArrowUp');
  await expect(page.getByRole('slider', { name: 'Distance to the fish' })).toHaveAttribute('aria-valuetext', '40 ft');
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('slider', { name: 'Distance to the fish' })).toHaveAttribute('aria-valuenow', '12');

  // The slider has its own use for keys; Escape leaves it.
  await page.keyboard.press('4');
  await expect(page).toHaveURL(/\/briefs\/2$/);
  await page.keyboard.press('Escape');
  await page.keyboard.press('4');
  await expect(page.getByRole('heading', { name: '4 Head' })).toBeVisible();
  await page.keyboard.press(']');
  await expect(page.getByRole('heading', { name: '5 Running line' })).toBeVisible();
  await page.keyboard.press('0');
  await expect(page.getByRole('heading', { name: 'Chain' })).toBeVisible();

  // On a slow machine, too, what follows Ctrl K goes to the palette and not to the page behind it.
  const machine = await page.context().newCDPSession(page);
  await machine.send('Emulation.setCPUThrottlingRate', { rate: 4 });
  await page.keyboard.press('Control+k');
  await page.keyboard.type('zander');
  await page.keyboard.press('Enter');
  await machine.send('Emulation.setCPUThrottlingRate', { rate: 1 });
  await expect(page.getByRole('textbox', { name: 'Name of this brief' })).toHaveValue('Zander from Oss Mere');
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog', { name: 'Keys' })).toContainText('Open the reference');
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toBeHidden();
  await page.keyboard.press('r');
  await expect(page.getByRole('dialog', { name: 'Reference' })).toContainText('From memory: AFFTA');
});

test('a newcomer completes one sentence and may stop there', async ({ page }) => {
  await page.goto('/');
  await expect(linkOf(page, 'rod')).toBeVisible();
  await page.keyboard.press('n');
  await expect(page.getByRole('heading', { name: 'A new brief' })).toBeVisible();
  await page.getByRole('combobox', { name: 'Fish' }).click();
  await page.getByRole('option', { name: /^mullet/ }).click();
  await expect(page.getByRole('combobox', { name: 'Fly' })).toHaveText('beaded nymph');
  await page.getByRole('textbox', { name: 'Hook size' }).fill('#2');
  await page.getByRole('textbox', { name: 'Wind', exact: true }).fill('F4');
  await page.getByRole('textbox', { name: 'Wind', exact: true }).blur();
  await expect(page.getByRole('textbox', { name: 'Wind', exact: true })).toHaveValue('F4');
  await expect(page.getByText('(13 kn)')).toBeVisible();
  await page.getByRole('button', { name: 'Lay out the chain' }).click();
  await expect(page.getByRole('textbox', { name: 'Name of this brief' })).toHaveValue('Mullet, beaded nymph');
  await expect(page.locator('[data-rule="reel.money"]')).toContainText('spend on the rod');
  await page.goto('/briefs');
  await expect(page.getByRole('link', { name: 'Mullet, beaded nymph', exact: true })).toBeVisible();
});

test('bad entries are answered where they stand and nothing is lost', async ({ page }) => {
  await page.goto('/briefs/1');
  const distance = page.getByRole('textbox', { name: 'Distance' });
  await distance.fill('900 ft');
  await expect(page.getByRole('alert').filter({ hasText: 'A cast is between 2 and 60 m' })).toBeVisible();
  await expect(linkOf(page, 'rod')).toContainText('R6');
  await distance.fill('12 kn');
  await expect(page.getByText('“kn” does not measure this')).toBeVisible();
  await distance.blur();
  await expect(distance).toHaveValue('12 kn');
  await distance.fill('50 ft');
  await expect(page.getByText('“kn” does not measure this')).toBeHidden();
  await page.getByRole('textbox', { name: 'Hook size' }).fill('enormous');
  await expect(page.getByText('Type a hook size such as #12 or 2/0.')).toBeVisible();
  await page.getByRole('textbox', { name: 'Hook size' }).fill('2/0');
  await saved(page);
  await page.reload();
  await expect(distance).toHaveValue('50 ft');
  await expect(page.getByRole('textbox', { name: 'Hook size' })).toHaveValue('2/0');
});

test('pins that cannot work are explained with the nearest change, applied and undone with one press', async ({
  page,
}) => {
  await page.goto('/briefs/1/rod');
  await page.getByRole('button', { name: 'Pin R1', exact: true }).click();
  const words = page.getByRole('alert').filter({ hasText: 'does not work together' });
  await expect(words).toContainText('Let go of the rod');
  await expect(page.getByRole('article')).toContainText('R1 honey glass');
  await words.getByRole('button', { name: 'Do that' }).click();
  await expect(words).toBeHidden();
  await expect(page.getByRole('article')).toContainText('R6 blue eight');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(words).toBeVisible();
});

test('a reason can be opened, traced to its source and left out', async ({ page }) => {
  await page.goto('/briefs/1');
  const cast = page.locator('[data-rule="class.delivery"]');
  await cast.click();
  const castRow = page.getByRole('listitem').filter({ has: cast });
  await expect(castRow).toContainText('Spolek');
  await expect(castRow.getByRole('row', { name: /in the face/ })).toContainText('6 kn');
  const reason = page.locator('[data-rule="class.fish-floor"]');
  await reason.click();
  const row = page.getByRole('listitem').filter({ has: reason });
  await expect(row).toContainText('our estimate');
  await page.locator('[data-rule="rod.choice"]').click();
  await page.getByRole('button', { name: 'Pin this' }).last().click();
  await expect(linkOf(page, 'rod')).toHaveAttribute('aria-label', /Pinned/);
  await row.getByRole('button', { name: 'Leave this out' }).click();
  await expect(reason).toContainText('off');
  await saved(page);
  await page.reload();
  await expect(reason).toContainText('off');
});

test('two windows on one brief: the later one is told and may keep its own', async ({ page, context }) => {
  // Both at once: this one has not heard of the other yet.
  await page.route('**/api/version', (route) => route.fulfill({ json: { version: '' } }));
  await page.goto('/briefs/1');
  await expect(linkOf(page, 'rod')).toContainText('R6');
  const other = await context.newPage();
  await other.goto('/briefs/1');
  await other.getByRole('textbox', { name: 'Distance' }).fill('40 ft');
  await saved(other);
  await expect(other.getByRole('slider', { name: 'Distance to the fish' })).toHaveAttribute('aria-valuetext', '40 ft');
  await page.getByRole('textbox', { name: 'Distance' }).fill('45 ft');
  await expect(page.getByRole('alert').filter({ hasText: 'changed elsewhere' })).toBeVisible();
  await page.getByRole('button', { name: 'Keep mine' }).click();
  await saved(page);
  await page.reload();
  await expect(page.getByRole('textbox', { name: 'Distance' })).toHaveValue('45 ft');
});

test.describe('when the app goes away', () => {
  test.use({ own: true, mayComplain: /Failed to load resource|ERR_CONNECTION_REFUSED/ });

  test('what was entered waits and is kept when it comes back', async ({ page, app }) => {
    await page.goto('/briefs/1');
    await expect(linkOf(page, 'rod')).toBeVisible();
    const port = new URL(app.url).port;
    await app.close();
    await page.getByRole('textbox', { name: 'Name of this brief' }).fill('Bass, written in the dark');
    await expect(page.getByText('Not saved yet: trying again.')).toBeVisible();
    await app.open(port);
    await saved(page);
    await page.reload();
    await expect(page.getByRole('textbox', { name: 'Name of this brief' })).toHaveValue('Bass, written in the dark');
  });
});

test.describe('with nothing in the shed', () => {
  test.use({ demo: false });

  test('the chain says what to look for, and a first rod of one’s own is found', async ({ page }) => {
    await page.goto('/');
    await expect(page.getByRole('heading', { name: 'Start with your gear' })).toBeVisible();
    await page.getByRole('link', { name: 'Start a brief' }).click();
    await page.getByRole('button', { name: 'Lay out the chain' }).click();
    await expect(linkOf(page, 'rod')).toContainText('Look for class');
    await linkOf(page, 'rod').click();
    await page.getByRole('button', { name: 'Add a rod' }).click();
    const form = page.getByRole('dialog');
    await form.getByRole('textbox', { name: 'Tag' }).fill('A1');
    await form.getByRole('textbox', { name: 'Length' }).fill('30 ft');
    await form.getByRole('textbox', { name: 'Length' }).blur();
    await expect(form.getByRole('textbox', { name: 'Length' })).toHaveValue('30 ft');
    await form.getByRole('textbox', { name: 'Mass' }).fill('a lot');
    await form.getByRole('button', { name: 'Keep it' }).click();
    await expect(form.getByRole('textbox', { name: 'Mass' })).toBeFocused();
    await expect(form).toContainText('“a lot” is not a measure');
    await form.getByRole('textbox', { name: 'Mass' }).fill('92 g');
    await form.getByRole('button', { name: 'Keep it' }).click();
    await expect(form).toContainText('A single-hand rod is between 1.5 and 4.6 m');
    await expect(form.getByRole('textbox', { name: 'Tag' })).toHaveValue('A1');
    await form.getByRole('textbox', { name: 'Name' }).fill('my first');
    await form.getByRole('textbox', { name: 'Length' }).fill(`10'`);
    // Words above the button go away between press and release: it stays where it is, and the press counts.
    const keepIt = form.getByRole('button', { name: 'Keep it' });
    const words = form.getByText('Give the printed class');
    await expect(form.getByRole('alert')).toHaveCount(1);
    await keepIt.hover();
    const stood = await keepIt.boundingBox();
    await page.mouse.down();
    await form.getByRole('textbox', { name: 'Class on the label' }).fill('4');
    await expect(words).toBeHidden();
    expect(Math.abs((await keepIt.boundingBox())!.y - stood!.y)).toBeLessThan(1);
    await page.mouse.up();
    await expect(form).toBeHidden();
    await expect(page.getByRole('article')).toContainText('A1 my first');

    await page.getByRole('button', { name: 'Look at A1 or change it' }).click();
    await page.getByRole('button', { name: 'Put it away' }).click();
    await expect(page.getByRole('article')).toContainText('There are no rods in the shed');
    await page.getByRole('button', { name: 'Undo' }).last().click();
    await expect(page.getByRole('article')).toContainText('A1 my first');
  });
});
