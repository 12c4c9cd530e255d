import { expect, linkOf, test } from './app';
import type { Page } from '@playwright/test';

const number = async (page: Page, attribute: string) =>
  Number(await page.locator(`[${attribute}]`).getAttribute(attribute));

/** Lays something on the bench scale and waits until what is shown is that, at rest. */
async function layOn(page: Page, press: () => Promise<void>) {
  await Promise.all([page.waitForResponse((r) => r.url().endsWith('/scale/lay')), press()]);
  await page.waitForResponse(
    async (r) => r.url().endsWith('/devices/scale') && ((await r.json()) as { settled: boolean }).settled,
  );
  await expect(page.locator('output[data-settled="true"]')).toBeVisible();
}

test('a rod that feels wrong: the bend test names its class, is kept, changes the brief, and one undo takes it back', async ({
  page,
}) => {
  await page.goto('/briefs/1/rod');
  await page.getByRole('link', { name: 'Measure R8' }).click();
  await expect(page.getByText('never bend-tested')).toBeVisible();
  await expect(page.getByText('36 in', { exact: true })).toBeVisible();
  const keep = page.getByRole('button', { name: 'Keep this test with R8' });
  await expect(keep).toBeDisabled();

  await page.getByRole('textbox', { name: /^Weight( assumed)?$/ }).fill('205 g');
  await page.getByRole('textbox', { name: 'Tip angle below level' }).fill('66');
  await page.getByRole('textbox', { name: 'Tip angle below level' }).blur();
  await expect(page.locator('[data-measured-class]')).toContainText('9 ± 0.3');
  await expect(page.getByRole('img', { name: /3 ft down at 66 degrees/ })).toBeVisible();
  await keep.click();
  await expect(page.getByText('measured 9 ± 0.3')).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).last().click();
  await expect(page.getByText('never bend-tested')).toBeVisible();
  await keep.click();
  await expect(page.getByText('measured 9 ± 0.3')).toBeVisible();
  // The chain it is measured for stays in view, and its number leads back.
  await expect(page.getByRole('navigation', { name: 'Chain, from the fly to the hand' })).toBeVisible();
  await page.getByRole('heading', { name: /^R8/ }).click();
  await page.keyboard.press('8');
  await expect(page.getByRole('article', { name: 'Rod bench' }).locator('[data-tag="R8"]')).toContainText('9 ± 0.3');
});

test('two windows on one rod: the later one is told, and keeps what it typed beside what the other measured', async ({
  page,
  context,
}) => {
  await page.goto('/rods/8');
  await page.getByRole('button', { name: 'Change its figures' }).click();
  const form = page.getByRole('dialog');
  await form.getByRole('textbox', { name: 'Note' }).fill('tip ring loose');
  const other = await context.newPage();
  await other.goto('/rods/8?part=look');
  await other.getByRole('group', { name: 'Rings' }).getByRole('radio', { name: 'sound' }).check();
  await other.getByRole('button', { name: 'Keep this inspection' }).click();
  await expect(other.getByText(/1 of 9 looked at/)).toBeVisible();
  // A hand over a message keeps it on the screen.
  await other.getByRole('button', { name: 'Undo' }).last().hover();
  await form.getByRole('button', { name: 'Keep it' }).click();
  await expect(form.getByRole('alert')).toContainText('R8 was changed elsewhere');
  await form.getByRole('button', { name: 'Keep mine' }).click();
  await expect(form).toBeHidden();
  // The other window's way back would now take the note along; it says so instead.
  await other.getByRole('button', { name: 'Undo' }).last().click();
  await expect(other.getByText('R8 was changed again since, so this stays.').first()).toBeVisible();
  await page.goto('/rods/8?part=look');
  await expect(page.getByText(/1 of 9 looked at/)).toBeVisible();
  await page.getByRole('button', { name: 'Change its figures' }).click();
  await expect(form.getByRole('textbox', { name: 'Note' })).toHaveValue('tip ring loose');
});

