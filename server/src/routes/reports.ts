import { readFileSync } from 'node:fs';
import { Ajv2020, type ErrorObject } from 'ajv/dist/2020.js';
import type { BroughtIn } from '@clever-drawer/contract/responses';
import { SCAN_REPORT_SCHEMA, type ScanReport } from '@clever-drawer/core/exchange/scan-report';
import { asId, type ComputerId } from '@clever-drawer/core/ids';
import { HttpError, refused } from '../http/http-error.js';
import type { Handlers } from '../http/serve.js';
import { lockCatalogue } from '../store/catalogue-lock.js';
import { addComputer, findComputer, listComputers } from '../store/computer-store.js';
import { applyReport } from '../store/report-store.js';
import type { Context } from './context.js';

const SCHEMA = JSON.parse(
  readFileSync(new URL('../../../docs/schemas/scan-report-4.schema.json', import.meta.url), 'utf8'),
) as object;
// A report of tens of thousands of builds is held to its published schema in a fraction of a second.
const fits = new Ajv2020({
  formats: { 'date-time': (text: string) => !Number.isNaN(Date.parse(text)) },
  strict: true,
}).compile(SCHEMA);

/** Catalogues of other computers, by their scan reports. */
export function reportHandlers({ source, here }: Context): Handlers<'POST /reports'> {
  return {
    'POST /reports': async ({ body: { computerId, report: sent } }) => {
      const report = checkedReport(sent);
      return source.transaction(async (db): Promise<BroughtIn> => {
        // Before any row is: a scan takes them in this order, and neither then waits for the other.
        await lockCatalogue(db);
        const known =
          computerId === null
            ? (await listComputers(db)).find(
                (one) => one.name === report.computer.name && one.system === report.computer.system,
              )?.id
            : (await findComputer(db, computerId)).id;
        if (known !== undefined && here.is(known))
          throw refused(
            `${report.computer.name} is the computer at hand: its own folders are scanned, and no report is needed. For another computer of this name, write the report there with --computer and a name of its own.`,
          );
        const id = asId<ComputerId>(known ?? (await addComputer(db, report.computer)));
        return { computerId: id, added: known === undefined, outcome: await applyReport(db, id, report) };
      });
    },
  };
}

const MAX_ERRORS = 5;

function checkedReport(sent: ScanReport): ScanReport {
  const { schema } = sent as { schema?: unknown };
  if (schema !== SCAN_REPORT_SCHEMA)
    throw new HttpError(
      'request-does-not-fit',
      typeof schema === 'string' && schema.startsWith('clever-drawer/scan-report/')
        ? `This report is of another version (“${schema.slice(0, 60)}”, not “${SCAN_REPORT_SCHEMA}”). Bring Clever Drawer up to date on both computers, and write the report again.`
        : 'This is no scan report. Write one on the other computer with: npm run scan -- FOLDER --json report.json',
    );
  if (!fits(sent)) {
    const errors = (fits.errors ?? []).slice(0, MAX_ERRORS).map(({ instancePath, message }: ErrorObject) => ({
      path: instancePath === '' ? 'report' : instancePath.slice(1).replaceAll('/', '.'),
      message: message ?? 'does not fit',
    }));
    throw new HttpError(
      'request-does-not-fit',
      `The report was damaged or changed: ${errors.map((one) => `${one.path} ${one.message}`).join('; ')}. Write it again on the other computer.`,
      errors,
    );
  }
  return sent;
}
