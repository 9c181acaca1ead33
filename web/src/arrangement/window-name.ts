import type { QueryClient } from '@tanstack/react-query';

const names = new WeakMap<QueryClient, string>();

/** A window's name among the open ones: it is not told of its own changes. Each query client is a window. */
export function windowName(client: QueryClient): string {
  let name = names.get(client);
  if (name === undefined) names.set(client, (name = crypto.randomUUID()));
  return name;
}
