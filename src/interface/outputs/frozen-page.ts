import type { FrozenPlan } from '@/core/formats/frozen';
import { fileNameOf } from './file-name';
import { playerPage } from './player-page';
import { runPlayer } from './run-player';

/** A plan that was taken to the board as its page, to be read or drawn by still. */
export function frozenPage(
  { page, frozenAt, spare }: FrozenPlan,
  drawn: readonly string[],
): readonly [fileName: string, type: string, content: string] {
  const name = [page.projectId, page.viewId, page.order, frozenAt.slice(0, 16)];
  const content = playerPage({ ...page, drawn: [...drawn, ...spare] }, runPlayer.toString());
  return [fileNameOf({ name, ending: '.html' }), 'text/html', content];
}
