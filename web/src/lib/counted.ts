/** "1 plugin", "2 plugins". */
export const counted = (count: number, noun: string): string => `${String(count)} ${noun}${count === 1 ? '' : 's'}`;
