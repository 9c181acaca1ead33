import type { EntityManager } from 'typeorm';

interface Made<T> {
  readonly of: string;
  readonly making: Promise<T>;
  made: { readonly value: T } | null;
}

/** The last answer to a question that takes long, and what it is the answer to. */
export class Kept<T> {
  private last: Made<T> | null = null;

  /**
   * The answer, asked for only when the last one was to something else. `holds`: whether it may be kept. Several that ask at a time wait for the same one;
   * but nobody waits in a transaction, whose connection the other may need.
   */
  async get(
    db: EntityManager,
    of: string,
    ask: () => Promise<T>,
    holds: () => Promise<boolean> = () => Promise.resolve(true),
  ): Promise<T> {
    const { last } = this;
    if (last?.of === of) {
      if (last.made !== null) return last.made.value;
      if (db.queryRunner === undefined) return last.making;
    }
    const own: Made<T> = { of, making: ask(), made: null };
    this.last = own;
    try {
      const value = await own.making;
      if (await holds()) own.made = { value };
      else this.forget(own);
      return value;
    } catch (error) {
      this.forget(own);
      throw error;
    }
  }

  /** The last answer, where it is there and to this; null otherwise. */
  peek(of: string): T | null {
    return this.last?.of === of ? (this.last.made?.value ?? null) : null;
  }

  /** Forgets it. */
  letGo(): void {
    this.last = null;
  }

  private forget(own: Made<T>): void {
    if (this.last === own) this.last = null;
  }
}
