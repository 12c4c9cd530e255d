import { expect, saved, test, visit } from './app';
import type { Locator, Page } from '@playwright/test';

/** Whatever is typed is read so many milliseconds late, at random between the two. */
async function readsLate(page: Page, fromMs: number, toMs: number) {
  await page.route('**/api/measures/**', async (route) => {
    await new Promise((done) => setTimeout(done, fromMs + Math.random() * (toMs - fromMs)));
    await route.continue();
  });
}

const field = (within: Page | Locator, label: string) =>
  within.getByRole('textbox', {
    name: new RegExp(`^${label.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')}( assumed| worked out)?$`),
  });

/** Everything at once, as fast as a hand that does not look. */
async function fill(within: Page | Locator, entries: Record<string, string>) {
  for (const [label, text] of Object.entries(entries)) await field(within, label).first().fill(text);
}

const press = (within: Page | Locator, name: string | RegExp) => within.getByRole('button', { name }).first().click();

type Json = Record<string, unknown>;
const ask = async (page: Page, path: string) => (await (await page.request.get(path)).json()) as never;
const tagged = async (page: Page, list: string, tag: string) =>
  ((await ask(page, '/api/shed')) as Record<string, (Json & { tag: string })[]>)[list]!.find((p) => p.tag === tag)!;

const feet = 0.3048;
const grain = 0.06479891e-3;

/** What was kept, to a thousandth. */
function expectKept(kept: Json, wanted: Record<string, number | string>) {
  for (const [path, value] of Object.entries(wanted)) {
    const found = path.split('.').reduce<unknown>((at, part) => (at as Json)?.[part], kept);
    if (typeof value === 'string') expect(found, path).toBe(value);
    else expect(Math.abs(Number(found) / value - 1), `${path}: ${String(found)} for ${value}`).toBeLessThan(1e-3);
  }
}

