/**
 * One tab writes a project; others read it. Web Locks hold the right to write, a broadcast asks for it, hands it over and tells when something was
 * saved. The lock keeps tabs out of each other's way; that no save is lost or written over by a tab that has lost it is the store's own care.
 */
export interface WriteLock {
  /** Whether this tab may write. */
  readonly holds: () => boolean;
  /** Asks the tab that writes to save what it has and let go; one that does not answer is not waited for. */
  readonly takeOver: () => Promise<HandedOver>;
  /** Lets go without another having asked: what is to be written cannot be. */
  readonly giveUp: () => void;
  readonly saved: () => void;
  readonly release: () => void;
}

/** How the right to write came here: nobody had it, the other tab saved all, could not save its last, or said nothing. */
export type HandedOver = 'free' | 'all-saved' | 'not-all-saved' | 'no-answer';

export interface LockEvents {
  /** Saves what is waiting; resolves to whether all of it is kept. */
  readonly handingOver: () => Promise<boolean>;
  /** Another tab has the right to write now. */
  readonly lost: () => void;
  readonly savedElsewhere: () => void;
  /** The tab that wrote has gone: nobody writes. */
  readonly free: () => void;
}

type Message =
  | { readonly says: 'saved' }
  | { readonly says: 'wanted' }
  | { readonly says: 'handed-over'; readonly allSaved: boolean };

/** So long a tab that writes is waited for: it saves its last within this, or hangs. */
const HAND_OVER_MS = 4000;
/** So long a lock that is let go may be on its way to the tab that asked for it. */
const ON_ITS_WAY_MS = 600;

export async function lockProject(
  id: string,
  events: LockEvents,
  handOverMs: number = HAND_OVER_MS,
): Promise<WriteLock> {
  const name = `bathyskop/project/${id}`;
  let [holding, released] = [false, false];
  let letGo: () => void = () => undefined;
  let watching: AbortController | null = null;
  let handed: ((allSaved: boolean) => void) | null = null;
  const channel = typeof BroadcastChannel === 'undefined' ? null : new BroadcastChannel(name);
  const say = (message: Message): void => {
    if (!released) channel?.postMessage(message);
  };
  const hasLocks = 'locks' in navigator;
  const lose = (): void => {
    if (!holding) return;
    holding = false;
    letGo();
    events.lost();
    watch();
  };
  const hold = (options: LockOptions): Promise<boolean> =>
    new Promise((resolve) => {
      // Where there are no Web Locks there is nothing to hold a second tab back by: the tab writes.
      if (!hasLocks) {
        holding = true;
        resolve(true);
        return;
      }
      navigator.locks
        .request(name, options, (lock) => {
          // Where this tab has left in the meantime nothing may hold on for it.
          if (!lock || released) {
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
          lose();
          resolve(false);
        });
    });
  /** Waits in the queue for the lock, only to hear that nobody has it. */
  const watch = (): void => {
    watching?.abort();
    if (!hasLocks || released || holding) return;
    const mine = new AbortController();
    watching = mine;
    navigator.locks
      .request(name, { signal: mine.signal }, () => {
        // Let go: given up, or on its way to another tab.
        setTimeout(() => void probe(mine), ON_ITS_WAY_MS);
      })
      .catch(() => undefined);
  };
  const probe = async (mine: AbortController): Promise<void> => {
    if (watching !== mine || holding || released) return;
    const free = await navigator.locks.request(name, { ifAvailable: true }, (lock) => lock !== null);
    if (watching !== mine || holding) return;
    if (free) events.free();
    else watch();
  };
  if (channel) {
    channel.onmessage = ({ data }: MessageEvent<Message>) => {
      if (data.says === 'saved' && !holding) events.savedElsewhere();
      if (data.says === 'handed-over') handed?.(data.allSaved);
      if (data.says === 'wanted' && holding)
        void events.handingOver().then((allSaved) => {
          say({ says: 'handed-over', allSaved });
          lose();
        });
    };
  }
  /** Asks, and waits for the answer as long as may be. */
  const asked = (): Promise<HandedOver> =>
    new Promise((resolve) => {
      const late = setTimeout(() => resolve('no-answer'), handOverMs);
      handed = (allSaved) => {
        clearTimeout(late);
        resolve(allSaved ? 'all-saved' : 'not-all-saved');
      };
      say({ says: 'wanted' });
    });
  await hold({ ifAvailable: true });
  watch();
  return {
    holds: () => holding,
    takeOver: async () => {
      watching?.abort();
      watching = null;
      if (await hold({ ifAvailable: true })) return 'free';
      const how = channel ? await asked() : 'no-answer';
      handed = null;
      if (!released) await hold({ steal: true });
      return how;
    },
    giveUp: () => {
      holding = false;
      letGo();
      watch();
    },
    saved: () => say({ says: 'saved' }),
    release: () => {
      released = true;
      holding = false;
      watching?.abort();
      letGo();
      channel?.close();
    },
  };
}
