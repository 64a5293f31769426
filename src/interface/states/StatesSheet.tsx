'use client';
import { useCallback, useEffect, useState } from 'react';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { NameField } from '@/interface/fields';
import { projectFileOf } from '@/interface/outputs';
import { PaperSheet } from '@/interface/paper';
import { useServices, type KeptStateShown, type StatesService } from '@/interface/services';
import { useSession } from '@/interface/session';
import { useLook } from '@/interface/theme';

const DAY = new Intl.DateTimeFormat('en-GB', { weekday: 'short', day: 'numeric', month: 'long' });
const TIME = new Intl.DateTimeFormat('en-GB', { hour: '2-digit', minute: '2-digit' });
/** As a state is told: by its own name, or by its day. */
const told = ({ by, name, keptAt }: KeptStateShown): string => {
  if (by === 'hand') return name;
  const day = DAY.format(new Date(keptAt));
  return day === DAY.format(new Date()) ? 'today, as last saved' : `the last of ${day}`;
};
const when = ({ by, keptAt }: KeptStateShown): string =>
  by === 'hand' ? `${DAY.format(new Date(keptAt))}, ${TIME.format(new Date(keptAt))}` : TIME.format(new Date(keptAt));

const NOT_KEPT = 'It was not kept: the browser refused it, or another tab writes this project now.';

/** States of the project kept by hand and the last of each day, to go back to: what came after is kept first. */
export function StatesSheet({ close }: { readonly close: () => void }) {
  const { states } = useServices();
  return (
    <PaperSheet label="Kept states" title="Kept states of this project" high="80%" close={close}>
      {states === null ? <p>This browser keeps nothing for this page.</p> : <States states={states} close={close} />}
    </PaperSheet>
  );
}

function States({ states, close }: { readonly states: StatesService; readonly close: () => void }) {
  const { look } = useLook();
  const { project, commands, readOnly } = useSession();
  const { takeAway } = useServices();
  const [kept, setKept] = useState<readonly KeptStateShown[] | null>(null);
  const [said, setSaid] = useState<string | null>(null);
  const refresh = useCallback(
    () =>
      states.list().then(setKept, () => {
        setKept([]);
        setSaid('The browser did not give out what is kept. Close this sheet and open it again.');
      }),
    [states],
  );
  useEffect(() => void refresh(), [refresh]);
  const attempt = async (act: () => Promise<void>, otherwise: string): Promise<boolean> => {
    try {
      await act();
      setSaid(null);
      return true;
    } catch {
      setSaid(otherwise);
      return false;
    } finally {
      await refresh();
    }
  };
  const withState = async (one: KeptStateShown, act: (state: typeof project) => Promise<void>): Promise<void> => {
    const state = await states.read(one.number).catch(() => null);
    if (state) await act(state);
    else setSaid(`“${told(one)}” cannot be read. It was left where it is.`);
  };
  const goBack = (one: KeptStateShown): Promise<void> =>
    withState(one, async (state) => {
      const before = `before going back to ${told(one)}`;
      const refused = 'Nothing was changed: the state as it is now could not be kept first.';
      if (!(await attempt(() => states.keep(before, project), refused))) return;
      commands.goBackTo(state, `back to ${told(one)}`);
      close();
    });
  return (
    <>
      <Box component="p" sx={{ m: 0, mb: 1, fontSize: 15, maxWidth: 640 }}>
        The last state of each day is kept by itself, for thirty days of work. To go back loses nothing: the state as it
        is now is kept first, and going back can be undone.
      </Box>
      {readOnly ? null : (
        <Box sx={{ display: 'flex', alignItems: 'baseline', gap: 1, mb: 1.5, maxWidth: 460 }}>
          <Box component="span" sx={{ whiteSpace: 'nowrap', fontSize: 15 }}>
            Keep it as it is now, as
          </Box>
          <NameField
            label="Name of the state to be kept"
            name=""
            disabled={false}
            onChange={(name) => void attempt(() => states.keep(name, project), NOT_KEPT)}
          />
        </Box>
      )}
      {said === null ? null : (
        <Box role="alert" sx={{ color: look.warning, mb: 1 }}>
          {said}
        </Box>
      )}
      <Box component="ul" aria-label="Kept states" sx={{ listStyle: 'none', m: 0, p: 0 }}>
        {(kept ?? []).map((one) => (
          <Box
            component="li"
            key={one.number}
            sx={{ display: 'flex', alignItems: 'baseline', gap: 1, borderBottom: `1px solid ${look.rule}`, py: 0.25 }}
          >
            <Box
              sx={{ flex: 1, minWidth: 0, overflow: 'hidden', textOverflow: 'ellipsis', whiteSpace: 'nowrap' }}
              title={told(one)}
            >
              {told(one)}
            </Box>
            <Box sx={{ color: look.faint, fontSize: 14, whiteSpace: 'nowrap' }}>{when(one)}</Box>
            <Button
              size="small"
              aria-label={`The file of ${told(one)}`}
              onClick={() => void withState(one, async (state) => takeAway(...projectFileOf(state)))}
            >
              take the file away
            </Button>
            {readOnly ? null : (
              <Button
                size="small"
                sx={{ color: 'secondary.main' }}
                aria-label={`Go back to ${told(one)}`}
                onClick={() => void goBack(one)}
              >
                go back to it
              </Button>
            )}
            {readOnly || one.by === 'day' ? null : (
              <Button
                size="small"
                aria-label={`Let go of ${told(one)}`}
                onClick={() =>
                  void attempt(() => states.drop(one.number), 'It was not let go: the browser refused it.')
                }
              >
                let go
              </Button>
            )}
          </Box>
        ))}
      </Box>
      {kept?.length === 0 ? <p>Nothing is kept yet: the first save of today will be.</p> : null}
    </>
  );
}
