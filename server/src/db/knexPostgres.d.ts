/** The parts of Knex's client for PostgreSQL that ours is made of; Knex describes its interface, not these. */
declare module 'knex/lib/dialects/postgres/index.js' {
  import type { Knex } from 'knex';

  const Client: typeof Knex.Client;
  export default Client;
}

declare module 'knex/lib/dialects/postgres/execution/pg-transaction.js' {
  export default class Transaction {
    protected isolationLevel?: string;
    protected readOnly?: boolean;
    constructor(client: unknown, container: unknown, config: object | undefined, outer: unknown);
    begin(connection: unknown): Promise<unknown>;
    protected query(connection: unknown, sql: string): Promise<unknown>;
  }
}
