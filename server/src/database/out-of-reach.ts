/** What systems and PostgreSQL call a line that is down, a server that ends, starts or has no room, and a statement that took too long. PostgreSQL, "Error Codes"; errno(3). */
const OUT_OF_REACH =
  /^(ECONNREFUSED|ECONNRESET|ECONNABORTED|EPIPE|ETIMEDOUT|EHOSTUNREACH|57P0\d|57014|08\w{3}|53300|58030)$/;
/** What the driver, and what stands above it, says of the same without a code: the line went down in the middle of a transaction, say. */
const LINE_IS_DOWN =
  /Connection terminated|already released|Transaction is not started|Query read timeout|timeout expired|timeout exceeded when trying to connect|not queryable|connection error|Driver not Connected|Client was closed/i;

/** Whether an error says that the database is not to be had at the moment, and nothing of what was asked of it. */
export const isOutOfReach = (error: unknown): boolean =>
  OUT_OF_REACH.test((error as { code?: string }).code ?? '') ||
  (error instanceof Error && LINE_IS_DOWN.test(error.message));
