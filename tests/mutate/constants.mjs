// Moves every number in a room of the core by 3 %, up and down, one at a time, and tells which moves no test of the room noticed.
//   node tests/mutate/constants.mjs ROOM [share]   share: 0.2 looks at a fifth of them, drawn by dice that always fall alike
//
// It builds once: numbers become calls that return the same number, or the moved one when the environment says so. Constants become
// properties; where the language wants a constant, in an attribute or a pattern, the number stays and is not looked at.
import { spawn, spawnSync } from 'node:child_process';
import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { availableParallelism } from 'node:os';
import { join } from 'node:path';
import { inTurn } from './rooms.mjs';
import { copy, dice } from './tree.mjs';

const [room, share] = [process.argv[2], Number(process.argv[3] ?? 1)];
const tree = copy();
const folder = join(tree, 'src/ZingCast.Core', room);
const project = join(tree, 'tests/ZingCast.Core.Tests');

const moved = `
/// <summary>Numbers that can be moved.</summary>
public static class Moved
{
    private static readonly int At = int.Parse(System.Environment.GetEnvironmentVariable("ZING_MOVED") ?? "-1");
    private static readonly double Factor = System.Environment.GetEnvironmentVariable("ZING_DOWN") == "1" ? .97 : 1.03;

    /// <summary>A number.</summary>
    public static double By(int n, double value) => n == At ? value * Factor : value;

    /// <summary>A count.</summary>
    public static int By(int n, int value) =>
        n != At ? value
        : System.Math.Abs(value) > 33 ? (int)System.Math.Round(value * Factor)
        : Factor > 1 ? value + 1
        : value - 1;
}
`;
const number = /^(?:\d[\d_]*\.\d+|\.\d+|\d[\d_]*)(?:[eE][+-]?\d+)?(?![\w.])/;
// What is written as a bare power of ten leaves room for rounding and is no rule: moved, it changes nothing.
const rounding = /^1e-\d+$/i;
const quiet = /^(?:\/\/[^\n]*|\/\*[^]*?\*\/|\$?"""[^]*?"""|\$*@?\$*"(?:\\.|""|[^"\\])*"|'(?:\\.|[^'\\])'|[A-Za-z_]\w*|\.\.)/;
const declared = /((?<=\s)(?:public|private|internal|protected) const (?:double|int) (?:\/\/[^\n]*|[^;/]|\/(?!\/))*;)/;

const places = []; // { file, line, name, text }
const declarations = []; // { file, name }
const kept = new Set(); // numbers that stay
const constants = new Set(); // declarations that stay: file:name

/** A file with its numbers made movable. Numbers are counted in the order in which they stand, in every round alike. */
function movable(file, source, firstRound, count) {
  let line = 1;
  const one = (text, asDouble, name) => {
    const n = count.n++;
    if (firstRound) places.push({ file, line, text, name });
    if (kept.has(n) || (name && constants.has(`${file}:${name}`))) return text;
    return `Moved.By(${n}, ${asDouble && /^\d+$/.test(text) ? `${text}d` : text})`;
  };
  /** Numbers within a stretch; strings and comments are skipped. A 0 cannot be moved, and a 1 without a name only says which. */
  const within = (stretch, asDouble = false, name = undefined) => {
    let made = '';
    for (let at = 0; at < stretch.length; ) {
      const rest = stretch.slice(at);
      const skip = quiet.exec(rest)?.[0];
      const digits = skip ? undefined : number.exec(rest)?.[0];
      const piece = skip ?? digits ?? rest[0];
      if (digits && !/^0(\.0*)?$/.test(digits) && !(digits === '1' && !name) && !rounding.test(digits)) made += one(digits, asDouble, name);
      // Within a method a constant may as well be a variable.
      else if (skip !== 'const' || !/^const (?:double|int)\s/.test(rest)) made += piece;
      at += piece.length;
      line += piece.split('\n').length - 1;
    }
    return made;
  };
  /** A declaration of constants, each a property of its own that may change. */
  const properties = (declaration) => {
    const [, access, type, list] = /^(\w+) const (\w+) ([^;]*);$/.exec(declaration.replace(/\/\/[^\n]*/g, ''));
    const from = line;
    const all = list.split(/,(?![^(]*\))/).map((part) => {
      const [, name, value] = /^\s*(\w+)\s*=\s*([^]*)$/.exec(part);
      if (firstRound) declarations.push({ file, name });
      const put = within(value, type === 'double', name);
      return constants.has(`${file}:${name}`)
        ? `${access} const ${type} ${name} = ${value};`
        : `${access} static ${type} ${name} => ${put};`;
    });
    // As many lines as before, so that errors are found where they stand.
    const lines = declaration.split('\n').length - 1;
    line = from + lines;
    return all.join(' ').replaceAll('\n', ' ') + '\n'.repeat(lines);
  };
  return source
    .split(declared)
    .map((part, n) => (n % 2 ? properties(part) : within(part)))
    .join('');
}

