'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import type { Project, View } from '@/core/record';
import { formatAngle, formatPaper, type LengthStyle } from '@/core/units';
import type { Lies, SetOut, SetOutMark } from '@/core/view';
import { Figure } from '@/interface/fields';
import { FIGURE_FACE, useLook } from '@/interface/theme';

interface SetOutSheetProps {
  readonly project: Project;
  readonly view: View;
  readonly setOut: SetOut;
  readonly style: LengthStyle;
  readonly close: () => void;
}

function liesWords(lies: Lies, style: LengthStyle): string {
  switch (lies.where) {
    case 'on-sheet':
      return 'on the sheet';
    case 'on-board':
      return `on the board, ${formatPaper(lies.beyondSheet, style)} beyond the sheet’s ${lies.side} edge`;
    case 'off-board':
      return `off the board by ${formatPaper(lies.beyondBoard, style)} on the ${lies.side}`;
  }
}

/** The set-out as a sheet laid over the lower half: every mark from one zero, in the user's units, copied with one click. */
export function SetOutSheet({ project, view, setOut, style, close }: SetOutSheetProps) {
  const { look } = useLook();
  const nameOf = (id: string): string =>
    project.pieces.find((piece) => piece.id === id)?.name ??
    project.spaces.find((space) => space.id === id)?.name ??
    id;
  const row = (mark: SetOutMark, name: string) => (
    <tr key={mark.id} data-mark={mark.id}>
      <th scope="row">{mark.label}</th>
      <td>{name}</td>
      <td>
        <Figure label={`${mark.words} from the centre line`}>{formatPaper(mark.at.u, style)}</Figure>
      </td>
      <td>
        <Figure label={`${mark.words} from the sheet’s left edge`}>{formatPaper(mark.onSheet.x, style)}</Figure>
      </td>
      <td>{liesWords(mark.lies, style)}</td>
    </tr>
  );
  return (
    <Box
      role="dialog"
      aria-label="Set-out"
      data-testid="set-out-sheet"
      sx={{
        position: 'absolute',
        left: 24,
        right: 24,
        bottom: 0,
        maxHeight: '52%',
        overflow: 'auto',
        backgroundColor: look.sheet,
        border: `1px solid ${look.graphite}`,
        borderBottom: 0,
        p: 2.5,
        zIndex: 5,
        '& table': { borderCollapse: 'collapse', width: '100%', fontSize: 14.5 },
        '& th, & td': {
          textAlign: 'left',
          padding: '3px 12px 3px 0',
          borderBottom: `1px solid ${look.rule}`,
          fontWeight: 400,
          verticalAlign: 'top',
        },
        '& td:nth-of-type(2), & td:nth-of-type(3)': { textAlign: 'right', whiteSpace: 'nowrap' },
        '& tbody th[scope=row]': { fontFamily: FIGURE_FACE },
        '& thead th': { color: look.faint },
      }}
    >
      <Box sx={{ display: 'flex', justifyContent: 'space-between', alignItems: 'baseline', mb: 1 }}>
        <Box component="h2" sx={{ m: 0, fontSize: 18, fontWeight: 500 }}>
          Set-out of the {view.sheet.name} sheet, {view.name}
        </Box>
        <Button onClick={close} autoFocus>
          lay it aside (Esc)
        </Button>
      </Box>
      <Box component="p" sx={{ mt: 0, mb: 1.2 }}>
        Zero is the centre line, {formatPaper(view.centreOfVisionOnSheet.x, style)} from the sheet’s left edge; right is
        positive. The horizon lies{' '}
        <Figure label="Horizon above the sheet’s lower edge">{formatPaper(setOut.horizonOnSheetY, style)}</Figure> above
        the sheet’s lower edge, the ground line{' '}
        <Figure label="Ground line above the sheet’s lower edge">
          {formatPaper(setOut.groundLineOnSheetY, style)}
        </Figure>
        , that is <Figure label="Ground line below the horizon">{formatPaper(-setOut.groundLineV, style)}</Figure> below
        the horizon. The 60° cone of vision is a circle of{' '}
        <Figure label="Radius of the 60 degree cone">{formatPaper(setOut.cone60Radius, style)}</Figure> about the centre
        of vision, the 45° one of{' '}
        <Figure label="Radius of the 45 degree cone">{formatPaper(setOut.cone45Radius, style)}</Figure>.
      </Box>
      <table>
        <thead>
          <tr>
            <th scope="col">mark</th>
            <th scope="col">on the horizon</th>
            <th scope="col">from the centre line</th>
            <th scope="col">from the left edge</th>
            <th scope="col">lies</th>
          </tr>
        </thead>
        <tbody>
          {setOut.groups.flatMap((group) => [
            <tr key={`group-${group.turnDeg}`}>
              <th scope="rowgroup" colSpan={5} style={{ color: look.faint }}>
                {group.kind === 'one-point' ? 'Square to the picture plane' : `Turned ${formatAngle(group.turnDeg)}`}:{' '}
                {group.serves.map(nameOf).slice(0, 4).join(', ')}
                {group.serves.length > 4 ? ` and ${group.serves.length - 4} more` : ''}
              </th>
            </tr>,
            ...group.marks.map((mark) => row(mark, mark.words)),
          ])}
        </tbody>
      </table>
    </Box>
  );
}
