import { randomUUID } from 'node:crypto';
import type { ImportReport } from '@clever-drawer/contract/responses';
import type { ArrangementDocument, PluginReference } from '@clever-drawer/core/exchange/arrangement-document';
import { upgradeDocument } from '@clever-drawer/core/exchange/older-arrangements';
import { exportStepwise } from '@clever-drawer/core/exchange/export-arrangement';
import { importStepwise } from '@clever-drawer/core/exchange/import-arrangement';
import { FORMATS, type Format } from '@clever-drawer/core/facts/format';
import { clientGone, refused } from '../http/http-error.js';
import type { Handlers } from '../http/serve.js';
import { runCooperatively } from '../run-cooperatively.js';
import { addMissing, loadReferences, notOn } from '../store/catalogue-store.js';
import { saveChange } from '../store/change-journal.js';
import { findComputer } from '../store/computer-store.js';
import type { Context } from './context.js';

type Keys = 'GET /computers/{computer}/export' | 'POST /computers/{computer}/import';

/** The arrangement out to a document and in from one. */
export function exchangeHandlers({ arranging }: Context): Handlers<Keys> {
  return {
    'GET /computers/{computer}/export': async ({ path, response }) => {
      // All of it is read in one transaction: rows, plugins and name belong together.
      const document = await arranging.look(path.computer, async (db, id, state) => {
        const [{ name }, plugins] = [await findComputer(db, id), await loadReferences(db)];
        return runCooperatively(exportStepwise(state, plugins, name, new Date()));
      });
      response.attachment('clever-drawer-arrangement.json');
      return document;
    },

    'POST /computers/{computer}/import': async ({ path, window, body, gone }) => {
      const document = readDocument(upgradeDocument(body));
      return arranging.change(path.computer, window, async (db, id, state): Promise<ImportReport> => {
        const known = await loadReferences(db);
        const plan = await runCooperatively(importStepwise(state, document, known, randomUUID));
        if (plan.change.edits.length === 0)
          throw refused('Nothing to import: everything in this arrangement is here already.');
        await addMissing(db, plan.missing);
        const there = await notOn(db, id, plan.matched);
        const named = ({ name, vendor }: PluginReference) => ({ name, vendor });
        const saved = await saveChange(db, id, state, plan.change, window);
        // The transaction is taken back whole.
        if (gone.aborted) throw clientGone();
        return {
          matched: plan.matched.length - there.length,
          elsewhere: there.flatMap((plugin) => known.get(plugin) ?? []).map(named),
          missing: plan.missing.map(named),
          saved,
        };
      });
    },
  };
}

/** Builds of a format that this version does not know are passed over: the plugin is still matched by its id or other builds. */
function readDocument(document: ArrangementDocument): ArrangementDocument {
  const known = (format: Format): boolean => FORMATS.includes(format);
  const plugins = document.plugins.map((plugin) => ({
    ...plugin,
    builds: plugin.builds.filter((build) => known(build.format)),
  }));
  return { ...document, plugins };
}
