/** A reason not to start, in a sentence with its remedy; main prints it without a stack trace and exits with 1. */
export class StartupError extends Error {}

/** Turns what the system says on a full disk or a missing right into a sentence; anything else stays as it is. */
export function explainSystemError(error: unknown, path: string): unknown {
  const { code } = error as NodeJS.ErrnoException;
  if (code === 'ENOSPC' || code === 'EDQUOT') {
    return new StartupError(`The disk that holds ${path} is full. Free some space, then start again.`);
  }
  if (code === 'EACCES' || code === 'EPERM' || code === 'EROFS') {
    return new StartupError(
      `No right to write to ${path}. Make the folder yours, or name another one with CLEVER_DRAWER_DATA.`,
    );
  }
  if (code === 'ENOTDIR' || code === 'EEXIST') {
    return new StartupError(
      `${path} can't be used as a folder, because a file is in the way. Move the file, or name another folder with CLEVER_DRAWER_DATA.`,
    );
  }
  return error;
}