/** Each form of the application: where it is, what is typed into it, how it is kept, and what stands there then. */
const forms: {
  name: string;
  at: string;
  before?: (page: Page) => Promise<unknown>;
  within?: (page: Page) => Locator;
  type: Record<string, string>;
  keep: (page: Page) => Promise<unknown>;
  said?: string | RegExp;
  found: (page: Page) => Promise<Json>;
  is: Record<string, number | string>;
}[] = [
  {
    name: 'a rod',
    at: '/shed?edit=rods-new',
    within: (page) => page.getByRole('dialog'),
    type: {
      Tag: 'RX',
      Name: 'quick',
      Length: `9'6"`,
      Mass: '101 g',
      'Class on the label': '6',
      'Class measured': '6.4',
      'Measured, ±': '0.2',
      'Tip angle, bend test': '62',
      'Price paid': '79.50',
    },
    keep: (page) => press(page.getByRole('dialog'), 'Keep it'),
    said: 'RX is in the shed.',
    found: (page) => tagged(page, 'rods', 'RX'),
    is: {
      name: 'quick',
      lengthM: 9.5 * feet,
      massKg: 0.101,
      printedClass: 6,
      measuredClass: 6.4,
      measuredPlusMinus: 0.2,
      tipAngleDeg: 62,
      price: 79.5,
    },
  },
  {
    name: 'a line',
    at: '/shed?edit=lines-new',
    within: (page) => page.getByRole('dialog'),
    type: {
      Tag: 'LX',
      'Class on the label': '7',
      'Whole length': '90 ft',
      'Head length': '35 ft',
      'Head, weighed': '210 gr',
      'Front taper': '7 ft',
      'Rear taper': '8 ft',
      'Tip, thick': '1 mm',
      'Belly, thick': '1.5 mm',
      'Running line, thick': '0.9 mm',
    },
    keep: (page) => press(page.getByRole('dialog'), 'Keep it'),
    said: 'LX is in the shed.',
    found: (page) => tagged(page, 'lines', 'LX'),
    is: {
      lengthM: 90 * feet,
      headM: 35 * feet,
      headKg: 210 * grain,
      frontTaperM: 7 * feet,
      rearTaperM: 8 * feet,
      tipDiameterM: 0.001,
      bellyDiameterM: 0.0015,
      runningDiameterM: 0.0009,
    },
  },
  {
    name: 'a reel',
    at: '/shed?edit=reels-new',
    within: (page) => page.getByRole('dialog'),
    type: {
      Tag: 'EX',
      'Mass, empty': '150 g',
      'Arbor across': '45 mm',
      'Rim across': '90 mm',
      'Width inside': '25 mm',
      'Most drag': '20 N',
      'Backing it says it holds': '150 yd',
    },
    keep: (page) => press(page.getByRole('dialog'), 'Keep it'),
    said: 'EX is in the shed.',
    found: (page) => tagged(page, 'reels', 'EX'),
    is: { massKg: 0.15, arborM: 0.045, rimM: 0.09, widthM: 0.025, dragN: 20, statedBackingM: 450 * feet },
  },
  {
    name: 'a scrap',
    at: '/cutting',
    before: (page) => press(page, 'Add a scrap'),
    within: (page) => page.getByRole('dialog'),
    type: { Tag: 'SX', Length: '8 m', Weighed: '9 g', 'Taper at its thin end': '1 m', 'Tip to belly, thick': '0.6' },
    keep: (page) => press(page.getByRole('dialog'), 'Keep it'),
    said: 'SX is in the shed.',
    found: async (page) =>
      ((await ask(page, '/api/shed/scraps')) as (Json & { tag: string })[]).find((s) => s.tag === 'SX')!,
    is: { lengthM: 8, massKg: 0.009, taperM: 1, tipShare: 0.6 },
  },
  {
    name: 'a spool of tippet',
    at: '/leaders?edit=leader-spools-new',
    within: (page) => page.getByRole('dialog'),
    type: { Tag: 'TX', Thick: '0.2 mm', 'Left on it': '40 m', 'Label, stands': '30 N' },
    keep: (page) => press(page.getByRole('dialog'), 'Keep it'),
    said: 'TX is in the shed.',
    found: (page) => tagged(page, 'leaderSpools', 'TX'),
    is: { diameterM: 0.0002, leftM: 40, statedN: 30 },
  },
  {
    name: 'an outing with two casts and two kinds of fish',
    at: '/log/new',
    before: async (page) => {
      for (let i = 0; i < 2; i++) await press(page, /^(Add a|Another) cast$/);
      await press(page, 'a fish: one more, now 0');
      await press(page, 'another kind or size');
    },
    type: { Place: 'the far bank', Hours: '2.5', Wind: '12 kn', Leader: '9 ft', Tippet: '0.2 mm' },
    keep: async (page) => {
      const [one, two] = [page.locator('[data-cast="0"]'), page.locator('[data-cast="1"]')];
      await fill(one, { Distance: '77 ft', Carried: '33 ft' });
      await fill(two, { Distance: '66 ft', Carried: '22 ft' });
      await page.getByRole('textbox', { name: 'Weight' }).first().fill('2 lb');
      await page.getByRole('textbox', { name: 'Weight' }).last().fill('3 lb');
      await page.getByRole('textbox', { name: 'Length' }).first().fill('40 cm');
      await press(page, 'Keep it');
    },
    said: 'The outing is in the log.',
    found: async (page) =>
      ((await ask(page, '/api/log?text=the%20far%20bank')) as { rows: { outing: Json }[] }).rows[0]!.outing,
    is: {
      hours: 2.5,
      windMps: 12 * (1852 / 3600),
      leaderM: 9 * feet,
      tippetM: 0.0002,
      'casts.0.distanceM': 77 * feet,
      'casts.0.carryM': 33 * feet,
      'casts.1.distanceM': 66 * feet,
      'casts.1.carryM': 22 * feet,
      'fish.0.kg': 2 * 0.45359237,
      'fish.0.lengthM': 0.4,
      'fish.1.kg': 3 * 0.45359237,
    },
  },
  {
    name: 'practice with two rings',
    at: '/log/new?kind=grass',
    before: async (page) => {
      for (let i = 0; i < 2; i++) await press(page, 'Add a ring');
    },
    type: { Place: 'the stubble' },
    keep: async (page) => {
      await page.getByRole('textbox', { name: 'At', exact: true }).first().fill('33 ft');
      await page.getByRole('textbox', { name: 'At', exact: true }).last().fill('45 ft');
      await press(page, 'Keep it');
    },
    said: 'The outing is in the log.',
    found: async (page) =>
      ((await ask(page, '/api/log?text=the%20stubble')) as { rows: { outing: Json }[] }).rows[0]!.outing,
    is: { 'rings.0.distanceM': 33 * feet, 'rings.1.distanceM': 45 * feet },
  },
  {
    name: 'a weighing',
    at: '/lines/19',
    type: { Mass: '262 gr', 'Length of it': '26 ft', 'Front taper, if known': '5 ft', 'Rear taper, if known': '6 ft' },
    keep: (page) => press(page, 'Keep this weighing with L19'),
    said: 'L19 is known by its weight.',
    found: (page) => tagged(page, 'lines', 'L19'),
    is: { headKg: 262 * grain, headM: 26 * feet },
  },
  {
    name: 'a profile',
    at: '/lines/1?part=profile',
    type: {},
    keep: async (page) => {
      const rows = page.getByRole('region', { name: 'Stretches' }).getByRole('listitem');
      await fill(rows.nth(0), { Length: '3 ft', 'Thick, fly side': '1 mm', 'Thick, reel side': '1.1 mm' });
      await fill(rows.nth(1), { Length: '4 ft', 'Thick, fly side': '1.1 mm', 'Thick, reel side': '1.2 mm' });
      await press(page, 'Keep this profile with L1');
    },
    said: 'L1 is now known by its profile.',
    found: async (page) => (await ask(page, '/api/lines/1/profile')) as Json,
    is: {
      'stretches.0.lengthM': 3 * feet,
      'stretches.0.startM': 0.001,
      'stretches.0.endM': 0.0011,
      'stretches.1.lengthM': 4 * feet,
      'stretches.1.startM': 0.0011,
      'stretches.1.endM': 0.0012,
    },
  },
  {
    name: 'a bend test',
    at: '/rods/8?part=test',
    type: {
      Weight: '205 g',
      'Tip angle below level': '66',
      'Held in the clamp': '9 in',
      'Tape, ±': '4 mm',
      'Angle, ±': '2',
    },
    keep: (page) => press(page, 'Keep this test with R8'),
    said: 'R8 is now known by its bend test.',
    found: (page) => tagged(page, 'rods', 'R8'),
    is: {
      'test.readings.0.massKg': 0.205,
      'test.readings.0.angleDeg': 66,
      'test.heldM': 9 * 0.0254,
      'test.tapePlusMinusM': 0.004,
      'test.anglePlusMinusDeg': 2,
    },
  },
  {
    name: 'a balance',
    at: '/rods/6?part=balance',
    type: {
      'Bare rod balances at': '34 in',
      'Forefinger lies at': '11 in',
      'Middle of the seat': '4 in',
      'One full swing': '2.6 s',
      'It hung at': '1 in',
    },
    keep: (page) => press(page, 'Keep this with R6'),
    said: 'Balance kept with R6.',
    found: (page) => tagged(page, 'rods', 'R6'),
    is: {
      'balance.balanceM': 34 * 0.0254,
      'balance.fulcrumM': 11 * 0.0254,
      'balance.seatM': 4 * 0.0254,
      'balance.swingS': 2.6,
      'balance.pivotM': 0.0254,
    },
  },
  {
    name: 'a spool by its ruler',
    at: '/reels/1?part=measure',
    type: { 'Arbor across': '40 mm', 'Rim across': '85 mm', 'Width inside': '26 mm' },
    keep: (page) => press(page, 'Keep these measures'),
    said: /^Measures kept with/,
    found: async (page) => ((await ask(page, '/api/shed')) as { reels: Json[] }).reels.find((r) => r.id === 1)!,
    is: { arborM: 0.04, rimM: 0.085, widthM: 0.026 },
  },
  {
    name: 'a spool by what it held',
    at: '/reels/1?part=measure',
    type: { 'How much': '90 yd', 'Left to the rim': '4 mm' },
    keep: (page) => press(page, 'It held that'),
    said: /is known by what it held/,
    found: async (page) => ((await ask(page, '/api/shed')) as { reels: Json[] }).reels.find((r) => r.id === 1)!,
    is: { 'knownFill.backingM': 270 * feet, 'knownFill.gapM': 0.004 },
  },
  {
    name: 'a new brief',
    at: '/briefs/new',
    type: { 'Call it': 'in a hurry', 'Hook size': '8', Distance: '44 ft', Wind: '9 kn' },
    keep: (page) => press(page, 'Lay out the chain'),
    said: 'Chain',
    found: async (page) => {
      const all = (await ask(page, '/api/briefs')) as { id: number; name: string }[];
      return (await ask(page, `/api/briefs/${all.find((b) => b.name === 'in a hurry')!.id}`)) as Json;
    },
    is: { 'draft.hookSize': 8, 'draft.distanceM': 44 * feet, 'draft.windMps': 9 * (1852 / 3600) },
  },
  {
    name: 'the day of a brief and a pin',
    at: '/briefs/1/rod',
    type: {
      Distance: '52 ft',
      Wind: '11 kn',
      'Fish of about': '5 lb',
      'Depth of the fly': '3 ft',
      Current: '0.4 m/s',
      'Water temperature': '13 °C',
      'Fly, soaked': '2 g',
      'Pin a length': '10 ft',
    },
    keep: (page) => saved(page),
    found: async (page) => (await ask(page, '/api/briefs/1')) as Json,
    is: {
      'draft.distanceM': 52 * feet,
      'draft.windMps': 11 * (1852 / 3600),
      'draft.fishKg': 5 * 0.45359237,
      'draft.depthM': 3 * feet,
      'draft.currentMps': 0.4,
      'draft.waterC': 13,
      'draft.flyWetKg': 0.002,
      'pins.rodLengthM': 10 * feet,
    },
  },
  {
    name: 'the limits of a trip',
    at: '/trips/1',
    type: { 'Gear weighs': '3 kg', 'Tube, inside': '4 ft', 'May be spent': '150' },
    keep: async (page) => {
      await fill(page, { 'a rod': '111', 'a line': '33', 'a reel': '77' });
      await expect(page.getByText('Kept.')).toBeVisible();
    },
    found: async (page) => (await ask(page, '/api/trips/1')) as Json,
    is: {
      'limits.massKg': 3,
      'limits.tubeM': 4 * feet,
      'limits.budget': 150,
      'limits.rodPrice': 111,
      'limits.linePrice': 33,
      'limits.reelPrice': 77,
    },
  },
  {
    name: 'the pieces of a leader',
    at: '/leaders/1',
    type: {},
    keep: async (page) => {
      const rows = page.getByRole('region', { name: 'Pieces' }).getByRole('listitem');
      await fill(rows.nth(0), { Length: '4 ft' });
      await fill(rows.nth(1), { Length: '2 ft' });
      await rows.last().getByRole('textbox', { name: 'Length' }).fill('3 ft');
      await press(page, 'Keep it so');
    },
    said: /is kept as it is now/,
    found: async (page) => ((await ask(page, '/api/shed')) as { leaders: Json[] }).leaders.find((l) => l.id === 1)!,
    is: { 'leader.pieces.0.lengthM': 4 * feet, 'leader.pieces.1.lengthM': 2 * feet },
  },
  {
    name: 'a table of one’s own rods',
    at: '/rods/8?part=test',
    before: async (page) => {
      await press(page, 'Look at the table');
      await press(page, 'Make one of your own from it');
    },
    within: (page) => page.getByRole('dialog'),
    type: { Name: 'rods of ours', 'Weight 1': '70 g', 'Weight 2': '95 g', 'Number 2': '5.2', 'Good to, ±': '0.4' },
    keep: (page) => press(page.getByRole('dialog'), 'Keep it and read with it'),
    said: 'rods of ours',
    found: async (page) =>
      ((await ask(page, '/api/rods/calibrations')) as (Json & { name: string })[]).find(
        (c) => c.name === 'rods of ours',
      )!,
    is: { 'points.0.grams': 70, 'points.1.grams': 95, 'points.1.number': 5.2, plusMinus: 0.4 },
  },
  {
    name: 'somebody who casts here',
    at: '/log/learning',
    within: (page) => page.getByRole('region', { name: 'Who casts here' }),
    type: { 'First name': 'Tobin' },
    keep: (page) => press(page, 'Add somebody'),
    said: 'Tobin casts here now.',
    found: async (page) =>
      ((await ask(page, '/api/log/casters')) as (Json & { name: string })[]).find((c) => c.name === 'Tobin')!,
    is: { from: 'club' },
  },
  {
    name: 'what lies on a spool',
    at: '/reels/5?part=spools',
    before: (page) => press(page, /^Note what lies on/),
    type: { 'How much of it': '120 yd' },
    keep: (page) => press(page, 'Keep this note'),
    said: /is noted/,
    found: async (page) =>
      ((await ask(page, '/api/shed')) as { spools: (Json & { reelId: number })[] }).spools.find((s) => s.reelId === 5)!,
    is: { backingM: 360 * feet },
  },
  {
    name: 'an inspection',
    at: '/rods/3?part=look',
    before: (page) => page.getByRole('group').first().getByRole('radio').nth(1).check(),
    type: { Note: 'whippings dull' },
    keep: (page) => page.getByRole('region', { name: 'Keep it' }).getByRole('button', { name: /^Keep/ }).click(),
    found: async (page) => ((await tagged(page, 'rods', 'R3')).inspections as Json[]).at(-1)!,
    is: { note: 'whippings dull' },
  },
  {
    name: 'a line cut back',
    at: '/care',
    type: { 'How much came off': '7 in' },
    keep: (page) => press(page, 'Note it'),
    said: /cut back/,
    found: async (page) =>
      ((await ask(page, '/api/care')) as { done: (Json & { amountM: number | null })[] }).done.find(
        (d) => d.amountM !== null,
      )!,
    is: { amountM: 7 * 0.0254 },
  },
];

