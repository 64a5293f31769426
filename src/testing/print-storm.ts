import { request, type ClientRequest, type IncomingMessage } from 'node:http';

/** What came back for one request of a storm; status 0 where the connection was cut. */
export interface Answer {
  readonly what: string;
  readonly status: number;
  readonly body: Buffer;
  readonly headers: IncomingMessage['headers'];
}

type Send = (to: ClientRequest) => void;
interface Storming {
  readonly what: string;
  readonly headers?: Readonly<Record<string, string>>;
  readonly method?: string;
  readonly path?: string;
  readonly send: Send;
}

const whole =
  (body: string): Send =>
  (to) =>
    void to.end(body);
/** Goes on until the other side has had enough. */
const endless: Send = (to) => {
  const more = (): void => {
    while (!to.destroyed && to.write('[1,2,3,4,5,6,7,8,9,0],'.repeat(400)));
    if (!to.destroyed) to.once('drain', more);
  };
  to.write('[');
  more();
};
/** A sign now and then, and no end. */
const trickling: Send = (to) => {
  to.write('{"kind":');
  const timer = setInterval(() => (to.destroyed ? clearInterval(timer) : to.write(' ')), 500);
  to.on('close', () => clearInterval(timer));
};

/** Requests meant ill, of twelve kinds; `project` is a sound file that some of them spoil. */
const hostile = (project: string): readonly Storming[] => [
  { what: 'an endless body', send: endless },
  { what: 'a body that trickles', send: trickling },
  {
    what: 'a body that is promised and not sent',
    headers: { 'content-length': '5000' },
    send: (to) => to.flushHeaders(),
  },
  { what: 'nine megabytes promised', headers: { 'content-length': '9500000' }, send: (to) => to.flushHeaders() },
  { what: 'seven megabytes of brackets', send: whole('['.repeat(7_000_000)) },
  { what: 'a number without bounds', send: whole(project.replace(/"mm": ?[\d.]+/, '"mm": 1e999')) },
  { what: 'another site’s page', headers: { origin: 'http://other.invalid' }, send: whole(project) },
  { what: 'a form', headers: { 'content-type': 'text/plain' }, send: whole(project) },
  { what: 'a field of a prototype', send: whole('{"__proto__": {"kind": "bathyskop-project"}, "constructor": 1}') },
  { what: 'a parameter of a mile', path: `?view=${'x'.repeat(6000)}`, send: whole(project) },
  { what: 'nothing', send: whole('') },
  { what: 'another method', method: 'PUT', send: whole(project) },
];

function post(baseURL: string, one: Storming): Promise<Answer> {
  return new Promise((resolve) => {
    const to = request(`${baseURL}/api/print${one.path ?? ''}`, {
      method: one.method ?? 'POST',
      headers: { 'content-type': 'application/json', ...one.headers },
      agent: false,
    });
    const cut = (): void => resolve({ what: one.what, status: 0, body: Buffer.alloc(0), headers: {} });
    to.on('error', cut);
    to.on('response', (from) => {
      const chunks: Buffer[] = [];
      const done = (): void => {
        resolve({ what: one.what, status: from.statusCode ?? 0, body: Buffer.concat(chunks), headers: from.headers });
        to.destroy();
      };
      from.on('data', (chunk: Buffer) => chunks.push(chunk));
      from.on('end', done);
      from.on('error', done);
    });
    one.send(to);
  });
}

/** So many prints of a heavy file and so many requests meant ill, all at once; resolves when each has been answered or cut off. */
export const printStorm = (
  baseURL: string,
  project: string,
  heavy: number,
  ill: number,
): Promise<readonly Answer[]> => {
  const kinds = hostile(project);
  return Promise.all([
    ...Array.from({ length: heavy }, () =>
      post(baseURL, { what: 'a heavy print', path: '?parts=table,set-out,picture&paper=A4', send: whole(project) }),
    ),
    ...Array.from({ length: ill }, (_, i) => {
      const kind = kinds[i % kinds.length];
      if (!kind) throw new Error('there are kinds');
      return post(baseURL, kind);
    }),
  ]);
};

/** Whether an answer is one of those docs/format.md lists: a PDF, or a refusal below 1 KB with its reason and words. */
export function isDocumented({ status, body, headers }: Answer): boolean {
  if (status === 200)
    return headers['content-type'] === 'application/pdf' && body.subarray(0, 5).toString() === '%PDF-';
  if (![400, 403, 405, 408, 413, 415, 422, 503].includes(status) || body.length >= 1024) return false;
  try {
    const { error } = JSON.parse(body.toString()) as { error?: { reason?: unknown; message?: unknown } };
    return (
      typeof error?.reason === 'string' &&
      typeof error.message === 'string' &&
      (status !== 503 || headers['retry-after'] !== undefined)
    );
  } catch {
    return false;
  }
}
