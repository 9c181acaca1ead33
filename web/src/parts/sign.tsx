import type { Sign } from '@clever-drawer/core/chests/sign';
import styles from './sign.module.css';

// Filled drawings in a field of 12 by 12: type glyphs are drawn in lines.
const PATHS: Readonly<Record<Sign, string>> = {
  circle: 'M6 1a5 5 0 1 1 0 10a5 5 0 1 1 0-10z',
  ring: 'M6 1a5 5 0 1 1 0 10a5 5 0 1 1 0-10z M6 3.6a2.4 2.4 0 1 0 0 4.8a2.4 2.4 0 1 0 0-4.8z',
  square: 'M1.5 1.5h9v9h-9z',
  triangle: 'M6 1 L11.4 10.6 H0.6z',
  diamond: 'M6 0.4 L11.6 6 L6 11.6 L0.4 6z',
  cross: 'M4.4 1h3.2v3.4H11v3.2H7.6v3.4H4.4V7.6H1V4.4h3.4z',
  wave: 'M0.5 7 C2.5 1.5 4.5 1.5 6 5 C7 7.5 8.5 7.5 10 3.5 L11.6 4.6 C9.5 11 6.5 11 5 7.5 C4 5 3.2 5 2 8.2z',
  bars: 'M1 6h2.4v5H1z M4.8 1h2.4v10H4.8z M8.6 4h2.4v7H8.6z',
  bolt: 'M7.5 0.5 L2 7h3.2L4.2 11.5 L10 4.8H6.6z',
  leaf: 'M11 1C4 1 1 4 1 7.5c0 .9.2 1.7.6 2.4L6 5.5 2.6 10.8C3.3 11 4 11 4.5 11 9 11 11 7 11 1z',
  moon: 'M8.5 1.2a5 5 0 1 0 2.6 7A4.2 4.2 0 0 1 8.5 1.2z',
  flag: 'M2 0.5h1.4V1.5H11L8.8 4.2L11 7H3.4v4.5H2z',
};

/** The sign of a drawer or tray; its word is spoken. */
export function SignGlyph({ sign, isSpoken = true }: { sign: Sign; isSpoken?: boolean }) {
  const spoken = isSpoken ? { role: 'img', 'aria-label': `sign ${sign}` } : { 'aria-hidden': true };
  return (
    <svg className={styles.sign} viewBox="0 0 12 12" {...spoken}>
      <path d={PATHS[sign]} fillRule="evenodd" />
    </svg>
  );
}
