'use client';
import { memo, useMemo, useRef, useState } from 'react';
import Box from '@mui/material/Box';
import { CATALOGUE, kindBody, newPiece, OPENINGS, type Kind } from '@/core/solids';
import { SURFACE_KINDS, type SurfaceKind } from '@/core/record';
import { parallelView, prepareScene, seenChains } from '@/core/visibility';
import { useLook } from '@/interface/theme';
import { SearchField } from '@/interface/fields';
import { PaperSheet } from '@/interface/paper';
import type { Sheet } from '@/interface/frame';
import type { Measuring } from './use-measure';
import { useSession } from '@/interface/session';
import { wallOfChosen } from './places';

export type Template =
  | { readonly what: 'piece'; readonly kind: string; readonly name: string }
  | { readonly what: 'opening'; readonly kind: string; readonly name: string }
  | { readonly what: 'surface'; readonly kind: SurfaceKind; readonly name: string };

interface Shown {
  readonly template: Template;
  readonly group: string;
  readonly path: string;
  readonly box: string;
}

const SURFACE_NAMES: Readonly<Record<SurfaceKind, string>> = {
  boards: 'Boards',
  tiles: 'Tiles',
  panels: 'Ceiling panels',
  lights: 'Row of lights',
};

/** A kind at its usual sizes from the front and a little from above: enough to know it by. */
function outlineOfKind(kind: Kind): { path: string; box: string } {
  const from = [
    { wallId: '', mm: 0 },
    { wallId: '', mm: 0 },
  ] as const;
  const piece = newPiece(kind.id, { id: kind.id, name: kind.name, levelId: '', from: [from[0], from[1]] }, String);
  if (!piece) return { path: '', box: '0 0 1 1' };
  const body = kindBody(kind, piece, {
    origin: { x: 0, y: 0, z: 0 },
    x: { x: 1, y: 0, z: 0 },
    y: { x: 0, y: -1, z: 0 },
    z: { x: 0, y: 0, z: 1 },
  });
  // Seen from the front, from the right and from above: an axonometric, so that depth shows without a station.
  const turn = 0.52;
  const tilt = 0.4;
  const right = { x: Math.cos(turn), y: Math.sin(turn), z: 0 };
  const toward = { x: Math.sin(turn) * Math.cos(tilt), y: -Math.cos(turn) * Math.cos(tilt), z: Math.sin(tilt) };
  const up = { x: -Math.sin(turn) * Math.sin(tilt), y: Math.cos(turn) * Math.sin(tilt), z: Math.cos(tilt) };
  const view = parallelView(prepareScene([body]), { origin: { x: 0, y: 0, z: 0 }, right, up, toward });
  let [low, high, left, far] = [Infinity, -Infinity, Infinity, -Infinity];
  let path = '';
  for (const { row } of seenChains(view, 2)) {
    const [x0, y0, x1, y1] = row;
    left = Math.min(left, x0, x1);
    far = Math.max(far, x0, x1);
    low = Math.min(low, -y0, -y1);
    high = Math.max(high, -y0, -y1);
    path += `M${Math.round(x0)},${Math.round(-y0)}L${Math.round(x1)},${Math.round(-y1)}`;
  }
  const pad = Math.max(far - left, high - low) * 0.06;
  return { path, box: `${left - pad} ${low - pad} ${far - left + 2 * pad} ${high - low + 2 * pad}` };
}

function surfaceSketch(kind: SurfaceKind): { path: string; box: string } {
  const paths: Readonly<Record<SurfaceKind, string>> = {
    boards: 'M0,20H100M0,40H100M0,60H100M30,0V20M70,20V40M15,40V60M55,60V80M0,0H100V80H0Z',
    tiles: 'M0,20H100M0,40H100M0,60H100M20,0V80M40,0V80M60,0V80M80,0V80M0,0H100V80H0Z',
    panels: 'M0,27H100M0,53H100M33,0V80M67,0V80M0,0H100V80H0Z',
    lights: 'M10,30h16v16h-16ZM42,30h16v16h-16ZM74,30h16v16h-16ZM0,0H100V80H0Z',
  };
  return { path: paths[kind], box: '-4 -4 108 88' };
}

/** The catalogue, made when the sheet is first pulled up. */
function allTemplates(): readonly Shown[] {
  return [
    ...OPENINGS.map((kind): Shown => ({
      template: { what: 'opening', kind: kind.id, name: kind.name },
      group: 'in a wall',
      path: kind.sketch,
      box: '-10 -210 170 220',
    })),
    ...CATALOGUE.map((kind): Shown => ({
      template: { what: 'piece', kind: kind.id, name: kind.name },
      group: kind.group,
      ...outlineOfKind(kind),
    })),
    ...SURFACE_KINDS.map((kind): Shown => ({
      template: { what: 'surface', kind, name: SURFACE_NAMES[kind] },
      group: 'surfaces',
      ...surfaceSketch(kind),
    })),
  ];
}

interface TemplateSheetProps {
  readonly close: () => void;
  /** Sets a template down where it was let go, or where there is room. */
  readonly put: (template: Template, at: { readonly clientX: number; readonly clientY: number } | null) => void;
  readonly wallChosen: string | null;
}