for (const form of forms)
  test(`read late, everything typed into ${form.name} is kept`, async ({ page }) => {
    await readsLate(page, 50, 800);
    await page.goto(form.at);
    await page.locator('#main').waitFor();
    await form.before?.(page);
    const within = form.within?.(page) ?? page;
    await fill(within, form.type);
    await form.keep(page);
    if (form.said) await expect(page.getByText(form.said).first()).toBeVisible();
    // What is kept by itself is kept a moment after the last word.
    await expect(async () => expectKept(await form.found(page), form.is)).toPass({ timeout: 10_000 });
  });

test('what was entered and is thrown away is gone, and what could not be read with it', async ({ page }) => {
  await page.goto('/shed?edit=rods-new');
  const form = page.getByRole('dialog');
  await fill(form, { Name: 'quick', Length: 'nine' });
  await field(form, 'Length').blur();
  await expect(form.getByText('“nine” is not a measure', { exact: false })).toBeVisible();
  await page.reload();
  await expect(field(form, 'Length')).toHaveValue('nine');
  await press(form, 'Throw it away');
  await expect(field(form, 'Length')).toHaveValue('9 ft');
  await expect(field(form, 'Name')).toHaveValue('');
  await page.reload();
  await expect(field(form, 'Length')).toHaveValue('9 ft');
});