const sources = readdirSync(folder, { recursive: true })
  .filter((f) => f.endsWith('.cs'))
  .sort()
  .map((file) => ({ path: join(folder, file), file: `${room}/${file}`, text: readFileSync(join(folder, file), 'utf8') }));
writeFileSync(join(tree, 'src/ZingCast.Core/Moved.cs'), `namespace ZingCast.Core;\n${moved}`);

/** Builds; what does not compile with a movable number gets its own back. */
for (let round = 0; ; round++) {
  const count = { n: 0 };
  for (const { path, file, text } of sources) writeFileSync(path, movable(file, text, round === 0, count));
  const build = ['build', project, '-c', 'Release', '-v', 'quiet', '--nologo', '-p:NoWarn=CS1591%3BCS1587', '-p:TreatWarningsAsErrors=false'];
  const built = spawnSync('dotnet', build, { encoding: 'utf8', maxBuffer: 1 << 26 });
  if (built.status === 0) break;
  const errors = [...new Set(built.stdout.split('\n').filter((l) => l.includes('error CS')))];
  const before = kept.size + constants.size;
  for (const error of errors) {
    const [, path, row, column] = /^(.*?)\((\d+),(\d+)\): error/.exec(error.trim());
    const whole = readFileSync(path, 'utf8').split('\n')[row - 1];
    // The constant that the error points at; else every one that its line names.
    const pointed = /^[\w.]+/.exec(whole.slice(column - 1))?.[0].split('.').at(-1);
    const named = (words) => declarations.filter((d) => words.includes(d.name));
    const homes = named([pointed]).length > 0 ? named([pointed]) : named(whole.match(/\w+/g) ?? []);
    const fresh = homes.map(({ file, name }) => `${file}:${name}`).filter((home) => !constants.has(home));
    for (const home of fresh) constants.add(home);
    // A pattern wants its numbers to stay as well.
    if (fresh.length === 0) places.forEach((p, n) => path.endsWith(p.file) && p.line === Number(row) && kept.add(n));
  }
  if (kept.size + constants.size === before || round > 12) throw new Error(errors.slice(0, 20).join('\n') || built.stdout);
}

const runner = join(project, 'bin/Release/net10.0/ZingCast.Core.Tests.dll');
const turns = inTurn(room).map((some) => some.flatMap((c) => ['-class', `ZingCast.Core.Tests.${c}`]));
const passesAll = async (moves) => {
  for (const filter of turns) if (!(await passes(moves, filter))) return false;
  return true;
};
const passes = (moves, filter) =>
  new Promise((done) => {
    const run = spawn('dotnet', [runner, '-noLogo', '-noColor', '-stopOnFail', ...filter], {
      stdio: 'ignore',
      env: { ...process.env, ...moves, DOTNET_gcServer: '0' },
    });
    const late = setTimeout(() => run.kill('SIGKILL'), 120_000);
    run.on('exit', (code) => (clearTimeout(late), done(code === 0)));
  });
if (!(await passesAll({}))) throw new Error('Without any move some tests fail already.');

const roll = dice();
const looked = places
  .map((place, n) => ({ ...place, n }))
  .filter(({ n, name, file }) => !kept.has(n) && !(name && constants.has(`${file}:${name}`)))
  .filter(() => roll() < share);
const jobs = looked.flatMap((place) => ['', '1'].map((down) => ({ ...place, down })));
const left = [...jobs];
let noticed = 0;
await Promise.all(
  Array.from({ length: availableParallelism() }, async () => {
    for (let job; (job = left.shift()); ) {
      if (!(await passesAll({ ZING_MOVED: String(job.n), ZING_DOWN: job.down }))) noticed++;
      else console.log(`${job.file}:${job.line} ${job.name ?? ''} ${job.text} ${job.down ? '−' : '+'}3 %`);
    }
  }),
);
const share100 = ((100 * noticed) / jobs.length).toFixed(1);
console.log(`${room}: ${noticed} of ${jobs.length} moves noticed, ${share100} %; ${places.length - looked.length} numbers not looked at`);
