'use client';
import { useState } from 'react';
import Button from '@mui/material/Button';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import { useSnackbar } from 'notistack';
import { fileNameOf, NOT_EXACT, OUTPUTS, type Desktop, type Output, type Taken } from '@/interface/outputs';
import { useServices } from '@/interface/services';
import { useSurroundings } from '@/interface/session';
import { COMMON_SHEETS } from './common-sheets';
import { useOpenSheet, type Sheet } from './sheet';

export interface TakeAwayProps {
  readonly sheets: readonly Sheet<never>[];
  /** Whether there is something to be seen, and whether an elevation has a place here. */
  readonly stands: boolean;
  readonly elevations: boolean;
  /** What the stage shows when something is taken away. */
  readonly shows: () => Pick<Desktop, 'perspective' | 'elevation'>;
}

/** An exact picture is waited for this long, ms, and looked for this often. */
const [PATIENCE_MS, LOOK_MS] = [20_000, 100];

/** Waits until what is shown is exact: a quick picture, or one of the room before the last edit, is nothing to take away. */
async function isExact(shown: () => Desktop['perspective']): Promise<boolean> {
  for (let waited = 0; shown()?.quick; waited += LOOK_MS) {
    if (waited >= PATIENCE_MS) return false;
    await new Promise((next) => setTimeout(next, LOOK_MS));
  }
  return true;
}

/** Everything that can be taken away from what the stage shows: prints by their sheet, the rest as files. */
export function TakeAway({ sheets, stands, elevations, shows }: TakeAwayProps) {
  const { now, readOnly, commands } = useSurroundings();
  const { takeAway, raster, plan } = useServices();
  const { lay } = useOpenSheet();
  const { enqueueSnackbar } = useSnackbar();
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const make = async (output: Output): Promise<Taken> => {
    if (output.wants === 'a-stand' && !(await isExact(() => shows().perspective))) return NOT_EXACT;
    // What lies on the desk when the file is made, not when it was asked for: a picture may still be worked out meanwhile.
    const { project, view, chosen, scene, store } = now();
    const planned = async () =>
      (await plan?.plan({ project, viewId: view.id, ways: {}, asks: 'plans' }, () => undefined)) ?? null;
    const { order = 'by-piece', done, frozen } = store.getState().desk;
    const atBoard = { drawn: done?.[view.id] ?? [], frozen: frozen?.[view.id]?.at(-1) ?? null, now: () => new Date() };
    return output.make({ project, view, chosen, scene, raster, planned, order, ...atBoard, ...shows() });
  };
  const take = async (output: Output): Promise<void> => {
    const taken = await make(output);
    if (taken.kind === 'refused') enqueueSnackbar(taken.message, { variant: 'error', autoHideDuration: 8000 });
    else {
      takeAway(fileNameOf(taken), taken.type, taken.content, taken.holds);
      // What goes to the board stays as it went there.
      if (taken.freezes && !readOnly) commands.freeze(taken.freezes.plan, taken.freezes.drawn);
    }
  };
  const pick = (act: () => void) => () => {
    setAnchor(null);
    act();
  };
  return (
    <>
      <Button aria-haspopup="menu" onClick={(event) => setAnchor(event.currentTarget)}>
        take away
      </Button>
      <Menu anchorEl={anchor} open={anchor !== null} onClose={() => setAnchor(null)}>
        {[...sheets, ...COMMON_SHEETS]
          .filter((sheet) => sheet.takesAway !== undefined)
          .map((sheet) => (
            <MenuItem
              key={sheet.key.keys}
              disabled={!stands && sheets.includes(sheet)}
              onClick={pick(() => lay(sheet))}
            >
              {sheet.takesAway}
            </MenuItem>
          ))}
        {OUTPUTS.filter((one) => one.wants !== 'an-elevation' || elevations).map((one) => (
          <MenuItem key={one.id} disabled={one.wants === 'a-stand' && !stands} onClick={pick(() => void take(one))}>
            {one.words}
          </MenuItem>
        ))}
      </Menu>
    </>
  );
}
