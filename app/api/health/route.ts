import { codeVersion } from '@/store/migrate';
import { db } from '@/store/db';

export const dynamic = 'force-dynamic';

/** Liveness by answering at all; readiness by a database whose schema this code can work with. */
export async function GET() {
  const ready = await db()<{ serves: boolean }[]>`select serves_code(${codeVersion()}) as serves`.then(
    ([r]) => r!.serves,
    () => false,
  );
  return Response.json(
    { live: true, ready, ...(ready ? {} : { why: 'the database does not answer or has another schema' }) },
    { status: ready ? 200 : 503 },
  );
}
