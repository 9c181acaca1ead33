import { useEffect, useState } from 'react';

const CHOICES = ['system', 'day', 'night'] as const;
type Choice = (typeof CHOICES)[number];
const STORE = 'clever-drawer-theme';

const stored = (): Choice => CHOICES.find((one) => one === localStorage.getItem(STORE)) ?? 'system';

/** Day, night, or as the system has it; kept in this browser. */
export function useTheme(): { choice: Choice; next: () => void } {
  const [choice, setChoice] = useState<Choice>(stored);
  useEffect(() => {
    const dark = matchMedia('(prefers-color-scheme: dark)');
    const apply = (): void => {
      const night = choice === 'night' || (choice === 'system' && dark.matches);
      document.documentElement.dataset.bsTheme = night ? 'dark' : 'light';
    };
    apply();
    dark.addEventListener('change', apply);
    localStorage.setItem(STORE, choice);
    return () => dark.removeEventListener('change', apply);
  }, [choice]);
  return { choice, next: () => setChoice(CHOICES[(CHOICES.indexOf(choice) + 1) % CHOICES.length] ?? 'system') };
}
