'use client';
import { useRef, useState } from 'react';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { mmOf, type BlockOutline, type Piece } from '@/core/record';
import { outlineCrossesItself } from '@/core/solids';
import { formatBareLength, parseLength } from '@/core/units';
import { useLook } from '@/interface/theme';
import { Choice } from './parts';
import { useSession } from '@/interface/session';
import { PaperSheet } from '@/interface/paper';
import type { Sheet } from '@/interface/frame';
import { CornerRow, type CornerTyped } from './CornerRow';
import { OutlineFigure, VIEW_WORDS, type OutlineView } from './OutlineFigure';
import type { Measuring } from './use-measure';

interface OutlineSheetProps {
  readonly piece: Piece;
  readonly close: () => void;
}

/** Overall extent across and up of a view of the piece, and how deep it can be pushed through. */
const extents = (piece: Piece, view: OutlineView): readonly [across: number, up: number, deep: number] => {
  const [w, d, h] = [mmOf(piece.width), mmOf(piece.depth), mmOf(piece.height)];
  return view === 'plan' ? [w, d, h] : view === 'front' ? [w, h, d] : [d, h, w];
};

/** Cutting a block: an outline in one of three views, drawn by pressing or typed corner by corner, pushed through the piece. */
function OutlineSheet({ piece, close }: OutlineSheetProps) {
  const { style, commands } = useSession();
  const { look } = useLook();
  const print = (mm: number): string => formatBareLength(mm, style);
  const [view, setView] = useState<OutlineView>(piece.outlines[0]?.view ?? 'front');
  const known = piece.outlines.find((one) => one.view === view);
  const keys = useRef(100);
  const typedFrom = (outline: BlockOutline | undefined, which: OutlineView): readonly CornerTyped[] => {
    const [a, u] = extents(piece, which);
    const corners = outline?.corners ?? [
      { x: 0, y: 0, bulge: 0 },
      { x: a, y: 0, bulge: 0 },
      { x: a, y: u, bulge: 0 },
      { x: 0, y: u, bulge: 0 },
    ];
    return corners.map((one, i) => ({ key: i, x: print(one.x), y: print(one.y), bend: String(one.bulge) }));
  };
  const [corners, setCorners] = useState<readonly CornerTyped[]>(() => typedFrom(known, view));
  const [across, upward, deep] = extents(piece, view);
  const rules = { units: style.units, zero: 'allowed', negative: 'allowed' } as const;
  const read = corners.map((one) => {
    const [x, y] = [parseLength(one.x, rules), parseLength(one.y, rules)];
    const bulge = Number(one.bend.replace(',', '.').replace('−', '-'));
    const fault = !x.ok
      ? x.error.message
      : !y.ok
        ? y.error.message
        : !(Math.abs(bulge) <= 1)
          ? 'A bend is the arc’s rise over half its chord, from −1 to 1; 0 is straight.'
          : null;
    return { one, fault, at: x.ok && y.ok && fault === null ? { x: x.value.mm, y: y.value.mm, bulge } : null };
  });
  const points = read.flatMap((one) => (one.at ? [one.at] : []));
  const whole = points.length === corners.length;
  const crossed = whole && (points.length < 3 || outlineCrossesItself(points));
  const cut = (): void => {
    if (!whole || crossed) return;
    const outline: BlockOutline = { id: view, view, corners: points, from: 0, to: deep };
    commands.change(`Cut ${piece.name}`, { kind: 'set-outlines', pieceId: piece.id, outlines: [outline] });
  };
  const change = (key: number, to: Partial<CornerTyped>): void =>
    setCorners(corners.map((one) => (one.key === key ? { ...one, ...to } : one)));
  const look2 = (which: OutlineView): void => {
    setView(which);
    setCorners(
      typedFrom(
        piece.outlines.find((one) => one.view === which),
        which,
      ),
    );
  };
  return (
    <PaperSheet label="Outlines" title={`Cutting ${piece.name}`} close={close} high="80%">
      <Box sx={{ display: 'flex', gap: 3 }}>
        <Box sx={{ flex: '1 1 420px', fontSize: 15 }}>
          <Box component="p" sx={{ m: 0, mb: 1 }}>
            Its outline{' '}
            <Choice
              label="View of the outline"
              value={view}
              among={(Object.keys(VIEW_WORDS) as OutlineView[]).map((one) => [one, VIEW_WORDS[one]])}
              onChange={look2}
            />
            , from the lower left corner, pushed through {print(deep)}. Press on the figure to put a corner in.
          </Box>
          <Box component="ol" sx={{ pl: 3, m: 0, maxHeight: 250, overflow: 'auto' }}>
            {read.map(({ one, fault }, i) => (
              <CornerRow
                key={one.key}
                number={i + 1}
                corner={one}
                fault={fault}
                change={(to) => change(one.key, to)}
                strike={corners.length > 3 ? () => setCorners(corners.filter((each) => each.key !== one.key)) : null}
              />
            ))}
          </Box>
          <Button
            size="small"
            onClick={() => {
              keys.current += 1;
              setCorners([...corners, { key: keys.current, x: print(0), y: print(upward / 2), bend: '0' }]);
            }}
          >
            one corner more
          </Button>
          <Box sx={{ mt: 1, display: 'flex', gap: 2, alignItems: 'baseline' }}>
            <Button variant="contained" onClick={cut} disabled={!whole || crossed}>
              Cut the block
            </Button>
            <Box role="status" sx={{ color: look.warning, fontSize: 14.5 }}>
              {crossed ? 'The outline crosses itself or encloses nothing. Move the last corner.' : ''}
            </Box>
          </Box>
        </Box>
        <OutlineFigure
          view={view}
          points={points}
          extent={[across, upward]}
          crossed={crossed}
          press={(at, after) => {
            keys.current += 1;
            const corner: CornerTyped = { key: keys.current, x: print(at.x), y: print(at.y), bend: '0' };
            setCorners([...corners.slice(0, after + 1), corner, ...corners.slice(after + 1)]);
          }}
        />
      </Box>
    </PaperSheet>
  );
}

function Outlines({ given, close }: { readonly given: Measuring; readonly close: () => void }) {
  const { project } = useSession();
  const piece = project.pieces.find((one) => one.id === given.chosen.first);
  return piece?.kind === 'block' ? <OutlineSheet key={piece.id} piece={piece} close={close} /> : null;
}

export const outline: Sheet<Measuring> = {
  button: null,
  key: { keys: 'o', shown: 'O', does: 'cut the outlines of a block' },
  changes: true,
  Dialog: Outlines,
};
