import { expect, linkOf, test } from './app';

/** Moves that are measured, and the pace at which a hand makes them, ms. */
const moves = 40;
const everyMs = 120;

type Told = { answers: number[]; plans: number[] };

test('from the finger to the picture', async ({ page }) => {
  test.setTimeout(300_000);
  await page.goto('/briefs/1');
  await expect(linkOf(page, 'rod')).toContainText('R6');
  await page.waitForLoadState('networkidle');
  // An app that has stood for a while: its code is compiled as it is used.
  const { draft } = (await (await page.request.get('/api/briefs/1')).json()) as { draft: object };
  for (let i = 0; i < 200; i++)
    await page.request.post('/api/matching/solve', { data: { brief: { ...draft, distanceM: 20 + i / 50 } } });
  await page.waitForTimeout(3000);
  // In the page itself: from the pointer's event to the frame that shows it, on the plan and in the chain.
  await page.evaluate(() => {
    const told: Told = { answers: [], plans: [] };
    (window as unknown as { told: Told }).told = told;
    const fish = () => document.querySelector('[data-handle="fish"]')!.getAttribute('aria-valuenow');
    const chain = () => document.querySelector('[data-chain]')!.getAttribute('data-answers');
    window.addEventListener('pointermove', () => {
      const began = performance.now();
      const was = fish();
      let planned = false;
      const look = () => {
        const now = performance.now() - began;
        if (!planned && fish() !== was) {
          planned = true;
          told.plans.push(now);
        }
        if (planned && chain() === fish()) told.answers.push(now);
        else if (now < 1000) requestAnimationFrame(look);
      };
      requestAnimationFrame(look);
    });
  });
  const box = (await page.locator('[data-handle="fish"]').boundingBox())!;
  const at = { x: box.x + box.width / 2, y: box.y + box.height / 2 };
  await page.mouse.move(at.x, at.y);
  await page.mouse.down();
  for (let i = 0; i < moves; i++) {
    // Four pixels nearer at a time: with every move a distance nobody asked for before.
    await page.mouse.move(at.x, at.y + 4 * (i + 1));
    await page.waitForTimeout(everyMs);
  }
  await page.mouse.up();
  const { answers, plans } = await page.evaluate(() => (window as unknown as { told: Told }).told);
  expect(answers.length).toBeGreaterThan(moves / 2);
  for (const [name, times, aims] of [
    ['finger to plan', plans, ''],
    ['finger to chain', answers, ' (aims: median 40, 95th percentile 80)'],
  ] as const) {
    const sorted = [...times].sort((a, b) => a - b);
    const share = (p: number) => sorted[Math.min(sorted.length - 1, Math.floor(p * sorted.length))]!.toFixed(0);
    // Printed, not asserted: machines differ.
    console.log(`\n${name}: median ${share(0.5)} ms, 95th percentile ${share(0.95)} ms, of ${sorted.length}${aims}`);
  }
});

test('from the finger to the spool in section', async ({ page }) => {
  test.setTimeout(120_000);
  await page.goto('/briefs/1/backing');
  const edge = page.getByRole('slider', { name: 'Edge of the backing' });
  await expect(edge).toBeVisible();
  await page.waitForLoadState('networkidle');
  await page.evaluate(() => {
    const told: number[] = [];
    (window as unknown as { spool: number[] }).spool = told;
    const edge = () => document.querySelector('[aria-label="Edge of the backing"]')!.getAttribute('aria-valuenow');
    window.addEventListener('pointermove', () => {
      const [began, was] = [performance.now(), edge()];
      const look = () => {
        if (edge() !== was) told.push(performance.now() - began);
        else if (performance.now() - began < 1000) requestAnimationFrame(look);
      };
      requestAnimationFrame(look);
    });
  });
  const box = (await edge.boundingBox())!;
  const at = { x: box.x + 8, y: box.y + box.height / 2 };
  await page.mouse.move(at.x, at.y);
  await page.mouse.down();
  for (let i = 0; i < moves; i++) {
    await page.mouse.move(at.x, at.y + (i < moves / 2 ? -1 : 1) * ((i % (moves / 2)) + 1));
    await page.waitForTimeout(everyMs);
  }
  await page.mouse.up();
  const told = await page.evaluate(() => (window as unknown as { spool: number[] }).spool);
  expect(told.length).toBeGreaterThan(moves / 3);
  const sorted = [...told].sort((a, b) => a - b);
  const share = (p: number) => sorted[Math.min(sorted.length - 1, Math.floor(p * sorted.length))]!.toFixed(0);
  console.log(`\nfinger to spool: median ${share(0.5)} ms, 95th percentile ${share(0.95)} ms, of ${sorted.length}`);
});

