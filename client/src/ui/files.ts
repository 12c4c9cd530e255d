/** Puts a text where it can be pasted from; where a browser keeps its clipboard to itself, by the old way. */
export async function copyText(text: string) {
  if (navigator.clipboard) return navigator.clipboard.writeText(text);
  const box = document.createElement('textarea');
  box.value = text;
  document.body.append(box);
  box.select();
  document.execCommand('copy');
  box.remove();
}

/** Hands somebody a file that was made here. */
export const saveFile = (name: string, content: string, type: string) =>
  saveBlob(name, new Blob([content], { type: `${type};charset=utf-8` }));

/** The same of what is no text. */
export function saveBlob(name: string, content: Blob) {
  const link = document.createElement('a');
  link.href = URL.createObjectURL(content);
  link.download = name;
  document.body.append(link);
  link.click();
  link.remove();
  // The download has begun by then.
  setTimeout(() => URL.revokeObjectURL(link.href), 10_000);
}

const escaped = (words: string) => words.replace(/[&<>"]/g, (c) => `&#${c.charCodeAt(0)};`);

/** Hands somebody a page that opens on a phone without a network; returns its name. `body` and `script` are of ours. */
export function savePage(title: string, otherwise: string, css: string, body: string, script = '') {
  const name = `${title.replace(/[^\p{L}\p{N}]+/gu, '-').replace(/^-|-$/g, '') || otherwise}.html`;
  saveFile(
    name,
    `<!doctype html><html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width,initial-scale=1"><title>${escaped(title)}</title><style>${css}</style></head><body>${body}${script && `<script>${script}</script>`}</body></html>`,
    'text/html',
  );
  return name;
}
