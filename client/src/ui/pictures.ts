import { saveBlob } from './files';

// What a drawing takes from the page around it, written into the drawing itself.
const taken = [
  'fill',
  'fill-opacity',
  'stroke',
  'stroke-width',
  'stroke-dasharray',
  'stroke-linecap',
  'stroke-linejoin',
  'stroke-opacity',
  'opacity',
  'font-family',
  'font-size',
  'font-weight',
  'font-style',
  'text-anchor',
  'dominant-baseline',
  'visibility',
  'display',
];

/** Every drawing on the page that says what it is. */
export const drawingsOnPage = () =>
  [...document.querySelectorAll<SVGSVGElement>('#main svg[aria-label]')].filter(
    (svg) => svg.getBoundingClientRect().width > 30,
  );

/** A drawing as a file of its own: colours, strokes and letters as they are on the page, and the letters' font with it. */
export async function asSvg(svg: SVGSVGElement): Promise<{ text: string; width: number; height: number }> {
  const { width, height } = svg.getBoundingClientRect();
  const copy = svg.cloneNode(true) as SVGSVGElement;
  const [from, to] = [
    [svg, ...svg.querySelectorAll('*')],
    [copy, ...copy.querySelectorAll('*')],
  ];
  const families = new Set<string>();
  to.forEach((element, i) => {
    const style = getComputedStyle(from[i]!);
    for (const name of taken) {
      const value = style.getPropertyValue(name);
      if (value) element.setAttribute(name, value);
    }
    if (element.tagName === 'text' || element.tagName === 'tspan') families.add(style.fontFamily);
    element.removeAttribute('class');
    element.removeAttribute('style');
    element.removeAttribute('tabindex');
  });
  copy.setAttribute('xmlns', 'http://www.w3.org/2000/svg');
  copy.setAttribute('width', String(width));
  copy.setAttribute('height', String(height));
  if (!copy.hasAttribute('viewBox')) copy.setAttribute('viewBox', `0 0 ${width} ${height}`);
  const paper = document.createElementNS('http://www.w3.org/2000/svg', 'rect');
  const box = copy.viewBox.baseVal;
  for (const [name, value] of Object.entries({ x: box.x, y: box.y, width: box.width, height: box.height }))
    paper.setAttribute(name, String(value));
  paper.setAttribute('fill', getComputedStyle(document.body).backgroundColor);
  copy.prepend(paper);
  const style = document.createElementNS('http://www.w3.org/2000/svg', 'style');
  style.textContent = (await fontsOf([...families].join())).join('\n');
  copy.prepend(style);
  return { text: new XMLSerializer().serializeToString(copy), width, height };
}

// The faces of the fonts that are used, with the font itself in them.
async function fontsOf(families: string): Promise<string[]> {
  const faces = [...document.styleSheets].flatMap((sheet) => {
    try {
      return [...sheet.cssRules].filter((rule) => rule instanceof CSSFontFaceRule);
    } catch {
      return [];
    }
  });
  const used = faces.filter((face) => {
    const range = face.style.getPropertyValue('unicode-range');
    return (
      families.includes(face.style.getPropertyValue('font-family').replaceAll(/["']/g, '')) &&
      // The letters of the West are enough for what we write.
      (range === '' || /U\+0{0,4}-/i.test(range))
    );
  });
  return Promise.all(
    used.map(async (face) => {
      const address = /url\("?([^")]+)"?\)/.exec(face.style.getPropertyValue('src'))?.[1];
      if (!address) return '';
      const font = await (await fetch(new URL(address, face.parentStyleSheet?.href ?? document.baseURI))).blob();
      const data = await new Promise<string>((done) => {
        const reader = new FileReader();
        reader.onload = () => done(String(reader.result));
        reader.readAsDataURL(font);
      });
      return `@font-face{font-family:${face.style.getPropertyValue('font-family')};font-weight:${face.style.getPropertyValue('font-weight') || 'normal'};src:url(${data})}`;
    }),
  );
}

const nameOf = (svg: SVGSVGElement) =>
  (svg.getAttribute('aria-label') ?? 'drawing')
    .split(/[:.]/)[0]!
    .replace(/[^\p{L}\p{N}]+/gu, '-')
    .slice(0, 48)
    .replace(/^-|-$/g, '') || 'drawing';

/** Hands somebody a drawing as SVG. */
export async function saveSvg(svg: SVGSVGElement) {
  const { text } = await asSvg(svg);
  saveBlob(`${nameOf(svg)}.svg`, new Blob([text], { type: 'image/svg+xml' }));
}

/** Hands somebody a drawing as PNG, twice as fine as on the page. */
export async function savePng(svg: SVGSVGElement) {
  const { text, width, height } = await asSvg(svg);
  const image = new Image();
  image.src = `data:image/svg+xml;charset=utf-8,${encodeURIComponent(text)}`;
  await image.decode();
  const canvas = document.createElement('canvas');
  [canvas.width, canvas.height] = [Math.ceil(2 * width), Math.ceil(2 * height)];
  canvas.getContext('2d')!.drawImage(image, 0, 0, canvas.width, canvas.height);
  const png = await new Promise<Blob | null>((done) => canvas.toBlob(done, 'image/png'));
  if (png) saveBlob(`${nameOf(svg)}.png`, png);
}
