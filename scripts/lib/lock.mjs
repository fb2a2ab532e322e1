// One at a time among the processes of one machine: an abstract socket, which the system gives back when its holder is gone, however it went.
import { createHash } from 'node:crypto';
import net from 'node:net';

const tryToHold = (name) =>
  new Promise((resolve, reject) => {
    const server = net.createServer();
    server.once('error', (error) => (error.code === 'EADDRINUSE' ? resolve(null) : reject(error)));
    server.listen(`\0neat-fold-${createHash('sha256').update(name).digest('hex').slice(0, 24)}`, () => resolve(server));
  });

/** Wait for `name`, then hold it; answers how to let go. `onWait` is told once when somebody else holds it. */
export async function hold(name, { onWait = () => {} } = {}) {
  for (let told = false; ;) {
    const server = await tryToHold(name);
    if (server) {
      server.unref();
      return () => new Promise((resolve) => server.close(resolve));
    }
    if (!told) onWait();
    told = true;
    await new Promise((resolve) => setTimeout(resolve, 150));
  }
}
