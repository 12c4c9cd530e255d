import { mkdirSync, rmSync } from 'node:fs';
import { TestApp, prepared } from './app';

/** Fills the folders that houses begin on. */
export default async function prepare() {
  await Promise.all(
    [true, false].map(async (demo) => {
      rmSync(prepared(demo), { recursive: true, force: true });
      mkdirSync(prepared(demo), { recursive: true });
      const app = new TestApp(prepared(demo), demo);
      await app.open();
      await app.close();
    }),
  );
}
