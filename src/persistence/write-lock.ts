/**
 * One tab writes a project; others read it. Web Locks hold the right to write, a broadcast tells the others when it was taken over and
 * when something was saved.
 */
export interface WriteLock {
  /** Whether this tab may write. */
  readonly holds: () => boolean;
  readonly takeOver: () => Promise<void>;
  readonly saved: () => void;
  readonly release: () => void;
}

export interface LockEvents {
  readonly lost: () => void;
  readonly savedElsewhere: () => void;
}

type Message = 'taken' | 'saved';

export async function lockProject(id: string, events: LockEvents): Promise<WriteLock> {
  const name = `bathyskop/project/${id}`;
  let holding = false;
  let letGo: () => void = () => undefined;
  const channel = typeof BroadcastChannel === 'undefined' ? null : new BroadcastChannel(name);
  const hold = (options: LockOptions): Promise<boolean> =>
    new Promise((resolve) => {
      // Where there are no Web Locks there is nothing to hold a second tab back by: the tab writes.
      if (!('locks' in navigator)) {
        holding = true;
        resolve(true);
        return;
      }
      navigator.locks
        .request(name, options, (lock) => {
          if (!lock) {
            resolve(false);
            return undefined;
          }
          holding = true;
          resolve(true);
          return new Promise<void>((release) => {
            letGo = release;
          });
        })
        // A stolen lock rejects the request that held it.
        .catch(() => {
          if (holding) {
            holding = false;
            events.lost();
          }
          resolve(false);
        });
    });
  if (channel) {
    channel.onmessage = (event: MessageEvent<Message>) => {
      if (event.data === 'saved' && !holding) events.savedElsewhere();
    };
  }
  await hold({ ifAvailable: true });
  return {
    holds: () => holding,
    takeOver: async () => {
      await hold({ steal: true });
      channel?.postMessage('taken' satisfies Message);
    },
    saved: () => channel?.postMessage('saved' satisfies Message),
    release: () => {
      holding = false;
      letGo();
      channel?.close();
    },
  };
}
