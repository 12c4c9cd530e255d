import { recall, remember } from './remember';

export type Theme = 'paper' | 'dusk';

export const currentTheme = (): Theme => (document.documentElement.dataset.theme === 'dusk' ? 'dusk' : 'paper');

export function setTheme(theme: Theme) {
  document.documentElement.dataset.theme = theme;
  remember('theme', theme);
}

export function restoreTheme() {
  const kept = recall('theme');
  const dark = window.matchMedia('(prefers-color-scheme: dark)').matches;
  document.documentElement.dataset.theme = kept === 'dusk' || kept === 'paper' ? kept : dark ? 'dusk' : 'paper';
}
