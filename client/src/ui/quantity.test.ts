import { expect, test } from 'vitest';
import type { Kind, Quantity } from '../api/client';
import { formatQuantity } from './quantity';

const unit = (name: string, scale: number, decimals: number, offset = 0) => ({ name, scale, decimals, offset });
const standards = {
  units: [
    { kind: 'length' as Kind, trade: unit('ft', 0.3048, 1), metric: unit('m', 1, 1), asKnown: false },
    { kind: 'lineMass' as Kind, trade: unit('gr', 64.79891e-6, 0), metric: unit('g', 1e-3, 1), asKnown: false },
    { kind: 'diameter' as Kind, trade: unit('thou', 25.4e-6, 3), metric: unit('mm', 1e-3, 2), asKnown: false },
    { kind: 'temperature' as Kind, trade: unit('°F', 1 / 1.8, 0, -32 / 1.8), metric: unit('°C', 1, 0), asKnown: false },
    { kind: 'lineClass' as Kind, trade: unit('#', 1, 2), metric: unit('#', 1, 2), asKnown: true },
  ],
  xNumber: unit('X', -25.4e-6, 0, 11 * 25.4e-6),
};
const say = (value: number, kind: Kind, system: 'trade' | 'metric', plusMinus: number | null = null) =>
  formatQuantity({ value, kind, plusMinus } as Quantity, system, standards).replace(' ', ' ');

test('quantities are said as people say them', () => {
  expect(say(18.288, 'length', 'trade')).toBe('60 ft');
  expect(say(150, 'length', 'trade')).toBe('492 ft');
  expect(say(17.04, 'length', 'metric')).toBe('17 m');
  expect(say(0.0155517384, 'lineMass', 'trade')).toBe('240 gr');
  expect(say(0.00004, 'lineMass', 'trade')).toBe('0.62 gr');
  expect(say(0.0001778, 'diameter', 'trade')).toBe('4X');
  expect(say(0.0004, 'diameter', 'trade')).toBe('0.016 in');
  expect(say(0.0004, 'diameter', 'metric')).toBe('0.4 mm');
  expect(say(14, 'temperature', 'trade')).toBe('57°F');
  expect(say(7.3, 'lineClass', 'trade', 0.3)).toBe('7.3 ± 0.3');
});
