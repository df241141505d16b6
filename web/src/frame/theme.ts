import { create } from 'zustand';

export type Theme = 'light' | 'dark';

const KEPT = 'vennet.theme';
const system = matchMedia('(prefers-color-scheme: dark)');

interface ThemeStore {
  theme: Theme;
  turn(): void;
}

function kept(): Theme {
  const chosen = localStorage.getItem(KEPT);
  return chosen === 'light' || chosen === 'dark' ? chosen : system.matches ? 'dark' : 'light';
}

/** Light or dark: as the system has it until the author chooses. */
export const useTheme = create<ThemeStore>((set, get) => ({
  theme: kept(),
  turn() {
    const theme = get().theme === 'light' ? 'dark' : 'light';
    localStorage.setItem(KEPT, theme);
    set({ theme });
  },
}));

const show = (theme: Theme) => (document.documentElement.dataset.theme = theme);
show(useTheme.getState().theme);
useTheme.subscribe(({ theme }) => show(theme));
system.addEventListener('change', () => useTheme.setState({ theme: kept() }));
