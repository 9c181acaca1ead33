import { savingWords } from '../src/frame/saving-words';

const failure = { label: 'rename A to Rooms', reason: 'Clever Drawer does not answer.' };
const savedAt = '2026-11-25T12:00:00.000Z';

describe('what the status line says of saving', () => {
  it('all saved only when nothing is under way', () => {
    expect(savingWords({ failure: null, savedAt: null }, 0)).toBe('all saved');
    expect(savingWords({ failure: null, savedAt }, 0)).toMatch(/^all saved \d{1,2}:00:00$/);
    expect(savingWords({ failure: null, savedAt }, 1)).toBe('saving …');
    expect(savingWords(undefined, 0)).toBe('all saved');
  });

  it('what could not be saved and why, until something is saved', () => {
    expect(savingWords({ failure, savedAt }, 0)).toBe('not saved: rename A to Rooms. Clever Drawer does not answer.');
    expect(savingWords({ failure, savedAt }, 2)).toBe('saving …');
  });
});
