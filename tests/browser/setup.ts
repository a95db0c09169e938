import type { TestProject } from 'vitest/node';
import { openCluster, runScript } from '../support/application';

declare module 'vitest' {
  interface ProvidedContext {
    /** A database with the tests' own issues in it, shared by the browser tests. */
    databaseUrl: string;
  }
}

export default async function setup(project: TestProject): Promise<() => Promise<void>> {
  // A database that is there already spares the seeding while one works on a test.
  const given = process.env['KITE_TEST_DATABASE'];
  if (given) {
    project.provide('databaseUrl', given);
    return () => Promise.resolve();
  }
  const cluster = await openCluster();
  await runScript('scripts/migrate.ts', cluster.url);
  await runScript('tests/support/issues/seed.ts', cluster.url);
  project.provide('databaseUrl', cluster.url);
  return () => cluster.stop();
}
