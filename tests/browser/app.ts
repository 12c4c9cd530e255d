import axe from 'axe-core';
import { test as base, type BrowserContext, type Page, type Request } from '@playwright/test';
import { spawn, type ChildProcess } from 'node:child_process';
import { copyFileSync, cpSync, mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';

export { expect } from '@playwright/test';

/** The browser on the machine; Playwright brings none of its own here. */
export const browser = {
  launchOptions: {
    executablePath: process.env.ZING_CHROMIUM ?? '/usr/bin/chromium',
    args: [
      '--no-sandbox',
      '--disable-gpu',
      '--disable-background-networking',
      '--disable-component-update',
      '--disable-sync',
      '--no-first-run',
    ],
  },
};

/**
 * The same with fewer processes, for tests and pictures: painting within the browser's own halves what both cost, and windows of one
 * application share what was read and compiled. Speed is measured without it, as people have it.
 */
export const thrifty = {
  launchOptions: {
    ...browser.launchOptions,
    args: [...browser.launchOptions.args, '--in-process-gpu', '--process-per-site'],
  },
};

/** What every window is opened with. */
export const options = {
  viewport: { width: 1280, height: 800 },
  locale: 'en-GB',
  // Far from UTC and off the hour: an instant that loses its zone on the way shows.
  timezoneId: 'Asia/Kathmandu',
};

const root = resolve(import.meta.dirname, '../..');

const dll = join(root, 'src/ZingCast.Web/bin/Release/net10.0/ZingCast.Web.dll');

/** Folders filled once by the set-up; every app begins on a copy of one, so that none has to be made anew. */
export const prepared = (demo: boolean) => join(import.meta.dirname, 'test-results', demo ? 'app-demo' : 'app-empty');

/** A running Zing Cast with a data folder of its own. */
export class TestApp {
  url = '';
  private process?: ChildProcess;

  constructor(
    readonly data: string,
    readonly demo: boolean,
    readonly env: Record<string, string> = {},
  ) {}

  /** Switches that say where it stands. */
  get folder() {
    return ['--contentRoot', join(root, 'src/ZingCast.Web'), '--data', this.data];
  }

  async open(port = '0') {
    const args = [dll, ...this.folder, '--port', port];
    const running = spawn('dotnet', this.demo ? [...args, '--demo'] : args, {
      stdio: ['ignore', 'pipe', 'pipe'],
      // What lives for minutes only is not worth compiling a third time, and nobody waits for a winder.
      env: { ...process.env, DOTNET_TieredPGO: '0', ZING_WINDER_TURNS: '1500', ...this.env },
    });
    this.process = running;
    this.url = await new Promise<string>((found, failed) => {
      let said = '';
      const listen = (chunk: Buffer) => {
        said += chunk.toString();
        const url = /http:\/\/[\d.]+:\d+/.exec(said)?.[0];
        if (url) found(url);
      };
      running.stdout.on('data', listen);
      running.stderr.on('data', listen);
      running.on('exit', (code) => failed(new Error(`Zing Cast stopped with ${code}: ${said}`)));
    });
  }

  async close() {
    const process = this.process;
    if (!process || process.exitCode !== null) return;
    const gone = new Promise((done) => process.on('exit', done));
    process.kill('SIGTERM');
    await gone;
  }
}

async function newApp(demo: boolean, env: Record<string, string>) {
  const data = mkdtempSync(join(tmpdir(), 'zing-'));
  cpSync(prepared(demo), data, { recursive: true });
  const app = new TestApp(data, demo, env);
  await app.open();
  return app;
}

async function tearDown(app: TestApp) {
  await app.close();
  rmSync(app.data, { recursive: true, force: true });
}

// Any name that a copy may have.
const prepares = 'daily-20200101000000.db';

/** Puts an app back as it was prepared, the way its own page puts a copy back; the copies this makes are swept up. */
async function putBack(app: TestApp, demo: boolean) {
  copyFileSync(join(prepared(demo), 'zingcast.db'), join(app.data, prepares));
  const answer = await fetch(`${app.url}/api/backup/copies/${prepares}/restore`, { method: 'POST' });
  if (!answer.ok) throw new Error(await answer.text());
  for (const file of readdirSync(app.data)) if (/-\d{14}.*\.db$/.test(file)) rmSync(join(app.data, file));
}

/** One app for the tests of a worker. What one test has changed is put back before the next. */
class SharedHouse {
  private opening?: Promise<TestApp>;
  private holds: boolean | null = true;

  async with(demo: boolean) {
    const app = await (this.opening ??= newApp(true, {}));
    if (this.holds !== demo) await putBack(app, demo);
    this.holds = demo;
    return app;
  }

  /** Something in it is not as it was. */
  changed() {
    this.holds = null;
  }

  async close() {
    if (this.opening) await tearDown(await this.opening);
  }
}

/** One set of windows for the tests of a worker; what a test leaves in it is swept up before the next. */
class SharedWindows {
  private constructor(
    readonly context: BrowserContext,
    private readonly keptOpen: Page,
  ) {}

  static async on(context: BrowserContext) {
    // A window that stays open keeps the process; without one every test would read and compile all scripts anew.
    const keptOpen = await context.newPage();
    await keptOpen.goto('/mark.svg');
    return new SharedWindows(context, keptOpen);
  }

  async sweep() {
    for (const page of this.context.pages()) if (page !== this.keptOpen) await page.close();
    await this.keptOpen.evaluate(() => localStorage.clear());
    await this.context.clearCookies();
    await this.context.clearPermissions();
  }
}

type Shared = { sharedHouse: SharedHouse; sharedWindows: SharedWindows };

type Fixtures = {
  demo: boolean;
  /** Changes nothing that is kept. */
  looking: boolean;
  /** Needs an app for itself, to close it and open it again. */
  own: boolean;
  env: Record<string, string>;
  app: TestApp;
  complaints: string[];
  mayComplain: RegExp | null;
};

/** Every test begins in an app as it was prepared, and fails when the page complains or asks anybody else for anything. */
export const test = base.extend<Fixtures, Shared>({
  demo: [true, { option: true }],
  looking: [false, { option: true }],
  own: [false, { option: true }],
  env: [{}, { option: true }],
  mayComplain: [null, { option: true }],
  sharedHouse: [
    // eslint-disable-next-line no-empty-pattern
    async ({}, use) => {
      const shared = new SharedHouse();
      await use(shared);
      await shared.close();
    },
    { scope: 'worker' },
  ],
  sharedWindows: [
    async ({ browser, sharedHouse }, use) => {
      const app = await sharedHouse.with(true);
      const context = await browser.newContext({ ...options, baseURL: app.url });
      await use(await SharedWindows.on(context));
      await context.close();
    },
    { scope: 'worker' },
  ],
  // Of the options of a window only these are looked at; another one goes into contextOptions.
  context: async ({ browser, app, env, own, hasTouch, isMobile, viewport, contextOptions, sharedWindows }, use) => {
    const usual = !hasTouch && !isMobile && viewport?.width === options.viewport.width;
    if (usual && !own && Object.keys(env).length + Object.keys(contextOptions).length === 0) {
      await use(sharedWindows.context);
      await sharedWindows.sweep();
      return;
    }
    const context = await browser.newContext({
      ...options,
      ...contextOptions,
      baseURL: app.url,
      hasTouch,
      isMobile,
      viewport,
    });
    await use(context);
    await context.close();
  },
  app: async ({ demo, env, looking, own, sharedHouse }, use) => {
    if (own || Object.keys(env).length > 0) {
      const app = await newApp(demo, env);
      await use(app);
      await tearDown(app);
      return;
    }
    await use(await sharedHouse.with(demo));
    if (!looking) sharedHouse.changed();
  },
  complaints: [
    async ({ page, app, mayComplain }, use) => {
      const complaints: string[] = [];
      page.on('console', (m) => ['error', 'warning'].includes(m.type()) && complaints.push(m.text()));
      page.on('pageerror', (e) => complaints.push(e.message));
      page.on('request', (r) => {
        if (!r.url().startsWith(app.url) && !r.url().startsWith('data:')) complaints.push(`asked ${r.url()}`);
      });
      await use(complaints);
      // A refused entry shows as a failed request in the console; that one is the test's own doing.
      const left = complaints.filter((c) => !/status of 4\d\d/.test(c) && !(mayComplain?.test(c) ?? false));
      if (left.length > 0) throw new Error(`The page complained: ${left.join('\n')}`);
    },
    { auto: true },
  ],
  baseURL: async ({ app }, use) => use(app.url),
});

/** The figure of a link on the chain, as words. */
export const linkOf = (page: Page, id: string) => page.locator(`[data-link="${id}"]`).first();

/** Waits until what is on the screen has been kept. */
export const saved = (page: Page) => page.locator('[data-saving="saved"]').waitFor();

const under = new WeakMap<Page, Set<Request>>();

function requests(page: Page) {
  const known = under.get(page);
  if (known) return known;
  const open = new Set<Request>();
  page.on('request', (r) => open.add(r));
  page.on('requestfinished', (r) => open.delete(r));
  page.on('requestfailed', (r) => open.delete(r));
  under.set(page, open);
  return open;
}

/** Waits until the page has asked for nothing for a moment and what came in is painted. */
export async function settled(page: Page) {
  const open = requests(page);
  for (let quiet = 0; quiet < 3; quiet = open.size === 0 ? quiet + 1 : 0)
    await page.evaluate(
      () => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(() => setTimeout(done, 20)))),
    );
}

