import pg from 'pg';

/**
 * A connection of the pool that somebody always listens to: between the pool's hands and those of whoever asked for it nobody does, and a database that ends just
 * then would end the server. What asks over it next is told that it is broken, and the pool lets go of it.
 */
export class SteadyClient extends pg.Client {
  constructor(config?: string | pg.ClientConfig) {
    super(config);
    this.on('error', () => undefined);
  }
}
