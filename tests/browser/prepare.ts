import { mkdirSync, rmSync } from 'node:fs';
import { House, prepared } from './house';

/** Fills the folders that houses begin on. */
export default async function prepare() {
  await Promise.all(
    [true, false].map(async (demo) => {
      rmSync(prepared(demo), { recursive: true, force: true });
      mkdirSync(prepared(demo), { recursive: true });
      const house = new House(prepared(demo), demo);
      await house.open();
      await house.close();
    }),
  );
}
