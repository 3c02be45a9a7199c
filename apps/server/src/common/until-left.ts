import type { Request } from 'express';

/** Runs work that is given up when the one who asked leaves; a connection that stays keeps no trace of it. */
export const untilLeft = async <T>(
  { socket }: Request,
  work: (left: AbortSignal) => Promise<T>,
): Promise<T> => {
  const left = new AbortController();
  const leave = () => left.abort();
  socket.once('close', leave);
  try {
    return await work(left.signal);
  } finally {
    socket.off('close', leave);
  }
};
