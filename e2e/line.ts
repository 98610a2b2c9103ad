import { connect, createServer, type AddressInfo, type Socket } from 'node:net';

/**
 * A line to the server that can be cut, as it is in a valley: everything of a browser goes through it, its worker as well,
 * and the browser is told nothing.
 */
export async function openLine(to: string) {
  const { hostname, port } = new URL(to);
  /** How much of what comes gets through; deaf: the server hears all, and nobody hears its answer. */
  let state: 'up' | 'cut' | 'deaf' = 'up';
  const sockets = new Set<Socket>();
  const server = createServer((near) => {
    if (state === 'cut') return near.destroy();
    const far = connect(Number(port), hostname);
    for (const s of [near, far]) {
      sockets.add(s);
      s.on('error', () => s.destroy());
      s.on('close', () => {
        sockets.delete(s);
        (s === near ? far : near).destroy();
      });
    }
    near.pipe(far);
    if (state === 'up') far.pipe(near);
    else far.once('data', () => near.destroy());
  });
  await new Promise<void>((done) => server.listen(0, '127.0.0.1', done));
  const become = (next: typeof state) => () => {
    state = next;
    for (const s of sockets) s.destroy();
  };
  return {
    address: `http://127.0.0.1:${(server.address() as AddressInfo).port}`,
    cut: become('cut'),
    mend: become('up'),
    deafen: become('deaf'),
    close: () => {
      become('cut')();
      server.close();
    },
  };
}