test('what cannot be read stays in its own row, over a reload and when a row beside it goes', async ({ page }) => {
  await page.goto('/log/new');
  for (let i = 0; i < 2; i++) await press(page, /^(Add a|Another) cast$/);
  const distance = (row: number) => page.locator(`[data-cast="${row}"]`).getByRole('textbox', { name: 'Distance' });
  await distance(0).fill('60 ft');
  await distance(1).fill('far out');
  await expect(page.getByText('“far out” is not a measure').first()).toBeVisible();
  await page.reload();
  await expect(distance(1)).toHaveValue('far out');
  await expect(distance(0)).toHaveValue('60 ft');
  // The row that holds it moves up with it.
  await page.getByRole('button', { name: 'Take cast 1 out' }).click();
  await expect(distance(0)).toHaveValue('far out');
  await press(page, 'Another cast');
  await expect(distance(1)).not.toHaveValue('far out');
  await page.reload();
  await expect(distance(0)).toHaveValue('far out');
  // It goes with its row.
  await page.getByRole('button', { name: 'Take cast 1 out' }).click();
  await expect(distance(0)).not.toHaveValue('far out');
  await page.reload();
  await expect(distance(0)).not.toHaveValue('far out');
});

test.describe('on a phone', () => {
  test.use({ hasTouch: true, isMobile: true, viewport: { width: 390, height: 844 } });

  test('twenty outings in a row, with a brief and without, pressed twice each, are kept once each', async ({
    page,
  }) => {
    const count = async () => ((await ask(page, '/api/log?take=1')) as { outings: number }).outings;
    await page.goto('/log');
    await expect(page.getByRole('link', { name: 'Note an outing' })).toBeVisible();
    const before = await count();
    for (let i = 1; i <= 20; i++) {
      await page.getByRole('link', { name: 'Note an outing' }).tap();
      if (i % 2 === 0) {
        await page.getByRole('combobox', { name: 'It followed the brief' }).tap();
        await page
          .getByRole('option')
          .nth(1 + (i % 3))
          .tap();
        await expect(page).toHaveURL(/brief=/);
      }
      const place = page.getByRole('textbox', { name: 'Place' });
      // With a brief it is where that was fished before.
      if (i % 2 === 1) await expect(place).toHaveValue('');
      else await expect(place).not.toHaveValue('');
      await place.fill(`bank ${i}`);
      const keep = page.getByRole('button', { name: 'Keep it' });
      // What was said of the one before stands above the button, not over it.
      if (i > 1)
        expect(
          await keep.evaluate((button) => {
            const { x, y, width, height } = button.getBoundingClientRect();
            return button.contains(document.elementFromPoint(x + width / 2, y + height / 2));
          }),
        ).toBe(true);
      await keep.dblclick();
      await expect(page.getByRole('list', { name: 'Outings' })).toContainText(`bank ${i}`);
    }
    expect(await count()).toBe(before + 20);
  });
});

