/** Runs once when a server starts: it does its share of the jobs that wait, those of a server that has gone among them. */
export async function register(): Promise<void> {
  if (process.env['NEXT_RUNTIME'] !== 'nodejs' || !process.env['DATABASE_URL']) return;
  // Where nobody reads any more what the server says, that is no error: to say it would be the next one, and so on.
  for (const out of [process.stdout, process.stderr]) out.on('error', () => undefined);
  const { jobs } = await import('@/services/jobs/jobs');
  // Where the database is away, whoever first asks for a job starts them.
  await jobs()
    .start()
    .catch((error: unknown) => console.error(error));
}
