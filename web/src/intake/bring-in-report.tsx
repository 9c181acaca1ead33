import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import type { RequestOf } from '@clever-drawer/contract/api-types';
import type { ComputerId } from '@clever-drawer/core/ids';
import { keys, invalidateIntakeQueries } from '../catalogue/queries';
import { call, wordsOf } from '../lib/api';
import { counted } from '../lib/counted';
import { FileButton } from '../parts/file-button';

/** Chooses the scan report of another computer and brings it in; `computerId` null finds the computer by what the report says, or adds it. */
export function BringInReport({ computerId, label }: { computerId: ComputerId | null; label: string }) {
  const client = useQueryClient();
  const [file, setFile] = useState('');
  const bringIn = useMutation({
    mutationFn: async (chosen: File) => {
      setFile(chosen.name);
      const report = (await parse(chosen)) as RequestOf<'POST /reports'>['report'];
      return { name: report.computer.name, ...(await call('POST /reports', { body: { computerId, report } })) };
    },
    onSuccess: (brought) => {
      invalidateIntakeQueries(client, brought.computerId);
      return client.invalidateQueries({ queryKey: keys.computers });
    },
  });
  return (
    <>
      <FileButton size="sm" name="Scan report" disabled={bringIn.isPending} choose={(chosen) => bringIn.mutate(chosen)}>
        {bringIn.isPending ? 'Importing …' : label}
      </FileButton>
      {bringIn.isError && (
        <div className="note-box attention" role="alert">
          <p>
            <b>{file}</b> was not imported; nothing was changed. {wordsOf(bringIn.error)}
          </p>
        </div>
      )}
      {bringIn.isSuccess && (
        <div className="note-box" role="status">
          <p>
            <b>{bringIn.data.name}</b> {bringIn.data.added ? 'was added' : 'is up to date'}:{' '}
            {counted(bringIn.data.outcome.plugins, 'plugin')} in {counted(bringIn.data.outcome.builds, 'build')},{' '}
            {bringIn.data.outcome.arrived} arrived, {bringIn.data.outcome.vanished} gone.
          </p>
        </div>
      )}
    </>
  );
}

async function parse(file: File): Promise<unknown> {
  let document: unknown;
  try {
    document = JSON.parse(await file.text());
  } catch {
    throw new Error('It is damaged, or not a scan report. Choose a report that npm run scan wrote.');
  }
  const { computer } = (document ?? {}) as { computer?: { name?: unknown } };
  if (typeof computer?.name !== 'string')
    throw new Error(
      'It is not a scan report of this version. Write one on the other computer with: npm run scan -- FOLDER --json report.json',
    );
  return document;
}
