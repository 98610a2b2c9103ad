import { codeVersion } from '@/store/migrate';
import { db } from '@/store/db';

export const dynamic = 'force-dynamic';

/** Liveness by answering at all; readiness by a database of the right schema. */
export async function GET() {
  const ready = await db()<{ v: number }[]>`select schema_version() as v`.then(
    ([r]) => r!.v === codeVersion(),
    () => false,
  );
  return Response.json(
    { live: true, ready, ...(ready ? {} : { why: 'the database does not answer or has another schema' }) },
    { status: ready ? 200 : 503 },
  );
}
