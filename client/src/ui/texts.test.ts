import { expect, test, vi } from 'vitest';
import { Texts } from './texts';

/** The texts of a form whose fields stand on the page, with what was kept of them last. */
function page(left: Record<string, string>, ...paths: string[]) {
  const texts = new Texts(left);
  const kept: Record<string, string>[] = [];
  texts.follow((all) => kept.push(all));
  const fields = paths.map((at) => {
    const field = {};
    texts.came(field, at);
    return field;
  });
  return { texts, fields, last: () => kept.at(-1) };
}

test('what was left at a path is found there, and nowhere else', () => {
  const { texts } = page({ 'casts.1.distanceM': 'far out' });
  expect(texts.leftAt('casts.1.distanceM')).toBe('far out');
  expect(texts.leftAt('casts.0.distanceM')).toBeNull();
});

test('a row that moves up takes its text along, whichever of the two is told first', () => {
  for (const order of [
    [0, 1],
    [1, 0],
  ]) {
    const { texts, fields, last } = page({}, 'casts.1.distanceM', 'casts.2.distanceM');
    texts.put(fields[0]!, 'one');
    texts.put(fields[1]!, 'two');
    const to = ['casts.0.distanceM', 'casts.1.distanceM'];
    for (const i of order) texts.moved(fields[i]!, to[i]!);
    expect(last()).toEqual({ 'casts.0.distanceM': 'one', 'casts.1.distanceM': 'two' });
  }
});

test('a row that is taken out takes its text with it; one that is only out of sight keeps it', () => {
  vi.useFakeTimers();
  const { texts, fields, last } = page({}, 'casts.0.distanceM', 'casts.10.distanceM');
  texts.put(fields[0]!, 'gone');
  texts.put(fields[1]!, 'folded');
  texts.takeOut('casts.0');
  texts.went(fields[0]!);
  expect(last()).toEqual({ 'casts.10.distanceM': 'folded' });
  texts.went(fields[1]!);
  expect(texts.leftAt('casts.10.distanceM')).toBe('folded');
  // The next row at that place is another.
  vi.runAllTimers();
  const next = {};
  texts.came(next, 'casts.0.distanceM');
  texts.put(next, 'new');
  texts.went(next);
  expect(texts.leftAt('casts.0.distanceM')).toBe('new');
  vi.useRealTimers();
});

test('what is thrown away goes from the fields that are on the page', () => {
  const { texts } = page({});
  const reset = vi.fn();
  texts.came({}, 'massKg', reset);
  texts.clear();
  expect(reset).toHaveBeenCalledOnce();
});

test('what was read, or thrown away, is kept no longer', () => {
  const { texts, fields, last } = page({ elsewhere: 'old' }, 'windMps');
  texts.put(fields[0]!, 'a breeze');
  texts.put(fields[0]!, null);
  expect(last()).toEqual({ elsewhere: 'old' });
  texts.clear();
  expect(texts.all()).toEqual({});
});
