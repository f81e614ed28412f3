import { connect, createServer, type Server } from 'node:net';

/**
 * Hands connections to several servers in turn, as a reverse proxy does before several web processes. One that does not
 * answer is passed over.
 */
export async function startBalancer(port: number, targets: readonly number[]): Promise<Server> {
  let turn = 0;
  const server = createServer((client) => {
    client.on('error', () => client.destroy());
    const first = turn++;
    const reach = (tries: number): void => {
      const target = connect({ host: '127.0.0.1', port: targets[(first + tries) % targets.length] });
      target.once('error', () => {
        target.destroy();
        if (tries + 1 < targets.length && client.bytesRead === 0) reach(tries + 1);
        else client.destroy();
      });
      target.once('connect', () => {
        client.pipe(target).pipe(client);
        client.once('close', () => target.destroy());
        target.once('close', () => client.destroy());
      });
    };
    reach(0);
  });
  await new Promise<void>((resolve) => server.listen(port, '127.0.0.1', resolve));
  return server;
}
