import type { EntityManager } from 'typeorm';

type Asks = readonly (() => Promise<unknown>)[];

/** Asks several things at once, each over a connection of its own, so that the database uses what processors there are; within a transaction one after the other. */
export async function answersTo<A extends Asks>(
  db: EntityManager,
  asks: A,
): Promise<{ [At in keyof A]: Awaited<ReturnType<A[At]>> }> {
  const answers: unknown[] = [];
  if (db.queryRunner === undefined) answers.push(...(await Promise.all(asks.map((ask) => ask()))));
  else for (const ask of asks) answers.push(await ask());
  return answers as never;
}
