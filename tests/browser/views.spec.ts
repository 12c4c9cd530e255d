import { expect, faults, linkOf, test, visit } from './app';

const benches = ['fly', 'tippet', 'leader', 'head', 'running', 'backing', 'reel', 'rod', 'hand'];
const rest = [
  '/briefs/2?show=reference',
  '/briefs/2 ?',
  '/briefs/2 Control+k',
  '/briefs/new',
  '/briefs',
  '/compare?a=1&b=3',
  '/briefs/2/card',
  '/shed',
  '/nowhere',
  '/rods/3?part=test&brief=1',
  '/rods/3?part=bend',
  '/rods/3?part=balance',
  '/rods/3?part=look',
  '/rods/8?part=bend',
  '/lines/5?part=weigh',
  '/lines/5?part=profile',
  '/lines/19',
  '/cutting',
  '/reels/5?part=fill',
  '/reels/9?part=measure',
  '/reels/5?part=spools',
  '/winding',
  '/shed/matrix',
  '/shed/days',
  '/shed/paste',
  '/trips',
  '/trips/1',
  '/trips/1/packing',
  '/first',
  '/spools/3',
  '/leaders',
  '/leaders?break=4',
  '/leaders/1',
  '/leaders/tying?of=1,2',
  '/briefs/3/head?part=depth',
  '/briefs/1/head?part=days',
  '/rigging',
  '/knots',
  '/knots/non-slip',
  '/log',
  '/log/new?brief=1',
  '/log/new?kind=grass',
  '/log/answers',
  '/log/learning',
  '/care',
  '/data',
  '/help',
];

test.use({ looking: true });

// A bench changes only the middle of the page, and all pages share their inks: what is the same is looked at once.
const looks = [
  { name: 'the chain with brief and ledger', theme: 'paper', views: ['/briefs/1'], within: 'body', contrast: true },
  {
    name: 'every bench',
    theme: 'paper',
    views: benches.map((b) => `/briefs/1/${b}`),
    within: '#chain',
    contrast: false,
  },
  { name: 'every other page and sheet', theme: 'paper', views: rest, within: 'body', contrast: false },
  {
    name: 'the chain, the shed, the cast and the measuring benches at dusk',
    theme: 'dusk',
    views: ['/briefs/1', '/shed', '/briefs/1/hand', '/rods/3', '/cutting'],
    within: 'body',
    contrast: true,
  },
];

for (const look of looks)
  test(`no serious accessibility fault: ${look.name}`, async ({ page }) => {
    test.setTimeout(400_000);
    await page.addInitScript((t) => localStorage.setItem('zing-theme', t), look.theme);
    for (const view of look.views) {
      const [path, key] = view.split(' ');
      await visit(page, path!);
      await page.locator(look.within).waitFor();
      if (key) {
        await page.keyboard.press(key);
        await expect(page.getByRole('dialog')).toBeVisible();
      }
      const violations = await faults(page, look.within, look.contrast);
      const serious = violations.filter((v) => v.impact === 'serious' || v.impact === 'critical');
      expect(serious.map((v) => `${view} ${v.id}: ${v.nodes.map((html) => html.slice(0, 160)).join(' | ')}`)).toEqual(
        [],
      );
      if (key) await page.keyboard.press('Escape');
    }
  });

test('everything can be reached by tabbing, and what has the focus shows it', async ({ page }) => {
  await page.goto('/briefs/1');
  await expect(linkOf(page, 'rod')).toBeVisible();
  const reached = new Set<string>();
  for (let i = 0; i < 140; i++) {
    await page.keyboard.press('Tab');
    const here = await page.evaluate(() => {
      const e = document.activeElement!;
      return {
        name: e.getAttribute('aria-label') ?? e.getAttribute('data-rule') ?? e.getAttribute('data-link') ?? e.id ?? '',
        link: e.getAttribute('data-link'),
        rule: e.getAttribute('data-rule'),
        outline: getComputedStyle(e).outlineStyle,
      };
    });
    if (here.link) expect(here.outline).not.toBe('none');
    reached.add(here.link ?? here.rule ?? here.name);
  }
  for (const wanted of [
    'fly',
    'tippet',
    'leader',
    'head',
    'running',
    'backing',
    'reel',
    'rod',
    'hand',
    'class.delivery',
    'reel.money',
    'Distance',
    'Distance to the fish',
    'Depth of the fly',
  ])
    expect([...reached]).toContain(wanted);
});

