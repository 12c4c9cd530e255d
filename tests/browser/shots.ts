import { join, resolve } from 'node:path';
import { linkOf, test } from './app';

const folder = resolve(import.meta.dirname, '../../docs/screenshots');

type Shot = {
  name: string;
  path: string;
  theme?: string;
  units?: string;
  width?: number;
  height?: number;
  beside?: RegExp;
  /** A fish that runs long, in the middle of it. */
  run?: boolean;
  /** A leader knotted from the pocket, beside the chain's. */
  leader?: boolean;
  /** An outfit half rigged, at a knot. */
  rig?: boolean;
};

const shots: Shot[] = [
  { name: 'chain', path: '/briefs/1' },
  { name: 'chain-dusk-metric', path: '/briefs/3', theme: 'dusk', units: 'metric' },
  { name: 'bench-leader', path: '/briefs/1/leader', leader: true },
  { name: 'trip', path: '/trips/1' },
  { name: 'packing', path: '/trips/1/packing' },
  { name: 'outing', path: '/log/new?brief=1', width: 390, height: 844 },
  { name: 'bench-depth', path: '/briefs/3/head?part=depth' },
  { name: 'rigging', path: '/briefs/1', rig: true },
  { name: 'first', path: '/first?water=river,stillwater&fish=river-trout,perch,pike&room=open&money=500' },
  { name: 'learning', path: '/log/learning' },
  { name: 'bench-hand', path: '/briefs/1/hand' },
  { name: 'bench-run', path: '/briefs/1/backing', run: true },
  { name: 'log', path: '/log/answers' },
  { name: 'rod-test', path: '/rods/3?brief=1' },
  { name: 'line-profile', path: '/lines/8?part=profile' },
  { name: 'care', path: '/care', theme: 'dusk', units: 'metric' },
  { name: 'shed', path: '/shed' },
  { name: 'phone', path: '/briefs/2', width: 390, height: 844 },
];

test('pictures of the main views', async ({ page, context }) => {
  test.setTimeout(600_000);
  for (const {
    name,
    path,
    theme = 'paper',
    units = 'trade',
    width = 1280,
    height = 800,
    beside,
    run,
    leader,
    rig,
  } of shots) {
    const view = await context.newPage();
    await view.setViewportSize({ width, height });
    await view.addInitScript(
      ([t, u]) => {
        localStorage.setItem('zing-theme', t!);
        localStorage.setItem('zing-units', u!);
      },
      [theme, units],
    );
    await view.goto(path);
    if (/briefs?[/=]\d/.test(path) && !/card$|^.log/.test(path))
      await linkOf(view, 'rod').waitFor({ state: 'attached' });
    await view.waitForLoadState('networkidle');
    if (beside) {
      await view.getByRole('combobox', { name: 'Another rod over it' }).click();
      await view.getByRole('option', { name: beside }).click();
      await view.waitForLoadState('networkidle');
    }
    if (run) {
      const fish = view.getByRole('region', { name: 'A fish runs' });
      await fish.getByRole('textbox', { name: 'Drag' }).fill('1.5 lb');
      await fish.getByRole('textbox', { name: 'Drag' }).blur();
      await view.waitForLoadState('networkidle');
      await fish.getByRole('slider', { name: 'Moment of the run' }).fill('0.4');
      await fish.evaluate((e) => e.scrollIntoView({ block: 'start' }));
      await view.mouse.wheel(0, -200);
      await view.waitForTimeout(600);
    }
    if (leader) {
      await view.getByRole('button', { name: 'knotted from the pocket' }).click();
      await view.locator('[data-leader="yours"]').waitFor();
      await view.waitForLoadState('networkidle');
      await view.evaluate(() => window.scrollTo(0, 0));
    }
    if (rig) {
      await view.getByRole('button', { name: 'Rig it' }).click();
      for (const step of ['spool', 'rod', 'reel', 'rings', 'leader']) {
        await view.locator(`[data-step="${step}"][aria-current]`).waitFor();
        await view.getByRole('button', { name: 'Done', exact: true }).click();
      }
      await view.getByRole('button', { name: 'Next step' }).click();
      await view.waitForLoadState('networkidle');
    }
    await view.screenshot({ path: join(folder, `${name}.png`) });
    await view.close();
  }
  await page.close();
});
