import { createInterface } from 'node:readline';

/*
 * What the server says is one JSON object a line. All of it goes into a file, for whoever looks for a fault; the terminal
 * shows in plain words what a person there wants to read.
 */

/** So large is a file at most, so many old ones are kept, and so long is waited after the disk took none, ms. */
const size = '5M';
const keep = 5;
const againMs = 60_000;

/** What a person at the terminal reads of a line; null for nothing. */
export const forTerminal = (line) => {
  let said;
  try {
    said = JSON.parse(line);
  } catch {
    return line;
  }
  if (typeof said !== 'object' || said === null) return line;
  // Each request that was refused, was slow or changed something is for the file alone.
  if (said.context === 'Request') return null;
  const { level, message } = said;
  const fault = level === 'error' || level === 'fatal';
  // The message of a fault is its stack, or an object that says more.
  const [first] = String(message?.message ?? message ?? '').split('\n');
  return fault ? `A fault in the server: ${first} (more in the log)` : first;
};

/**
 * @param folder where the log goes; it is made if need be
 * @returns write(line), which never fails: a log that cannot be written stops no work
 */
export const openServerLog = async (folder) => {
  const { createStream } = await import('rotating-file-stream');
  let stream = null;
  let closedUntilMs = 0;
  return {
    write: (line) => {
      if (!stream && Date.now() >= closedUntilMs) {
        const opened = createStream('server.log', { path: folder, size, rotate: keep });
        opened.on('error', () => {
          if (stream === opened) stream = null;
          closedUntilMs = Date.now() + againMs;
        });
        stream = opened;
      }
      stream?.write(`${line}\n`);
    },
    end: () => stream?.end(),
  };
};

/** Passes on what a server says, line by line, as it comes. */
export const passOn = (child, log, { onSaid, out = process.stdout, err = process.stderr }) => {
  for (const [from, to] of [
    [child.stdout, out],
    [child.stderr, err],
  ])
    createInterface({ input: from }).on('line', (line) => {
      onSaid();
      log?.write(line);
      const shown = log ? forTerminal(line) : line;
      if (shown !== null) to.write(`${shown}\n`);
    });
};
