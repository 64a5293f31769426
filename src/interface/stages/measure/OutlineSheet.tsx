'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import type { Piece } from '@/core/record';
import { kindOf, OUTLINES_ARE, valuesOf } from '@/core/solids';
import { formatBareLength } from '@/core/units';
import { useLook } from '@/interface/theme';
import { useSession } from '@/interface/session';
import { PaperSheet } from '@/interface/paper';
import type { Sheet } from '@/interface/frame';
import { CornerRow } from './CornerRow';
import { OutlineFigure, VIEW_WORDS } from './OutlineFigure';
import { OutlineWords } from './OutlineWords';
import { extents, useOutlines } from './use-outlines';
import type { Measuring } from './use-measure';

/** Cutting a block: any number of outlines in its three views with their holes, drawn by pressing and dragging or typed, each pushed through it. */
function OutlineSheet({ piece, close }: { readonly piece: Piece; readonly close: () => void }) {
  const { style, commands } = useSession();
  const { look } = useLook();
  const desk = useOutlines(piece, style);
  const kind = kindOf(piece.kind);
  const how = kind?.choices?.[OUTLINES_ARE] ? valuesOf(kind, piece).choice(OUTLINES_ARE) : null;
  const { now, hand, read, corners } = desk;
  const here = read[hand.outline];
  if (!now || !here) return null;
  const [across, upward] = extents(piece, now.view);
  // The figure shows the corners that can be read; they are called by their place among all.
  const readable = (here.loops[hand.loop] ?? []).flatMap(({ at }, i) => (at ? [i] : []));
  const faulty = read.findIndex(({ fault }) => fault !== null);
  const cut = (): void => {
    const outlines = read.flatMap(({ outline }) => (outline ? [outline] : []));
    if (outlines.length === read.length)
      commands.change(`Cut ${piece.name}`, { kind: 'set-outlines', pieceId: piece.id, outlines });
  };
  return (
    <PaperSheet label="Outlines" title={`Cutting ${piece.name}`} close={close} high="80%">
      <Box sx={{ display: 'flex', gap: 3 }}>
        <Box sx={{ flex: '1 1 420px', fontSize: 15 }}>
          <OutlineWords desk={desk} deep={formatBareLength(extents(piece, now.view)[2], style)} />
          <Box component="ol" sx={{ pl: 3, m: 0, maxHeight: 210, overflow: 'auto' }}>
            {(here.loops[hand.loop] ?? []).map(({ one, fault }, i) => (
              <CornerRow
                key={one.key}
                number={i + 1}
                corner={one}
                fault={fault}
                change={(to) => desk.change(one.key, to)}
                strike={corners.length > 3 ? () => desk.strikeCorner(one.key) : null}
              />
            ))}
          </Box>
          <Button size="small" onClick={() => desk.addCorner({ x: 0, y: upward / 2 })}>
            one corner more
          </Button>
          <Box sx={{ mt: 1, display: 'flex', gap: 2, alignItems: 'baseline' }}>
            <Button variant="contained" onClick={cut} disabled={faulty >= 0}>
              Cut the block
            </Button>
            <Box role="status" sx={{ color: look.warning, fontSize: 14.5 }}>
              {faulty < 0 ? '' : `${read.length > 1 ? `Outline ${faulty + 1}: ` : ''}${read[faulty]?.fault ?? ''}`}
            </Box>
          </Box>
        </Box>
        <OutlineFigure
          view={now.view}
          loops={here.loops.map((loop) => loop.flatMap(({ at }) => (at ? [at] : [])))}
          atHand={hand.loop}
          others={read.flatMap((one, i) =>
            i === hand.outline || desk.outlines[i]?.view !== now.view
              ? []
              : one.loops.map((loop) => loop.flatMap(({ at }) => (at ? [at] : []))),
          )}
          extent={[across, upward]}
          faulty={here.fault !== null}
          press={(at, after) => desk.addCorner(at, readable[after] ?? after)}
          move={(index, at) => desk.moveCorner(readable[index] ?? index, at)}
        />
      </Box>
      <Box component="p" sx={{ m: 0, mt: 0.5, fontSize: 13.5, color: look.faint }}>
        {`Seen ${VIEW_WORDS[now.view]}. Drag a corner; press on a side to put one in.`}{' '}
        {how === null ? '' : `The outlines are ${how}.`}
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
