import { useEffect } from 'react';
import { useMediaQuery } from 'usehooks-ts';
import { useStored } from '../lib/use-stored';

const CHOICES = ['system', 'day', 'night'] as const;
type Choice = (typeof CHOICES)[number];

/** Day, night, or as the system has it; kept in this browser. */
export function useTheme(): { choice: Choice; next: () => void } {
  const [word, keep] = useStored('theme');
  const choice = CHOICES.find((one) => one === word) ?? 'system';
  const isDark = useMediaQuery('(prefers-color-scheme: dark)');
  const isNight = choice === 'night' || (choice === 'system' && isDark);
  useEffect(() => {
    document.documentElement.dataset.bsTheme = isNight ? 'dark' : 'light';
  }, [isNight]);
  return { choice, next: () => keep(CHOICES[(CHOICES.indexOf(choice) + 1) % CHOICES.length] ?? 'system') };
}
