/** Ignores the error of a client that disconnects during a long response; throws every other error again. */
export function ignoreClientDisconnect(error: unknown): void {
  if ((error as { code?: string }).code !== 'ERR_STREAM_PREMATURE_CLOSE') throw error;
}
