import type { BuildView } from '@clever-drawer/contract/responses';

type DescribedBuild = Pick<BuildView, 'format' | 'version' | 'outputs' | 'architectures'>;

const BITS_32: readonly string[] = ['x86', 'arm'];

/** The width of a build: mono, stereo, or its number of audio outputs; null when unknown or without audio. */
export const widthInWords = (outputs: number | null): string | null =>
  outputs === null || outputs === 0
    ? null
    : outputs === 1
      ? 'mono'
      : outputs === 2
        ? 'stereo'
        : `${String(outputs)} outputs`;

/** "VST3 2.1.0, stereo": what tells a build from the others of its plugin. "32-bit" only where no 64-bit code is in it. */
export function buildInWords({ format, version, outputs, architectures }: DescribedBuild): string {
  const is32Bit = architectures.length > 0 && architectures.every((one) => BITS_32.includes(one));
  return [`${format}${version === null ? '' : ` ${version}`}`, widthInWords(outputs), is32Bit ? '32-bit' : null]
    .filter((word) => word !== null)
    .join(', ');
}
