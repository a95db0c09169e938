import pg from 'pg';

/** The database is asked for by one address: the built-in cluster's, or any other PostgreSQL. */
export function databaseUrl(): string {
  const url = process.env['DATABASE_URL'];
  if (!url) throw new Error('DATABASE_URL is not set: start the application with `npm start`.');
  return url;
}

// A development server loads modules anew; connections must not multiply with them.
const shared = globalThis as { restlessKitePool?: pg.Pool };

export function pool(): pg.Pool {
  if (!shared.restlessKitePool) {
    shared.restlessKitePool = new pg.Pool({ connectionString: databaseUrl(), max: 10, idleTimeoutMillis: 30_000 });
    // A connection that breaks while idle is replaced by the pool; without a listener it would end the process.
    shared.restlessKitePool.on('error', () => undefined);
  }
  return shared.restlessKitePool;
}

export type Client = pg.PoolClient;

/** Runs work in one transaction: all of it is stored, or nothing. */
export async function transaction<T>(work: (client: Client) => Promise<T>): Promise<T> {
  const client = await pool().connect();
  try {
    await client.query('begin');
    const result = await work(client);
    await client.query('commit');
    return result;
  } catch (error) {
    await client.query('rollback').catch(() => undefined);
    throw error;
  } finally {
    client.release();
  }
}
