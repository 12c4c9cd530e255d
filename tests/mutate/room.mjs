// Runs Stryker.NET over one room and tells what no test noticed.
//   node tests/mutate/room.mjs ROOM [lines]   lines: so many lines of it only, in stretches drawn by dice that always fall alike
import { spawnSync } from 'node:child_process';
import { mkdirSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { copy, root } from './tree.mjs';

const [room, lines] = [process.argv[2], Number(process.argv[3] ?? 0)];
const part =
  room === 'Store' || room === 'Web'
    ? { project: `ZingCast.${room}`, folder: '', tests: 'ZingCast.Web.Tests', filter: 'suite!=faults' }
    : { project: 'ZingCast.Core', folder: room, tests: 'ZingCast.Core.Tests' };

const tree = copy();
const source = join(tree, 'src', part.project);
const all = readdirSync(source, { recursive: true })
  .filter((f) => f.endsWith('.cs') && !/^(bin|obj|Migrations)\//.test(f))
  .sort();
const files = all.filter((f) => f.startsWith(part.folder ? `${part.folder}/` : ''));
if (files.length === 0) throw new Error(`There is no room ${room}.`);
// Sentences are interpolated strings that keep their figures: with a changed one a whole method does not compile. Other rooms are left alone.
for (const file of all) {
  const path = join(source, file);
  writeFileSync(path, `// Stryker disable ${files.includes(file) ? 'String' : 'all'}\n${readFileSync(path, 'utf8')}`);
}

// Stretches of a dozen lines, as character spans, which is what Stryker takes.
const stretch = 12;
function sample() {
  const spans = files.flatMap((file) => {
    const text = readFileSync(join(source, file), 'utf8').split('\n');
    const starts = text.map(((at) => (line) => (at += line.length + 1) - line.length - 1)(0));
    return text.flatMap((_, n) =>
      n % stretch === 0
        ? [`${file}{${starts[n]}..${n + stretch < text.length ? starts[n + stretch] - 1 : starts.at(-1) + text.at(-1).length}}`]
        : [],
    );
  });
  let seed = 2003;
  const dice = () => (seed = (seed * 16807) % 2147483647) / 2147483647;
  return spans
    .map((span) => ({ span, at: dice() }))
    .sort((a, b) => a.at - b.at)
    .slice(0, Math.ceil(lines / stretch))
    .map(({ span }) => span);
}

const out = join(root, '.zing/mutate', room);
rmSync(out, { recursive: true, force: true });
mkdirSync(out, { recursive: true });
writeFileSync(
  join(out, 'stryker.json'),
  JSON.stringify({
    'stryker-config': {
      project: `${part.project}.csproj`,
      configuration: 'Release',
      mutate: lines ? sample() : files,
      'ignore-mutations': ['regex'],
      'coverage-analysis': 'perTest',
      reporters: ['json', 'progress'],
      concurrency: 2,
      ...(part.filter && { 'test-case-filter': part.filter }),
    },
  }),
);
const ran = spawnSync('dotnet', ['stryker', '--config-file', join(out, 'stryker.json'), '--output', out], {
  cwd: join(tree, 'tests', part.tests),
  stdio: 'inherit',
});
if (ran.status !== 0) process.exit(ran.status ?? 1);

const report = JSON.parse(readFileSync(join(out, 'reports/mutation-report.json'), 'utf8'));
const found = Object.entries(report.files).flatMap(([file, { mutants }]) => mutants.map((m) => ({ file, ...m })));
const of = (...states) => found.filter((m) => states.includes(m.status));
const [noticed, unnoticed] = [of('Killed', 'Timeout'), of('Survived', 'NoCoverage')];
for (const m of unnoticed)
  console.log(
    `${m.file.replace(`${tree}/`, '')}:${m.location.start.line - 1} ${m.mutatorName}${m.status === 'NoCoverage' ? ', looked at by no test' : ''}: ${m.replacement.replace(/\s+/g, ' ').slice(0, 100)}`,
  );
const total = noticed.length + unnoticed.length;
console.log(`${room}: ${noticed.length} of ${total} noticed, ${((100 * noticed.length) / total).toFixed(1)} %`);
