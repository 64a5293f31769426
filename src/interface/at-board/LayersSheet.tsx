'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { FURNITURE, LAID_ON, laidOf, layerAlone, pieceLayer, type Drawing, type LayerLaid } from '@/core/drawing';
import { writeSvg } from '@/core/formats/svg';
import { PaperSheet } from '@/interface/paper';
import { useServices } from '@/interface/services';
import { useLook } from '@/interface/theme';
import { useSession } from '@/interface/session';
import type { Sheet } from '@/interface/frame';
import type { Seen } from './use-at-board';

interface LayersSheetProps {
  readonly drawing: Drawing;
  readonly close: () => void;
}

const SHOWN: readonly LayerLaid['show'][] = ['on', 'dimmed', 'off'];
const WORDS: Readonly<Record<LayerLaid['show'], string>> = { on: 'on', dimmed: 'faint', off: 'aside' };

/** Every sheet of tracing paper: laid on, faint or aside; fastened so that nothing on it is moved; taken away by itself. */
function LayersSheet({ drawing, close }: LayersSheetProps) {
  const { project, view, commands, layers: laid } = useSession();
  const { look } = useLook();
  const { takeAway } = useServices();
  const rows: readonly {
    readonly id: string;
    readonly name: string;
    readonly group?: 'furniture';
    readonly lockable: boolean;
  }[] = [
    { id: 'set-out', name: 'Set-out', lockable: false },
    ...(drawing.layers.some((layer) => layer.role.layer === 'construction') || laid?.construction
      ? [{ id: 'construction', name: 'Construction', lockable: false }]
      : []),
    { id: 'room', name: 'Room', lockable: false },
    { id: 'openings', name: 'Openings', lockable: false },
    { id: 'footprints', name: 'Footprints', lockable: false },
    { id: 'patterns', name: 'Patterns', lockable: false },
    { id: 'hidden', name: 'Hidden lines', lockable: false },
    { id: 'control', name: 'Notes and crosses', lockable: false },
    { id: FURNITURE, name: 'All furniture', lockable: true },
    ...project.pieces.map(
      (piece) => ({ id: pieceLayer(piece.id), name: piece.name, group: FURNITURE, lockable: true }) as const,
    ),
  ];
  const own = (id: string): LayerLaid => laid?.[id] ?? LAID_ON;
  return (
    <PaperSheet label="Layers" title="Layers, as sheets of tracing paper" high="60%" close={close}>
      <Box
        sx={{
          display: 'grid',
          gridTemplateColumns: 'repeat(auto-fill, minmax(310px, 1fr))',
          columnGap: 3,
          rowGap: 0.25,
        }}
      >
        {rows.map((row) => {
          const now = laidOf(laid, row);
          return (
            <Box
              key={row.id}
              role="group"
              aria-label={row.name}
              data-layer={row.id}
              sx={{ display: 'flex', alignItems: 'baseline', gap: 0.5, borderBottom: `1px dotted ${look.rule}` }}
            >
              <Box
                component="span"
                sx={{
                  flex: 1,
                  minWidth: 0,
                  overflow: 'hidden',
                  textOverflow: 'ellipsis',
                  whiteSpace: 'nowrap',
                  pl: row.group ? 1.5 : 0,
                  opacity: now.show === 'on' ? 1 : now.show === 'dimmed' ? 0.6 : 0.4,
                }}
                title={row.name}
              >
                {row.name}
              </Box>
              {SHOWN.map((show) => (
                <Button
                  key={show}
                  size="small"
                  aria-pressed={own(row.id).show === show}
                  onClick={() => commands.layLayer(row.id, { ...own(row.id), show })}
                  sx={{
                    minWidth: 0,
                    px: 0.5,
                    color: own(row.id).show === show ? look.ink : look.faint,
                    textDecoration: own(row.id).show === show ? 'underline' : 'none',
                    textUnderlineOffset: 3,
                  }}
                >
                  {WORDS[show]}
                </Button>
              ))}
              {row.lockable ? (
                <Button
                  size="small"
                  aria-pressed={own(row.id).locked}
                  onClick={() => commands.layLayer(row.id, { ...own(row.id), locked: !own(row.id).locked })}
                  sx={{ minWidth: 0, px: 0.5, color: now.locked ? look.ink : look.faint }}
                >
                  {own(row.id).locked ? 'fastened' : 'fasten'}
                </Button>
              ) : null}
              <Button
                size="small"
                disabled={now.show === 'off'}
                aria-label={`Take ${row.name} away by itself`}
                onClick={() =>
                  takeAway(
                    `${project.id}-${view.id}-${row.id}.svg`.replace(/[^a-z0-9.-]+/gi, '-'),
                    'image/svg+xml',
                    writeSvg(layerAlone(drawing, row.id)),
                  )
                }
                sx={{ minWidth: 0, px: 0.5, color: look.faint }}
              >
                take
              </Button>
            </Box>
          );
        })}
      </Box>
    </PaperSheet>
  );
}

export const layers: Sheet<Seen> = {
  button: 'layers',
  inMargin: 'layers',
  key: { keys: 'l', shown: 'L', does: 'layers, as sheets of tracing paper' },
  changes: false,
  Dialog: ({ given, close }) => <LayersSheet drawing={given.perspective.drawing} close={close} />,
};
