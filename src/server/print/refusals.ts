/** Why a print is refused before or beside its making, each with its HTTP status (RFC 9110); docs/format.md lists them. */
export const STATUS_OF = {
  empty: 400,
  'unknown-parameter': 400,
  'unknown-part': 400,
  'bad-control-line': 400,
  'other-origin': 403,
  'other-method': 405,
  'too-slow': 408,
  'too-large': 413,
  'other-type': 415,
  'memory-limit': 422,
  'time-limit': 422,
  failed: 500,
  busy: 503,
} as const;
export type Refused = keyof typeof STATUS_OF;

/** One who is told to come again is told when, s. */
const RETRY_AFTER_S = '5';
/** With the rest of the answer this stays below 1 KB, whatever a file's names are. */
const MOST_CHARACTERS = 220;

const plain = (message: string): string => {
  const signs = [...message.replace(/\p{C}/gu, '')];
  return signs.length > MOST_CHARACTERS ? `${signs.slice(0, MOST_CHARACTERS - 1).join('')}…` : signs.join('');
};

/** The refusal of a body that is still being sent reaches its sender before the connection is cut, ms. */
export const LINGER_MS = 500;

/** Said at once, ended a while later. */
const lingering = (said: Uint8Array): ReadableStream<Uint8Array> =>
  new ReadableStream({
    start: async (to) => {
      to.enqueue(said);
      await new Promise((resolve) => setTimeout(resolve, LINGER_MS));
      to.close();
    },
  });

const answer = (
  status: number,
  reason: string,
  message: string,
  headers: Readonly<Record<string, string>>,
): Response => {
  const said = new TextEncoder().encode(JSON.stringify({ error: { reason: plain(reason), message: plain(message) } }));
  return new Response(headers.connection === 'close' ? lingering(said) : said, {
    status,
    headers: {
      'content-type': 'application/json',
      'content-length': String(said.length),
      'cache-control': 'no-store',
      ...headers,
    },
  });
};

const BESIDES: Partial<Readonly<Record<Refused, Readonly<Record<string, string>>>>> = {
  busy: { 'retry-after': RETRY_AFTER_S },
  'other-method': { allow: 'POST' },
  // What is still being sent is not waited for.
  'too-slow': { connection: 'close' },
  'too-large': { connection: 'close' },
};

/** A refusal as the documented JSON. */
export const refuse = (reason: Refused, message: string): Response =>
  answer(STATUS_OF[reason], reason, message, BESIDES[reason] ?? {});

/** What the file's reader or the print itself says against a file. */
export const refuseFile = (reason: string, message: string): Response => answer(422, reason, message, {});
