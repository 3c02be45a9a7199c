import { connect, createServer } from 'node:net';

const host = '127.0.0.1';

/** Whether nothing listens on the port yet. */
export const isFree = (port) =>
  new Promise((resolve) => {
    const probe = createServer();
    probe.once('error', () => resolve(false));
    probe.listen(port, host, () => probe.close(() => resolve(true)));
  });

/** A port that nothing uses now. */
export const freePort = () =>
  new Promise((resolve, reject) => {
    const probe = createServer();
    probe.once('error', reject);
    probe.listen(0, host, () => {
      const { port } = probe.address();
      probe.close(() => resolve(port));
    });
  });

/** Whether something answers on the port with at least one byte (MariaDB greets first). */
export const greets = (port) =>
  new Promise((resolve) => {
    const socket = connect({ port, host });
    const end = (answer) => {
      socket.destroy();
      resolve(answer);
    };
    socket.setTimeout(1000, () => end(false));
    socket.once('error', () => end(false));
    socket.once('data', () => end(true));
  });
