import type { Instrumentation } from 'next';

/** What goes wrong while a page is made is written down like any other failure, with the id of its request. */
export const onRequestError: Instrumentation.onRequestError = async (error, request, context) => {
  if (process.env.NEXT_RUNTIME !== 'nodejs') return;
  const { log } = await import('./store/log');
  const id = request.headers['x-request-id'];
  log.error({ request: Array.isArray(id) ? id[0] : id, route: context.routePath, error }, 'failed');
};
