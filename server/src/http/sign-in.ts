import { createHash, createHmac, randomBytes, timingSafeEqual } from 'node:crypto';
import { existsSync } from 'node:fs';
import { mkdir, readFile } from 'node:fs/promises';
import { join } from 'node:path';
import type { Request, RequestHandler } from 'express';
import writeFileAtomic from 'write-file-atomic';
import { HttpError } from './http-error.js';
import { sendProblem } from './problem.js';

/** With what whoever asks shows that he is the one who started this: browsers by a code in the address, which gives them a cookie; scripts by the key. */
export interface SignIn {
  /** Kept in a file that only this user may read. */
  readonly key: string;
  /** Stands in the address that is printed; another one with each start. */
  readonly code: string;
}

const KEY = /^[\w-]{43}$/;
const YEAR_MS = 365 * 24 * 3_600_000;

/** Where the key lies. */
export const keyFile = (folder: string): string => join(folder, 'key');

/** Whether the system does not tell who owns a connection over loopback, so that everybody on the computer could ask. */
export const isSignInNeeded = (): boolean => !existsSync('/proc/net/tcp');

/** The key of a folder, made when there is none (mode 600), and a new code. */
export async function openSignIn(folder: string): Promise<SignIn> {
  const kept = (await readFile(keyFile(folder), 'utf8').catch(() => '')).trim();
  const key = KEY.test(kept) ? kept : randomBytes(32).toString('base64url');
  if (key !== kept) {
    await mkdir(folder, { recursive: true });
    await writeFileAtomic(keyFile(folder), `${key}\n`, { mode: 0o600 });
  }
  return { key, code: randomBytes(32).toString('base64url') };
}

/** Lets in who has signed in, signs in who comes with the code, and tells everybody else how. */
export function signedIn({ key, code }: SignIn): RequestHandler {
  const ticket = createHmac('sha256', key).update('browser').digest('base64url');
  return (request, response, next) => {
    const name = cookieName(request);
    const given = request.get('authorization') ?? '';
    if (isSame(given, `Bearer ${key}`) || isSame(cookieOf(request, name), ticket)) {
      next();
      return;
    }
    const asked = addressOf(request);
    if (request.method === 'GET' && asked !== null && isSame(asked.searchParams.get('code') ?? '', code)) {
      asked.searchParams.delete('code');
      response.cookie(name, ticket, { httpOnly: true, sameSite: 'strict', maxAge: YEAR_MS });
      // The code does not stay in the address. Slashes that were folded away could name another host.
      response.redirect(303, asked.pathname.replace(/^\/+/, '/') + asked.search);
      return;
    }
    sendProblem(
      response,
      new HttpError(
        'not-signed-in',
        'Open the address that Clever Drawer printed when it was started: it holds a code that signs this browser in. Scripts send the key from the file “key” in the data folder, as “Authorization: Bearer KEY”.',
      ),
    );
  };
}

/** Null for what is no address: "//" names a host, and none. */
function addressOf({ originalUrl }: Request): URL | null {
  const base = 'http://127.0.0.1';
  return URL.canParse(originalUrl, base) ? new URL(originalUrl, base) : null;
}

/** Cookies are shared by all ports of a host. */
const cookieName = ({ socket }: Request): string => `clever-drawer-${String(socket.localPort)}`;

const cookieOf = (request: Request, name: string): string =>
  (request.headers.cookie ?? '')
    .split(';')
    .map((one) => one.trim())
    .find((one) => one.startsWith(`${name}=`))
    ?.slice(name.length + 1) ?? '';

/** Takes as long for what differs early as for what differs late. */
function isSame(one: string, other: string): boolean {
  const digest = (text: string): Buffer => createHash('sha256').update(text).digest();
  return timingSafeEqual(digest(one), digest(other));
}
