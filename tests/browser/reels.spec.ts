import { expect, saved, test } from './app';
import type { Page } from '@playwright/test';

const now = (page: Page) => page.locator('[aria-current="step"]');

/** The step at hand is of this kind. */
const at = (page: Page, kind: string) => expect(now(page)).toHaveAttribute('data-step', kind);

const pages = async (page: Page) =>
  (await page.pdf({ preferCSSPageSize: true })).toString('latin1').match(/\/Type\s*\/Page[^s]/g);

test('the backing is drawn out in the spool by key and by mouse, pinned, and one undo takes it back', async ({
  page,
}) => {
  await page.goto('/briefs/1/backing');
  const edge = page.getByRole('slider', { name: 'Edge of the backing' });
  await expect(edge).toHaveAttribute('aria-valuetext', '160 yd');
  const length = page.getByRole('textbox', { name: 'Pin a length' });
  await edge.focus();
  await page.keyboard.press('ArrowUp');
  await expect(edge).toHaveAttribute('aria-valuetext', '170 yd');
  await saved(page);
  await page.getByRole('button', { name: 'Undo', exact: true }).first().click();
  await expect(edge).toHaveAttribute('aria-valuetext', '160 yd');
  const box = (await edge.boundingBox())!;
  await page.mouse.move(box.x + 8, box.y + box.height / 2);
  await page.mouse.down();
  await page.mouse.move(box.x + 8, box.y + box.height / 2 - 8, { steps: 4 });
  await page.mouse.up();
  await expect(edge).not.toHaveAttribute('aria-valuetext', '160 yd');
  await expect(length).not.toHaveValue('160 yd');
  // Another kind, by pressing it in the table of all of them.
  await page.getByRole('button', { name: 'gel-spun 50 lb', exact: true }).click();
  await expect(page.getByText('Gel-spun cuts into itself and into fingers')).toBeVisible();
  // What will not go on is said.
  await page.goto('/reels/5');
  const wanted = page.getByRole('textbox', { name: 'How much backing' });
  await wanted.fill('900 yd');
  await wanted.blur();
  await expect(page.locator('[data-fill]')).toContainText('Too full');
});

test('a fish is let run, pulled back and forth, and what eases it is tried and taken back', async ({ page }) => {
  await page.goto('/briefs/1/backing');
  const run = page.getByRole('region', { name: 'A fish runs' });
  await expect(run.locator('[data-end="stops"]')).toBeVisible();
  const drag = run.getByRole('textbox', { name: 'Drag' });
  const before = await drag.inputValue();
  const moment = run.getByRole('slider', { name: 'Moment of the run' });
  await moment.fill('0.3');
  await run.getByRole('button', { name: 'Let it run' }).click();
  await expect(run.getByRole('button', { name: 'Hold' })).toBeVisible();
  await run.getByRole('button', { name: 'Hold' }).click();
  await expect(moment).not.toHaveValue('0.3');
  await run.locator('[data-change="lighterDrag"]').getByRole('button', { name: 'Try it' }).click();
  await expect(drag).not.toHaveValue(before);
  await page.getByRole('button', { name: 'Undo' }).last().click();
  await expect(drag).toHaveValue(before);
  // A locked drag breaks a knot, and that is said before anything else.
  await drag.fill('14 lb');
  await drag.blur();
  await expect(run.locator('[data-end="breaks"]')).toContainText('The weakest knot goes');
  await drag.fill('800 lb');
  await drag.blur();
  await expect(run.getByText('A drag is set between')).toBeVisible();
});

test('the drag is set with the spring scale, and the shed says what lies on the spare', async ({ page }) => {
  await page.goto('/briefs/1/reel');
  await expect(page.getByText('L11 is on S5’s spare; swapping takes 2 minutes')).toBeVisible();
  await page.getByRole('button', { name: 'Measure it with the simulated spring scale' }).click();
  const scale = page.getByRole('region', { name: 'Spring scale' });
  await expect(scale.locator('output[data-steady]')).toBeVisible();
  const knob = scale.getByRole('slider', { name: 'Drag knob, simulated' });
  let [low, high] = [0, 1];
  for (let turned = 0; turned < 8; turned++) {
    await expect(scale.locator('output[data-steady]')).toBeVisible();
    const says = (await scale.locator('[aria-live]').textContent())!;
    if (says.includes('There it is')) break;
    const at = Number(await knob.inputValue());
    [low, high] = says.includes('too light') ? [at, high] : [low, at];
    await knob.fill(((low + high) / 2).toFixed(2));
    await expect(scale.locator('output:not([data-steady])')).toBeVisible();
  }
  await expect(scale).toContainText('There it is');
});

test('a reel without marks is a guess until something it held, or what is printed, makes it sure', async ({ page }) => {
  await page.goto('/reels/9?part=measure');
  await expect(page.locator('[data-known="mass"]')).toContainText('±40 %');
  const printed = page.getByRole('textbox', { name: 'What is printed' });
  await printed.fill('a fine reel');
  await page.getByRole('button', { name: 'Read and keep it' }).click();
  await expect(page.getByText('Type what is printed, such as 7/8')).toBeVisible();
  await printed.fill('WF7F + 150 yd 20 lb');
  await page.getByRole('button', { name: 'Read and keep it' }).click();
  await expect(page.locator('[data-known="label"]')).toContainText('±12 %');
  await page.getByRole('textbox', { name: 'How much' }).fill('120 m');
  await page.getByRole('button', { name: 'It held that' }).click();
  await expect(page.locator('[data-known="knownFill"]')).toContainText('±4 %');
  await page.getByRole('button', { name: 'Undo' }).last().click();
  await expect(page.locator('[data-known="label"]')).toBeVisible();
  await page.getByRole('textbox', { name: 'Rim across' }).fill('300 mm');
  await page.getByRole('button', { name: 'Keep these measures' }).click();
  await expect(page.getByText('A rim is between 30 and 200 mm across.')).toBeVisible();
});