test('on a phone nothing runs off the side and the links are big enough for a wet thumb', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  for (const view of [
    '/briefs/1',
    '/briefs/1/rod',
    '/briefs/1/head',
    '/briefs/3/hand',
    '/briefs/1/tippet',
    '/briefs/1/reel',
    '/briefs/new',
    '/shed',
    '/briefs',
    '/compare?a=1&b=3',
    '/briefs/2/card',
    '/rods/3?part=test&brief=1',
    '/rods/3?part=bend',
    '/rods/3?part=balance',
    '/lines/5?part=weigh',
    '/lines/5?part=profile',
    '/cutting',
    '/briefs/1/backing',
    '/reels/5?part=fill',
    '/reels/9?part=measure',
    '/reels/5?part=spools',
    '/spools/3',
    '/briefs/1/leader',
    '/briefs/3/head?part=depth',
    '/shed/matrix',
    '/shed/days',
    '/trips/1',
    '/trips/1/packing',
    '/leaders',
    '/leaders/1',
    '/leaders/tying?of=1,2',
    '/knots/nail',
    '/log',
    '/log/new?brief=1',
    '/log/answers',
    '/log/learning',
    '/care',
    '/data',
    '/help',
  ]) {
    await visit(page, view);
    expect(await page.evaluate(() => document.documentElement.scrollWidth), view).toBeLessThanOrEqual(390);
  }
  await page.goto('/briefs/1');
  expect((await linkOf(page, 'rod').boundingBox())!.height).toBeGreaterThanOrEqual(44);
});

test('units and theme turn at a keystroke and are remembered', async ({ page }) => {
  await page.goto('/briefs/1');
  await expect(linkOf(page, 'head')).toContainText('262 gr');
  await page.keyboard.press('u');
  await expect(linkOf(page, 'head')).toContainText('17 g');
  await expect(page.getByRole('slider', { name: 'Distance to the fish' })).toHaveAttribute('aria-valuetext', '17 m');
  const theme = () => page.evaluate(() => document.documentElement.dataset.theme);
  const first = await theme();
  await page.keyboard.press('d');
  expect(await theme()).not.toBe(first);
  await page.reload();
  await expect(linkOf(page, 'head')).toContainText('17 g');
  expect(await theme()).not.toBe(first);
});

test('the pages run under a policy that lets in nothing but themselves', async ({ page }) => {
  const response = await page.goto('/');
  const policy = response!.headers()['content-security-policy'];
  expect(policy).toContain("default-src 'none'");
  expect(policy).not.toContain('unsafe');
});

test('an address that was kept before rooms had one name leads to the room', async ({ page }) => {
  await page.goto('/drawer');
  await expect(page).toHaveURL(/\/cutting$/);
  await expect(page.getByRole('heading', { name: 'A head from old lines' })).toBeVisible();
});

test.describe('when a page cannot be fetched', () => {
  test.use({ mayComplain: /ShedPage|ERR_FAILED|dynamically imported|error occurred/ });

  test('it says so, other pages still open, and it can be tried again', async ({ page }) => {
    await page.route(/ShedPage/, (route) => route.abort());
    await page.goto('/briefs');
    await page.getByRole('link', { name: 'Shed', exact: true }).click();
    await expect(page.getByRole('heading', { name: 'This page could not be opened.' })).toBeVisible();
    await page.getByRole('link', { name: 'Drawer' }).click();
    await expect(page.getByRole('heading', { name: 'A head from old lines' })).toBeVisible();
    await page.unroute(/ShedPage/);
    await page.goto('/shed');
    await expect(page.getByRole('heading', { name: 'Shed' })).toBeVisible();
  });
});

test('with text at twice its size nothing runs off the side', async ({ page }) => {
  // As a browser does it that enlarges text and all: the page has half the room.
  await page.setViewportSize({ width: 640, height: 400 });
  for (const view of [
    '/briefs/1',
    '/briefs/1/head',
    '/shed',
    '/briefs',
    '/briefs/new',
    '/compare?a=1&b=3',
    '/cutting',
  ]) {
    await visit(page, view);
    expect(await page.evaluate(() => document.documentElement.scrollWidth), view).toBeLessThanOrEqual(640);
  }
});
