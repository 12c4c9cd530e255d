// Puts each fault of faults.mjs into a copy of the code, runs the tests that should notice, and takes it out again. Names what nobody
// noticed.
//   node tests/mutate/by-hand.mjs [part of a fault's name]
import { spawnSync } from 'node:child_process';
import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { faults } from './faults.mjs';
import { copy } from './tree.mjs';

const part = process.argv[2] ?? '';
const chosen = faults.filter((f) => f.name.includes(part));
const suites = { core: 'Core', web: 'Web' };
const tree = copy();

/** What the tests printed if one failed. */
function failure(suite, classes) {
  if (suite === 'client')
    return printed(spawnSync('npx', ['--no-install', 'vitest', 'run', ...classes], { cwd: join(tree, 'client') }));
  const name = `ZingCast.${suites[suite]}.Tests`;
  const project = join(tree, 'tests', name);
  const build = ['build', project, '-c', 'Release', '-v', 'quiet', '--nologo', '-p:OpenApiGenerateDocuments=false'];
  const built = spawnSync('dotnet', build, { encoding: 'utf8' });
  if (built.status !== 0) throw new Error(built.stdout);
  const filter = classes.flatMap((c) => ['-class', `${name}.${c}`]);
  return printed(spawnSync('dotnet', [join(project, `bin/Release/net10.0/${name}.dll`), '-noLogo', '-noColor', ...filter]));
}

const printed = (run) => (run.status === 0 ? undefined : `${run.error ?? ''}${run.stdout}${run.stderr}`);

// A test that fails anyway notices nothing.
for (const suite of new Set(chosen.map((f) => f.suite))) {
  const classes = [...new Set(chosen.filter((f) => f.suite === suite).flatMap((f) => f.classes))];
  const failed = failure(suite, classes);
  if (failed) throw new Error(`Without any fault some fail already: ${suite} ${classes.join(', ')}\n${failed}`);
}

let unnoticed = 0;
for (const fault of chosen) {
  const file = join(tree, fault.file);
  const text = readFileSync(file, 'utf8');
  if (text.split(fault.find).length !== 2)
    throw new Error(`${fault.name}: “${fault.find}” does not stand once in ${fault.file}.`);
  writeFileSync(file, text.replace(fault.find, () => fault.put));
  const noticed = failure(fault.suite, fault.classes) !== undefined;
  writeFileSync(file, text);
  console.log(`${noticed ? 'noticed  ' : 'UNNOTICED'} ${fault.name}`);
  if (!noticed) unnoticed++;
}
console.log(`${unnoticed} of ${chosen.length} unnoticed`);
process.exitCode = unnoticed > 0 || chosen.length === 0 ? 1 : 0;
