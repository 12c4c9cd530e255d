import { expect, saved, settled, test } from './app';
import type { Page } from '@playwright/test';

const pages = async (page: Page) =>
  (await page.pdf({ preferCSSPageSize: true })).toString('latin1').match(/\/Type\s*\/Page[^s]/g);

const finding = (page: Page, id: string) => page.locator(`[data-finding="${id}"]`);

test.describe('with four spools in the pocket', () => {
  test('a leader is built of them, drawn longer by key and mouse, kept, pinned, cut from a list that prints, and taken back', async ({
    page,
  }) => {
    // Only these four stay on the peg.
    await page.goto('/leaders');
    for (const tag of ['T2', 'T5', 'T6', 'T7', 'T8', 'T9', 'T11'])
      await page.getByRole('button', { name: `Put ${tag} away` }).click();
    await expect(page.getByRole('heading', { name: 'In the pocket 4' })).toBeVisible();

    await page.goto('/briefs/1/leader');
    await page.getByRole('button', { name: 'knotted from the pocket' }).click();
    await expect(page.getByText('In work, beside')).toBeVisible();
    const thrown = page.getByRole('region', { name: 'Thrown today' });
    await expect(thrown.locator('[data-leader="yours"]')).toContainText('ft/s');
    await expect(finding(page, 'smooth')).toContainText('fits');

    const butt = page.getByRole('slider', { name: 'butt 1, length' });
    const before = await butt.getAttribute('aria-valuetext');
    await butt.focus();
    await page.keyboard.press('ArrowRight');
    await expect(butt).not.toHaveAttribute('aria-valuetext', before!);
    const after = await butt.getAttribute('aria-valuetext');
    const box = (await butt.boundingBox())!;
    const at = { x: box.x + box.width / 2, y: box.y + box.height - 6 };
    await page.mouse.move(at.x, at.y);
    await page.mouse.down();
    await page.mouse.move(at.x + 40, at.y, { steps: 4 });
    await page.mouse.up();
    await expect(butt).not.toHaveAttribute('aria-valuetext', after!);

    // A knot that does not suit is said; what cannot be is refused and what was good stays.
    const piece = page.getByRole('region', { name: 'Pieces' });
    await piece.getByRole('textbox', { name: 'Thick' }).last().fill('6X');
    await page.keyboard.press('Enter');
    await expect(finding(page, 'twist')).toContainText('fails');
    await piece.getByRole('textbox', { name: 'Thick' }).last().fill('a lot');
    await page.keyboard.press('Enter');
    await expect(piece.getByRole('alert')).toBeVisible();
    await piece.getByRole('textbox', { name: 'Thick' }).last().fill('0.33 mm');
    await page.keyboard.press('Enter');
    await expect(finding(page, 'twist')).toContainText('fits');

    await piece.getByRole('textbox', { name: 'Length' }).first().fill('60 ft');
    await page.keyboard.press('Enter');
    await expect(page.getByText('A leader is between 0.3 and 12 m')).toBeVisible();
    await expect(finding(page, 'smooth')).toHaveCount(0);
    await piece.getByRole('textbox', { name: 'Length' }).first().fill('4 ft');
    await page.keyboard.press('Enter');
    await expect(finding(page, 'smooth')).toContainText('fits');

    await page.getByRole('textbox', { name: 'Keep this leader, called' }).fill('four spools');
    await page.getByRole('button', { name: 'Keep and pin it' }).click();
    await expect(page.getByText('K3 four spools is kept and pinned.', { exact: true })).toBeVisible();
    await saved(page);
    await expect(page.getByRole('button', { name: 'Pin K3' })).toHaveAttribute('aria-pressed', 'true');
    await page.goto('/briefs/1/card');
    await expect(page.getByRole('row', { name: /leader/ })).toContainText('K3 four spools');

    await page.goto('/leaders');
    await page.getByRole('checkbox', { name: 'Tie K3' }).check();
    await page.getByRole('checkbox', { name: 'Tie K1' }).check();
    await page.getByRole('link', { name: 'Tying list for 2' }).click();
    const k3 = page.getByRole('region', { name: 'K3' });
    await expect(k3.locator('[data-cut]').first()).toContainText('perfection loop');
    await expect(page.getByRole('region', { name: 'Off the spools' })).toContainText('T1');
    expect((await pages(page))!.length).toBe(1);

    // K1 was tied of a spool that is away now.
    await expect(page.getByRole('region', { name: 'K1' })).toContainText('not in the pocket');
    await page.goto('/leaders');
    await page.getByRole('button', { name: 'Put K3 away' }).click();
    await page.getByRole('button', { name: 'Undo' }).last().click();
    await expect(page.getByRole('link', { name: /K3/ })).toBeVisible();
  });
});

