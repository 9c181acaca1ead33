/** Whoever asked may go away in the middle of a long answer; anything else that ends it is a fault, and is thrown again. */
export function unlessLeft(error: unknown): void {
  if ((error as { code?: string }).code !== 'ERR_STREAM_PREMATURE_CLOSE') throw error;
}
