import { randomUUID } from 'node:crypto';
import { createServer as createHttpServer } from 'node:http';
import { createServer } from 'node:net';
import { existsSync } from 'node:fs';
import { join } from 'node:path';
import postgres from 'postgres';
import { addressOf } from '@/core/settings/address';
import { readSettings } from '@/core/settings/settings';
import { fail } from './setup/fail';
import { log, pathOf } from '@/store/log';
import { codeVersion } from '@/store/migrate';

/** `npm start`: checks everything that a server needs before it serves, and says in one sentence what is missing. */
const read = readSettings(process.env);
const settings = read.ok ? read.settings : fail(read.sentence);
const root = join(__dirname, '..');

async function checkDatabase() {
  const sql = postgres(settings.DATABASE_URL, { max: 1, connect_timeout: 5, onnotice: () => {} });
  try {
    const [role] = await sql<{ super: boolean; bypass: boolean; owns: boolean }[]>`
      select rolsuper as super, rolbypassrls as bypass, exists (select from pg_class c join pg_roles o on o.oid = c.relowner where o.rolname = current_user and c.relname = 'tree') as owns from pg_roles where rolname = current_user`;
    if (role?.super || role?.bypass || role?.owns)
      fail(
        'DATABASE_URL signs in as a role that could pass the walls between companies; use elmhorn_app, which owns nothing.',
      );
    const version = await sql<{ v: number }[]>`select schema_version() as v`.then((r) => r[0]!.v).catch(() => 0);
    const serves = await sql<{ serves: boolean }[]>`select serves_code(${codeVersion()}) as serves`
      .then((r) => r[0]!.serves)
      .catch(() => false);
    if (version < codeVersion())
      fail(
        `the database has schema ${version}, this Elmhorn needs ${codeVersion()}; run “npm run migrate” with DATABASE_OWNER_URL first.`,
      );
    if (!serves)
      fail(
        `the database has schema ${version}, which took away what this Elmhorn (${codeVersion()}) rests on; start the newer Elmhorn.`,
      );
  } catch (error) {
    const code = (error as { code?: string }).code;
    if (code === 'ECONNREFUSED' || code === 'ENOTFOUND' || code === 'CONNECT_TIMEOUT' || code === '57P03')
      fail('the database does not answer at DATABASE_URL; start it and try again.');
    fail(`the database refuses: ${(error as Error).message}.`);
  } finally {
    await sql.end({ timeout: 2 });
  }
}

const portFree = () =>
  new Promise<boolean>((done) => {
    const server = createServer().once('error', () => done(false));
    server.listen({ port: settings.PORT, host: settings.HOST, exclusive: true }, () => server.close(() => done(true)));
  });

async function main() {
  if (!(await portFree())) fail(`port ${settings.PORT} on ${settings.HOST} is taken; choose another with PORT.`);
  await checkDatabase();
  if (!existsSync(join(root, '.next', 'BUILD_ID'))) fail('there is no production build; run “npm run build” first.');
  Object.assign(process.env, { NODE_ENV: 'production', NEXT_TELEMETRY_DISABLED: '1' });
  const { default: next } = await import('next');
  const app = next({ dev: false, dir: root, hostname: settings.HOST, port: settings.PORT });
  await app.prepare();
  const handle = app.getRequestHandler();
  const server = createHttpServer((request, response) => {
    // Nobody else says who asks: what came in that header is replaced.
    const said = request.headers['x-forwarded-for'];
    request.headers['x-forwarded-for'] = addressOf(
      Array.isArray(said) ? said.join(',') : (said ?? null),
      request.socket.remoteAddress ?? 'unknown',
      settings.ELMHORN_PROXIES,
    );
    const id = randomUUID();
    const began = performance.now();
    request.headers['x-request-id'] = id;
    response.setHeader('x-request-id', id);
    response.on('close', () => {
      const { method, url = '/' } = request;
      if (url.startsWith('/_next/static')) return;
      log.info(
        {
          request: id,
          method,
          path: pathOf(url),
          status: response.statusCode,
          ms: Math.round(performance.now() - began),
          ...(response.writableFinished ? {} : { broken: true }),
        },
        'request',
      );
    });
    void handle(request, response);
  });
  server.listen(settings.PORT, settings.HOST, () =>
    console.log(`Elmhorn listens on http://${settings.HOST}:${settings.PORT}`),
  );
  // What was begun is finished; what hangs is left behind after ten seconds.
  const stop = () => {
    server.close(() => process.exit(0));
    server.closeIdleConnections();
    setTimeout(() => process.exit(0), 10_000).unref();
  };
  for (const signal of ['SIGINT', 'SIGTERM'] as const) process.on(signal, stop);
}
void main();
