import { expect, test } from 'vitest';
import { changed } from './said';

type Day = { windMps?: number; distanceM?: number; said?: Record<string, string> | null };
const day: Day = { windMps: 3.6, distanceM: 15, said: { windMps: '8 mph' } };

test('what is typed is kept as it was said', () => {
  expect(changed(day, { distanceM: 18 }, '60 ft').said).toEqual({ windMps: '8 mph', distanceM: '60 ft' });
});

test('what is dragged is said in the usual way again; what is only touched stays as it was typed', () => {
  expect(changed(day, { windMps: 5 }).said).toBeNull();
  expect(changed(day, { windMps: 3.6, distanceM: 20 }).said).toEqual({ windMps: '8 mph' });
});

test('dragged back to where it was, it is again as it was typed', () => {
  const away = changed(day, { windMps: 5 });
  expect(changed(away, { windMps: 3.6 }, { windMps: '8 mph' })).toEqual(day);
});
