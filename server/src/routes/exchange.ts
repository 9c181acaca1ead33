import { randomUUID } from 'node:crypto';
import type { ImportReport } from '@clever-drawer/contract/responses';
import { newestForm, type ArrangementDocument } from '@clever-drawer/core/exchange/arrangement-document';
import { exportArrangement } from '@clever-drawer/core/exchange/export-arrangement';
import { planImport } from '@clever-drawer/core/exchange/import-arrangement';
import { FORMATS, type Format } from '@clever-drawer/core/facts/format';
import { asId, type ComputerId } from '@clever-drawer/core/ids';
import { refused } from '../http/http-error.js';
import type { Handlers } from '../http/serve.js';
import { addMissing, loadReferences } from '../store/catalogue-store.js';
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
        const [{ name }, plugins] = [await findComputer(db, id), await loadReferences(db, id)];
        return exportArrangement(state, plugins, name, new Date());
      });
      response.attachment('clever-drawer-arrangement.json');
      return document;
    },

    'POST /computers/{computer}/import': async ({ path, window, body }) => {
      const document = readDocument(newestForm(body));
      const report = await arranging.change(path.computer, window, async (db, id, state): Promise<ImportReport> => {
        const plan = planImport(state, document, await loadReferences(db, id), randomUUID);
        if (plan.change.edits.length === 0)
          throw refused('This arrangement holds no chest and no tray; there is nothing to import.');
        await addMissing(db, id, plan.missing);
        const missing = plan.missing.map(({ name, vendor }) => ({ name, vendor }));
        return { matched: plan.matched, missing, saved: await saveChange(db, id, plan.change) };
      });
      // Plugins that only the document knows have joined the catalogue.
      if (report.missing.length > 0) arranging.catalogueChanged(asId<ComputerId>(path.computer));
      return report;
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
