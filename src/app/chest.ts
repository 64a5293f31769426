import type { Thumbnail } from '@/core/pipeline';
import type { Project } from '@/core/record';
import type { ProjectCardShown } from '@/interface/projects';
import type { ProjectStore } from '@/persistence';
import type { SmallPictureClient } from '@/workers';

const isPicture = (value: unknown): value is Thumbnail => {
  const { width, height, path } = (value ?? {}) as Partial<Thumbnail>;
  return typeof width === 'number' && typeof height === 'number' && typeof path === 'string';
};

/** All projects as they are kept, with the pictures that were made before: nothing is drawn and no project is read for it. */
export async function cardsOf(store: ProjectStore): Promise<readonly ProjectCardShown[]> {
  return Promise.all(
    (await store.list()).map(async (card): Promise<ProjectCardShown> => {
      const kept = await store.picture(card.id, card.current).catch(() => null);
      if (!kept) return { ...card, picture: { is: 'waiting' }, fault: null };
      return { ...card, picture: isPicture(kept.picture) ? { is: 'drawn', ...kept.picture } : NONE, fault: null };
    }),
  );
}

const NONE = { is: 'none', why: 'It cannot be drawn from where its first view stands.' } as const;

/** One card read and drawn by itself: whatever is wrong with it is said on it, and hides no other. */
export async function completed(
  store: ProjectStore,
  draw: SmallPictureClient['draw'],
  card: ProjectCardShown,
): Promise<ProjectCardShown> {
  let project: Project;
  try {
    const loaded = await store.load(card.id);
    if (!loaded.ok) return { ...card, picture: { is: 'none', why: loaded.error.message }, fault: loaded.error.message };
    project = loaded.value.work.history.present;
  } catch {
    const why = 'The browser did not give it out. Try again later; it was left where it is.';
    return { ...card, picture: { is: 'none', why }, fault: why };
  }
  const reply = await draw(project);
  if (reply === null) return card;
  if (reply.kind === 'failed')
    return {
      ...card,
      picture: { is: 'none', why: 'No small picture could be made of it; it can be opened all the same.' },
      fault: null,
    };
  // A picture that is not kept is drawn again the next time; the list does without.
  await store.keepPicture(card.id, card.current, reply.picture).catch(() => undefined);
  return { ...card, picture: reply.picture ? { is: 'drawn', ...reply.picture } : NONE, fault: null };
}
