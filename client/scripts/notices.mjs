// Writes what is owed to others: every package that ships with Zing Cast, fonts included, with its licence. `--check` only compares.
import { existsSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join, resolve } from 'node:path';
import spdx from 'spdx-license-list/full.js';

const client = resolve(import.meta.dirname, '..');
const target = join(client, 'public/third-party-notices.txt');
const read = (file) => readFileSync(file, 'utf8').replace(/^\uFEFF/, '').replaceAll('\r\n', '\n').trim();
const textIn = (folder) => {
  const file = readdirSync(folder).filter((f) => /^(licen[cs]e|copying|ofl)/i.test(f)).sort()[0];
  return file && read(join(folder, file));
};
const standard = (licence) => {
  // Of a choice the first that is known in full.
  const id = licence.replace(/[()]/g, '').split(' OR ').find((l) => spdx[l]);
  if (!id) throw new Error(`No text is known for the licence ${licence}.`);
  return spdx[id].licenseText.trim();
};

/** What the pages are built from: everything the lock file does not call a tool. */
function fromNpm() {
  const { packages } = JSON.parse(read(join(client, 'package-lock.json')));
  return Object.entries(packages)
    .filter(([path, { dev, optional }]) => path && !dev && !optional)
    .map(([path, { version }]) => {
      const folder = join(client, path);
      const { name, license, author } = JSON.parse(read(join(folder, 'package.json')));
      const by = typeof author === 'string' ? author : author?.name;
      return { name: `${name} ${version}`, licence: license, text: textIn(folder) ?? `${by ? `Copyright ${by}\n\n` : ''}${standard(license)}` };
    });
}

/** What the server carries: packages with something to run. */
function fromNuGet() {
  const assets = JSON.parse(read(join(client, '../src/ZingCast.Web/obj/project.assets.json')));
  const [root] = Object.keys(assets.packageFolders);
  const [packages] = Object.values(assets.targets);
  return Object.entries(packages)
    .filter(([id]) => assets.libraries[id].type === 'package')
    .filter(([, p]) => Object.keys({ ...p.runtime, ...p.runtimeTargets }).some((file) => !file.endsWith('_._')))
    .map(([id]) => {
      const folder = join(root, assets.libraries[id].path);
      const about = read(join(folder, readdirSync(folder).find((f) => f.endsWith('.nuspec'))));
      const licence = /<license type="expression">([^<]+)/.exec(about)?.[1];
      const notice = join(folder, 'THIRD-PARTY-NOTICES.TXT');
      const own = textIn(folder) ?? `${/<copyright>([^<]+)/.exec(about)?.[1] ?? ''}\n\n${standard(licence)}`;
      return { name: id.replace('/', ' '), licence, text: existsSync(notice) ? `${own}\n\n${read(notice)}` : own };
    });
}

const byText = new Map();
for (const p of [...fromNpm(), ...fromNuGet()]) byText.set(p.text, [...(byText.get(p.text) ?? []), p]);

const line = '-'.repeat(80);
const notices = `Zing Cast is made with the work of others. What ships with it, and on what terms:\n\n${[...byText]
  .map(([text, packages]) => {
    const names = [...new Set(packages.map((p) => `${p.name} (${p.licence})`))].sort();
    return { first: names[0], page: `${line}\n${names.join('\n')}\n${line}\n\n${text}\n` };
  })
  .sort((a, b) => (a.first < b.first ? -1 : 1))
  .map((g) => g.page)
  .join('\n')}`;

if (process.argv.includes('--check')) {
  if (!existsSync(target) || readFileSync(target, 'utf8') !== notices) {
    console.error('The third-party notices are not those of the packages: run ./zing notices.');
    process.exit(1);
  }
} else writeFileSync(target, notices);