/**
 * Goes to another address within the application, as a link does: only the first page of a test is loaded anew. Every address shows
 * something else, so what stood there has to go.
 */
export async function visit(page: Page, path: string) {
  requests(page);
  if (page.url() === 'about:blank') await page.goto(path);
  else if (!page.url().endsWith(path)) {
    const before = await page.evaluate(() => document.body.innerHTML);
    await page.evaluate((to) => {
      history.pushState({}, '', to);
      dispatchEvent(new PopStateEvent('popstate'));
    }, path);
    await page.waitForFunction((old) => document.body.innerHTML !== old, before);
  }
  await page.locator('main').first().waitFor();
  await settled(page);
}

/** What axe finds within a part of the page, by all its rules; it is brought into the page once. */
export async function faults(page: Page, within = 'body', contrast = true) {
  if (!(await page.evaluate(() => 'axe' in globalThis))) await page.evaluate(axe.source);
  return page.evaluate(
    async ([part, withContrast]) => {
      const { run } = (globalThis as unknown as { axe: typeof axe }).axe;
      const found = await run(document.querySelector(part)!, {
        rules: { 'color-contrast': { enabled: withContrast } },
        resultTypes: ['violations'],
        preload: false,
      });
      return found.violations.map((v) => ({ id: v.id, impact: v.impact, nodes: v.nodes.map((n) => n.html) }));
    },
    [within, contrast] as const,
  );
}
