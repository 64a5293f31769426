import { NoDatabase, SaveRefused, Unanswered } from '@/persistence';

/**
 * Why something is not kept and what to do about it, in a person's words: as one saves, or as one would take the right to write from another tab,
 * which is not tried again by itself.
 */
export function saveTrouble(why: unknown, doing: 'saving' | 'taking-over'): string {
  const next =
    doing === 'saving' ? 'it is tried again by itself' : 'this tab goes on reading until you choose to work here again';
  if (why instanceof SaveRefused)
    return why.reason === 'removed'
      ? 'This project was removed in another tab. Take the file away to keep what you see here.'
      : why.reason === 'newer'
        ? 'A newer build of the application has saved this project; this one leaves it alone. Reload the page.'
        : 'Another tab writes this project now. What you did here since the last save is in no other place: take the file away to keep it.';
  if (why instanceof Unanswered)
    return 'The browser’s store does not answer. Go on working, it is still waited for; take the file away before you leave.';
  if (why instanceof NoDatabase)
    return 'This browser keeps nothing for this page. Take the file away before you leave.';
  if (why instanceof Error && why.name === 'QuotaExceededError')
    return `The browser’s store is full. Take projects away as files and remove some; ${next}.`;
  return `The browser refused to keep it: ${next}. Take the file away before you leave.`;
}

/** Why the store cannot be used at all, for one who has only just come. */
export function storeTrouble(why: unknown): string {
  if (why instanceof Unanswered)
    return 'The browser’s store does not answer. Close other tabs of this page and reload it; until then nothing is kept.';
  if (why instanceof Error && why.name === 'QuotaExceededError')
    return 'The browser’s store is full: nothing more was kept. Take projects away as files and remove some.';
  return 'This browser keeps nothing for this page (no IndexedDB, perhaps a private window). You can still work; take the project file away before you leave.';
}
