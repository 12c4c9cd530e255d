import type { Page } from '@playwright/test';
import { expect, test, visit } from './app';

// Kinds that measure the same: two figures of one of these that come from the same number are said in the same words.
const same = [
  ['length', 'distance', 'carry', 'rodLength', 'spooled', 'shortLength'],
  ['lineMass', 'gearMass', 'benchMass'],
  ['diameter', 'tippet'],
  ['force', 'pull'],
  ['windSpeed', 'waterSpeed', 'lineSpeed'],
];
const measureOf = (kind: string) => same.findIndex((kinds) => kinds.includes(kind));

type Said = { value: number; kind: string; text: string; page: string };

const pages = [
  '/briefs/1',
  ...['fly', 'leader', 'head', 'backing', 'reel', 'rod', 'hand'].map((link) => `/briefs/1/${link}`),
  '/briefs/3/head?part=depth',
  '/briefs/2/card',
  '/shed',
  '/shed/matrix',
  '/shed/days',
  '/rods/3',
  '/rods/3?part=balance',
  '/lines/8',
  '/lines/8?part=profile',
  '/reels/2',
  '/reels/2?part=spools',
  '/leaders',
  '/leaders/tying?of=1,2',
  '/cutting',
  '/winding',
  '/trips/1',
  '/trips/1/packing',
  '/log',
  '/log/answers',
  '/log/learning',
  '/care',
  '/first',
  '/reference',
];

async function listen(page: Page, units: string, said: Said[]) {
  let at = '';
  await page.exposeFunction('zingTold', (heard: Omit<Said, 'page'>[]) => {
    said.push(...heard.map((s) => ({ ...s, page: at })));
  });
  await page.addInitScript((system) => {
    localStorage.setItem('zing-units', system);
    const app = globalThis as unknown as {
      zingHears: unknown;
      zingTold: (heard: unknown[]) => Promise<void>;
      zingHeard: unknown[];
    };
    app.zingHeard = [];
    app.zingHears = ({ value, kind, plusMinus }: { value: number; kind: string; plusMinus: unknown }, text: string) => {
      if (plusMinus == null) app.zingHeard.push({ value, kind, text });
    };
  }, units);
  for (at of pages) {
    await visit(page, at);
    await page.evaluate(() => {
      const app = globalThis as unknown as { zingTold: (heard: unknown[]) => Promise<void>; zingHeard: unknown[] };
      return app.zingTold(app.zingHeard.splice(0));
    });
  }
}

test.describe('Words', () => {
  test.use({ looking: true });
  for (const units of ['trade', 'metric'])
    test(`the same figure is said the same on every page, ${units}`, async ({ page }) => {
      test.setTimeout(300_000);
      const said: Said[] = [];
      await listen(page, units, said);
      expect(said.length).toBeGreaterThan(2000);
      const of = new Map<string, Said>();
      const differ = new Set<string>();
      for (const s of said) {
        const measure = measureOf(s.kind);
        if (measure < 0 || s.value === 0) continue;
        const number = `${measure} ${s.value.toPrecision(9)} ${isRound(s.value) ? s.page : ''}`;
        const before = of.get(number);
        if (!before) of.set(number, s);
        else if (before.text !== s.text && unitOf(before.text) === unitOf(s.text))
          differ.add(`${s.value}: ${before.text} (${before.kind}, ${before.page}) | ${s.text} (${s.kind}, ${s.page})`);
      }
      expect([...differ]).toEqual([]);
    });
});

// On different pages a number that anybody might begin with stands for different things.
const isRound = (metres: number) =>
  [0.5, 0.1524].some((step) => Math.abs(metres / step - Math.round(metres / step)) < 1e-6) ||
  Math.abs(metres * 20 - Math.round(metres * 20)) < 1e-6;

const unitOf = (text: string) => text.replace(/^[\d.,\s'"-]*/, '').trim() || text.replace(/[\d.,\s-]/g, '');
