import { createElement } from 'react';
import { renderToStaticMarkup } from 'react-dom/server';
import { expect, test } from 'vitest';
import { LoadBar } from './LoadBar';

const drawn = (ratio: number | null, ideal = 1) =>
  renderToStaticMarkup(createElement(LoadBar, { ratio, ideal, window: { low: 0.8, high: 1.45 } }));

test('half to twice the load fill the bar: a load and a half stands at two thirds of it', () => {
  expect(drawn(1.5)).toContain('M80,3');
  expect(drawn(0.5)).toContain('M0,3');
  expect(drawn(2)).toContain('M120,3');
  expect(drawn(1)).toMatch(/<rect x="24(\.0+\d)?" y="5" width="52"/);
  expect(drawn(1, 1.25)).toContain('<line x1="60" x2="60"');
});

test('what is beyond the bar stands at its end, and a line that nobody weighed has no mark', () => {
  expect(drawn(3.4)).toContain('M120,3');
  expect(drawn(null)).not.toContain('<path');
});
