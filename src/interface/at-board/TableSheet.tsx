'use client';
import { Fragment } from 'react';
import Box from '@mui/material/Box';
import { SET_OUT_ZEROS, type SetOutZero } from '@/core/record';
import { formatPaper } from '@/core/units';
import { bothReadings, setOutTable, type SetOut, type SetUp } from '@/core/view';
import { Choice, Figure } from '@/interface/fields';
import { PaperSheet } from '@/interface/paper';
import { FIGURE_FACE, useLook } from '@/interface/theme';
import { useSession } from '@/interface/session';
import type { Sheet } from '@/interface/frame';
import type { Seen } from './use-at-board';

interface TableSheetProps {
  readonly setUp: SetUp;
  readonly setOut: SetOut;
  readonly close: () => void;
}

const ZERO_WORDS: Readonly<Record<SetOutZero, string>> = {
  'left-edge': 'the sheet’s left edge',
  'centre-line': 'the centre line',
  'leftmost-mark': 'the leftmost mark, taped',
};

/** Everything to lay down before the first line of the room: every distance from one zero, in both readings, copied with one click. */
function TableSheet({ setUp, setOut, close }: TableSheetProps) {
  const { project, view, style, commands, readOnly } = useSession();
  const { look } = useLook();
  const table = setOutTable(project, view, setUp, setOut, style);
  const cell = (mm: number | null, label: string) => {
    if (mm === null) return <td colSpan={2} />;
    const { paper, real } = bothReadings(mm, view.scaleDenominator, style);
    return (
      <>
        <td className="figure">
          <Figure label={label}>{paper}</Figure>
        </td>
        <td className="figure real">
          <Figure label={`${label}, on the scale rule`}>{real}</Figure>
        </td>
      </>
    );
  };
  return (
    <PaperSheet
      label="Set-out"
      title={`Set-out of the ${view.sheet.name} sheet, ${view.name}`}
      high="64%"
      close={close}
    >
      <Box component="p" sx={{ mt: 0, mb: 1 }}>
        Measured across from{' '}
        <Choice
          label="Zero of the set-out"
          value={view.zero}
          disabled={readOnly}
          options={SET_OUT_ZEROS.map((value) => ({ value, words: ZERO_WORDS[value] }))}
          onChange={(zero) =>
            commands.change('Choose the zero', { kind: 'change-view', viewId: view.id, fields: { zero } })
          }
        />
        , up from the sheet’s lower edge, true heights from the ground line. {table.zero} The 60° cone of vision is a
        circle of <Figure label="Radius of the 60 degree cone">{formatPaper(setOut.cone60Radius, style)}</Figure> about
        the centre of vision, the 45° one of{' '}
        <Figure label="Radius of the 45 degree cone">{formatPaper(setOut.cone45Radius, style)}</Figure>.
      </Box>
      <Box
        component="table"
        data-testid="set-out-sheet"
        sx={{
          borderCollapse: 'collapse',
          width: '100%',
          fontSize: 14.5,
          '& th, & td': {
            textAlign: 'left',
            padding: '3px 10px 3px 0',
            borderBottom: `1px solid ${look.rule}`,
            fontWeight: 400,
            verticalAlign: 'top',
          },
          '& td.figure': { textAlign: 'right', whiteSpace: 'nowrap' },
          '& td.real': { color: look.faint },
          '& tbody th[scope=row]': { fontFamily: FIGURE_FACE },
          '& thead th': { color: look.faint },
          '& thead th.right': { textAlign: 'right' },
        }}
      >
        <thead>
          <tr>
            <th scope="col">mark</th>
            <th scope="col">what it is</th>
            <th scope="col" className="right">
              across
            </th>
            <th scope="col" className="right">
              on the scale rule
            </th>
            <th scope="col" className="right">
              up
            </th>
            <th scope="col" className="right">
              on the scale rule
            </th>
            <th scope="col">lies</th>
          </tr>
        </thead>
        <tbody>
          {table.sections.map((section) => (
            <Fragment key={section.title}>
              <tr>
                <th scope="rowgroup" colSpan={7} style={{ color: look.faint, paddingTop: 10 }}>
                  {section.title}
                </th>
              </tr>
              {section.rows.map((row) => (
                <tr key={row.id} data-mark={row.id}>
                  <th scope="row">{row.label}</th>
                  <td>{row.words}</td>
                  {cell(row.across, `${row.words}, across`)}
                  {row.overGround === null
                    ? cell(row.up, `${row.words}, up`)
                    : cell(row.overGround, `${row.words}, above the ground line`)}
                  <td>
                    {row.overGround === null
                      ? row.note
                      : `above the ground line; ${formatPaper(row.up ?? 0, style)} from the sheet’s edge`}
                  </td>
                </tr>
              ))}
            </Fragment>
          ))}
        </tbody>
      </Box>
    </PaperSheet>
  );
}

export const table: Sheet<Seen> = {
  button: 'set-out table',
  key: { keys: 't', shown: 'T', does: 'set-out table' },
  changes: false,
  Dialog: ({ given, close }) => <TableSheet {...given.perspective.stand} close={close} />,
};