/** One template: pressed it is set down where there is room, dragged where it is let go. */
function TemplateButton({
  template,
  path,
  box,
  carried,
  carry,
  letGo,
  press,
}: {
  readonly template: Template;
  readonly path: string;
  readonly box: string;
  /** Whether something is being carried off the sheet. */
  readonly carried: boolean;
  readonly carry: (x: number | null, y: number) => void;
  readonly letGo: (clientX: number, clientY: number) => void;
  readonly press: () => void;
}) {
  const { look } = useLook();
  const pressed = useRef<{ readonly x: number; readonly y: number } | null>(null);
  return (
    <Box
      component="button"
      data-template={`${template.what}-${template.kind}`}
      onPointerDown={(event) => {
        pressed.current = { x: event.clientX, y: event.clientY };
        (event.currentTarget as unknown as HTMLElement).setPointerCapture(event.pointerId);
      }}
      onPointerMove={(event) => {
        const from = pressed.current;
        if (!from || (!carried && Math.hypot(event.clientX - from.x, event.clientY - from.y) < 5)) return;
        carry(event.clientX, event.clientY);
      }}
      onPointerUp={(event) => {
        if (carried) letGo(event.clientX, event.clientY);
        pressed.current = null;
      }}
      onPointerCancel={() => {
        pressed.current = null;
        carry(null, 0);
      }}
      onClick={() => {
        // What was carried off the sheet has been set down already.
        if (carried) carry(null, 0);
        else press();
      }}
      sx={{
        font: 'inherit',
        fontSize: 12.5,
        lineHeight: 1.15,
        width: 84,
        minHeight: 96,
        p: 0.5,
        border: 0,
        background: 'transparent',
        color: look.text,
        cursor: 'grab',
        touchAction: 'none',
        verticalAlign: 'top',
        '&:hover, &:focus-visible': { background: look.strip },
      }}
    >
      <svg aria-hidden="true" width="58" height="46" viewBox={box} style={{ display: 'block', margin: '0 auto 3px' }}>
        <path d={path} fill="none" stroke={look.graphite} strokeWidth={1} vectorEffect="non-scaling-stroke" />
      </svg>
      {template.name}
    </Box>
  );
}

/** The catalogue as a template sheet pulled up from the lower edge: press and drag a shape to the plan, or choose it by key. */
const TemplateSheet = memo(function TemplateSheet({ close, put, wallChosen }: TemplateSheetProps) {
  const { look } = useLook();
  const templates = useMemo(() => allTemplates(), []);
  const [wanted, setWanted] = useState('');
  const [carried, setCarried] = useState<{
    readonly path: string;
    readonly box: string;
    readonly x: number;
    readonly y: number;
  } | null>(null);
  const sheet = useRef<HTMLDivElement>(null);
  const found = templates.filter(({ template, group }) =>
    `${template.name} ${group}`.toLowerCase().includes(wanted.trim().toLowerCase()),
  );
  const groups = [...new Set(found.map((one) => one.group))];
  const overSheet = (y: number): boolean => y > (sheet.current?.getBoundingClientRect().top ?? 0);
  return (
    <>
      <Box ref={sheet} sx={{ position: 'absolute', left: 0, right: 0, bottom: 0, height: '44%', zIndex: 5 }}>
        <PaperSheet label="Template sheet" title="Template sheet" close={close} high="100%">
          <Box sx={{ display: 'flex', gap: 2, alignItems: 'baseline', mb: 0.5, fontSize: 14.5 }}>
            <SearchField
              label="Look for a template"
              wanted={wanted}
              autoFocus
              onChange={setWanted}
              onTake={() => found[0] && put(found[0].template, null)}
            />
            <span style={{ color: look.faint }}>
              Drag a shape onto the plan, or press it; Enter puts in the first that is found, at usual sizes. Openings
              go into {wallChosen ?? 'the nearest wall'}.
            </span>
          </Box>
          {found.length === 0 ? <p>Nothing is called that. Try chair, shelf, stair or block.</p> : null}
          {groups.map((group) => (
            <Box
              key={group}
              component="section"
              aria-label={group}
              sx={{ display: 'inline-block', verticalAlign: 'top', mr: 2, mb: 0.5 }}
            >
              <Box sx={{ fontSize: 13, color: look.faint, borderBottom: `1px solid ${look.rule}`, mb: 0.25 }}>
                {group}
              </Box>
              {found
                .filter((one) => one.group === group)
                .map(({ template, path, box }) => (
                  <TemplateButton
                    key={`${template.what}-${template.kind}`}
                    template={template}
                    path={path}
                    box={box}
                    carried={carried !== null}
                    carry={(x, y) => setCarried(x === null ? null : { path, box, x, y })}
                    letGo={(clientX, clientY) => {
                      if (!overSheet(clientY)) put(template, { clientX, clientY });
                    }}
                    press={() => put(template, null)}
                  />
                ))}
            </Box>
          ))}
        </PaperSheet>
      </Box>
      {carried ? (
        <svg
          aria-hidden="true"
          width="72"
          height="60"
          viewBox={carried.box}
          style={{ position: 'fixed', left: carried.x - 36, top: carried.y - 30, pointerEvents: 'none', zIndex: 20 }}
        >
          <path d={carried.path} fill="none" stroke={look.ink} strokeWidth={1.4} vectorEffect="non-scaling-stroke" />
        </svg>
      ) : null}
    </>
  );
});

function Templates({ given, close }: { readonly given: Measuring; readonly close: () => void }) {
  const { project } = useSession();
  // The sheet is remembered while the wall is the same: it draws a hundred templates.
  const wallChosen = wallOfChosen(project, given.chosen.first)?.wall.name ?? null;
  return <TemplateSheet close={close} put={given.put} wallChosen={wallChosen} />;
}

export const templates: Sheet<Measuring> = {
  button: 'template sheet',
  key: { keys: 't', shown: 'T', does: 'pull up the template sheet' },
  changes: true,
  Dialog: Templates,
};
