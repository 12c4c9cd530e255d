import { expect, test } from 'vitest';
import type { Form, Kind, Quantity } from '../api/client';
import { formatFigure, formatQuantity, formsOf, type UnitSystem } from './quantity';

const form = (unit: string, scale: number, of: number, more: Partial<Form> = {}): Form => ({
  unit,
  scale,
  steps: [{ from: 0, of }],
  offset: 0,
  shape: 'plain',
  nought: null,
  down: false,
  ...more,
});
const said = (kind: Kind, trade: Form, metric: Form, asKnown = false, byChoice: Form[] = []) => ({
  kind,
  trade,
  metric,
  byChoice,
  asKnown,
});
const standards = {
  units: [
    said('distance', form('ft', 0.3048, 1), form('m', 1, 0.5)),
    said('rodLength', form('ft', 0.3048, 1 / 12, { shape: 'feetInches' }), form('m', 1, 0.05)),
    said('spooled', form('yd', 0.9144, 10), form('m', 1, 10)),
    said('leftOnSpool', form('yd', 0.9144, 1, { down: true }), form('m', 1, 1, { down: true })),
    said('lineMass', form('gr', 64.79891e-6, 1), form('g', 1e-3, 0.1)),
    said('diameter', form('in', 0.0254, 0.001, { shape: 'xNumber' }), form('mm', 1e-3, 0.01)),
    said('temperature', form('°F', 1 / 1.8, 1, { offset: -32 / 1.8 }), form('°C', 1, 1)),
    said('lineClass', form('#', 1, 0.1), form('#', 1, 0.1), true),
    said('ratio', form('', 1, 0.01), form('', 1, 0.01), true),
    said('windSpeed', form('kn', 1852 / 3600, 1, { nought: 'calm' }), form('m/s', 1, 0.5, { nought: 'calm' }), false, [
      form('Beaufort', 1, 1, { shape: 'beaufort', nought: 'calm' }),
    ]),
  ],
  xNumber: { scale: -25.4e-6, offset: 11 * 25.4e-6 },
  beaufortFromMps: [0, 0.25, 1.55, 3.35, 5.45, 7.95],
};
const say = (value: number, kind: Kind, system: UnitSystem, plusMinus: number | null = null, unit?: string) =>
  formatQuantity(
    { value, kind, plusMinus } as Quantity,
    formsOf({ system, chosen: { [kind]: unit } }, standards),
  ).replace(' ', ' ');

test.each<[number, Kind, string, string]>([
  [18.288, 'distance', '60 ft', '18.5 m'],
  [17.04, 'distance', '56 ft', '17 m'],
  [2.5908, 'rodLength', `8'6"`, '2.6 m'],
  [2.7432, 'rodLength', '9 ft', '2.75 m'],
  [0.2, 'rodLength', '8 in', '0.2 m'],
  [137.16, 'spooled', '150 yd', '140 m'],
  // What is left is said as the step below, and 25 yd typed stay 25 yd.
  [48.9, 'leftOnSpool', '53 yd', '48 m'],
  [22.86, 'leftOnSpool', '25 yd', '22 m'],
  [0.0155517384, 'lineMass', '240 gr', '15.6 g'],
  [0.0001778, 'diameter', '4X', '0.18 mm'],
  [0.0004, 'diameter', '0.016 in', '0.4 mm'],
  [14, 'temperature', '57°F', '14°C'],
  [0.1, 'windSpeed', 'calm', 'calm'],
])('%d of %s is said as people say it', (si, kind, trade, metric) => {
  expect(say(si, kind, 'trade')).toBe(trade);
  expect(say(si, kind, 'metric')).toBe(metric);
});

test('what is known is said with its doubt, and no finer', () => {
  expect(say(7.312, 'lineClass', 'trade', 0.3)).toBe('7.3 ± 0.3');
  expect(say(17.4, 'distance', 'trade', 1.9)).toBe('57 ± 6 ft');
});

test('a unit that was chosen goes before the system', () => {
  expect(say(6, 'windSpeed', 'trade', null, 'Beaufort')).toBe('F4');
});

test('no figure is a bare number', () => {
  const figure = (value: number, kind: Kind, name: string, ofClass: number | null = null) =>
    formatFigure(
      {
        quantity: { value, kind, plusMinus: null },
        word: null,
        name,
        ofClass: ofClass === null ? null : { value: ofClass, kind: 'lineClass', plusMinus: null },
      },
      (q) => formatQuantity(q, formsOf({ system: 'trade' }, standards)),
    );
  expect(figure(0.91, 'ratio', 'fill')).toBe('fill 0.91');
  expect(figure(1.44, 'ratio', 'load', 7.3)).toBe('load 1.44 of class 7.3');
});
