import { useRef, type ReactNode } from 'react';
import { toast } from 'sonner';
import type { SessionReport } from '@clever-drawer/contract/responses';
import type { Session } from '@clever-drawer/core/chests/rows/session';
import { asId, type SessionId } from '@clever-drawer/core/ids';
import type { Changes } from '../arrangement/changes';
import { addressOf, wordsOf } from '../lib/api';
import { counted } from '../lib/counted';
import { useComputer } from '../lib/use-computer';
import type { SessionActions } from './session-head';

const MAX_BYTES = 8 * 1024 * 1024;

/** Sessions out to files and in from them; `input` is the field that takes a file, to be drawn somewhere. */
export function useSessionFiles(
  { changes }: { readonly changes: Changes },
  show: (id: SessionId) => void,
): Pick<SessionActions, 'exportAs' | 'bringIn'> & { readonly input: ReactNode } {
  const computer = useComputer();
  const picker = useRef<HTMLInputElement>(null);
  const take = async (file: File): Promise<void> => {
    try {
      if (file.size > MAX_BYTES)
        throw new Error('This file is larger than 8 MB. Export the session without its audio.');
      const report = await changes.bringSession(file.name.toLowerCase().endsWith('.json') ? await jsonIn(file) : file);
      show(asId<SessionId>(report.session));
      toast(wordsOfReport(report), { duration: 12_000 });
    } catch (error) {
      toast.error(wordsOf(error), { duration: 12_000 });
    }
  };
  return {
    exportAs: (session, form) => void download(addressOfSession(computer.id, session, form)),
    bringIn: () => picker.current?.click(),
    input: (
      <input
        ref={picker}
        type="file"
        accept=".json,.dawproject,application/json"
        className="visually-hidden"
        tabIndex={-1}
        aria-label="A session to import: JSON or DAWproject"
        onChange={({ target }) => {
          const file = target.files?.[0];
          if (file !== undefined) void take(file);
          target.value = '';
        }}
      />
    ),
  };
}

function addressOfSession(computer: string, { id }: Session, form: 'json' | 'dawproject'): string {
  const path = { computer, session: id };
  return form === 'json'
    ? addressOf('GET /computers/{computer}/sessions/{session}', { path })
    : addressOf('GET /computers/{computer}/sessions/{session}/dawproject', { path });
}

/** Fetches a file and saves it as the server names it; tells what the format had no room for. */
async function download(address: string): Promise<void> {
  const response = await fetch(address);
  if (!response.ok) {
    toast.error('The session could not be exported. Reload the page and try again.');
    return;
  }
  const [, name] = /filename="?([^";]+)"?/.exec(response.headers.get('content-disposition') ?? '') ?? [];
  const url = URL.createObjectURL(await response.blob());
  const link = document.createElement('a');
  link.href = url;
  link.download = name ?? 'session';
  link.click();
  URL.revokeObjectURL(url);
  const leftOut = Number(response.headers.get('x-left-out') ?? 0);
  if (leftOut > 0)
    toast.warning(
      `${counted(leftOut, 'plugin')} ${leftOut === 1 ? 'was' : 'were'} left out: a DAWproject names plugins by the identifier of a VST2, VST3, CLAP or AU build, and none is known of ${leftOut === 1 ? 'it' : 'them'}.`,
      { duration: 12_000 },
    );
}

async function jsonIn(file: File): Promise<object> {
  try {
    return JSON.parse(await file.text()) as object;
  } catch {
    throw new Error(`${file.name} is no JSON. Choose a session that was exported here, or a DAWproject.`);
  }
}

const MAX_NAMED = 5;

function wordsOfReport({ missing, leftOut }: SessionReport): string {
  const names = missing.slice(0, MAX_NAMED).map((one) => one.name);
  const more = missing.length - names.length;
  return [
    'The session is imported.',
    missing.length === 0
      ? ''
      : `Not in the catalogue, and kept in their slots: ${names.join(', ')}${more > 0 ? ` and ${String(more)} more` : ''}.`,
    leftOut === 0 ? '' : `${counted(leftOut, 'device')} of no plugin format were passed over.`,
  ]
    .filter((words) => words !== '')
    .join(' ');
}