test('measurements no rod can give are named at their field and nothing typed is lost', async ({ page }) => {
  await page.goto('/rods/3');
  await expect(page.locator('[data-measured-class]')).toBeVisible();
  const before = await number(page, 'data-measured-class');
  const angle = page.getByRole('textbox', { name: 'Tip angle below level' });
  await angle.fill('15');
  await angle.blur();
  await expect(page.getByRole('alert')).toContainText(/No rod does that.*Read the angle again/);
  await page.getByRole('textbox', { name: /^Weight( assumed)?$/ }).fill('0 g');
  await expect(page.getByText(/No weight bends no rod/)).toBeVisible();
  await page.getByRole('textbox', { name: 'Drop' }).fill('11 ft');
  await expect(page.getByText(/more than the rod is long/)).toBeVisible();
  await expect(page.getByRole('button', { name: 'Keep this test with R3' })).toBeDisabled();
  expect(await number(page, 'data-measured-class')).toBe(before);
  await expect(angle).toHaveValue('15°');
});

test('a shop reads its tests with a table of its own, which can be put away and brought back', async ({ page }) => {
  await page.goto('/rods/8');
  // The weight it starts with is an example; Enter says that it was just that.
  await page.getByRole('textbox', { name: 'Weight assumed' }).press('Enter');
  await expect(page.locator('[data-measured-class]')).toContainText(/^7 ±/);
  await page.getByRole('button', { name: 'Look at the table' }).click();
  const sheet = page.getByRole('dialog');
  await expect(sheet).toContainText('From memory of a published table');
  await sheet.getByRole('button', { name: 'Make one of your own from it' }).click();
  const name = sheet.getByRole('textbox', { name: 'Name' });
  await name.fill('the usual table');
  await sheet.getByRole('button', { name: 'Keep it and read with it' }).click();
  await expect(sheet).toContainText('Give yours a name of its own');
  await name.fill('rods on the counter');
  await sheet.getByRole('textbox', { name: 'Number 4' }).fill('7.8');
  await sheet.getByRole('button', { name: 'Keep it and read with it' }).click();
  await expect(sheet).toBeHidden();
  await expect(page.getByRole('combobox', { name: 'Read with' })).toContainText('rods on the counter');
  await expect(page.locator('[data-measured-class]')).toContainText(/^7\.8 ±/);

  await page.getByRole('button', { name: 'Look at the table' }).click();
  await sheet.getByRole('button', { name: 'Put it away' }).click();
  await expect(page.locator('[data-measured-class]')).toContainText(/^7 ±/);
  await page.getByRole('button', { name: 'Undo' }).last().click();
  await page.getByRole('combobox', { name: 'Read with' }).click();
  await page.getByRole('option', { name: /rods on the counter/ }).click();
  await expect(page.locator('[data-measured-class]')).toContainText(/^7\.8 ±/);
});

test('the bench scale settles before its reading can be taken into the bend test', async ({ page }) => {
  await page.goto('/rods/8');
  await page.getByRole('button', { name: 'Weigh it here' }).click();
  await page.getByRole('button', { name: 'Use the simulated bench scale' }).click();
  const take = page.getByRole('button', { name: 'Take this simulated reading' });
  await page.getByRole('button', { name: 'Clear the simulated pan' }).click();
  await expect(page.getByText('The pan is empty.')).toBeVisible();
  // An empty pan is no reading, and it says so.
  await take.click();
  await expect(page.getByText('Nothing lies on the pan.')).toBeVisible();
  await page.getByRole('button', { name: 'Tare' }).click();
  await page.getByRole('textbox', { name: 'Weight to lay on' }).fill('170 g');
  await page.getByRole('textbox', { name: 'Weight to lay on' }).blur();
  await layOn(page, () => page.getByRole('button', { name: 'Lay it on' }).click());
  await take.click();
  await expect(page.locator('[data-measured-class]')).toContainText(/^8 ±/);
});

test('two rods are bent over one another by the keys of the sliders', async ({ page }) => {
  await page.goto('/rods/3?part=bend');
  await page.getByRole('combobox', { name: 'Another rod over it' }).click();
  await page.getByRole('option', { name: /^R7/ }).click();
  const region = page.getByRole('region', { name: 'Under a fish' });
  await expect(region.getByRole('rowheader', { name: 'R7' }).first()).toBeVisible();
  const drawing = region.getByRole('img', { name: /under 2 lb at 80 degrees/ });
  await expect(drawing).toBeVisible();
  await page.getByRole('slider', { name: 'Rod to line, slider' }).focus();
  for (let i = 0; i < 5; i++) await page.keyboard.press('ArrowRight');
  await expect(region.getByRole('img', { name: /at 85 degrees/ })).toBeVisible();
});

