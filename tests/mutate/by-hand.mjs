// Puts each fault of faults.mjs into the code, runs the tests that should notice, and puts the file back. Names what nobody noticed.
//   node tests/mutate/by-hand.mjs [part of a name]
import { execFileSync, spawnSync } from 'node:child_process';
import { readFileSync, writeFileSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { faults } from './faults.mjs';

const root = resolve(import.meta.dirname, '../..');
const part = process.argv[2] ?? '';

const suites = {
  core: 'ZingCast.Core.Tests',
  web: 'ZingCast.Web.Tests',
};

/** Whether the tests fail; a fault that does not build is no fault. */
function noticed({ suite, classes }) {
  if (suite === 'client')
    return (
      spawnSync('npx', ['--no-install', 'vitest', 'run', ...classes], { cwd: join(root, 'client'), stdio: 'ignore' })
        .status !== 0
    );
  const project = join(root, 'tests', suites[suite]);
  execFileSync('dotnet', ['build', project, '-c', 'Release', '-v', 'quiet', '--nologo', '-p:OpenApiGenerateDocuments=false'], {
    stdio: ['ignore', 'ignore', 'inherit'],
  });
  const dll = join(project, 'bin/Release/net10.0', `${suites[suite]}.dll`);
  const filter = classes.flatMap((c) => ['-class', `ZingCast.${suite === 'core' ? 'Core' : 'Web'}.Tests.${c}`]);
  return spawnSync('dotnet', [dll, '-noLogo', '-noColor', ...filter], { stdio: 'ignore' }).status !== 0;
}

const unnoticed = [];
for (const fault of faults.filter((f) => f.name.includes(part))) {
  const file = join(root, fault.file);
  const text = readFileSync(file, 'utf8');
  if (text.split(fault.find).length !== 2) throw new Error(`${fault.name}: “${fault.find}” does not stand once in ${fault.file}.`);
  writeFileSync(file, text.replace(fault.find, () => fault.put));
  const back = () => writeFileSync(file, text);
  process.once('SIGINT', back);
  try {
    const killed = noticed(fault);
    console.log(`${killed ? 'noticed  ' : 'UNNOTICED'} ${fault.name}`);
    if (!killed) unnoticed.push(fault.name);
  } finally {
    back();
    process.off('SIGINT', back);
  }
}
console.log(`${unnoticed.length} unnoticed`);
process.exitCode = unnoticed.length > 0 ? 1 : 0;
