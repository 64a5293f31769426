'use client';
import Button from '@mui/material/Button';
import { type Piece, estimatedSize } from '@/core/record';
import { kindOf, proposeStairs, stairHeadroom, stairReading, valuesOf } from '@/core/solids';
import { formatBareLength, formatLength } from '@/core/units';
import { useSession } from '@/interface/session';
import { Sentence } from './parts';

const WITHIN = { below: 'below the usual', usual: 'within the usual', above: 'above the usual' } as const;

/** Where a stair lies against the comfort rule, and what the calculator proposes for its height. */
export function StairWords({ piece }: { readonly piece: Piece }) {
  const { project, style, commands, readOnly } = useSession();
  const kind = kindOf(piece.kind);
  if (!kind) return null;
  const values = valuesOf(kind, piece);
  const risers = values.count('risers');
  const straight = piece.kind === 'straight-stair';
  const lower = kind.counts?.['risers to the landing']
    ? values.count('risers to the landing')
    : kind.counts?.['risers to the winders']
      ? values.count('risers to the winders')
      : risers;
  const landing =
    kind.sizes['flight width'] && piece.kind !== 'half-stair'
      ? values.size('flight width')
      : kind.sizes['landing depth']
        ? values.size('landing depth')
        : 0;
  const going = (values.depth - landing) / Math.max(1, lower - 1);
  const now = stairReading(values.height, risers, going);
  const show = (mm: number): string => formatLength(Math.round(mm * 10) / 10, style);
  const headroom = stairHeadroom(project, piece);
  const [best, second] = proposeStairs(values.height);
  const take = (proposal: NonNullable<typeof best>): void => {
    const mm = straight ? proposal.run : proposal.going * (Math.max(2, Math.round(proposal.risers / 2)) - 1) + landing;
    const counts = straight
      ? { ...piece.counts, risers: proposal.risers }
      : {
          ...piece.counts,
          risers: proposal.risers,
          ...(kind.counts?.['risers to the landing']
            ? { 'risers to the landing': Math.round(proposal.risers / 2) }
            : { 'risers to the winders': Math.round(proposal.risers / 2) - 1 }),
        };
    const depth = estimatedSize(`${piece.id}/depth`, mm, (value) => formatBareLength(value, style));
    commands.change(`Take ${proposal.risers} risers`, {
      kind: 'change-piece',
      pieceId: piece.id,
      fields: { counts, depth },
    });
  };
  return (
    <Sentence>
      {risers} risers of {show(now.rise)}, going {show(now.going)}: two rises and a going make {show(now.comfort)},{' '}
      {WITHIN[now.within]} 550 to 700 mm; pitch {Math.round(now.pitchDeg)}°.{' '}
      {headroom
        ? headroom.wellLength === null
          ? `Headroom at least ${show(headroom.least)}.`
          : `The floor above wants an opening ${show(headroom.wellLength)} long, back from the top riser, for the usual 2 m of headroom.`
        : null}{' '}
      {readOnly
        ? null
        : [best, second].map((one) =>
            one ? (
              <Button key={one.risers} size="small" sx={{ color: 'secondary.main', py: 0 }} onClick={() => take(one)}>
                {one.risers} risers, going {formatBareLength(one.going, style)}
              </Button>
            ) : null,
          )}
    </Sentence>
  );
}