test('a line is weighed into its class; a gap is nobody’s and a short head has none', async ({ page }) => {
  await page.goto('/lines/19');
  await expect(page.getByText('nobody knows what it weighs')).toBeVisible();
  await page.getByRole('radio', { name: 'the first part of the line' }).check();
  const mass = page.getByRole('textbox', { name: /^Mass( assumed)?$/ });
  await expect(page.getByText('Nothing is guessed until then.')).toBeVisible();
  await mass.fill('140 gr');
  await expect(page.locator('[data-class]')).toHaveAttribute('data-class', '5.00');
  await mass.fill('174 gr');
  await expect(page.getByText(/Nobody’s|Nobody's/)).toBeVisible();
  await page.getByRole('radio', { name: 'the whole head' }).check();
  await page.getByRole('textbox', { name: 'Length of it' }).fill('26 ft');
  await page.getByRole('textbox', { name: 'Length of it' }).blur();
  await expect(page.locator('[data-class]')).toHaveAttribute('data-class', 'none');
  await expect(page.getByText(/No honest class/)).toBeVisible();
  await page.getByRole('button', { name: 'Keep this weighing with L19' }).click();
  await expect(page.getByText(/174 ± 2 gr of head, weighed/)).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).last().click();
  await expect(page.getByText('nobody knows what it weighs')).toBeVisible();
  // Its profile is a guess until somebody changes it.
  await page.getByRole('tab', { name: 'Profile' }).click();
  await expect(page.getByText(/ordinary density of its kind/)).toBeVisible();
  await expect(page.getByRole('region', { name: 'Rods it suits' })).toBeVisible();
  await expect(page.getByRole('button', { name: 'Keep this profile with L19' })).toBeDisabled();
});

test('a profile is dragged, typed, undone, and read from a file that must be whole', async ({ page }) => {
  await page.goto('/lines/5?part=profile');
  // What is carried beyond the head is summed with the running line behind it, in the drawing as in the figures.
  await page.getByRole('textbox', { name: 'Held in the air' }).fill('50 ft');
  const outside = page.locator('dt', { hasText: /^outside at 50 ft$/ }).locator('xpath=following-sibling::dd');
  await expect(outside).toHaveText(/^2[2-4]\d ± \d gr$/);
  const carried = parseInt((await outside.textContent())!);
  await expect(page.getByRole('img', { name: new RegExp(`214 gr of head, .*, ${carried} gr carried`) })).toBeVisible();

  const end = page.getByRole('slider', { name: 'End of stretch 1' });
  await expect(end).toHaveAttribute('aria-valuetext', /^7 ft/);
  await end.focus();
  for (let i = 0; i < 15; i++) await page.keyboard.press('ArrowRight');
  await expect(end).toHaveAttribute('aria-valuetext', /^8 ft/);
  await page.getByRole('button', { name: 'Undo' }).last().click();
  await expect(end).not.toHaveAttribute('aria-valuetext', /^8 ft/);
  const box = (await end.boundingBox())!;
  await page.mouse.move(box.x + box.width / 2, box.y + 10);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width / 2 + 60, box.y + 10, { steps: 5 });
  await page.mouse.up();
  await expect(end).toHaveAttribute('aria-valuetext', /^(9|10)\.?\d* ft/);

  await page.getByRole('button', { name: 'Read a file' }).click();
  const paste = page.getByRole('textbox', { name: 'or paste it here' });
  await paste.fill('position_m,diameter_mm,linear_density_g_per_m\n0,1,0.9\n2,wide,1.2\n');
  await expect(page.getByText(/line 3, diameter_mm/)).toBeVisible();
  await paste.fill('position_m,diameter_mm,linear_density_g_per_m\n0,1,0.8\n2,1.3,1.2\n12,1.3,1.2\n');
  await page.getByRole('button', { name: 'Lay it on the bench' }).click();
  await expect(page.getByRole('region', { name: 'Stretches' }).getByRole('listitem')).toHaveCount(2);
});

