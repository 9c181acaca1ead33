import pg from 'pg';
import type { Logger } from 'pino';
import { CHANNEL, type News } from '../store/studio-store.js';

const AGAIN_MS = 1000;

/** Subscribes to notifications of commits, from any process, until it is closed. `onAgain` runs after a lost connection, when notifications may have been missed. */
export async function subscribeToNotifications(
  url: string,
  log: Logger,
  onNews: (news: News) => Promise<void>,
  onAgain: () => Promise<void>,
): Promise<{ close(): Promise<void> }> {
  let client: pg.Client | null = null;
  let timer: NodeJS.Timeout | null = null;
  let isClosed = false;
  const told = (work: Promise<void>): void =>
    void work.catch((error: unknown) => {
      if (!isClosed) log.warn({ err: error }, 'windows could not be told');
    });

  const open = async (): Promise<void> => {
    const line = new pg.Client({ connectionString: url, application_name: 'clever-drawer listening' });
    const fell = (): void => {
      if (client !== line) return;
      client = null;
      line.end().catch(() => undefined);
      if (!isClosed) again();
    };
    line.on('error', fell);
    line.on('end', fell);
    line.on('notification', ({ payload = '' }) => {
      const news = newsIn(payload);
      if (news !== null) told(onNews(news));
    });
    await line.connect();
    client = line;
    await line.query(`LISTEN ${CHANNEL}`);
  };
  const again = (): void => {
    timer = setTimeout(() => {
      open().then(
        () => told(onAgain()),
        () => !isClosed && again(),
      );
    }, AGAIN_MS).unref();
  };

  await open();
  return {
    close: async () => {
      isClosed = true;
      if (timer !== null) clearTimeout(timer);
      const line = client;
      client = null;
      await line?.end();
    },
  };
}

/** What was told; null for what is not ours: anybody can speak on a channel. */
function newsIn(payload: string): News | null {
  try {
    const news: unknown = JSON.parse(payload);
    return isNews(news) ? news : null;
  } catch {
    return null;
  }
}

function isNews(news: unknown): news is News {
  if (typeof news !== 'object' || news === null) return false;
  const { from, what, computer } = news as Partial<Record<string, unknown>>;
  if (typeof from !== 'string') return false;
  if (what !== 'used') return what === 'arrangement' || what === 'catalogue';
  return typeof computer === 'string';
}
