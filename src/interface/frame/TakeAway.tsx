'use client';
import { useState } from 'react';
import Button from '@mui/material/Button';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import { useSnackbar } from 'notistack';
import { fileNameOf, OUTPUTS, type Desktop, type Output } from '@/interface/outputs';
import { useServices } from '@/interface/services';
import { useSession } from '@/interface/session';
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

/** Everything that can be taken away from what the stage shows: prints by their sheet, the rest as files. */
export function TakeAway({ sheets, stands, elevations, shows }: TakeAwayProps) {
  const { project, view, chosen, store } = useSession();
  const { takeAway, raster, plan } = useServices();
  const { lay } = useOpenSheet();
  const { enqueueSnackbar } = useSnackbar();
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const take = async (output: Output): Promise<void> => {
    const planned = async () =>
      (await plan?.plan({ project, viewId: view.id, ways: {}, asks: 'plans' }, () => undefined)) ?? null;
    const order = store.getState().desk.order ?? 'by-piece';
    const taken = await output.make({ project, view, chosen, raster, planned, order, ...shows() });
    if (taken.kind === 'refused') enqueueSnackbar(taken.message, { variant: 'error', autoHideDuration: 8000 });
    else takeAway(fileNameOf(taken), taken.type, taken.content, taken.holds);
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
