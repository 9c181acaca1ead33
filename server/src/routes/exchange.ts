import { randomUUID } from 'node:crypto';
import { Router } from 'express';
import { arrangementDocument } from '@clever-drawer/contract/arrangement-document';
import type { ImportReport } from '@clever-drawer/contract/responses';
import {
  exportArrangement,
  newestForm,
  planImport,
  type ArrangementDocument,
} from '@clever-drawer/core/exchange/arrangement-document';
import { FORMATS, type Format } from '@clever-drawer/core/facts/format';
import { asId, type ComputerId } from '@clever-drawer/core/ids';
import { checked } from '../http/checked.js';
import { refused } from '../http/http-error.js';
import { loadArrangement } from '../store/arrangement-store.js';
import { addMissing, loadReferences } from '../store/catalogue-store.js';
import { saveChange } from '../store/change-journal.js';
import { findComputer } from '../store/computer-store.js';
import { windowOf } from './arrangement.js';
import type { Context } from './context.js';

/** The arrangement out to a document and in from one. */
export function exchangeRoutes({ source, arranging }: Context): Router {
  const routes = Router();

  routes.get('/computers/:computer/export', async (request, response) => {
    const computer = await findComputer(source.manager, request.params.computer);
    const id = asId<ComputerId>(computer.id);
    const [state, plugins] = [await loadArrangement(source.manager, id), await loadReferences(source.manager, id)];
    response.attachment('clever-drawer-arrangement.json');
    response.type('json').send(JSON.stringify(exportArrangement(state, plugins, computer.name, new Date()), null, 2));
  });

  routes.post('/computers/:computer/import', async (request, response) => {
    const sent = checked(arrangementDocument as never, request.body) as ArrangementDocument;
    const document = readDocument(newestForm(sent));
    const report = await arranging.change(
      request.params.computer,
      windowOf(request),
      async (db, id, state): Promise<ImportReport> => {
        const plan = planImport(state, document, await loadReferences(db, id), randomUUID);
        if (plan.change.edits.length === 0)
          throw refused('This arrangement holds no chest and no tray; there is nothing to import.');
        await addMissing(db, id, plan.missing);
        const missing = plan.missing.map(({ name, vendor }) => ({ name, vendor }));
        return { matched: plan.matched, missing, saved: await saveChange(db, id, plan.change) };
      },
    );
    // Plugins that only the document knows have joined the catalogue.
    if (report.missing.length > 0) arranging.catalogueChanged(asId<ComputerId>(request.params.computer));
    response.status(201).json(report);
  });

  return routes;
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
