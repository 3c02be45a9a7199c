/* oxlint-disable unicorn/require-post-message-target-origin -- a channel has no origin to name, only a window has */
import type { NewsView } from '@jokul/contracts';
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

/** How long news may take, and how often a page asks for them that the server has no stream for, ms. */
const newsMs = 4000;
const askMs = 5000;

/** The count of changes of everything else when this page asked for news last; null before it did. */
let revision: number | null = null;

/** Asks once for what is new. Whether the server answered. */
const askForNews = async (tell: (message: Message) => void): Promise<boolean> => {
  try {
    const answer = await fetch(`/api/journal/news?after=${heard}`, { signal: AbortSignal.timeout(newsMs) });
    if (!answer.ok) return false;
    const news = (await answer.json()) as NewsView;
    tell({ type: 'connection', connection: 'live' });
    tell({ type: 'ledger', id: news.ledger, lastSeq: news.lastSeq });
    for (const entry of news.entries) tell({ type: 'entry', entry: entry as JournalEntry });
    if (news.revision !== revision) tell({ type: 'rows' });
    revision = news.revision;
    return true;
  } catch {
    return false;
  }
};

/**
 * Listens to the server from the last number heard on, and comes back by itself. Where the server answers but has no
 * stream to give, it is asked for news until it has.
 */
const listenAlone = (tell: (message: Message) => void, failures = 0): void => {
  let lost = failures;
  let opened = false;
  const source = new EventSource(`/api/journal/stream?after=${heard}`);
  source.onopen = () => {
    lost = 0;
    opened = true;
    revision = null;
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
  const comeBack = (afterMs: number, failed: number) => setTimeout(() => listenAlone(tell, failed), afterMs);
  source.onerror = () => {
    // A browser may give up for good after an error status: begin anew from where the journal is.
    source.close();
    const pauseMs = Math.min(10_000, 1000 * 1.5 ** lost);
    const isAway = () => {
      tell({ type: 'connection', connection: 'away' });
      comeBack(pauseMs, lost + 1);
    };
    if (opened) return isAway();
    void askForNews(tell).then((answered) => (answered ? comeBack(askMs, 0) : isAway()));
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
