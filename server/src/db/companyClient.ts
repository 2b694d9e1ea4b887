import type { Knex } from 'knex';
import PostgresTransaction from 'knex/lib/dialects/postgres/execution/pg-transaction.js';
import PostgresClient from 'knex/lib/dialects/postgres/index.js';

const ID = /^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/;

/** A transaction that says with its first words which company's rows it sees, and so needs one message less. */
class CompanyTransaction extends PostgresTransaction {
  private readonly company: string | undefined;

  constructor(...[client, container, config, outer]: ConstructorParameters<typeof PostgresTransaction>) {
    super(client, container, config, outer);
    this.company = (config as { readonly company?: string } | undefined)?.company;
    if (this.company !== undefined && !ID.test(this.company)) throw new Error('a company has an id');
  }

  override begin(connection: unknown): Promise<unknown> {
    if (this.company === undefined) return super.begin(connection);
    const modes = [
      ...(this.isolationLevel === undefined ? [] : [`isolation level ${this.isolationLevel}`]),
      ...(this.readOnly === true ? ['read only'] : []),
    ].join(' ');
    return this.query(
      connection,
      `begin ${modes}; select set_config('fine_spray.company', '${this.company}', true)`,
    );
  }
}

/** Knex's client for PostgreSQL, with transactions of a company. */
export class CompanyClient extends PostgresClient {
  override transaction(container: unknown, config: object | undefined, outer: unknown): Knex.Transaction {
    // Knex's type has all that its maker adds to a transaction before anybody sees it.
    return new CompanyTransaction(this, container, config, outer) as unknown as Knex.Transaction;
  }
}