test('from the finger to the fly on its way down', async ({ page }) => {
  test.setTimeout(120_000);
  await page.goto('/briefs/3/head?part=depth');
  const bottom = page.getByRole('slider', { name: 'The bottom' });
  await expect(bottom).toBeVisible();
  await page.waitForLoadState('networkidle');
  await page.evaluate(() => {
    const told: number[] = [];
    (window as unknown as { depth: number[] }).depth = told;
    const where = () => document.querySelector('[aria-label="The bottom"]')!.getAttribute('aria-valuenow');
    window.addEventListener('pointermove', () => {
      const [began, was] = [performance.now(), where()];
      const look = () => {
        if (where() !== was) told.push(performance.now() - began);
        else if (performance.now() - began < 1000) requestAnimationFrame(look);
      };
      requestAnimationFrame(look);
    });
  });
  const box = (await bottom.boundingBox())!;
  const at = { x: box.x + 20, y: box.y + box.height / 2 };
  await page.mouse.move(at.x, at.y);
  await page.mouse.down();
  for (let i = 0; i < moves; i++) {
    // Half a foot and more at a time, so that every move is another depth.
    await page.mouse.move(at.x, at.y + 10 * (1 + (i % 5)));
    await page.waitForTimeout(everyMs);
  }
  await page.mouse.up();
  const sorted = (await page.evaluate(() => (window as unknown as { depth: number[] }).depth)).sort((a, b) => a - b);
  expect(sorted.length).toBeGreaterThan(moves / 3);
  const share = (p: number) => sorted[Math.min(sorted.length - 1, Math.floor(p * sorted.length))]!.toFixed(0);
  console.log(`\nfinger to depth: median ${share(0.5)} ms, 95th percentile ${share(0.95)} ms, of ${sorted.length}`);
});

test('from a key on the wind to the cast and the curve', async ({ page }) => {
  await page.goto('/briefs/1/hand');
  await expect(page.locator('svg[data-cast]')).toBeVisible();
  const wind = page.getByRole('slider', { name: /^Wind/ });
  await wind.focus();
  const times: number[] = [];
  for (let i = 0; i < 12; i++) {
    await page.evaluate(() => {
      const drawn = document.querySelector('svg[data-cast]')!;
      const curve = document.querySelector('section[aria-label="Distance against wind"] svg')!;
      const before = [drawn.getAttribute('aria-label'), curve.getAttribute('aria-label')];
      (window as unknown as { shown: Promise<number> }).shown = new Promise<number>((done) => {
        let pressed = 0;
        window.addEventListener('keydown', () => (pressed = performance.now()), { once: true, capture: true });
        (function look() {
          const changed =
            drawn.getAttribute('aria-label') !== before[0] && curve.getAttribute('aria-label') !== before[1];
          if (pressed && (changed || performance.now() - pressed > 3000)) done(performance.now() - pressed);
          else requestAnimationFrame(look);
        })();
      });
    });
    await page.keyboard.press('ArrowUp');
    times.push(await page.evaluate(() => (window as unknown as { shown: Promise<number> }).shown));
    await page.waitForTimeout(everyMs);
  }
  times.sort((a, b) => a - b);
  console.log(
    `\nfinger on the wind's key to cast and curve: median ${times[6]!.toFixed(0)} ms, slowest ${times.at(-1)!.toFixed(0)} ms`,
  );
});
