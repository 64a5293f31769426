'use client';
import { formatAngle, formatBareLength, formatLength, formatPaper } from '@/core/units';
import { HALF_CONE_DEG, type reachReport, type StepMeans } from '@/core/view';
import { SmallTable } from '@/interface/fields';
import { useSession } from '@/interface/session';
import { useLook } from '@/interface/theme';

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
    <SmallTable
      label="Reach and stretch"
      rows="roomy"
      heads={[
        'piece',
        'off the line of sight, middle',
        'farthest part',
        'stretch',
        'on paper, wide by high',
        `1 mm in depth${style.units === 'metric' ? ', mm' : ''}`,
        '1 mm in width',
        `pencil in depth${style.units === 'metric' ? ', mm' : ''}`,
        'pencil in width',
      ]}
    >
      {readings.map((one) => (
        <tr key={one.id} data-piece={one.id} style={one.farthestDeg > HALF_CONE_DEG ? { color: look.warning } : {}}>
          <th scope="row">
            {one.name}
            {one.farthestDeg > HALF_CONE_DEG ? ', outside the cone' : ''}
            {one.cut ? ', cut by the frame' : ''}
          </th>
          <td className="figure">{formatAngle(Math.round(one.offDeg * 10) / 10)}</td>
          <td className="figure">{formatAngle(Math.round(one.farthestDeg * 10) / 10)}</td>
          <td className="figure">{one.stretch.toFixed(2)}</td>
          <td className="figure">
            {formatPaper(one.width, fine)} by {formatPaper(one.height, fine)}
          </td>
          <td className="figure">{both(one.oneMm)}</td>
          <td className="figure">{formatLength(real(one.oneMm.sideways), style)}</td>
          <td className="figure">{both(one.pencil)}</td>
          <td className="figure">{formatLength(real(one.pencil.sideways), style)}</td>
        </tr>
      ))}
    </SmallTable>
  );
}
