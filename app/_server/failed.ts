import { headers } from 'next/headers';
import { log } from '@/store/log';

/** Writes down what went wrong, with the id of the request that it belongs to. */
export async function failed(error: unknown): Promise<void> {
  const request = await headers().then(
    (h) => h.get('x-request-id') ?? undefined,
    () => undefined,
  );
  log.error({ request, error }, 'failed');
}
