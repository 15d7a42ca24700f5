import { postgresBin, startPostgres } from './postgres.fixture';

/** One server for all test files; `testApp.fixture.ts` makes a database on it for each application. */
export default async function setup(): Promise<() => Promise<void>> {
  const bin = postgresBin();
  if (!bin) throw new Error('There is no PostgreSQL server here: apt-get install postgresql');
  const server = await startPostgres(bin);
  process.env.TEST_POSTGRES = await server.fresh();
  return server.end;
}
