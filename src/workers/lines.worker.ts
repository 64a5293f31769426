import * as Comlink from 'comlink';
import { serveLines } from './serve-lines';

Comlink.expose(
  serveLines(
    () => performance.now(),
    (reply) =>
      reply.kind === 'lines'
        ? Comlink.transfer(reply, [
            reply.lines.picture.buffer,
            reply.lines.along.buffer,
            reply.lines.edge.buffer,
            reply.lines.seen.buffer,
          ])
        : reply,
  ),
);
