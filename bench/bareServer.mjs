import express from 'express';
import pg from 'pg';

/**
 * What an entry and a list of surfaces cost at least: Express and pg with the statements that the program sends, and nothing
 * besides. No schema, no session, no problem details, no compression.
 */
export function bareServer(connectionString) {
  const pool = new pg.Pool({ connectionString, max: 10 });
  const app = express();
  app.use(express.json({ limit: '4mb' }));
  let companyId;
  /** The company of whoever asks. */
  const company = async () => {
    if (companyId) return;
    const { rows } = await pool.query('select id from company order by created_at limit 1');
    companyId = rows[0].id;
  };
  const within = async (work) => {
    const client = await pool.connect();
    try {
      await client.query(`begin; select set_config('fine_spray.company', '${companyId}', true)`);
      const answer = await work(client);
      await client.query('commit');
      return answer;
    } catch (error) {
      await client.query('rollback');
      throw error;
    } finally {
      client.release();
    }
  };
  const COLUMNS = [
    'id',
    'company_id',
    'version',
    'clock_skew',
    'person_id',
    'kind',
    'schema',
    'at',
    'author',
    'job_id',
    'surface_id',
    'replaces',
    'payload',
  ];
  const insert = (client, entries) => {
    const values = [];
    const rows = entries.map((one) => {
      const { id, kind, schema = 1, at, author, jobId, surfaceId, replaces, payload } = one;
      values.push(
        id,
        companyId,
        1,
        0,
        null,
        kind,
        schema,
        at,
        author,
        jobId,
        surfaceId,
        replaces,
        JSON.stringify(payload),
      );
      return `(${COLUMNS.map((_column, index) => `$${values.length - COLUMNS.length + index + 1}`).join(', ')})`;
    });
    return client.query(
      `insert into entry (${COLUMNS.join(', ')}) values ${rows.join(', ')} on conflict (company_id, id) do nothing returning *`,
      values,
    );
  };
  app.put('/api/entries/:id', async (request, response) => {
    await company();
    const { rows } = await within((client) => insert(client, [{ ...request.body, id: request.params.id }]));
    response.json(rows[0]);
  });
  app.post('/api/entries', async (request, response) => {
    await company();
    const { rows } = await within((client) => insert(client, request.body.entries));
    response.json({ results: rows.map((row) => ({ id: row.id, row })) });
  });
  app.get('/api/jobs/:id/surfaces', async (request, response) => {
    await company();
    const items = await within(async (client) => {
      await client.query('select * from job where company_id = $1 and id = $2', [
        companyId,
        request.params.id,
      ]);
      const { rows } = await client.query(
        'select * from surface where company_id = $1 and job_id = $2 order by position, created_at, id',
        [companyId, request.params.id],
      );
      return rows;
    });
    response.json({ items });
  });
  return { app, end: () => pool.end() };
}