test('what is written in one window is seen in the other, without a press', async ({ page, context }) => {
  const other = await context.newPage();
  await page.goto('/shed');
  await other.goto('/briefs/1');
  const rod = page.locator('[data-tag="R6"]');
  await expect(rod).toContainText('blue eight');
  await expect(other.locator('[data-link="rod"]').first()).toContainText('R6 blue eight');
  await other.goto('/shed?edit=rods-6');
  await other.getByRole('dialog').getByRole('textbox', { name: 'Name' }).fill('green eight');
  await press(other.getByRole('dialog'), 'Keep it');
  await expect(rod).toContainText('green eight');
  await page.goto('/briefs/1');
  await expect(page.locator('[data-link="rod"]').first()).toContainText('R6 green eight');
  await press(other, 'Put R6 away');
  await expect(page.locator('[data-link="rod"]').first()).not.toContainText('R6');
  // A brief that nobody works on here follows the window where somebody does.
  await other.goto('/briefs/1');
  await other.getByRole('textbox', { name: 'Distance' }).fill('48 ft');
  await expect(page.getByRole('textbox', { name: 'Distance' })).toHaveValue('48 ft');
});

test('the address is what is asked: a filter is a link, the bar shows the whole log, back shows the part again', async ({
  page,
}) => {
  await page.goto('/log');
  const rows = page.getByRole('list', { name: 'Outings' }).getByRole('listitem');
  await expect(rows.first()).toBeVisible();
  const all = await rows.count();
  await page.getByRole('combobox', { name: 'Kind' }).click();
  await page.getByRole('option', { name: /grass/ }).click();
  await expect(page).toHaveURL(/kind=grass/);
  await expect(page.getByRole('status').filter({ hasText: 'of' })).toBeVisible();
  const part = await rows.count();
  expect(part).toBeLessThan(all);
  await page.getByRole('searchbox', { name: 'Words in it' }).pressSequentially('ring', { delay: 5 });
  await expect(page).toHaveURL(/text=ring/);
  await page.getByRole('searchbox', { name: 'Words in it' }).fill('');
  await page.getByRole('navigation', { name: 'Rooms' }).getByRole('link', { name: 'Log' }).click();
  await expect(page).toHaveURL(/\/log$/);
  await expect(rows).toHaveCount(all);
  await page.goBack();
  await expect(rows).toHaveCount(part);
  const sent = await page.context().newPage();
  await sent.goto(page.url());
  await expect(sent.getByRole('list', { name: 'Outings' }).getByRole('listitem')).toHaveCount(part);
});

