import { versionText } from '../src/ask/vst2-version';

// The interface leaves the form of this number to the maker. Four decimal digits are how its own version is written (2400 is 2.4); a number a byte is how
// build tools pack versions. Common practice.
it.each([
  [2400, '2.4.0.0'],
  [1230, '1.2.3.0'],
  [110, '1.1.0'],
  [0x010203, '1.2.3'],
  [0x02000100, '2.0.1.0'],
  [1, '1'],
  [20000, '20000'],
  [-1, '4294967295'],
])('%i reads %s', (number, text) => expect(versionText(number)).toBe(text));