test('what lies on a spool that was wound long ago is noted, and the line is nowhere else then', async ({ page }) => {
  await page.goto('/reels/2?part=spools');
  await page.getByRole('button', { name: 'Note what lies on S2’s its own' }).click();
  await page.getByRole('combobox', { name: 'Line on it' }).click();
  await page.getByRole('option', { name: /^L8 / }).click();
  const length = page.getByRole('textbox', { name: 'How much of it' });
  await length.fill('2000 m');
  await page.getByRole('button', { name: 'Keep this note' }).click();
  await expect(page.getByText('Backing is between 0 and 1000 m.')).toBeVisible();
  await length.fill('60 m');
  await page.getByRole('button', { name: 'Keep this note' }).click();
  const spools = page.getByRole('region', { name: 'Its spools' });
  await expect(spools).toContainText('L8 ivory all-round over 65 yd');
  await page.getByRole('combobox', { name: 'Reel on the bench' }).click();
  await page.getByRole('option', { name: /^S5/ }).click();
  await expect(spools).toContainText('no line over 160 yd');
  await page.getByRole('button', { name: 'Undo' }).last().click();
  await expect(spools).toContainText('L8 ivory all-round over 160 yd');
});

test.describe('with a winder', () => {
  test('a spool is wound by the keyboard alone, from the bare arbor to the label', async ({ page }) => {
    await page.goto('/reels/5?part=spools');
    const press = async (name: string) => {
      const button = page.getByRole('button', { name, exact: true });
      await button.focus();
      await page.keyboard.press('Enter');
    };
    await press('Write the ticket');
    await at(page, 'arbor');
    await press('Done');
    await at(page, 'direction');
    // After a step the focus is on the next one.
    await expect(now(page).getByRole('heading')).toBeFocused();
    await press('with the clock');
    await expect(now(page).getByRole('alert')).toContainText('set for the right hand');
    await press('against the clock');
    await at(page, 'arborKnot');
    await press('Done');
    for (const leg of ['backing', 'over', 'lineEnd', 'joint', 'seal', 'running', 'head', 'rim', 'leader']) {
      await at(page, leg);
      if (['backing', 'running', 'head'].includes(leg)) {
        await press('Start the winder');
        await expect(now(page).getByRole('status')).toContainText('At the stop mark');
        await press('It is wound');
      } else if (leg === 'over' || leg === 'rim') {
        if (leg === 'over') {
          await now(page).getByRole('textbox', { name: 'The ruler says' }).focus();
          await page.keyboard.type('90 mm');
          await press('Write it down');
          await expect(now(page).getByRole('alert')).toContainText('take');
          await page.reload();
          await at(page, 'over');
        }
        await press('Go on without');
      } else if (leg === 'lineEnd') {
        await press('the thick end, for the leader');
        await expect(now(page).getByRole('alert')).toContainText('Stop: that end goes to the leader');
        await press('the thin end, for the reel');
      } else await press('Done');
    }
    await expect(page.getByText('Wound. The shed knows what lies on it.')).toBeVisible();
    expect(await pages(page)).toHaveLength(1);
    await page.getByRole('link', { name: 'Print its label' }).click();
    await expect(page.getByRole('article', { name: 'Spool label' })).toContainText('L8 ivory all-round');
    expect(await pages(page)).toHaveLength(1);
  });

  test.describe('on a phone', () => {
    test.use({ hasTouch: true, isMobile: true, viewport: { width: 390, height: 844 } });

    test('a spool is wound by thumb, stopped, left and found again, by hand where there is no winder', async ({
      page,
    }) => {
      await page.goto('/reels/6?part=spools');
      await page.getByRole('combobox', { name: 'Which spool' }).tap();
      await page.getByRole('option', { name: 'its own' }).tap();
      await page.getByRole('textbox', { name: 'How much backing' }).fill('1000 yd');
      await page.getByRole('button', { name: 'Write the ticket' }).tap();
      await expect(page.getByText('That does not go on')).toBeVisible();
      await page.getByRole('textbox', { name: 'How much backing' }).fill('150 yd');
      await page.getByRole('button', { name: 'Write the ticket' }).tap();
      await at(page, 'arbor');
      await page.getByRole('button', { name: 'Done' }).tap();
      await page.getByRole('button', { name: 'against the clock' }).tap();
      await at(page, 'arborKnot');
      await page.getByRole('button', { name: 'Done' }).tap();
      await at(page, 'backing');
      await page.goto('/winding');
      await page.getByRole('link', { name: /^S6/ }).first().tap();
      await at(page, 'backing');
      await page.getByRole('button', { name: 'I wind by hand' }).tap();
      await page.getByRole('textbox', { name: 'Wound on, length' }).fill('100 yd');
      await page.getByRole('button', { name: 'That is on' }).tap();
      await expect(now(page).getByRole('alert')).toContainText('short of the stop mark');
      await page.getByRole('button', { name: 'Go on with what is there' }).tap();
      await at(page, 'over');
      expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
      await page.getByRole('button', { name: 'Take it off' }).tap();
      await expect(page.getByText('The ticket was taken off the bench.').first()).toBeVisible();
    });
  });
});