test('a letter acts only where nothing that takes letters or arrows has the focus', async ({ page }) => {
  await page.goto('/briefs/1');
  const fish = page.getByRole('combobox', { name: 'Fish', exact: true });
  const was = await fish.textContent();
  await fish.focus();
  await page.keyboard.press('b');
  await expect(page).toHaveURL(/\/briefs\/1$/);
  await expect(page.getByRole('option').first()).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(fish).toHaveText(was!);
  // The list gives the focus back.
  await expect(fish).toBeFocused();
  const briefs = ((await ask(page, '/api/briefs')) as unknown[]).length;
  const fly = page.getByRole('combobox', { name: 'Fly', exact: true });
  await fly.focus();
  await page.keyboard.press('c');
  await expect(page.getByRole('option').first()).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(fly).toBeFocused();
  await page.getByRole('slider', { name: 'Distance to the fish' }).focus();
  await page.keyboard.press('n');
  await page.keyboard.press('b');
  await expect(page).toHaveURL(/\/briefs\/1$/);
  expect((await ask(page, '/api/briefs')) as unknown[]).toHaveLength(briefs);
  // A field is left by Escape, which does nothing else; then letters act.
  await page.goto('/briefs/1/rod');
  await page.getByRole('textbox', { name: /^Pin a class/ }).focus();
  await page.keyboard.press('Escape');
  await expect(page).toHaveURL(/\/briefs\/1\/rod$/);
  await page.keyboard.press('b');
  await expect(page).toHaveURL(/\/briefs$/);
});

