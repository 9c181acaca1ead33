/**
 * A version number as a version: three or four decimal digits (1230 is "1.2.3.0"), or a number a byte (0x010203 is "1.2.3"). Common practice; the
 * interface leaves the form to the maker, and what is neither stays a number.
 */
export function versionText(version: number): string {
  if (version >= 100 && version <= 9999) return Array.from(String(version)).join('.');
  const unsigned = version >>> 0;
  const bytes = [unsigned >>> 24, (unsigned >>> 16) & 255, (unsigned >>> 8) & 255, unsigned & 255];
  if (unsigned > 0xffff && bytes.every((byte) => byte < 100)) return bytes.slice(bytes[0] === 0 ? 1 : 0).join('.');
  return String(unsigned);
}