test('calipers and one weight name the density of a line, and what they cannot be is said at its field', async ({
  page,
}) => {
  await page.goto('/lines/19?part=profile');
  await page.getByRole('button', { name: 'Fit to calipers and one weight' }).click();
  const sheet = page.getByRole('dialog');
  const [mass, length] = [
    sheet.getByRole('textbox', { name: /^Its mass/ }),
    sheet.getByLabel('Length that was weighed'),
  ];
  await length.fill('30 ft');
  for (let i = 0; i < 3; i++) await sheet.getByRole('button', { name: 'Take reading 2 out' }).click();
  await sheet.getByRole('textbox', { name: 'Thick' }).fill('1.4 mm');
  // A cylinder 1.4 mm thick and 9.144 m long holds 14.08 cm³; 12 g of it are 0.85 of water.
  await mass.fill('12 g');
  await expect(sheet.getByText(/^Density/)).toContainText('0.85 times water’s over 30 ft');
  await mass.fill('3 g');
  await expect(sheet.getByText(/So thick a line cannot weigh that/)).toBeVisible();
  await expect(sheet.getByRole('button', { name: 'Use this profile' })).toBeDisabled();
  await mass.fill('12 g');
  const use = sheet.getByRole('button', { name: 'Use this profile' });
  await expect(use).toBeEnabled();
  await page.route('**/api/lines/fit', (route) =>
    route.fulfill({ status: 409, contentType: 'application/problem+json', json: { title: 'Not just now.' } }),
  );
  await use.click();
  await expect(sheet.getByRole('alert')).toContainText('Not just now.');
  await page.unroute('**/api/lines/fit');
  await use.click();
  await expect(page.getByRole('region', { name: 'Stretches' }).getByRole('listitem')).toHaveCount(1);
  await page.getByRole('button', { name: 'Keep this profile with L19' }).click();
  await expect(page.getByText(/profile measured/)).toBeVisible();
});

test('a head from the drawer: planned, cut long, weighed, nibbled to the mark, joined, in the shed', async ({
  page,
}) => {
  test.setTimeout(120_000);
  await page.goto('/cutting');
  const plan = page.locator('[data-plan="D5+D6"]').first();
  await expect(plan).toContainText('nobody feels that');
  await plan.getByRole('button', { name: 'Take to the bench' }).click();
  const piece = page.locator('[data-piece="D5"]');
  await expect(piece).toHaveAttribute('data-move', 'cut');
  // Until the blade everything can be taken back.
  await page.getByRole('button', { name: 'Undo' }).last().click();
  await expect(piece).toHaveCount(0);
  await plan.getByRole('button', { name: 'Take to the bench' }).click();
  // Every piece that is cut: long, weighed, nibbled to the mark.
  for (const tag of ['D5', 'D6']) {
    const cut = page.locator(`[data-piece="${tag}"]`);
    if ((await cut.getAttribute('data-move')) === 'done') continue;
    await cut.getByRole('button', { name: 'It is cut' }).click();
    await expect(cut).toHaveAttribute('data-move', 'weigh');
    await cut.getByRole('button', { name: 'Use the simulated bench scale' }).click();
    // Whoever weighed before may have left something on the pan.
    await cut.getByRole('button', { name: 'Clear the simulated pan' }).click();
    await expect(cut.getByText('The pan is empty.')).toBeVisible();
    await cut.getByRole('button', { name: 'Tare' }).click();
    for (let i = 0; i < 6 && (await cut.getAttribute('data-move')) !== 'done'; i++) {
      expect(await page.getByText('What was done').count()).toBe(1);
      if ((await cut.getAttribute('data-move')) === 'nibble') {
        await cut.getByRole('button', { name: 'It is cut' }).click();
        await expect(cut).toHaveAttribute('data-move', 'weigh');
      }
      await layOn(page, () => cut.getByRole('button', { name: new RegExp(`^Lay ${tag}`) }).click());
      await cut.getByRole('button', { name: 'Take this simulated reading' }).click();
      await expect(cut).toHaveAttribute('data-move', /nibble|done/);
    }
    await expect(cut).toHaveAttribute('data-move', 'done');
  }
  await expect(piece).toHaveAttribute('data-move', 'done');
  // Instants are told in the zone of whoever looks; the page stands far from UTC.
  await page.getByText('What was done').click();
  const minutes = (clock: string) => Number(clock.slice(0, 2)) * 60 + Number(clock.slice(3, 5));
  const told = (await page
    .getByText(/^\d\d:\d\d D5: cut/)
    .first()
    .textContent())!;
  const here = new Date().toLocaleTimeString('en-GB', {
    timeZone: 'Asia/Kathmandu',
    hour: '2-digit',
    minute: '2-digit',
  });
  expect((minutes(here) - minutes(told) + 1440) % 1440).toBeLessThan(5);
  await page.getByRole('textbox', { name: 'Tag' }).fill('H1');
  await page.getByRole('textbox', { name: 'Name' }).fill('twenty-five feet, from the drawer');
  await page.getByRole('button', { name: 'Into the shed' }).click();
  await expect(page.getByRole('region', { name: 'Made here' })).toContainText('D5, D6');
  await page.goto('/shed');
  await expect(page.locator('[data-tag="H1"]')).toContainText('twenty-five feet');
  await expect(page.locator('[data-tag="H1"]')).toContainText('gr');
});

