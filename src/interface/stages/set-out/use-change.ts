import { changeView } from '@/core/record';
import { resolveSetUp, setOutOf, whatMoved, type Stand, type ViewChange } from '@/core/view';
import { useSession } from '@/interface/session';
import type { SettingOut } from './use-setting-out';

/** What all sentences of Set out are given. */
export interface SetOutSentencesProps extends Stand {
  readonly desk: SettingOut;
}

/** A small command within a sentence. */
export const inSentence = { color: 'secondary.main', py: 0.25 } as const;

/** Changes the view; when `moved` names what was moved on purpose (null: nothing one sees), tells what else moved with it. */
export function useChange({ setUp, setOut, desk: { tell } }: SetOutSentencesProps) {
  const { commands, view, project, style } = useSession();
  return (label: string, change: ViewChange, run?: string, moved?: string | null): void => {
    commands.change(label, { kind: 'change-view', viewId: view.id, fields: change }, run);
    if (moved === undefined) return tell([]);
    const next = { ...view, ...change };
    const room = changeView(project, view.id, change);
    const after = resolveSetUp(room, next);
    if (after.ok)
      tell(
        whatMoved(
          { view, setUp, setOut },
          { view: next, setUp: after.value, setOut: setOutOf(room, next, after.value) },
          moved,
          style,
        ),
      );
  };
}
