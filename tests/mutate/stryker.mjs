// Runs Stryker.NET over one room and tells what no test of the room noticed.
//   node tests/mutate/stryker.mjs ROOM [share]   share: 0.2 looks at a fifth of its lines, in stretches drawn by dice that always fall alike
import { spawnSync } from 'node:child_process';
import { mkdirSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { testsOf } from './rooms.mjs';
import { copy, dice, root } from './tree.mjs';

const [room, share] = [process.argv[2], Number(process.argv[3] ?? 1)];
const part =
  room === 'Store' || room === 'Web'
    ? { project: `ZingCast.${room}`, folder: '', tests: 'ZingCast.Web.Tests' }
    : { project: 'ZingCast.Core', folder: `${room}/`, tests: 'ZingCast.Core.Tests' };

const tree = copy();
const source = join(tree, 'src', part.project);
const tests = join(tree, 'tests', part.tests);
// Other rooms' tests would only take time, and killed programs cannot be looked into.
const isWanted = part.folder
  ? (file) => testsOf(room).includes(file.slice(0, -3))
  : (file) => !/Suite\.Faults|: ProgramTests/.test(readFileSync(join(tests, file), 'utf8'));
for (const file of readdirSync(tests)) if (file.endsWith('Tests.cs') && !isWanted(file)) rmSync(join(tests, file));

const all = readdirSync(source, { recursive: true })
  .filter((f) => f.endsWith('.cs') && !/^(bin|obj|Migrations)\//.test(f))
  .sort();
const files = all.filter((f) => f.startsWith(part.folder));
if (files.length === 0) throw new Error(`There is no room ${room}.`);
// Sentences are interpolated strings that keep their figures: with a changed one a whole method does not compile. Other rooms are left alone.
for (const file of all) {
  const path = join(source, file);
  writeFileSync(path, `// Stryker disable ${files.includes(file) ? 'String' : 'all'}\n${readFileSync(path, 'utf8')}`);
}

/** Stretches of a dozen lines, as spans of characters, which is what Stryker takes. */
function sample() {
  const [stretch, roll] = [12, dice()];
  return files.flatMap((file) => {
    const text = readFileSync(join(source, file), 'utf8').split('\n');
    let at = 0;
    const starts = text.map((line) => (at += line.length + 1) - line.length - 1);
    return starts
      .filter((_, n) => n % stretch === 0 && roll() < share)
      .map((from) => `${file}{${from}..${starts[starts.indexOf(from) + stretch] ?? at}}`);
  });
}

const out = join(root, '.zing/mutate', room);
rmSync(out, { recursive: true, force: true });
mkdirSync(out, { recursive: true });
const config = {
  project: `${part.project}.csproj`,
  configuration: 'Release',
  mutate: share < 1 ? sample() : files,
  'ignore-mutations': ['regex', 'string'],
  'coverage-analysis': 'perTest',
  'test-runner': 'mtp',
  reporters: ['json', 'progress'],
  concurrency: 2,
};
writeFileSync(join(out, 'stryker.json'), JSON.stringify({ 'stryker-config': config }));
const run = ['stryker', '--config-file', join(out, 'stryker.json'), '--output', out, '--skip-version-check'];
const ran = spawnSync('dotnet', run, { cwd: tests, stdio: 'inherit' });
if (ran.status !== 0) process.exit(ran.status ?? 1);

const report = JSON.parse(readFileSync(join(out, 'reports/mutation-report.json'), 'utf8'));
const found = Object.entries(report.files).flatMap(([file, { mutants }]) => mutants.map((m) => ({ file, ...m })));
const count = (...states) => found.filter((m) => states.includes(m.status));
const [noticed, unnoticed] = [count('Killed', 'Timeout'), count('Survived', 'NoCoverage')];
for (const m of unnoticed) {
  const where = `${m.file.replace(`${tree}/`, '')}:${m.location.start.line - 1}`;
  const why = m.status === 'NoCoverage' ? ', looked at by no test' : '';
  console.log(`${where} ${m.mutatorName}${why}: ${m.replacement.replace(/\s+/g, ' ').slice(0, 110)}`);
}
const total = noticed.length + unnoticed.length;
console.log(`${room}: ${noticed.length} of ${total} changes noticed, ${((100 * noticed.length) / total).toFixed(1)} %`);