test('a tippet is pulled to break with eyes covered, and is reckoned by it from then on', async ({ page }) => {
  await page.goto('/leaders?break=4');
  const sheet = page.getByRole('dialog');
  const begin = sheet.getByRole('button', { name: /begin/ });
  await expect(begin).toBeDisabled();
  await sheet.getByRole('checkbox', { name: 'My eyes are covered' }).check();
  await begin.click();
  const pull = sheet.getByRole('slider', { name: /Pull/ });
  await pull.focus();
  // A pull at a time, each told by the scale before the next; where it breaks the slider goes.
  for (let i = 0; i < 100 && (await pull.isVisible()); i++)
    await Promise.all([
      page.waitForResponse((r) => r.url().endsWith('/spring/load')),
      page.keyboard.press('ArrowRight'),
    ]);
  await expect(sheet.locator('[data-broke]')).toContainText('It broke at');
  await sheet.getByRole('button', { name: 'Keep it with the spool' }).click();
  await expect(sheet.getByText('So far:')).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.locator('[data-tag="T4"]')).toContainText('in your hands');
});

test('a fly is followed down: fish, bottom and current are dragged, and the pause holds it', async ({ page }) => {
  await page.goto('/briefs/3/head?part=depth');
  const says = page.locator('[data-depth-says]');
  await expect(says).toContainText('Count');
  const fish = page.getByRole('slider', { name: 'Where the fish are' });
  await fish.focus();
  const before = await says.textContent();
  await expect(async () => {
    await page.keyboard.press('ArrowUp');
    await expect(says).not.toHaveText(before!, { timeout: 1500 });
  }).toPass();
  await saved(page);
  const bottom = page.getByRole('slider', { name: 'The bottom' });
  const was = (await bottom.getAttribute('aria-valuetext'))!;
  const box = (await bottom.boundingBox())!;
  await page.mouse.move(box.x + 20, box.y + box.height / 2);
  await page.mouse.down();
  await page.mouse.move(box.x + 20, box.y + box.height / 2 + 30, { steps: 4 });
  await page.mouse.up();
  await expect(bottom).not.toHaveAttribute('aria-valuetext', was);
  // A slow line holds it the deeper the longer it may sink between strips.
  const hover = page
    .getByRole('row', { name: /^hover/ })
    .getByRole('cell')
    .nth(3);
  const held = async () => Number(/[\d.]+/.exec((await hover.textContent())!)![0]);
  const shallow = await held();
  await page.getByRole('slider', { name: 'Pause, slider' }).fill('6');
  await expect.poll(held).toBeGreaterThan(shallow);
  await page.getByRole('button', { name: 'type 5', exact: true }).click();
  await expect(page.getByRole('combobox', { name: 'Line' })).toContainText('type 5');
  // The day is as it was.
  await page.getByRole('button', { name: 'Undo', exact: true }).first().click();
  await saved(page);
  await page.getByRole('tab', { name: 'All briefs' }).click();
  await expect(page.getByRole('region', { name: 'Lines for all briefs' })).toContainText('Zander from Oss Mere');
});

test.describe('on a phone', () => {
  test.use({ hasTouch: true, isMobile: true, viewport: { width: 390, height: 844 } });

  test('an outfit is rigged from first to last by thumb, over a reload, the hook last', async ({ page }) => {
    await page.goto('/briefs/3');
    await page.getByRole('button', { name: 'Rig it' }).tap();
    await expect(page.getByText('Hooks stay covered')).toBeVisible();
    const now = page.locator('[aria-current="step"]');
    const total = await page.locator('[data-step]').count();
    const done = page.getByRole('button', { name: 'Done', exact: true });
    let drawn = 0;
    for (let i = 0; i < total; i++) {
      const id = await now.getAttribute('data-step');
      // A drawing comes a moment after its step.
      await settled(page);
      if (i === total - 1) expect(id).toBe('fly');
      const next = now.getByRole('button', { name: 'Next step' });
      if (await next.isVisible()) {
        drawn++;
        await expect(now.locator('svg')).toBeVisible();
        await next.tap();
        await expect(now.locator('[data-knot-step="2"]')).toBeVisible();
      }
      if (i === 3) {
        await page.reload();
        await expect(now).toHaveAttribute('data-step', id!);
      }
      expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
      await done.tap();
      await expect(page.locator(`[data-step="${id}"][aria-current]`)).toHaveCount(0);
    }
    expect(drawn).toBeGreaterThan(2);
    await expect(page.getByText('Rigged.')).toBeVisible();
    // One back, and forward again.
    await page.getByRole('button', { name: 'Step back' }).tap();
    await expect(now).toHaveAttribute('data-step', 'fly');
    await expect(now).toContainText('Cover your eyes');
    await page.goto('/rigging');
    await expect(page.getByText(/the fly, last of all/)).toBeVisible();
  });
});

test('a knot is stepped by key, and every knot has its drawing', async ({ page }) => {
  await page.goto('/knots');
  await expect(page.getByRole('main').getByRole('listitem').getByRole('link')).toHaveCount(11);
  await page.getByRole('link', { name: 'blood knot' }).click();
  await expect(page.locator('[data-knot-step="1"]')).toBeVisible();
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('ArrowRight');
  await expect(page.locator('[data-knot-step="3"]')).toBeVisible();
  await page.keyboard.press('ArrowLeft');
  await expect(page.getByRole('img', { name: /blood knot, step 2 of 5/ })).toBeVisible();
  await page.goto('/knots/granny');
  await expect(page.getByRole('link', { name: 'All knots' })).toBeVisible();
});
