/* oxlint-disable unicorn/require-post-message-target-origin -- a channel has no origin to name, only a window has */
import type { JournalEntry } from '@jokul/core';

/** What comes from the server's stream. */
export interface Hearing {
  readonly entry: (entry: JournalEntry) => void;
  /** Something else than the journal changed. */
  readonly rows: () => void;
  readonly connection: (connection: 'live' | 'away') => void;
  /** The ledger that the server has now and its last number: another one, or a shorter one, was put in its place. */
  readonly ledger: (id: string, lastSeq: number) => void;
}

type Message =
  | { readonly type: 'entry'; readonly entry: JournalEntry }
  | { readonly type: 'rows' }
  | { readonly type: 'connection'; readonly connection: 'live' | 'away' }
  | { readonly type: 'ledger'; readonly id: string; readonly lastSeq: number }
  | { readonly type: 'ask' };

const channelName = 'jokul-stream';
const lockName = 'jokul-stream';

/**
 * Pages of one browser share one stream: a browser opens only six connections to a server, and the seventh page would
 * never load. The page that holds the lock listens and tells the others; when it closes, the next takes its place. Where
 * a browser has neither locks nor channels, each page listens for itself.
 */
const canShare = () =>
  typeof document !== 'undefined' && typeof BroadcastChannel !== 'undefined' && 'locks' in navigator;

/** Heard so far: our own confirmed entries may be ahead of the stream, so it counts for itself. */
let heard = 0;

const hear = (message: Message, hearing: Hearing): void => {
  if (message.type === 'entry') {
    heard = Math.max(heard, message.entry.seq);
    hearing.entry(message.entry);
  } else if (message.type === 'rows') hearing.rows();
  else if (message.type === 'connection') hearing.connection(message.connection);
  else if (message.type === 'ledger') hearing.ledger(message.id, message.lastSeq);
};

/** Listens to the server from the last number heard on, and comes back by itself. */
const listenAlone = (tell: (message: Message) => void, failures = 0): void => {
  let lost = failures;
  const source = new EventSource(`/api/journal/stream?after=${heard}`);
  source.onopen = () => {
    lost = 0;
    tell({ type: 'connection', connection: 'live' });
  };
  source.addEventListener('entry', (event) =>
    tell({ type: 'entry', entry: JSON.parse(event.data as string) as JournalEntry }),
  );
  source.addEventListener('hello', (event) => {
    const { ledger, lastSeq } = JSON.parse(event.data as string) as { ledger: string; lastSeq: number };
    tell({ type: 'ledger', id: ledger, lastSeq });
  });
  source.addEventListener('rows', () => tell({ type: 'rows' }));
  source.onerror = () => {
    tell({ type: 'connection', connection: 'away' });
    // A browser may give up for good after an error status: begin anew from where the journal is.
    source.close();
    setTimeout(() => listenAlone(tell, lost + 1), Math.min(10_000, 1000 * 1.5 ** lost));
  };
};

const listenTogether = (hearing: Hearing): void => {
  const channel = new BroadcastChannel(channelName);
  /** What the page that listens knows of the server; null on the others, and until it knows. */
  let connection: 'live' | 'away' | null = null;
  const tell = (message: Message) => {
    if (message.type === 'connection') connection = message.connection;
    channel.postMessage(message);
    hear(message, hearing);
  };
  channel.onmessage = ({ data }: MessageEvent<Message>) => {
    if (data.type !== 'ask') hear(data, hearing);
    else if (connection) channel.postMessage({ type: 'connection', connection } satisfies Message);
  };
  channel.postMessage({ type: 'ask' } satisfies Message);
  void navigator.locks.request(lockName, () => {
    listenAlone(tell);
    // Held until this page is gone.
    return new Promise(() => undefined);
  });
};

/** Begins to listen after that number. */
export const listen = (after: number, hearing: Hearing): void => {
  heard = after;
  if (canShare()) listenTogether(hearing);
  else listenAlone((message) => hear(message, hearing));
};

export const heardSeq = (): number => heard;

/** Goes on from another number: the ledger was put back. */
export const hearFrom = (seq: number): void => {
  heard = seq;
};
