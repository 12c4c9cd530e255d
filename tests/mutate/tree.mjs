// Faults are put into a copy of the code, beside what is built and running: what is interrupted leaves nothing behind.
import { execFileSync } from 'node:child_process';
import { copyFileSync, cpSync, existsSync, mkdirSync, rmSync, symlinkSync } from 'node:fs';
import { dirname, join, resolve } from 'node:path';

export const root = resolve(import.meta.dirname, '../..');

/** Everything but what git ignores, the built pages, and the client's packages; the folder it lies in. */
export function copy() {
  const tree = process.env.ZING_MUTATE_TREE ?? join(root, '.zing/mutate/tree');
  rmSync(tree, { recursive: true, force: true });
  for (const file of execFileSync('git', ['ls-files', '-z', '--cached', '--others', '--exclude-standard'], { cwd: root, encoding: 'utf8' }).split('\0')) {
    if (!file || !existsSync(join(root, file))) continue;
    mkdirSync(dirname(join(tree, file)), { recursive: true });
    copyFileSync(join(root, file), join(tree, file));
  }
  cpSync(join(root, 'src/ZingCast.Web/wwwroot'), join(tree, 'src/ZingCast.Web/wwwroot'), { recursive: true });
  symlinkSync(join(root, 'client/node_modules'), join(tree, 'client/node_modules'));
  return tree;
}

/** Dice that always fall alike: from 0 up to 1. */
export function dice(seed = 2003) {
  return () => (seed = (seed * 16807) % 2147483647) / 2147483647;
}