test('the rod bends on its bench in the brief, and a rod nobody tested says so', async ({ page }) => {
  await page.goto('/briefs/1/rod');
  await expect(linkOf(page, 'rod')).toHaveAccessibleName(/R6/);
  await expect(page.getByRole('region', { name: 'How it bends today' }).getByRole('img')).toHaveCount(2);
  // The measuring bench goes on with the line, the tippet and the pull of the day.
  await page.getByRole('link', { name: 'Bend it further on the rod bench' }).click();
  await expect(page.getByRole('combobox', { name: 'Line', exact: true })).toContainText('L11');
  await expect(page.getByRole('textbox', { name: 'Tippet' })).toHaveValue('0.014 in');
  await expect(page.getByRole('textbox', { name: 'Line in the air' })).not.toHaveValue('30 ft');
  await page.goBack();
  await page.getByRole('button', { name: 'Pin R8' }).click();
  await expect(page.getByText('Nobody knows how R8 bends.')).toBeVisible();
});

test('a rod is balanced and looked over, and both are found again', async ({ page }) => {
  await page.goto('/rods/8?part=balance');
  const swing = page.getByRole('textbox', { name: 'One full swing' });
  await swing.fill('9 s');
  await swing.blur();
  await expect(page.getByRole('alert')).toContainText(/half a second to six/);
  await swing.fill('2.3');
  await expect(page.getByText(/Timed as a pendulum/).first()).toBeVisible();
  await page.getByRole('button', { name: 'Keep this with R8' }).click();
  await expect(page.getByText('Balance kept with R8.').first()).toBeVisible();

  await page.getByRole('tab', { name: 'Look it over' }).click();
  await page.getByRole('group', { name: 'Tip ring' }).getByRole('radio', { name: 'mend first' }).check();
  await page.getByRole('textbox', { name: 'Note' }).fill('grooved');
  await page.getByRole('button', { name: 'Keep this inspection' }).click();
  await expect(page.getByText('Inspection of R8 kept.').first()).toBeVisible();
  await page.reload();
  await expect(page.getByText('Tip ring: mend first')).toBeVisible();
  await page.getByRole('tab', { name: 'Balance and swing' }).click();
  await expect(swing).toHaveValue('2.3 s');
});

test.describe('with nothing in the drawer', () => {
  test.use({ demo: false });

  test('a first scrap is put in, makes a head at once, and its figures are refused where they cannot be', async ({
    page,
  }) => {
    await page.goto('/cutting');
    await expect(page.getByText('Nothing here yet.')).toBeVisible();
    await expect(page.getByText('The drawer is empty')).toBeVisible();
    await page.getByRole('button', { name: 'Add a scrap' }).click();
    const form = page.getByRole('dialog');
    await form.getByRole('textbox', { name: 'Tag' }).fill('D1');
    await form.getByRole('textbox', { name: 'Name' }).fill('front of an old eight');
    await form.getByRole('textbox', { name: 'Length' }).fill('40 ft');
    await form.getByRole('textbox', { name: 'Weighed' }).fill('2 gr');
    await form.getByRole('button', { name: 'Keep it' }).click();
    await expect(form.getByRole('alert').first()).toBeVisible();
    await form.getByRole('textbox', { name: 'Weighed' }).fill('340 gr');
    await form.getByRole('button', { name: 'Keep it' }).click();
    await expect(form).toBeHidden();
    // Level stuff of 8.5 grains a foot: 220 grains are 26 ft of it, and one cut makes them.
    const plan = page.locator('[data-plan="D1"]').first();
    await expect(plan).toBeVisible();
    await expect(plan.getByRole('button', { name: 'Take to the bench' })).toBeVisible();
    await expect(plan).toContainText('no front taper: it lands hard');
  });
});
