/** What an asking process says, held to its shape: whatever a plugin made of it, nothing else comes through. */
import type { AskedPlugin, AskedPorts } from '@clever-drawer/core/facts/asked';
import { truncateText, MAX_BUILDS, MAX_TEXT } from '@clever-drawer/core/facts/caps';
import { PORTS, PRESETS_KEPT } from '@clever-drawer/core/facts/build-facts';
import type { Message } from './messages.js';

type Fields = Readonly<Record<string, unknown>>;

const isFields = (value: unknown): value is Fields =>
  typeof value === 'object' && value !== null && !Array.isArray(value);
const isCount = (value: unknown): value is number => Number.isSafeInteger(value) && (value as number) >= 0;
const isOrNull =
  (is: (value: unknown) => boolean) =>
  (value: unknown): boolean =>
    value === undefined || value === null || is(value);
const isText = (value: unknown): boolean => typeof value === 'string' && value.length <= MAX_TEXT.description;
const isTexts =
  (most: number) =>
  (value: unknown): boolean =>
    Array.isArray(value) && value.length <= most && value.every(isText);
const isPort = (value: unknown): boolean => typeof value === 'boolean' || isCount(value);

/** What may be said of a plugin, and how that looks. */
const PLUGIN: Readonly<Record<string, (value: unknown) => boolean>> = {
  ...Object.fromEntries(
    ['identifier', 'name', 'vendor', 'version', 'description', 'product'].map((name) => [name, isOrNull(isText)]),
  ),
  declaredTypes: isOrNull(isTexts(200)),
  architectures: isOrNull(isTexts(20)),
  programs: isOrNull(isTexts(PRESETS_KEPT)),
  ...Object.fromEntries(PORTS.map((port) => [port, isOrNull(isPort)])),
};

const fits = (value: unknown, shape: Readonly<Record<string, (value: unknown) => boolean>>): value is Fields =>
  isFields(value) &&
  Object.entries(value).every(([name, inner]) => Object.hasOwn(shape, name) && shape[name]?.(inner) === true);

function listOf<T>(value: unknown): readonly T[] | null {
  if (!Array.isArray(value) || value.length > MAX_BUILDS) return null;
  return value.every((one) => fits(one, PLUGIN)) ? (value as readonly T[]) : null;
}

/** A line of an asking process as a message; null for anything that is none. */
export function messageIn(line: string): Message | null {
  let value: unknown;
  try {
    value = JSON.parse(line);
  } catch {
    return null;
  }
  if (!isFields(value)) return null;
  if (value.ready === true) return { ready: true };
  const { number, started, refused } = value;
  if (typeof number !== 'string' || !isCount(started) || (refused !== undefined && typeof refused !== 'string'))
    return null;
  const common = {
    number,
    started,
    ...(refused === undefined ? {} : { refused: refused.slice(0, MAX_TEXT.detail) }),
  };
  const ports = value.ports === undefined ? undefined : listOf<AskedPorts>(value.ports);
  if (ports !== undefined) return ports === null ? null : { ...common, ports };
  const plugins = listOf<AskedPlugin>(value.plugins);
  if (plugins === null) return null;
  const more = isCount(value.more) && value.more > 0 ? { more: value.more } : {};
  return { ...common, plugins, ...more, ...(value.portsFollow === true ? { portsFollow: true as const } : {}) };
}

/** What a plugin says of itself, cut to what is listened to: done where it is asked, so that a long description costs nobody the answer. */
export function trimmed<P extends AskedPlugin | AskedPorts>(plugins: readonly P[]): P[] {
  const cut = (value: unknown): unknown =>
    typeof value === 'string'
      ? truncateText(value, MAX_TEXT.description)
      : Array.isArray(value)
        ? value.slice(0, 200).map(cut)
        : value;
  return plugins.slice(0, MAX_BUILDS).map((plugin) => {
    const own = Object.entries(plugin).map(([name, value]: [string, unknown]) => [
      name,
      name === 'programs' && Array.isArray(value) ? value.slice(0, PRESETS_KEPT).map(cut) : cut(value),
    ]);
    return Object.fromEntries(own) as P;
  });
}

/** Characters of a line that is listened to: a thousand plugins with their presets fit in. */
export const MAX_LINE = 8_000_000;

/** Cuts what comes in into lines; one that has no end is given up on. */
export class Lines {
  private parts: string[] = [];
  private length = 0;

  constructor(
    private readonly onLine: (line: string) => void,
    private readonly onTooLong: () => void,
  ) {}

  /** Takes what has come. */
  take(text: string): void {
    const [first = '', ...rest] = text.split('\n');
    this.hold(first);
    for (const part of rest) {
      const line = this.parts.join('');
      this.parts = [];
      this.length = 0;
      this.onLine(line);
      this.hold(part);
    }
  }

  private hold(part: string): void {
    this.length += part.length;
    if (this.length > MAX_LINE) {
      this.parts = [];
      this.onTooLong();
    } else this.parts.push(part);
  }
}
