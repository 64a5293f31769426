'use client';
import Button from '@mui/material/Button';
import { at } from '@/core/base';
import { SOURCE_WORDS, SOURCES, type Piece, type Source, several, type Change } from '@/core/record';
import { kindOf } from '@/core/solids';
import { useLook } from '@/interface/theme';
import { NameField } from '@/interface/fields';
import { useSession } from '@/interface/session';
import { figureFor } from './figures';
import { Choice, Sentence } from './parts';
import { useOpenSheet } from '@/interface/frame';
import { outline } from './OutlineSheet';

import { ChecksSentence } from './PieceChecks';
import { PieceFittings } from './PieceFittings';
import { PiecePlaceWords } from './PiecePlaceWords';
import { StairWords } from './StairWords';

/** The sizes, numbers and choices of the chosen piece, in sentences with their figures editable in place. */
export function PieceWords({ piece }: { readonly piece: Piece }) {
  const { lay } = useOpenSheet();
  const session = useSession();
  const { commands, readOnly } = session;
  const { look } = useLook();
  const kind = kindOf(piece.kind);
  const change = (change: Change, run?: string): void => commands.change(`Change ${piece.name}`, change, run);
  const figure = figureFor(session, piece.name);
  const claim = at(
    piece.width.claims.filter((one) => one.id === piece.width.inForce),
    0,
  );
  return (
    <>
      <NameField
        label="Name of the piece"
        name={piece.name}
        disabled={readOnly}
        onChange={(name) => change({ kind: 'rename-thing', id: piece.id, name })}
      />
      <Sentence>
        {kind?.name ?? piece.kind}, {figure('width', piece.width)} wide, {figure('depth', piece.depth)} deep,{' '}
        {figure('height', piece.height)} high, {figure('lift', piece.lift, { zero: 'allowed' })} above the floor:{' '}
        <Choice
          label={`Source of the width of ${piece.name}`}
          value={claim.source}
          among={SOURCES.map((one) => [one, SOURCE_WORDS[one]])}
          disabled={readOnly}
          onChange={(source: Source) =>
            change(
              several(
                [piece.width, piece.depth, piece.height].map(
                  (size) => ({ kind: 'source-size', sizeId: size.id, source }) as const,
                ),
              ),
            )
          }
        />
        .
      </Sentence>
      <PiecePlaceWords piece={piece} />
      <ChecksSentence piece={piece} />
      <PieceFittings piece={piece} kind={kind} />
      {kind?.id === 'block' ? (
        <Sentence>
          <Button size="small" sx={{ color: 'secondary.main', py: 0 }} onClick={() => lay(outline)}>
            cut its outlines
          </Button>
        </Sentence>
      ) : null}
      {kind?.group === 'stairs' && kind.counts?.risers ? <StairWords piece={piece} /> : null}
      {kind?.caution ? (
        <Sentence>
          <span style={{ color: look.faint }}>{kind.caution}</span>
        </Sentence>
      ) : null}
    </>
  );
}
