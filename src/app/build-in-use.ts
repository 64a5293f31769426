/**
 * Which build serves this browser: kept for use without a network by the service worker, and replaced only when it is asked for. All open tabs are
 * asked first whether what was done in them is kept; where one says no, or a save fails, the build stays.
 */
const CHANNEL = 'bathyskop/build';
const HERE_MS = 300;
const SETTLED_MS = 5000;

/** How each open project of this tab settles what waits to be saved. */
const settlers = new Set<() => Promise<boolean>>();
/** @returns how it is taken out again. */
export function asksBefore(settle: () => Promise<boolean>): () => void {
  settlers.add(settle);
  return () => void settlers.delete(settle);
}
const settledHere = async (): Promise<boolean> =>
  (await Promise.all([...settlers].map((settle) => settle()))).every((kept) => kept);

type Said =
  | { readonly is: 'asked'; readonly by: string }
  | { readonly is: 'here' | 'settled' | 'not-settled'; readonly to: string; readonly tab: string };

/** Answers other tabs whether all that is done in this one is kept. @returns how one stops. */
export function answering(tab: string, settled: () => Promise<boolean> = settledHere): () => void {
  const channel = new BroadcastChannel(CHANNEL);
  channel.onmessage = ({ data }: MessageEvent<Said>) => {
    if (data.is !== 'asked') return;
    const to = data.by;
    channel.postMessage({ is: 'here', to, tab } satisfies Said);
    void settled().then((kept) =>
      channel.postMessage({ is: kept ? 'settled' : 'not-settled', to, tab } satisfies Said),
    );
  };
  return () => channel.close();
}

/** Whether all that is done in any tab is kept; a tab that says nothing in time counts as one that has something. */
export function allTabsSettled(tab: string, mostMs = SETTLED_MS): Promise<boolean> {
  const channel = new BroadcastChannel(CHANNEL);
  const open = new Set<string>();
  return new Promise<boolean>((resolve) => {
    let waiting = true;
    const answer = (): void => {
      if (!waiting && open.size === 0) void settledHere().then(resolve);
    };
    channel.onmessage = ({ data }: MessageEvent<Said>) => {
      if (data.is === 'asked' || data.to !== tab) return;
      if (data.is === 'here') open.add(data.tab);
      if (data.is === 'not-settled') resolve(false);
      if (data.is !== 'settled') return;
      open.delete(data.tab);
      answer();
    };
    channel.postMessage({ is: 'asked', by: tab } satisfies Said);
    setTimeout(() => {
      waiting = false;
      answer();
    }, HERE_MS);
    setTimeout(() => resolve(false), mostMs);
  }).finally(() => channel.close());
}

export interface BuildHears {
  /** All of the first build is kept: from here on no network is needed. */
  readonly kept: () => void;
  /** A newer build is there. `takeUp` resolves to false where something in some tab is not saved: then nothing has changed. */
  readonly newer: (takeUp: () => Promise<boolean>) => void;
  /** Another tab took up a newer build while something here is not saved. */
  readonly outdated: () => void;
}

/** Registers the service worker and hears of newer builds. @returns how one stops hearing. */
export function watchBuild(hears: BuildHears): () => void {
  const workers = (navigator as Partial<Navigator>).serviceWorker;
  if (process.env.NODE_ENV !== 'production' || !workers) return () => undefined;
  const tab = crypto.randomUUID();
  const stopAnswering = answering(tab);
  let served = workers.controller !== null;
  const changed = (): void => {
    // The first build comes to pages that are its own already.
    if (!served) {
      served = true;
      hears.kept();
      return;
    }
    void settledHere().then((kept) => (kept ? window.location.reload() : hears.outdated()));
  };
  workers.addEventListener('controllerchange', changed);
  const offer = (waiting: ServiceWorker): void =>
    hears.newer(async () => {
      if (!(await allTabsSettled(tab))) return false;
      waiting.postMessage({ type: 'SKIP_WAITING' });
      return true;
    });
  const register = async (): Promise<void> => {
    const registration = await workers.register('/service-worker.js');
    if (registration.waiting) offer(registration.waiting);
    registration.addEventListener('updatefound', () => {
      const installing = registration.installing;
      installing?.addEventListener('statechange', () => {
        if (installing.state === 'installed' && workers.controller) offer(installing);
      });
    });
  };
  // Without a service worker, in a private window perhaps, the application needs its server, as before.
  register().catch(() => undefined);
  return () => {
    stopAnswering();
    workers.removeEventListener('controllerchange', changed);
  };
}