/** A handle taken where it stands now, drawn so many pixels, and let go. */
async function drag(page: Page, handle: string, dx: number, dy: number) {
  const what = page.locator(`[data-handle="${handle}"]`);
  const box = (await (handle === 'wind' ? what.locator('circle').first() : what).boundingBox())!;
  const at = { x: box.x + box.width / 2, y: box.y + box.height / 2 };
  await page.mouse.move(at.x, at.y);
  await page.mouse.down();
  await page.mouse.move(at.x + dx, at.y + dy, { steps: 6 });
  await page.mouse.up();
}

test('a second drag goes on from what stands there, and the reverse of the first brings it back', async ({ page }) => {
  await page.goto('/briefs/1');
  const fish = page.locator('[data-handle="fish"]');
  const wind = page.locator('[data-handle="wind"]');
  const told = (what: Locator) => what.getAttribute('aria-valuetext');
  await field(page, 'Distance').fill('45 ft');
  await field(page, 'Wind').fill('8 mph');
  await field(page, 'Wind').blur();
  await expect(wind).toHaveAttribute('aria-valuetext', /^8 mph/);
  await saved(page);

  await drag(page, 'fish', 0, -40);
  await expect(fish).not.toHaveAttribute('aria-valuetext', '45 ft');
  await saved(page);
  await drag(page, 'fish', 0, 40);
  await expect(fish).toHaveAttribute('aria-valuetext', '45 ft');

  // Touched, even shaken a little, it stays as it was typed.
  await drag(page, 'wind', 1, 1);
  await expect(field(page, 'Wind')).toHaveValue('8 mph');
  const typed = await told(wind);
  await drag(page, 'wind', 9, -12);
  await expect.poll(() => told(wind)).not.toBe(typed);
  await saved(page);
  await drag(page, 'wind', -9, 12);
  await expect(wind).toHaveAttribute('aria-valuetext', typed!);
  await expect(field(page, 'Wind')).toHaveValue('8 mph');

  // Typed in between, the next goes on from that, however often it was touched.
  await drag(page, 'fish', 0, -40);
  await field(page, 'Distance').fill('30 ft');
  await expect(fish).toHaveAttribute('aria-valuetext', '30 ft');
  await saved(page);
  await drag(page, 'fish', 1, 0);
  await expect(fish).toHaveAttribute('aria-valuetext', '30 ft');
  await drag(page, 'fish', 0, -12);
  await expect(fish).toHaveAttribute('aria-valuetext', /^3[1-6] ft$/);

  // The plan keeps its scale until the fish leaves it.
  const scale = page.locator('svg', { has: fish }).locator('text').last();
  const bar = await scale.textContent();
  await field(page, 'Distance').fill('20 ft');
  await expect(fish).toHaveAttribute('aria-valuetext', '20 ft');
  await expect(scale).toHaveText(bar!);
  await field(page, 'Distance').fill('110 ft');
  await expect(scale).not.toHaveText(bar!);
});

