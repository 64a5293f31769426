'use client';
import Box from '@mui/material/Box';
import { formatAngle, formatBareLength, formatLength, formatPaper } from '@/core/units';
import { HALF_CONE_DEG, type reachReport, type StepMeans } from '@/core/view';
import { useSession } from '@/interface/session';
import { FIGURE_FACE, useLook } from '@/interface/theme';

/** Every piece with its angle, stretch and size on paper, and what a millimetre and a pencil's width mean there. */
export function ReportTable({ readings }: { readonly readings: ReturnType<typeof reachReport> }) {
  const { style } = useSession();
  const { look } = useLook();
  const fine = { ...style, rulerStepMm: 0.1 as const };
  // A tenth of a real millimetre means nothing where a pencil's line covers centimetres.
  const real = (mm: number): number => (style.units === 'metric' && mm >= 10 ? Math.round(mm) : mm);
  const bare = (mm: number): string => formatBareLength(real(mm), style);
  const both = (means: StepMeans): string =>
    means.farther === Infinity ? `−${bare(means.nearer)} / beyond` : `−${bare(means.nearer)} / +${bare(means.farther)}`;
  return (
    <Box
      component="table"
      data-testid="report"
      sx={{
        borderCollapse: 'collapse',
        width: '100%',
        fontSize: 14.5,
        mb: 1.5,
        '& th, & td': {
          textAlign: 'left',
          padding: '2px 10px 2px 0',
          borderBottom: `1px solid ${look.rule}`,
          fontWeight: 400,
        },
        '& td': { fontFamily: FIGURE_FACE, fontSize: 13, whiteSpace: 'nowrap', textAlign: 'right' },
        '& thead th': { color: look.faint, textAlign: 'right', lineHeight: 1.2, verticalAlign: 'bottom' },
        '& thead th:first-of-type': { textAlign: 'left' },
      }}
    >
      <thead>
        <tr>
          <th scope="col">piece</th>
          <th scope="col">off the line of sight, middle</th>
          <th scope="col">farthest part</th>
          <th scope="col">stretch</th>
          <th scope="col">on paper, wide by high</th>
          <th scope="col">1 mm in depth{style.units === 'metric' ? ', mm' : ''}</th>
          <th scope="col">1 mm in width</th>
          <th scope="col">pencil in depth{style.units === 'metric' ? ', mm' : ''}</th>
          <th scope="col">pencil in width</th>
        </tr>
      </thead>
      <tbody>
        {readings.map((one) => (
          <tr key={one.id} data-piece={one.id} style={one.farthestDeg > HALF_CONE_DEG ? { color: look.warning } : {}}>
            <th scope="row">
              {one.name}
              {one.farthestDeg > HALF_CONE_DEG ? ', outside the cone' : ''}
              {one.cut ? ', cut by the frame' : ''}
            </th>
            <td>{formatAngle(Math.round(one.offDeg * 10) / 10)}</td>
            <td>{formatAngle(Math.round(one.farthestDeg * 10) / 10)}</td>
            <td>{one.stretch.toFixed(2)}</td>
            <td>
              {formatPaper(one.width, fine)} by {formatPaper(one.height, fine)}
            </td>
            <td>{both(one.oneMm)}</td>
            <td>{formatLength(real(one.oneMm.sideways), style)}</td>
            <td>{both(one.pencil)}</td>
            <td>{formatLength(real(one.pencil.sideways), style)}</td>
          </tr>
        ))}
      </tbody>
    </Box>
  );
}
