import { QueryClient } from '@tanstack/react-query';
import { expect, test } from 'vitest';
import { key, Seen, shows } from './keys';

test('what was written since is known by its table; an answer that was overtaken tells nothing', () => {
  const seen = new Seen();
  expect(seen.take('a1 0 Rods=3')).toEqual(new Set());
  expect(seen.take('a1 0 Outings=1 Rods=3')).toEqual(new Set(['Outings']));
  expect(seen.take('a1 0 Outings=1 Rods=5')).toEqual(new Set(['Rods']));
  expect(seen.take('a1 0 Outings=1 Rods=4')).toEqual(new Set());
  expect(seen.take('a1 0 Outings=1 Rods=5')).toEqual(new Set());
});

test('another run of the program, or another program that wrote, makes everything old', () => {
  const seen = new Seen();
  seen.take('a1 0 Rods=3');
  expect(seen.take('a1 1 Rods=3')).toBe('all');
  expect(seen.take('b2 0')).toBe('all');
  expect(seen.take('b2 0 Rods=1')).toEqual(new Set(['Rods']));
});

test('gear is shown by the answer to a brief, care and the matrix; a brief is not; the trade itself never grows old', () => {
  const queries = new QueryClient();
  for (const name of ['solve', 'care', 'matrix', 'brief', 'knots', 'log'] as const)
    queries.setQueryData(key(name, 1), 'kept');
  const old = (written: 'all' | Set<string>) =>
    queries
      .getQueryCache()
      .findAll({ predicate: (query) => shows(query.queryKey, written) })
      .map((query) => query.queryKey[0]);
  expect(old(new Set(['Lines']))).toEqual(['solve', 'care', 'matrix', 'log']);
  expect(old(new Set(['Briefs']))).toEqual(['care', 'brief']);
  expect(old(new Set(['Outings']))).toEqual(['care', 'log']);
  expect(old('all')).toEqual(['solve', 'care', 'matrix', 'brief', 'log']);
});

test('a trip is planned and packed anew when gear, a brief or a hand changed; its packing also when it or the log did', () => {
  const anew = (name: 'tripPlan' | 'tripFurther' | 'packing' | 'trip', table: string) =>
    shows(key(name, 1), new Set([table]));
  for (const table of ['Rods', 'Lines', 'Reels', 'Spools', 'Briefs', 'People', 'Lessons'])
    for (const name of ['tripPlan', 'tripFurther', 'packing'] as const)
      expect([name, table, anew(name, table)]).toEqual([name, table, true]);
  for (const table of ['Trips', 'Outings', 'Services']) expect(anew('packing', table)).toBe(true);
  expect(anew('trip', 'Trips')).toBe(true);
  expect(anew('trip', 'Rods')).toBe(false);
});
