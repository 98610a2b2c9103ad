import { readFile } from 'node:fs/promises';
import { join } from 'node:path';

/** The worker that holds rounds on a phone, as the build made it; there is none while pages are being developed. */
export async function GET() {
  const worker = await readFile(join(process.cwd(), '.next', 'elmhorn-worker.js')).catch(() => null);
  return worker
    ? new Response(new Uint8Array(worker), {
        headers: { 'content-type': 'text/javascript; charset=utf-8', 'cache-control': 'no-cache' },
      })
    : new Response(null, { status: 404 });
}
