interface Request {
  readonly grant: (lock: object | null) => unknown;
  readonly resolve: (value: unknown) => void;
  readonly reject: (reason: Error) => void;
}

/** The browser's lock manager as far as it is used: one holder for each name; asked without waiting, stolen, or waited for in a queue one can leave. */
export function fakeLocks() {
  const holders = new Map<string, Request>();
  const queues = new Map<string, Request[]>();
  const take = (name: string, request: Request): void => {
    holders.set(name, request);
    void Promise.resolve(request.grant({ name })).then((value) => {
      request.resolve(value);
      if (holders.get(name) !== request) return;
      holders.delete(name);
      const next = queues.get(name)?.shift();
      if (next) take(name, next);
    });
  };
  return {
    request: (name: string, options: LockOptions, grant: (lock: object | null) => unknown): Promise<unknown> =>
      new Promise((resolve, reject) => {
        const request: Request = { grant, resolve, reject };
        const held = holders.get(name);
        if (!held) return take(name, request);
        if (options.ifAvailable) return resolve(grant(null));
        if (options.steal) {
          held.reject(new Error('stolen'));
          return take(name, request);
        }
        const queue = queues.get(name) ?? [];
        queue.push(request);
        queues.set(name, queue);
        options.signal?.addEventListener('abort', () => {
          queue.splice(queue.indexOf(request), queue.includes(request) ? 1 : 0);
          reject(new Error('aborted'));
        });
      }),
  };
}
