'use client';
import { useEffect, useState } from 'react';
import Box from '@mui/material/Box';
import type { RealError } from '@/core/construction';
import type { Helped, WorstMarks } from '@/core/pipeline';
import { formatBareLength, formatLength, formatPaper, formatScale, type LengthStyle } from '@/core/units';
import type { Seen } from '@/interface/at-board';
import type { Sheet } from '@/interface/frame';
import { PaperSheet } from '@/interface/paper';
import { useServices } from '@/interface/services';
import { SmallTable } from '@/interface/fields';
import { useSession } from '@/interface/session';
import { useLook } from '@/interface/theme';
import { stepOf, type Drawn } from './use-drawing';

type Looked = { readonly done: number } | { readonly found: WorstMarks } | { readonly message: string };

/** Looks for the worst marks of the view in a worker, as long as the sheet lies there. */
function useWorstMarks(): Looked {
  const { settled, view } = useSession();
  const { plan: service } = useServices();
  const [looked, setLooked] = useState<Looked>({ done: 0 });
  useEffect(() => {
    let left = false;
    const request = { project: settled, viewId: view.id, ways: {}, asks: 'worst-marks' } as const;
    void service
      ?.plan(request, (done) => left || setLooked({ done }))
      .then((reply) => {
        if (left) return;
        if (reply?.kind === 'worst-marks') setLooked({ found: reply.worst });
        else setLooked({ message: 'The marks could not be compared. Lay the sheet aside and open it again.' });
      });
    return () => {
      left = true;
      service?.cancel();
    };
  }, [service, settled, view]);
  return looked;
}

/** The ten marks that may be missed by most, and what would help, each computed. */
function WorstSheet({ given, close }: { readonly given: Seen & Drawn; readonly close: () => void }) {
  const looked = useWorstMarks();
  return (
    <PaperSheet label="Worst marks" title="Where the pencil may miss by most" high="64%" close={close}>
      {'found' in looked ? (
        <WorstTable worst={looked.found} desk={given} />
      ) : (
        <Box role="status">
          {'message' in looked
            ? looked.message
            : `Drawing it again by other routes, from other stations and at a larger scale … ${Math.round(looked.done * 100)} %`}
        </Box>
      )}
    </PaperSheet>
  );
}

function WorstTable({ worst, desk }: { readonly worst: WorstMarks; readonly desk: Seen & Drawn }) {
  const { view, settled, style } = useSession();
  const { look } = useLook();
  const { drawn } = desk;
  const { back, scaleDenominator } = worst.tried;
  if (!drawn) return null;
  const station =
    back === 0
      ? 'another station'
      : `standing ${formatLength(Math.abs(back), style)} ${back > 0 ? 'farther back' : 'nearer'}`;
  const scale = scaleDenominator === null ? 'a larger scale' : `drawn ${formatScale(scaleDenominator, settled.units)}`;
  return (
    <>
      <SmallTable
        label="Worst marks"
        rows="roomy"
        heads={['mark', 'on paper', 'in the room', 'other routes', station, scale]}
      >
        {worst.marks.map((one) => {
          const pointed = { is: 'mark', mark: one.mark } as const;
          const step = stepOf(drawn.laid, pointed);
          return (
            <tr key={one.mark}>
              <th scope="row">
                <button
                  type="button"
                  className="copies"
                  style={{ cursor: 'pointer', color: look.ink }}
                  onClick={() => {
                    desk.jump(step);
                    desk.pointAt(pointed);
                  }}
                >
                  {drawn.laid.plan.labels.get(one.mark) ?? ''}, step {step}
                </button>
              </th>
              <td className="figure">{formatPaper(one.error.paperMm, style)}</td>
              <td className="figure">{formatLength(one.error.besides, style)}</td>
              {[one.route, one.station, one.scale].map((helped, i) => (
                <td key={i} className="figure">
                  {helpedWords(helped, one.error, style)}
                </td>
              ))}
            </tr>
          );
        })}
      </SmallTable>
      <Box component="p" sx={{ m: 0, mt: 1, color: look.faint, fontSize: 14 }}>
        How far each mark may be missed in nineteen drawings of twenty, on paper and across in the room; then what it
        would be in the room otherwise. Other routes cost more ruler moves. {view.name} itself is not changed.
      </Box>
    </>
  );
}

/** Differences smaller than this share are none. */
const SAME_SHARE = 0.03;

function helpedWords(helped: Helped, { besides }: RealError, style: LengthStyle): string {
  if (helped.is === 'none') return 'none larger';
  if (helped.is === 'untold') return 'not drawn';
  const now = helped.error.besides;
  if (Math.abs(now - besides) < SAME_SHARE * besides) return 'the same';
  return `${formatBareLength(now, style)}${now > besides ? ', more' : ''}`;
}

export const worst: Sheet<Seen & Drawn> = {
  button: 'worst marks',
  inMargin: 'worst marks',
  key: { keys: 'w', shown: 'W', does: 'the ten marks that may be missed by most, and what would help' },
  changes: false,
  Dialog: WorstSheet,
};