test('the reader’s own text size is respected, and nothing is smaller than 12 px', async ({ page }) => {
  const smallest = () =>
    page.evaluate(() => {
      let least = { px: Infinity, text: '' };
      const walker = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
      while (walker.nextNode()) {
        const text = walker.currentNode.textContent!.trim();
        const holder = walker.currentNode.parentElement!;
        if (!text || !holder.checkVisibility() || holder.closest('.sr-only, script, style, title')) continue;
        const scale = (holder as unknown as SVGGraphicsElement).getScreenCTM?.()?.d ?? 1;
        const px = parseFloat(getComputedStyle(holder).fontSize) * Math.abs(scale);
        if (px < least.px) least = { px, text };
      }
      return least;
    });
  for (const path of [
    '/briefs/1',
    '/briefs/1/head',
    '/briefs/1/rod',
    '/briefs/1/backing',
    '/shed',
    '/log',
    '/log/answers',
    '/trips/1',
    '/lines/1?part=profile',
    '/reels/1',
    '/care',
    '/cutting',
  ]) {
    await visit(page, path);
    const { px, text } = await smallest();
    expect.soft(px, `“${text}” on ${path}`).toBeGreaterThanOrEqual(11.95);
  }
  const html = () => page.evaluate(() => parseFloat(getComputedStyle(document.documentElement).fontSize));
  expect(await html()).toBe(15);
  // As a browser does whose reader asked for larger letters.
  const client = await page.context().newCDPSession(page);
  await client.send('Page.enable');
  await client.send('Page.setFontSizes', { fontSizes: { standard: 24 } });
  await expect.poll(html).toBe(22.5);
});

test('the tour lets go with Escape, and does not come back', async ({ page }) => {
  await page.goto('/help');
  await page.getByRole('button', { name: 'Take the tour' }).click();
  const strip = page.getByRole('complementary', { name: 'Tour' });
  await expect(strip).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(strip).toBeHidden();
  await page.reload();
  await page.locator('#main').waitFor();
  await expect(strip).toBeHidden();
});
